// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/blur.h"

#include <algorithm>
#include <cmath>
#include <opencv2/core.hpp>

#include "solarchon/base/angle.h"
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

double transfer(double cycles_per_px, const Softness& softness) {
  const double share = cycles_per_px * softness.pixels_per_cutoff;
  const double aperture = pupil_transfer(share, softness.obstruction, softness.defocus_waves);
  if (const auto& brief = softness.short_exposure) {
    return aperture * seeing::short_exposure_transfer(share, brief->r0_cm, brief->wavelength_nm,
                                                      brief->aperture_mm);
  }
  const double sigma = softness.seeing_px / kFwhmPerSigma;
  const double phase = base::kPi * sigma * cycles_per_px;
  return aperture * std::exp(-2.0 * phase * phase);
}

/// Transfer function over the square of the frequency, ready to be looked up.
std::vector<float> transfer_table(const Softness& softness) {
  std::vector<float> table(kTableSize + 1);
  for (int i = 0; i <= kTableSize; ++i) {
    const double square = 0.5 * i / kTableSize;  // at most 0.5 cycles a pixel each way
    table[static_cast<std::size_t>(i)] = static_cast<float>(transfer(std::sqrt(square), softness));
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

int quick_size(int size) { return cv::getOptimalDFTSize(size); }

void blur(std::vector<float>& picture, int width, int height, const Softness& softness) {
  cv::Mat pixels(height, width, CV_32F, picture.data());
  cv::Mat spectrum;
  cv::dft(pixels, spectrum, cv::DFT_COMPLEX_OUTPUT);
  const std::vector<float> table = transfer_table(softness);
  for (int y = 0; y < height; ++y) {
    const double fy = static_cast<double>(std::min(y, height - y)) / height;
    auto* row = spectrum.ptr<cv::Vec2f>(y);
    for (int x = 0; x < width; ++x) {
      const double fx = static_cast<double>(std::min(x, width - x)) / width;
      const double place = (fx * fx + fy * fy) * 2.0 * kTableSize;
      const auto below = std::min(static_cast<std::size_t>(place), table.size() - 2);
      const auto part = static_cast<float>(place - static_cast<double>(below));
      row[x] *= table[below] + (table[below + 1] - table[below]) * part;
    }
  }
  cv::Mat back;
  cv::dft(spectrum, back, cv::DFT_INVERSE | cv::DFT_SCALE | cv::DFT_REAL_OUTPUT);
  back.copyTo(pixels);
}

}  // namespace solarchon::camera
