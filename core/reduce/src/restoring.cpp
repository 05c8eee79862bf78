// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/restoring.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <numbers>
#include <opencv2/core.hpp>
#include <vector>

#include "sharp_disc.h"
#include "solarchon/base/range.h"
#include "solarchon/reduce/finishing.h"
#include "solarchon/seeing/air.h"
#include "transfer.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using frames::Picture;

namespace {

/// A plane on a ground that goes on beyond its edges as in a mirror, so that nothing wraps round.
class Spectrum2d {
 public:
  Spectrum2d(int width, int height, int margin)
      : width_(width),
        height_(height),
        margin_(margin),
        wide_(cv::getOptimalDFTSize(width + 2 * margin)),
        tall_(cv::getOptimalDFTSize(height + 2 * margin)) {}

  /// Passes every frequency by a factor.
  /// @param factor  of the frequency in cycles per pixel
  [[nodiscard]] std::vector<float> filtered(const std::vector<float>& plane,
                                            const std::function<double(double)>& factor) const {
    cv::Mat spectrum = spectrum_of(plane);
    each_frequency([&](int x, int y, double cycles) {
      spectrum.at<cv::Vec2f>(y, x) *= static_cast<float>(factor(cycles));
    });
    cv::Mat back;
    cv::dft(spectrum, back, cv::DFT_INVERSE | cv::DFT_REAL_OUTPUT | cv::DFT_SCALE);
    std::vector<float> made(plane.size());
    for (int y = 0; y < height_; ++y) {
      const float* row = back.ptr<float>(y + margin_) + margin_;
      std::copy_n(row, width_, made.begin() + static_cast<std::ptrdiff_t>(y) * width_);
    }
    return made;
  }

  /// Power by frequency, in rings: of one value of the plane, as noise of the same power all over
  /// would have it. Edges are faded out.
  [[nodiscard]] std::vector<double> power(const std::vector<float>& plane,
                                          std::size_t rings) const {
    std::vector<float> faded(plane.size());
    double mean = 0.0;
    for (const float value : plane) {
      mean += static_cast<double>(value) / static_cast<double>(plane.size());
    }
    double kept = 0.0;
    for (int y = 0; y < height_; ++y) {
      const double down = hann(y, height_);
      for (int x = 0; x < width_; ++x) {
        const double share = down * hann(x, width_);
        const auto at = static_cast<std::size_t>(y) * static_cast<std::size_t>(width_) +
                        static_cast<std::size_t>(x);
        faded[at] = static_cast<float>((static_cast<double>(plane[at]) - mean) * share);
        kept += share * share;
      }
    }
    cv::Mat ground = cv::Mat::zeros(tall_, wide_, CV_32F);
    for (int y = 0; y < height_; ++y) {
      std::copy_n(faded.begin() + static_cast<std::ptrdiff_t>(y) * width_, width_,
                  ground.ptr<float>(y));
    }
    cv::Mat spectrum;
    cv::dft(ground, spectrum, cv::DFT_COMPLEX_OUTPUT);
    std::vector<double> sums(rings, 0.0);
    std::vector<double> counts(rings, 0.0);
    each_frequency([&](int x, int y, double cycles) {
      const auto ring = std::min(
          rings - 1, static_cast<std::size_t>(cycles / kMostCycles * static_cast<double>(rings)));
      const auto value = spectrum.at<cv::Vec2f>(y, x);
      sums[ring] += static_cast<double>(value[0]) * static_cast<double>(value[0]) +
                    static_cast<double>(value[1]) * static_cast<double>(value[1]);
      counts[ring] += 1.0;
    });
    for (std::size_t i = 0; i < rings; ++i) {
      sums[i] = counts[i] > 0.0 ? sums[i] / counts[i] / kept : 0.0;
    }
    return sums;
  }

  static constexpr double kMostCycles = 0.7072;  ///< per pixel, in the corner of the spectrum

 private:
  [[nodiscard]] static double hann(int i, int size) {
    return 0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * (i + 0.5) / size);
  }
  [[nodiscard]] cv::Mat spectrum_of(const std::vector<float>& plane) const {
    cv::Mat ground(tall_, wide_, CV_32F);
    const auto mirrored = [](int i, int size) {
      const int period = 2 * size;
      const int in = ((i % period) + period) % period;
      return in < size ? in : period - 1 - in;
    };
    for (int y = 0; y < tall_; ++y) {
      // Halfway through what is beyond it turns towards the other side.
      const int beyond = y - margin_;
      const int row =
          mirrored(beyond < height_ + (tall_ - height_) / 2 ? beyond : beyond - tall_, height_);
      float* to = ground.ptr<float>(y);
      for (int x = 0; x < wide_; ++x) {
        const int aside = x - margin_;
        const int column =
            mirrored(aside < width_ + (wide_ - width_) / 2 ? aside : aside - wide_, width_);
        to[x] = plane[static_cast<std::size_t>(row) * static_cast<std::size_t>(width_) +
                      static_cast<std::size_t>(column)];
      }
    }
    cv::Mat spectrum;
    cv::dft(ground, spectrum, cv::DFT_COMPLEX_OUTPUT);
    return spectrum;
  }
  void each_frequency(const std::function<void(int x, int y, double cycles)>& act) const {
    for (int y = 0; y < tall_; ++y) {
      const double down = static_cast<double>(std::min(y, tall_ - y)) / tall_;
      for (int x = 0; x < wide_; ++x) {
        const double right = static_cast<double>(std::min(x, wide_ - x)) / wide_;
        act(x, y, std::hypot(right, down));
      }
    }
  }

  int width_;
  int height_;
  int margin_;
  int wide_;
  int tall_;
};

Result<void> checked_restore(const RestoreWishes& wishes) {
  struct Figure {
    const char* field;
    double value;
    base::Range range;
  };
  for (const Figure& figure :
       {Figure{"aperture_mm", wishes.aperture_mm, {1.0, 2000.0}},
        {"obstruction", wishes.obstruction, {0.0, 0.95}},
        {"wavelength_nm", wishes.wavelength_nm, {300.0, 1100.0}},
        {"scale_arcsec_px", wishes.scale_arcsec_px, {0.01, 100.0}},
        {"r0_cm", wishes.r0_cm.value_or(seeing::kR0Range.low), seeing::kR0Range},
        {"noise", wishes.noise, {0.0, 1.0}},
        {"strength", wishes.strength, {0.0, 1.0}}}) {
    if (const auto good = base::checked(figure.field, figure.value, figure.range); !good) {
      return tl::make_unexpected(good.error());
    }
  }
  return {};
}

}  // namespace

Result<Restored> restore(const Picture& picture, const RestoreWishes& wishes,
                         const base::Task& task) {
  if (const auto good = checked_restore(wishes); !good) {
    return tl::make_unexpected(good.error());
  }
  constexpr int kLeastSide = 32;
  if (std::min(picture.width, picture.height) < kLeastSide) {
    return base::fail_because(ErrorCode::kMalformed, "picture", base::because("picture-too-small"));
  }
  const Blur blur(wishes);
  // How wide the blur is: the aperture's, and the air's that is left.
  const double wide_px = 2.0 * blur.pixels_per_cutoff() + 4.0;
  const int margin = static_cast<int>(std::ceil(6.0 * wide_px));
  const Spectrum2d field(picture.width, picture.height, margin);
  Restored restored;
  restored.picture = picture;
  const auto size = static_cast<std::ptrdiff_t>(picture.plane_size());
  for (int plane = 0; plane < picture.planes; ++plane) {
    if (task.stopped()) {
      return base::fail(ErrorCode::kCancelled, "picture");
    }
    const auto first = picture.values.begin() + plane * size;
    std::vector<float> values(first, first + size);
    auto disc = disc_in(picture, values, 2.0 * wide_px, task);
    Blur detail_blur = blur;
    std::vector<float> detail = values;
    std::vector<float> sharp;
    std::vector<float> rings;
    if (disc) {
      // The edge itself says how soft it is: what the wishes say of the air would leave a ring. The
      // blur's wings reach far into the disc: light and softness are found in turns.
      RestoreWishes of_edge = wishes;
      std::vector<float> model;
      std::vector<float> soft;
      constexpr int kTurns = 3;
      for (int turn = 0; turn < kTurns; ++turn) {
        of_edge.r0_cm = nearest_air(*disc, values, picture.width, wide_px, wishes);
        const Blur edge_blur(of_edge);
        model = drawn(*disc, picture.width, picture.height);
        soft = field.filtered(model, [&](double cycles) {
          return edge_blur.transfer(cycles * edge_blur.pixels_per_cutoff());
        });
        if (turn + 1 < kTurns) {
          std::vector<float> off = values;
          for (std::size_t i = 0; i < off.size(); ++i) {
            off[i] -= soft[i];
          }
          add_light(*disc, off, picture, 2.0 * wide_px);
        }
      }
      if (plane == 0) {
        restored.limb_r0_cm = of_edge.r0_cm;
      }
      if (!wishes.r0_cm) {
        detail_blur = Blur(of_edge);
      }
      // As sharp as pixels let it be, by a curve that does not ring.
      const double sigma_px = 0.33 * blur.pixels_per_cutoff();
      sharp = field.filtered(model, [&](double cycles) {
        return std::exp(-2.0 * std::pow(std::numbers::pi * sigma_px * cycles, 2.0));
      });
      for (std::size_t i = 0; i < detail.size(); ++i) {
        detail[i] -= soft[i];
      }
      rings = rings_of(detail, picture.width, *disc, 2.0 * wide_px);
      for (std::size_t i = 0; i < detail.size(); ++i) {
        detail[i] -= rings[i];
      }
    }
    std::vector<float> sorted = values;
    const auto bright = sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() * 9 / 10);
    std::nth_element(sorted.begin(), bright, sorted.end());
    const double noise = wishes.noise * static_cast<double>(*bright);
    constexpr std::size_t kRings = 96;
    const std::vector<double> power = field.power(detail, kRings);
    double noise_left = 0.0;
    double rings_left = 0.0;
    const auto factor = [&](double cycles) {
      const double share = cycles * blur.pixels_per_cutoff();
      const auto ring = std::min(
          kRings - 1,
          static_cast<std::size_t>(cycles / Spectrum2d::kMostCycles * static_cast<double>(kRings)));
      // What stands out of the noise, of all that is there.
      const double own = power[ring] > 0.0 ? std::max(0.0, 1.0 - noise * noise / power[ring]) : 0.0;
      constexpr double kMostRaised = 30.0;
      const double raised =
          share < 1.0 ? std::min(kMostRaised, 1.0 / std::max(1e-6, detail_blur.transfer(share)))
                      : 0.0;
      // What is noise is left as it is, beyond the cutoff nothing.
      const double full = Blur::goal(share) * (own * raised + (1.0 - own));
      return 1.0 + wishes.strength * (full - 1.0);
    };
    for (std::size_t ring = 0; ring < kRings; ++ring) {
      const double cycles = (static_cast<double>(ring) + 0.5) / kRings * Spectrum2d::kMostCycles;
      const double area = static_cast<double>(ring) + 0.5;
      noise_left += std::pow(factor(cycles), 2.0) * area;
      rings_left += area;
      const double share = cycles * blur.pixels_per_cutoff();
      if (plane == 0 && share <= 1.0 && factor(cycles) * detail_blur.transfer(share) >= 0.5) {
        restored.reached = share;
      }
    }
    restored.noise = wishes.noise * std::sqrt(noise_left / rings_left);
    std::vector<float> made = field.filtered(detail, factor);
    if (disc) {
      const auto strength = static_cast<float>(wishes.strength);
      for (std::size_t i = 0; i < made.size(); ++i) {
        // The rings come back as they were, but never beyond what the sharp disc and the edge as it
        // was seen have between them: a blur that is not quite the real one would draw a rim there.
        const float seen = values[i] - detail[i];
        const float sharpened =
            std::clamp(sharp[i] + rings[i], std::min(sharp[i], seen), std::max(sharp[i], seen));
        made[i] += seen + strength * (sharpened - seen);
      }
      restored.limb_overshoot =
          overshoot(made, picture.width, picture.height, *disc, 2.0 * wide_px);
    }
    std::copy(made.begin(), made.end(), restored.picture.values.begin() + plane * size);
    task.report(static_cast<double>(plane + 1) / picture.planes);
  }
  restored.rim = rim_about_dark(picture, restored.picture);
  return restored;
}

}  // namespace solarchon::reduce
