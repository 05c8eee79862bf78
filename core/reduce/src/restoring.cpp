// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/restoring.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <numbers>
#include <opencv2/core.hpp>
#include <vector>

#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "solarchon/camera/blur.h"
#include "solarchon/measure/limb.h"
#include "solarchon/seeing/air.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using frames::Picture;

namespace {

constexpr double kGoalFlat = 0.65;  ///< of the cutoff: full contrast up to here, none at the cutoff

/// Functions of frequency that a restoration is made of; frequency as a share of the cutoff.
class Blur {
 public:
  explicit Blur(const RestoreWishes& wishes)
      : wishes_(wishes),
        pixels_per_cutoff_(1e-6 * wishes.wavelength_nm / wishes.aperture_mm * base::kArcsecPerRad /
                           wishes.scale_arcsec_px) {
    for (std::size_t i = 0; i < kSteps; ++i) {
      const double share = static_cast<double>(i) / (kSteps - 1);
      table_.at(i) = transfer_of(share);
    }
  }
  /// What is left of contrast.
  [[nodiscard]] double transfer(double share) const {
    const double at = std::clamp(share, 0.0, 1.0) * (kSteps - 1);
    const auto i = std::min(static_cast<std::size_t>(at), kSteps - 2);
    const double part = at - static_cast<double>(i);
    return table_.at(i) * (1.0 - part) + table_.at(i + 1) * part;
  }
  /// What is wanted of it.
  [[nodiscard]] static double goal(double share) {
    if (share <= kGoalFlat) {
      return 1.0;
    }
    if (share >= 1.0) {
      return 0.0;
    }
    return 0.5 + 0.5 * std::cos(std::numbers::pi * (share - kGoalFlat) / (1.0 - kGoalFlat));
  }
  [[nodiscard]] double pixels_per_cutoff() const { return pixels_per_cutoff_; }

 private:
  [[nodiscard]] double transfer_of(double share) const {
    double left = camera::pupil_transfer(share, wishes_.obstruction, 0.0);
    if (wishes_.r0_cm) {
      left *= seeing::short_exposure_transfer(share, *wishes_.r0_cm, wishes_.wavelength_nm,
                                              wishes_.aperture_mm);
    }
    return left;
  }
  static constexpr std::size_t kSteps = 512;
  RestoreWishes wishes_;
  double pixels_per_cutoff_;
  std::array<double, kSteps> table_{};
};

/// A plane on a ground that goes on beyond its edges as in a mirror, so that nothing wraps round.
class Field {
 public:
  Field(int width, int height, int margin)
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

/// A disc with its darkening, a hard edge, and what is scattered around it.
struct SharpDisc {
  measure::LimbFit limb;
  std::array<double, 3> darkening{};  ///< by powers of the cosine
  double around = 0.0;                ///< just beyond the limb

  [[nodiscard]] double inside(double far) const {
    const double share = std::min(1.0, far / limb.radius_px);
    const double mu = std::sqrt(std::max(0.0, 1.0 - share * share));
    return darkening[0] + mu * (darkening[1] + mu * darkening[2]);
  }
  /// Light of the pixel there: the edge cuts through it.
  [[nodiscard]] double at(double far) const {
    const double share = std::clamp(limb.radius_px - far + 0.5, 0.0, 1.0);
    return share * inside(std::min(far, limb.radius_px)) + (1.0 - share) * around;
  }
};

double middle_of(std::vector<double>& values) {
  if (values.empty()) {
    return 0.0;
  }
  const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
  std::nth_element(values.begin(), middle, values.end());
  return *middle;
}

/// Adds to a disc's light what a plane has of it, by the median along circles, off the edge.
/// @return  false when too little of it is in the picture
bool add_light(SharpDisc& disc, const std::vector<float>& plane, const Picture& picture,
               double clear_px) {
  const measure::LimbFit* fit = &disc.limb;
  const auto rings = static_cast<std::size_t>(fit->radius_px);
  std::vector<std::vector<double>> by_ring(rings + 1);
  std::vector<double> around;
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      const double far = std::hypot(x - fit->centre_x_px, y - fit->centre_y_px);
      const auto value = static_cast<double>(
          plane[static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width) +
                static_cast<std::size_t>(x)]);
      if (far < fit->radius_px - clear_px) {
        by_ring[static_cast<std::size_t>(far)].push_back(value);
      } else if (far > fit->radius_px + clear_px && far < fit->radius_px + 3.0 * clear_px) {
        around.push_back(value);
      }
    }
  }
  cv::Mat left(0, 3, CV_64F);
  cv::Mat right(0, 1, CV_64F);
  for (std::size_t ring = 0; ring < by_ring.size(); ++ring) {
    constexpr std::size_t kEnough = 20;
    if (by_ring[ring].size() < kEnough) {
      continue;
    }
    const double share = (static_cast<double>(ring) + 0.5) / fit->radius_px;
    const double mu = std::sqrt(std::max(0.0, 1.0 - share * share));
    const double weight = std::sqrt(static_cast<double>(by_ring[ring].size()));
    left.push_back(cv::Mat(cv::Matx13d(weight, weight * mu, weight * mu * mu)));
    right.push_back(weight * middle_of(by_ring[ring]));
  }
  constexpr int kFewest = 8;
  if (left.rows < kFewest) {
    return false;
  }
  cv::Mat found;
  cv::solve(left, right, found, cv::DECOMP_SVD);
  for (int power = 0; power < 3; ++power) {
    disc.darkening.at(static_cast<std::size_t>(power)) += found.at<double>(power);
  }
  disc.around += middle_of(around);
  return true;
}

/// The disc in a picture; none without a limb.
std::optional<SharpDisc> disc_in(const Picture& picture, const std::vector<float>& plane,
                                 double clear_px, const base::Task& task) {
  const auto fit = measure::fit_limb(frames::frame_of(picture), {task.stop, {}});
  if (!fit || fit->saturated) {
    return std::nullopt;
  }
  SharpDisc disc;
  disc.limb = *fit;
  return add_light(disc, plane, picture, clear_px) ? std::optional(disc) : std::nullopt;
}

std::vector<float> drawn(const SharpDisc& disc, int width, int height) {
  std::vector<float> plane;
  plane.reserve(static_cast<std::size_t>(width) * static_cast<std::size_t>(height));
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      plane.push_back(static_cast<float>(
          disc.at(std::hypot(x - disc.limb.centre_x_px, y - disc.limb.centre_y_px))));
    }
  }
  return plane;
}

/// By how much the pixel of that number lies beyond the limb (px).
double beyond_limb(std::size_t pixel, int width, const SharpDisc& disc) {
  const auto wide = static_cast<std::size_t>(width);
  const std::size_t row = pixel / wide;
  return std::hypot(static_cast<double>(pixel % wide) - disc.limb.centre_x_px,
                    static_cast<double>(row) - disc.limb.centre_y_px) -
         disc.limb.radius_px;
}

/// The edge of a disc along a radius, from inside outwards, in steps of a fraction of a pixel.
class Edge {
 public:
  static constexpr double kStep_px = 0.25;

  /// The picture's own, as the mean along the limb.
  Edge(const std::vector<float>& plane, int width, const SharpDisc& disc, double reach_px)
      : half_(static_cast<int>(std::ceil(reach_px / kStep_px))),
        sums_(static_cast<std::size_t>(2 * half_ + 1), 0.0),
        counts_(sums_.size(), 0.0) {
    for (std::size_t i = 0; i < plane.size(); ++i) {
      const double out = beyond_limb(i, width, disc);
      const auto at = static_cast<int>(std::lround(out / kStep_px)) + half_;
      if (at >= 0 && at < static_cast<int>(sums_.size())) {
        sums_[static_cast<std::size_t>(at)] += static_cast<double>(plane[i]);
        counts_[static_cast<std::size_t>(at)] += 1.0;
      }
    }
  }

  /// How far it is from that of a disc through a blur.
  [[nodiscard]] double misfit(const SharpDisc& disc, double wider_px, const Blur& blur) const {
    // There and back again, so that it goes on at both ends.
    constexpr int kHalf = 512;
    cv::Mat line(1, 4 * kHalf, CV_64F);
    for (int i = 0; i < 2 * kHalf; ++i) {
      const double out = (i - kHalf) * kStep_px;
      const double far = std::max(0.0, disc.limb.radius_px + out - wider_px);
      line.at<double>(0, i) = disc.at(far);
      line.at<double>(0, 4 * kHalf - 1 - i) = disc.at(far);
    }
    cv::Mat spectrum;
    cv::dft(line, spectrum, cv::DFT_COMPLEX_OUTPUT);
    for (int i = 0; i < spectrum.cols; ++i) {
      const double cycles = std::min(i, spectrum.cols - i) / (spectrum.cols * kStep_px);
      spectrum.at<cv::Vec2d>(0, i) *= blur.transfer(cycles * blur.pixels_per_cutoff());
    }
    cv::dft(spectrum, line, cv::DFT_INVERSE | cv::DFT_REAL_OUTPUT | cv::DFT_SCALE);
    double sum = 0.0;
    for (int i = 0; i < static_cast<int>(sums_.size()); ++i) {
      const auto k = static_cast<std::size_t>(i);
      const int at = i - half_ + kHalf;
      if (counts_[k] > 0.0 && at >= 0 && at < 2 * kHalf) {
        const double off = sums_[k] / counts_[k] - line.at<double>(0, at);
        sum += counts_[k] * off * off;
      }
    }
    return sum;
  }

 private:
  int half_;
  std::vector<double> sums_;
  std::vector<double> counts_;
};

/// The air by which the edge is as soft as it is seen (cm, at 500 nm); the disc's radius is set to
/// where the edge then lies.
double nearest_air(SharpDisc& disc, const Edge& edge, RestoreWishes wishes) {
  constexpr double kLeast_cm = 1.5;
  constexpr double kRatio = 1.12;
  constexpr int kSteps = 30;
  constexpr double kWidest_px = 0.8;
  constexpr double kWider_px = 0.1;
  double best_r0 = kLeast_cm;
  double best_wider = 0.0;
  double least = -1.0;
  for (int step = 0; step < kSteps; ++step) {
    wishes.r0_cm = kLeast_cm * std::pow(kRatio, step);
    const Blur blur(wishes);
    for (double wider = -kWidest_px; wider <= kWidest_px; wider += kWider_px) {
      const double misfit = edge.misfit(disc, wider, blur);
      if (least < 0.0 || misfit < least) {
        least = misfit;
        best_r0 = *wishes.r0_cm;
        best_wider = wider;
      }
    }
  }
  disc.limb.radius_px += best_wider;
  return best_r0;
}

/// What a plane has in common all along the limb: the middle of each ring about it, 0 elsewhere. A
/// blur that is not quite the real one leaves such rings, detail does not.
std::vector<float> rings_of(const std::vector<float>& plane, int width, const SharpDisc& disc,
                            double reach_px) {
  constexpr double kPerPixel = 2.0;
  const auto count = static_cast<std::size_t>(2.0 * reach_px * kPerPixel) + 2;
  std::vector<std::vector<double>> by_ring(count);
  const auto place_of = [&](std::size_t i) {
    return (beyond_limb(i, width, disc) + reach_px) * kPerPixel;
  };
  for (std::size_t i = 0; i < plane.size(); ++i) {
    const double place = place_of(i);
    if (place >= 0.0 && place < static_cast<double>(count) - 1.0) {
      by_ring[static_cast<std::size_t>(std::lround(place))].push_back(
          static_cast<double>(plane[i]));
    }
  }
  std::vector<double> middles(count, 0.0);
  for (std::size_t ring = 0; ring < count; ++ring) {
    // It fades out towards both ends.
    const double off = static_cast<double>(ring) / kPerPixel - reach_px;
    const double share = std::clamp(2.0 - 2.0 * std::abs(off) / reach_px, 0.0, 1.0);
    middles[ring] = share * middle_of(by_ring[ring]);
  }
  std::vector<float> rings(plane.size(), 0.0F);
  for (std::size_t i = 0; i < plane.size(); ++i) {
    const double place = place_of(i);
    if (place >= 0.0 && place < static_cast<double>(count) - 1.0) {
      const auto ring = static_cast<std::size_t>(place);
      const double part = place - static_cast<double>(ring);
      rings[i] = static_cast<float>(middles[ring] * (1.0 - part) + middles[ring + 1] * part);
    }
  }
  return rings;
}

/// By how much the rim inside the limb stands over how the disc goes on to it.
double overshoot(const std::vector<float>& plane, int width, int height, const SharpDisc& disc,
                 double reach_px) {
  const auto rings = static_cast<std::size_t>(reach_px) + 1;
  std::vector<double> sums(rings, 0.0);
  std::vector<double> counts(rings, 0.0);
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const double inwards =
          disc.limb.radius_px - std::hypot(x - disc.limb.centre_x_px, y - disc.limb.centre_y_px);
      if (inwards < 0.0 || inwards >= reach_px) {
        continue;
      }
      const auto ring = static_cast<std::size_t>(inwards);
      sums[ring] +=
          static_cast<double>(plane[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                                    static_cast<std::size_t>(x)]) -
          disc.inside(disc.limb.radius_px - inwards);
      counts[ring] += 1.0;
    }
  }
  double most = 0.0;
  for (std::size_t i = 0; i < rings; ++i) {
    most = counts[i] > 0.0 ? std::max(most, sums[i] / counts[i]) : most;
  }
  const double light = disc.darkening[0] + disc.darkening[1] + disc.darkening[2];
  return light > 0.0 ? most / light : 0.0;
}

Result<void> checked(const RestoreWishes& wishes) {
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
  if (const auto good = checked(wishes); !good) {
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
  const Field field(picture.width, picture.height, margin);
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
        of_edge.r0_cm = nearest_air(*disc, Edge(values, picture.width, *disc, wide_px), wishes);
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
      const auto ring = std::min(kRings - 1, static_cast<std::size_t>(cycles / Field::kMostCycles *
                                                                      static_cast<double>(kRings)));
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
      const double cycles = (static_cast<double>(ring) + 0.5) / kRings * Field::kMostCycles;
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
        // The rings come back as they were.
        const float soft = values[i] - detail[i] - rings[i];
        made[i] += rings[i] + soft + strength * (sharp[i] - soft);
      }
      restored.limb_overshoot =
          overshoot(made, picture.width, picture.height, *disc, 2.0 * wide_px);
    }
    std::copy(made.begin(), made.end(), restored.picture.values.begin() + plane * size);
    task.report(static_cast<double>(plane + 1) / picture.planes);
  }
  return restored;
}

}  // namespace solarchon::reduce
