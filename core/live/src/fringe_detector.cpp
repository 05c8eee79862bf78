// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/fringe_detector.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>
#include <opencv2/core.hpp>

#include "solarchon/base/angle.h"
#include "solarchon/base/middle.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/sharpness.h"

namespace solarchon::live {

namespace {

constexpr int kLeastBandFrames = 4;
constexpr int kMostSide = 512;
constexpr int kSmoothPx = 20;  ///< half of the width over which the smoothed self is the mean

std::size_t index_of(int x, int y, int side) {
  return static_cast<std::size_t>(y) * static_cast<std::size_t>(side) + static_cast<std::size_t>(x);
}

/// A mean over 2 half + 1 values of each row, its ends held.
void smooth_rows(std::vector<float>& square, int side, int half) {
  std::vector<float> row(static_cast<std::size_t>(side));
  for (int y = 0; y < side; ++y) {
    float* line = square.data() + static_cast<std::ptrdiff_t>(y) * side;
    double sum = 0.0;
    for (int x = 0; x < std::min(half, side); ++x) {
      sum += static_cast<double>(line[x]);
    }
    for (int x = 0; x < side; ++x) {
      sum += x + half < side ? static_cast<double>(line[x + half]) : 0.0;
      sum -= x - half - 1 >= 0 ? static_cast<double>(line[x - half - 1]) : 0.0;
      const int count = std::min(x + half, side - 1) - std::max(x - half, 0) + 1;
      row[static_cast<std::size_t>(x)] = static_cast<float>(sum / count);
    }
    std::copy(row.begin(), row.end(), line);
  }
}

/// The same of each column: all of them at once, row by row.
void smooth_columns(std::vector<float>& square, int side, int half) {
  const std::vector<float> from = square;
  const auto line = [&](int y) { return from.data() + static_cast<std::ptrdiff_t>(y) * side; };
  std::vector<double> sums(static_cast<std::size_t>(side));
  const auto add = [&](int y, double sign) {
    const float* values = line(y);
    for (int x = 0; x < side; ++x) {
      sums[static_cast<std::size_t>(x)] += sign * static_cast<double>(values[x]);
    }
  };
  for (int y = 0; y < std::min(half, side); ++y) {
    add(y, 1.0);
  }
  for (int y = 0; y < side; ++y) {
    if (y + half < side) {
      add(y + half, 1.0);
    }
    if (y - half - 1 >= 0) {
      add(y - half - 1, -1.0);
    }
    const double share = 1.0 / (std::min(y + half, side - 1) - std::max(y - half, 0) + 1);
    float* to = square.data() + static_cast<std::ptrdiff_t>(y) * side;
    for (int x = 0; x < side; ++x) {
      to[x] = static_cast<float>(share * sums[static_cast<std::size_t>(x)]);
    }
  }
}

constexpr float kLeftOut = std::numeric_limits<float>::quiet_NaN();

/// A square over its smoothed self, less 1; kLeftOut for what is not on the disc, and near its
/// edge, where the smoothed self is of another slope.
/// @param on  1 for pixels that count, else 0, and the square too
std::vector<float> over_smoothed(const std::vector<float>& square, const std::vector<float>& on,
                                 int side) {
  std::vector<float> smooth = square;
  std::vector<float> weight = on;
  for (std::vector<float>* one : {&smooth, &weight}) {
    for (int pass = 0; pass < 2; ++pass) {
      smooth_rows(*one, side, kSmoothPx);
      smooth_columns(*one, side, kSmoothPx);
    }
  }
  constexpr float kMostlyOn = 0.5F;
  std::vector<float> ratio(square.size(), kLeftOut);
  for (std::size_t i = 0; i < square.size(); ++i) {
    if (on[i] > 0.0F && weight[i] > kMostlyOn) {
      ratio[i] = square[i] / (smooth[i] / weight[i]) - 1.0F;
    }
  }
  return ratio;
}

/// Takes out of `on` what is darker than its surroundings by more than stripes make it, and some
/// pixels about it: spots, filaments.
/// @return  whether there was any
bool leave_out_spots(const std::vector<float>& ratio, std::vector<float>& on, int side) {
  std::vector<double> sizes;
  constexpr std::size_t kEach = 7;
  for (std::size_t i = 0; i < ratio.size(); i += kEach) {
    if (!std::isnan(ratio[i])) {
      sizes.push_back(static_cast<double>(std::abs(ratio[i])));
    }
  }
  if (sizes.empty()) {
    return false;
  }
  // A wave alone reaches 1.4 times the middle of its sizes, noise four deviations, 5.9 of them.
  constexpr double kBeyondStripes = 6.0;
  constexpr double kShallowest = 0.05;
  const auto below =
      -static_cast<float>(std::max(kShallowest, kBeyondStripes * base::middle_of(sizes)));
  constexpr int kAbout = 3;
  bool any = false;
  for (int y = 0; y < side; ++y) {
    for (int x = 0; x < side; ++x) {
      if (!(ratio[index_of(x, y, side)] < below)) {
        continue;
      }
      any = true;
      for (int v = std::max(0, y - kAbout); v <= std::min(side - 1, y + kAbout); ++v) {
        for (int u = std::max(0, x - kAbout); u <= std::min(side - 1, x + kAbout); ++u) {
          on[index_of(u, v, side)] = 0.0F;
        }
      }
    }
  }
  return any;
}

}  // namespace

void FringeDetector::forget() {
  count_ = 0;
  looked_ = 0;
  mean_square_ = 0.0;
  mean_.clear();
  seen_.clear();
}

void FringeDetector::take(const image::Frame& frame) {
  if (frame.width != width_ || frame.height != height_) {
    forget();
    width_ = frame.width;
    height_ = frame.height;
    side_ = 32;
    while (2 * side_ <= std::min({width_, height_, kMostSide})) {
      side_ *= 2;
    }
  }
  if (std::min(width_, height_) < side_) {
    return;
  }
  const int left = (width_ - side_) / 2;
  const int top = (height_ - side_) / 2;
  const auto size = static_cast<std::size_t>(side_) * static_cast<std::size_t>(side_);
  const image::Level level = image::level_of(frame);
  const double least = 0.35 * level.bright * frame.saturation;
  std::vector<float> square(size);
  std::vector<float> on(size, 0.0F);
  for (int y = 0; y < side_; ++y) {
    for (int x = 0; x < side_; ++x) {
      const auto i = index_of(x, y, side_);
      const std::uint16_t value = frame.at(left + x, top + y);
      if (value >= least && value < frame.saturation) {
        square[i] = static_cast<float>(value);
        on[i] = 1.0F;
      }
    }
  }
  std::vector<float> ratio = over_smoothed(square, on, side_);
  if (leave_out_spots(ratio, on, side_)) {
    for (std::size_t i = 0; i < size; ++i) {
      square[i] *= on[i];
    }
    ratio = over_smoothed(square, on, side_);
  }
  if (mean_.empty()) {
    mean_.assign(size, 0.0F);
    seen_.assign(size, 0);
  }
  ++count_;
  constexpr std::uint8_t kMemory = 40;
  double sum = 0.0;
  double covered = 0.0;
  for (std::size_t i = 0; i < size; ++i) {
    if (std::isnan(ratio[i])) {
      continue;  // a spot has moved over it: stripes stand still, so that what was seen stays true
    }
    seen_[i] = std::min<std::uint8_t>(kMemory, static_cast<std::uint8_t>(seen_[i] + 1));
    mean_[i] += (ratio[i] - mean_[i]) / static_cast<float>(seen_[i]);
    sum += std::pow(static_cast<double>(mean_[i]), 2);
    covered += 1.0;
  }
  mean_square_ = covered > 0.0 ? sum / covered : 0.0;
}

double FringeDetector::structure() const {
  return count_ < kLeastBandFrames ? 0.0 : std::sqrt(mean_square_);
}

std::optional<Bands> FringeDetector::bands() const {
  if (count_ < kLeastBandFrames) {
    return std::nullopt;
  }
  if (looked_ != count_) {
    looked_ = count_;
    found_ = look();
  }
  return found_;
}

std::optional<Bands> FringeDetector::look() const {
  cv::Mat square(side_, side_, CV_32F);
  double window_power = 0.0;
  std::vector<double> window(static_cast<std::size_t>(side_));
  for (int i = 0; i < side_; ++i) {
    window[static_cast<std::size_t>(i)] =
        0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * (i + 0.5) / side_);
  }
  for (int y = 0; y < side_; ++y) {
    for (int x = 0; x < side_; ++x) {
      const double w = window[static_cast<std::size_t>(x)] * window[static_cast<std::size_t>(y)];
      const float value = mean_[index_of(x, y, side_)];
      square.at<float>(y, x) = value * static_cast<float>(w);
      window_power += value != 0.0F ? w * w : 0.0;
    }
  }
  constexpr double kCovered = 0.2;
  const double whole = 9.0 / 64.0 * side_ * side_;
  if (window_power < kCovered * whole) {
    return std::nullopt;
  }
  cv::Mat spectrum;
  cv::dft(square, spectrum, cv::DFT_COMPLEX_OUTPUT);
  const auto power = [&](int u, int v) {
    const auto& value =
        spectrum.at<cv::Vec2f>((v % side_ + side_) % side_, (u % side_ + side_) % side_);
    const cv::Vec2d wide = value;
    return wide.dot(wide);
  };
  const double shortest_px = 2.2;
  const double longest_px = std::min(40.0, side_ / 5.0);
  const int most = side_ / 2 - 1;
  // What is usual at each distance from the middle of the spectrum.
  constexpr int kRing = 3;
  std::vector<std::vector<double>> rings(static_cast<std::size_t>(side_ / kRing + 2));
  for (int v = -most; v <= most; ++v) {
    for (int u = 0; u <= most; ++u) {
      rings[static_cast<std::size_t>(std::hypot(u, v) / kRing)].push_back(power(u, v));
    }
  }
  std::vector<double> usual;
  usual.reserve(rings.size());
  for (const auto& ring : rings) {
    usual.push_back(base::middle_of(ring) / std::numbers::ln2);
  }
  double best = 0.0;
  int best_u = 0;
  int best_v = 0;
  for (int v = -most; v <= most; ++v) {
    for (int u = 0; u <= most; ++u) {
      const double waves = std::hypot(u, v);
      if (waves < side_ / longest_px || waves > side_ / shortest_px) {
        continue;
      }
      const double over = power(u, v) / usual[static_cast<std::size_t>(waves / kRing)];
      if (over > best) {
        best = over;
        best_u = u;
        best_v = v;
      }
    }
  }
  // A thousand million noises lie below 21 times the usual; structure of the Sun scatters more.
  constexpr double kOutstanding = 40.0;
  if (best < kOutstanding) {
    return std::nullopt;
  }
  // A band is one wave: its neighbours but one have fallen off.
  double near = 0.0;
  double far = 0.0;
  double u_sum = 0.0;
  double v_sum = 0.0;
  int far_count = 0;
  for (int dv = -6; dv <= 6; ++dv) {
    for (int du = -6; du <= 6; ++du) {
      const double one = power(best_u + du, best_v + dv);
      if (std::max(std::abs(du), std::abs(dv)) <= 2) {
        near += one;
        u_sum += one * du;
        v_sum += one * dv;
      } else if (std::max(std::abs(du), std::abs(dv)) >= 4) {
        far += one;
        ++far_count;
      }
    }
  }
  constexpr double kNarrow = 10.0;
  if (near / 25.0 < kNarrow * far / far_count) {
    return std::nullopt;
  }
  const double u = best_u + u_sum / near;
  const double v = best_v + v_sum / near;
  Bands bands;
  bands.spacing_px = side_ / std::hypot(u, v);
  bands.across_deg = base::wrap_360(std::atan2(v, u) * base::kDegPerRad);
  if (bands.across_deg >= 180.0) {
    bands.across_deg -= 180.0;
  }
  // One of the two peaks of a wave holds a quarter of its amplitude's square, by the window's
  // power.
  bands.contrast = std::sqrt(4.0 * near / (window_power * side_ * side_));
  bands.tilt_deg =
      std::asin(std::min(1.0, 1e-3 * wavelength_nm_ / (4.0 * pixel_um_))) * base::kDegPerRad;
  constexpr double kLeastContrast = 0.005;
  return bands.contrast < kLeastContrast ? std::nullopt : std::optional(bands);
}

}  // namespace solarchon::live
