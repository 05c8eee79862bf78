// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/registration/reference_square.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <opencv2/core.hpp>

#include "solarchon/image/frame.h"

namespace solarchon::registration {

struct ReferenceSquare::Kept {
  int left = 0;
  int top = 0;
  int side = 0;
  cv::Mat spectrum;

  [[nodiscard]] cv::Mat correlation_with(const image::Frame& frame, int at_left, int at_top) const;
};

namespace {

/// The square less its mean, faded out towards its edges.
cv::Mat faded(const image::Frame& frame, int left, int top, int side) {
  cv::Mat square(side, side, CV_32F);
  double mean = 0.0;
  for (int y = 0; y < side; ++y) {
    for (int x = 0; x < side; ++x) {
      const auto value = static_cast<float>(frame.at(left + x, top + y));
      square.at<float>(y, x) = value;
      mean += static_cast<double>(value);
    }
  }
  mean /= static_cast<double>(side) * side;
  std::vector<float> window(static_cast<std::size_t>(side));
  for (int i = 0; i < side; ++i) {
    window[static_cast<std::size_t>(i)] =
        static_cast<float>(0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * (i + 0.5) / side));
  }
  const auto level = static_cast<float>(mean);
  const auto scale = static_cast<float>(1.0 / std::max(1.0, mean));
  for (int y = 0; y < side; ++y) {
    for (int x = 0; x < side; ++x) {
      float& value = square.at<float>(y, x);
      value = (value - level) * scale * window[static_cast<std::size_t>(x)] *
              window[static_cast<std::size_t>(y)];
    }
  }
  return square;
}

/// Leaves out the slowest changes over the square and the finest, which are noise, and a wave that
/// stands, with what the square's fading spreads of it.
cv::Mat weights_of(int side, const std::optional<StandingWave>& without) {
  cv::Mat weights(side, side, CV_32FC2);
  for (int y = 0; y < side; ++y) {
    for (int x = 0; x < side; ++x) {
      const double u = std::min(x, side - x);
      const double v = std::min(y, side - y);
      const double waves = std::hypot(u, v);
      const double slow = 1.0 - std::exp(-waves * waves / (2.0 * 2.0 * 2.0));
      const double finest = 0.18 * side;
      const double fine = std::exp(-waves * waves / (2.0 * finest * finest));
      double kept = slow * fine;
      if (without) {
        constexpr double kSpreads = 3.5;
        const double right = (x > side / 2 ? x - side : x) - without->right_cycles_px * side;
        const double down = (y > side / 2 ? y - side : y) - without->down_cycles_px * side;
        const double right_too = (x > side / 2 ? x - side : x) + without->right_cycles_px * side;
        const double down_too = (y > side / 2 ? y - side : y) + without->down_cycles_px * side;
        if (std::min(std::hypot(right, down), std::hypot(right_too, down_too)) < kSpreads) {
          kept = 0.0;
        }
      }
      const auto weight = static_cast<float>(kept);
      weights.at<cv::Vec2f>(y, x) = {weight, weight};
    }
  }
  return weights;
}

double beside(double before, double there, double after) {
  const double bend = before - 2.0 * there + after;
  return bend < 0.0 ? std::clamp(0.5 * (before - after) / bend, -0.5, 0.5) : 0.0;
}

/// The highest place of a correlation, by parabolas; none where it stands out of nothing.
std::optional<Shift> peak_of(const cv::Mat& correlation, int side) {
  const auto at = [&](int right, int down) {
    return static_cast<double>(
        correlation.at<float>((down % side + side) % side, (right % side + side) % side));
  };
  int best_right = 0;
  int best_down = 0;
  for (int down = -side / 4; down <= side / 4; ++down) {
    for (int right = -side / 4; right <= side / 4; ++right) {
      if (at(right, down) > at(best_right, best_down)) {
        best_right = right;
        best_down = down;
      }
    }
  }
  if (std::abs(best_right) == side / 4 || std::abs(best_down) == side / 4) {
    return std::nullopt;
  }
  const double there = at(best_right, best_down);
  const double left = at(best_right - 1, best_down);
  const double right = at(best_right + 1, best_down);
  const double up = at(best_right, best_down - 1);
  const double down = at(best_right, best_down + 1);
  // A straight edge or a band can be laid anywhere along itself.
  const double askew =
      0.25 * (at(best_right + 1, best_down + 1) + at(best_right - 1, best_down - 1) -
              at(best_right + 1, best_down - 1) - at(best_right - 1, best_down + 1));
  const double half = 0.5 * (4.0 * there - left - right - up - down);
  const double spin = std::hypot(0.5 * (up + down - left - right), askew);
  constexpr double kRound = 0.12;
  if (half - spin < kRound * (half + spin)) {
    return std::nullopt;
  }
  cv::Scalar mean;
  cv::Scalar spread;
  cv::meanStdDev(correlation, mean, spread);
  constexpr double kLeastPeak = 6.5;
  const double peak = spread[0] > 0.0 ? (there - mean[0]) / spread[0] : 0.0;
  if (peak < kLeastPeak) {
    return std::nullopt;
  }
  return Shift{best_right + beside(left, there, right), best_down + beside(up, there, down), peak};
}

}  // namespace

cv::Mat ReferenceSquare::Kept::correlation_with(const image::Frame& frame, int at_left,
                                                int at_top) const {
  cv::Mat other;
  cv::dft(faded(frame, at_left, at_top, side), other, cv::DFT_COMPLEX_OUTPUT);
  cv::Mat product;
  cv::mulSpectrums(other, spectrum, product, 0, true);
  cv::Mat correlation;
  cv::dft(product, correlation, cv::DFT_INVERSE | cv::DFT_REAL_OUTPUT | cv::DFT_SCALE);
  return correlation;
}

ReferenceSquare::ReferenceSquare(const image::Frame& reference, int left, int top, int side,
                                 const std::optional<StandingWave>& without)
    : kept_(std::make_unique<Kept>()) {
  kept_->left = left;
  kept_->top = top;
  kept_->side = side;
  cv::dft(faded(reference, left, top, side), kept_->spectrum, cv::DFT_COMPLEX_OUTPUT);
  kept_->spectrum = kept_->spectrum.mul(weights_of(side, without));
}
ReferenceSquare::~ReferenceSquare() = default;
ReferenceSquare::ReferenceSquare(ReferenceSquare&&) noexcept = default;
ReferenceSquare& ReferenceSquare::operator=(ReferenceSquare&&) noexcept = default;

std::optional<Shift> ReferenceSquare::lay(const image::Frame& frame) const {
  const Kept& kept = *kept_;
  auto found = peak_of(kept.correlation_with(frame, kept.left, kept.top), kept.side);
  if (!found) {
    return found;
  }
  // Once more where it lies: what the square's edges cut off is the same then.
  const int right = static_cast<int>(std::lround(found->right_px));
  const int down = static_cast<int>(std::lround(found->down_px));
  const int left = kept.left + right;
  const int top = kept.top + down;
  if ((right == 0 && down == 0) || left < 0 || top < 0 || left + kept.side > frame.width ||
      top + kept.side > frame.height) {
    return found;
  }
  auto closer = peak_of(kept.correlation_with(frame, left, top), kept.side);
  if (closer) {
    closer->right_px += right;
    closer->down_px += down;
  }
  return closer;
}

}  // namespace solarchon::registration
