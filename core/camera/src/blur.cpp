// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/blur.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>
#include <opencv2/core.hpp>

#include "solarchon/base/angle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/seeing/air.h"

namespace solarchon::camera {

namespace {

constexpr double kFwhmPerSigma = 2.354820045;
constexpr int kTableSize = 4096;

/// Area that two circles share, over pi.
double overlap(double first, double second, double apart) {
  const double small = std::min(first, second);
  if (apart >= first + second) {
    return 0.0;
  }
  if (apart <= std::abs(first - second)) {
    return small * small;
  }
  const auto part = [apart](double one, double other) {
    const double cosine = (apart * apart + one * one - other * other) / (2.0 * apart * one);
    return one * one * std::acos(std::clamp(cosine, -1.0, 1.0));
  };
  const double kite =
      0.5 * std::sqrt(std::max(0.0, (first + second - apart) * (apart + first - second) *
                                        (apart - first + second) * (apart + first + second)));
  return (part(first, second) + part(second, first) - kite) / base::kPi;
}

/// Tables go up to 0.5 cycles per pixel each way. By the frequency, not its square: what an
/// aperture leaves falls in a straight line from 1, and the light far from a bright edge is that
/// corner's.
constexpr double kMostCycles = 0.7071067811865476;
double frequency(int place) { return kMostCycles * place / kTableSize; }

/// What the aperture leaves at each place of a table. Kept: the air changes oftener.
std::vector<float> aperture_table(const Softness& softness) {
  struct Kept {
    std::array<double, 3> figures{};
    std::vector<float> table;
  };
  static std::mutex guard;
  static Kept kept;
  const std::array<double, 3> figures{softness.pixels_per_cutoff, softness.obstruction,
                                      softness.defocus_waves};
  const std::lock_guard<std::mutex> held(guard);
  if (kept.table.empty() || kept.figures != figures) {
    kept.table.resize(kTableSize + 1);
    base::each_row(kTableSize + 1, {}, [&](int i) {
      kept.table[static_cast<std::size_t>(i)] = static_cast<float>(pupil_transfer(
          frequency(i) * softness.pixels_per_cutoff, softness.obstruction, softness.defocus_waves));
    });
    kept.figures = figures;
  }
  return kept.table;
}

/// What the air leaves.
double air_transfer(double cycles_per_px, const Softness& softness) {
  if (const auto& brief = softness.short_exposure) {
    return seeing::short_exposure_transfer(cycles_per_px * softness.pixels_per_cutoff, brief->r0_cm,
                                           brief->wavelength_nm, brief->aperture_mm);
  }
  const double sigma = softness.seeing_px / kFwhmPerSigma;
  const double phase = base::kPi * sigma * cycles_per_px;
  return std::exp(-2.0 * phase * phase);
}

/// Transfer function over the frequency, ready to be looked up.
std::vector<float> transfer_table(const Softness& softness) {
  std::vector<float> table = aperture_table(softness);
  for (int i = 0; i <= kTableSize; ++i) {
    float& value = table[static_cast<std::size_t>(i)];
    if (value != 0.0F) {
      value *= static_cast<float>(air_transfer(frequency(i), softness));
    }
  }
  return table;
}

}  // namespace

double pupil_transfer(double share, double obstruction, double defocus_waves) {
  if (share >= 1.0) {
    return 0.0;
  }
  const double apart = 2.0 * share;  // of the two pupils, in radii of the aperture
  const double focused = (overlap(1.0, 1.0, apart) - 2.0 * overlap(1.0, obstruction, apart) +
                          overlap(obstruction, obstruction, apart)) /
                         (1.0 - obstruction * obstruction);
  const double turn = 8.0 * base::kPi * std::abs(defocus_waves) * share * (1.0 - share);
  constexpr double kNone = 1e-6;
  return turn < kNone ? focused : focused * 2.0 * std::cyl_bessel_j(1.0, turn) / turn;
}

int quick_size(int size) { return 2 * cv::getOptimalDFTSize((size + 1) / 2); }

Spectrum::Spectrum(const std::vector<float>& picture, int width, int height)
    : width_(width), height_(height), waves_(picture.size()) {
  // OpenCV reads from what it is given here, and writes nothing to it.
  const cv::Mat pixels(height, width, CV_32F, const_cast<float*>(picture.data()));
  cv::Mat spectrum(height, width, CV_32F, waves_.data());
  cv::dct(pixels, spectrum);
}

std::vector<float> Spectrum::softened(const Softness& softness) const {
  const std::vector<float> table = transfer_table(softness);
  // Waves of the cosine transform have half a cycle more from one to the next.
  const auto square_of = [](int wave, int size) {
    const double place = 0.5 * wave / size * (kTableSize / kMostCycles);
    return static_cast<float>(place * place);
  };
  std::vector<float> across(static_cast<std::size_t>(width_));
  for (int x = 0; x < width_; ++x) {
    across[static_cast<std::size_t>(x)] = square_of(x, width_);
  }
  std::vector<float> picture = waves_;
  base::each_row(height_, {}, [&](int y) {
    const float down = square_of(y, height_);
    float* row = picture.data() + static_cast<std::ptrdiff_t>(y) * width_;
    for (int x = 0; x < width_; ++x) {
      const float place = std::sqrt(across[static_cast<std::size_t>(x)] + down);
      const auto below = std::min(static_cast<std::size_t>(place), table.size() - 2);
      const float part = place - static_cast<float>(below);
      row[x] *= table[below] + (table[below + 1] - table[below]) * part;
    }
  });
  cv::Mat spectrum(height_, width_, CV_32F, picture.data());
  cv::idct(spectrum, spectrum);
  return picture;
}

void blur(std::vector<float>& picture, int width, int height, const Softness& softness) {
  picture = Spectrum(picture, width, height).softened(softness);
}

}  // namespace solarchon::camera
