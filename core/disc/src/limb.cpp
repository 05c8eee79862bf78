// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/disc/limb.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <vector>

#include "circle.h"
#include "edge.h"
#include "solarchon/base/angle.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/point.h"

namespace solarchon::disc {

using base::ErrorCode;
using base::fail;
using image::Frame;

namespace {

constexpr int kCoarseSide = 400;
constexpr int kRays = 1440;
constexpr double kAcrossPx = 2.0;       // samples are averaged this far along the limb
constexpr double kWideWindowPx = 14.0;  // beyond the first, coarse circle's error
constexpr double kLeastSeenShare = 0.1;
constexpr double kLeastSlopeShare = 0.4;  // weaker edges are cloud, spot or prominence

/// A picture averaged over square blocks.
struct Coarse {
  int width;
  int height;
  int block;
  std::vector<float> values;
};

Coarse coarsen(const Frame& frame) {
  const int block =
      std::max(1, (std::max(frame.width, frame.height) + kCoarseSide - 1) / kCoarseSide);
  Coarse coarse{frame.width / block, frame.height / block, block, {}};
  coarse.values.reserve(static_cast<std::size_t>(coarse.width) *
                        static_cast<std::size_t>(coarse.height));
  for (int y = 0; y < coarse.height; ++y) {
    for (int x = 0; x < coarse.width; ++x) {
      std::int64_t sum = 0;
      for (int j = 0; j < block; ++j) {
        for (int i = 0; i < block; ++i) {
          sum += frame.at(x * block + i, y * block + j);
        }
      }
      coarse.values.push_back(static_cast<float>(sum) / static_cast<float>(block * block));
    }
  }
  return coarse;
}

/// Places between neighbouring blocks where the picture crosses the middle of its range, in full
/// pixels.
/// Errors: kNotFound when there is no contrast to speak of: too dim, too bright, too small.
base::Result<std::vector<image::Point>> crossings(const Coarse& coarse, int saturation) {
  std::vector<float> sorted = coarse.values;
  if (sorted.size() < 64) {
    return fail_because(ErrorCode::kNotFound, "limb", base::because("picture-too-small"));
  }
  const std::size_t rare = sorted.size() / 300;
  std::nth_element(sorted.begin(), sorted.begin() + static_cast<std::ptrdiff_t>(rare),
                   sorted.end());
  const float low = sorted[rare];
  const std::size_t common = sorted.size() - 1 - rare;
  std::nth_element(sorted.begin(), sorted.begin() + static_cast<std::ptrdiff_t>(common),
                   sorted.end());
  const float high = sorted[common];
  constexpr float kLeastContrast = 0.01F;
  if (high - low < kLeastContrast * static_cast<float>(saturation)) {
    return fail_because(ErrorCode::kNotFound, "limb",
                        low > 0.9F * static_cast<float>(saturation)
                            ? base::because("picture-too-bright")
                            : base::because("picture-too-dim"));
  }
  // The limb itself is about a third as bright as the centre: cross it low.
  const float level = low + 0.3F * (high - low);
  std::vector<image::Point> points;
  const auto at = [&](int x, int y) {
    return coarse.values[static_cast<std::size_t>(y) * static_cast<std::size_t>(coarse.width) +
                         static_cast<std::size_t>(x)];
  };
  const auto add = [&](double x, double y) {
    points.push_back({(x + 0.5) * coarse.block - 0.5, (y + 0.5) * coarse.block - 0.5});
  };
  for (int y = 0; y + 1 < coarse.height; ++y) {
    for (int x = 0; x + 1 < coarse.width; ++x) {
      const float here = at(x, y);
      const float right = at(x + 1, y);
      const float below = at(x, y + 1);
      if ((here > level) != (right > level)) {
        add(x + static_cast<double>((level - here) / (right - here)), y);
      }
      if ((here > level) != (below > level)) {
        add(x, y + static_cast<double>((level - here) / (below - here)));
      }
    }
  }
  return points;
}

/// Reads the picture along rays from a circle's centre.
class RayReader {
 public:
  RayReader(const Frame& frame, const Circle& circle, double window_px)
      : frame_(frame), circle_(circle), window_px_(std::min(window_px, 0.8 * circle.radius)) {}

  [[nodiscard]] double start_px() const { return circle_.radius - window_px_; }
  [[nodiscard]] image::Point at(double angle_rad, double radius_px) const {
    return {circle_.x + radius_px * std::cos(angle_rad),
            circle_.y + radius_px * std::sin(angle_rad)};
  }

  /// Brightness across the limb, averaged a little along it; none where the frame ends.
  [[nodiscard]] std::optional<std::vector<double>> profile(double angle_rad) const {
    std::vector<double> values;
    const double across_x = -std::sin(angle_rad);
    const double across_y = std::cos(angle_rad);
    for (double radius = start_px(); radius <= circle_.radius + window_px_; radius += kEdgeStepPx) {
      const image::Point middle = at(angle_rad, radius);
      double sum = 0.0;
      int count = 0;
      for (double along = -kAcrossPx; along <= kAcrossPx; along += 1.0) {
        const auto value = bilinear(middle.x + along * across_x, middle.y + along * across_y);
        if (!value) {
          return std::nullopt;
        }
        sum += *value;
        ++count;
      }
      values.push_back(sum / count);
    }
    return values;
  }

 private:
  [[nodiscard]] std::optional<double> bilinear(double x, double y) const {
    const double left = std::floor(x);
    const double top = std::floor(y);
    if (left < 0.0 || top < 0.0 || left + 1.0 >= frame_.width || top + 1.0 >= frame_.height) {
      return std::nullopt;
    }
    const int ix = static_cast<int>(left);
    const int iy = static_cast<int>(top);
    const double fx = x - left;
    const double fy = y - top;
    return (frame_.at(ix, iy) * (1 - fx) + frame_.at(ix + 1, iy) * fx) * (1 - fy) +
           (frame_.at(ix, iy + 1) * (1 - fx) + frame_.at(ix + 1, iy + 1) * fx) * fy;
  }

  const Frame& frame_;
  Circle circle_;
  double window_px_;
};

/// One reading of the whole limb about a circle.
struct Reading {
  std::vector<image::Point> points;
  std::vector<double> mean_profile;  ///< of the rays whose edge counts
};

Reading read_limb(const Frame& frame, const Circle& circle, double window_px) {
  struct Ray {
    std::vector<double> profile;
    Edge edge;
    double angle_rad;
  };
  const RayReader reader(frame, circle, window_px);
  std::vector<Ray> rays;
  for (int i = 0; i < kRays; ++i) {
    const double angle = 2.0 * base::kPi * i / kRays;
    auto profile = reader.profile(angle);
    const auto edge = profile ? steepest_fall(*profile) : std::nullopt;
    if (edge) {
      rays.push_back({std::move(*profile), *edge, angle});
    }
  }
  Reading reading;
  if (rays.empty()) {
    return reading;
  }
  std::vector<double> slopes;
  slopes.reserve(rays.size());
  for (const Ray& ray : rays) {
    slopes.push_back(ray.edge.slope_per_px);
  }
  const auto middle = slopes.begin() + static_cast<std::ptrdiff_t>(slopes.size() / 2);
  std::nth_element(slopes.begin(), middle, slopes.end());
  reading.mean_profile.assign(rays.front().profile.size(), 0.0);
  for (const Ray& ray : rays) {
    if (ray.edge.slope_per_px < kLeastSlopeShare * *middle) {
      continue;
    }
    reading.points.push_back(reader.at(ray.angle_rad, reader.start_px() + ray.edge.place_px));
    for (std::size_t i = 0; i < reading.mean_profile.size(); ++i) {
      reading.mean_profile[i] += ray.profile[i];
    }
  }
  for (double& value : reading.mean_profile) {
    value /= static_cast<double>(reading.points.size());
  }
  return reading;
}

/// True when the disc is so full over most of its face that its edge has moved outward.
bool is_saturated(const Frame& frame, const Circle& circle) {
  std::int64_t full = 0;
  std::int64_t all = 0;
  constexpr int kEvery = 4;
  for (int y = 0; y < frame.height; y += kEvery) {
    for (int x = 0; x < frame.width; x += kEvery) {
      if (std::hypot(x - circle.x, y - circle.y) < 0.97 * circle.radius) {
        ++all;
        full += frame.at(x, y) >= frame.saturation ? 1 : 0;
      }
    }
  }
  return full * 20 > all;
}

/// The Sun is bright inside and dark outside: else the circle is something else.
bool is_bright_disc(const std::vector<double>& mean_profile) {
  constexpr double kDarkest = 0.5;
  return mean_profile.size() > 8 &&
         mean_profile[mean_profile.size() - 2] < kDarkest * mean_profile[1];
}

}  // namespace

base::Result<LimbFit> fit_limb(const Frame& frame, const base::Task& task) {
  const auto not_found = [] {
    return fail_because(ErrorCode::kNotFound, "limb", base::because("no-edge-of-the-sun"));
  };
  const Coarse coarse = coarsen(frame);
  const double largest = 8.0 * std::max(frame.width, frame.height);
  const auto points = crossings(coarse, frame.saturation);
  if (!points) {
    return tl::make_unexpected(points.error());
  }
  const auto start = consensus_circle(*points, 1.5 * coarse.block, largest);
  if (!start) {
    return not_found();
  }
  task.report(0.3);
  CircleFit fit{*start, 0.0, 0};
  Reading reading;
  double window_px = std::max(kWideWindowPx, 4.0 * coarse.block);
  constexpr int kPasses = 3;
  for (int pass = 0; pass < kPasses; ++pass) {
    if (task.stopped()) {
      return fail(ErrorCode::kCancelled, "limb");
    }
    reading = read_limb(frame, fit.circle, window_px);
    if (reading.points.size() < kLeastSeenShare * kRays) {
      return not_found();
    }
    fit = robust_circle(reading.points, fit.circle);
    const auto edge = steepest_fall(reading.mean_profile);
    window_px = std::max(8.0, edge ? 6.0 * edge->half_width_px : kWideWindowPx);
    task.report(0.3 + 0.2 * (pass + 1));
  }
  reading = read_limb(frame, fit.circle, window_px);
  const auto edge = steepest_fall(reading.mean_profile);
  const double seen = static_cast<double>(fit.used) / kRays;
  if (!edge || seen < kLeastSeenShare || !is_bright_disc(reading.mean_profile)) {
    return not_found();
  }
  const LimbBias bias =
      limb_bias(edge->half_width_px, fit.circle.radius,
                light::LimbDarkening(frame.info.wavelength_nm.value_or(kWhiteLightNm)));
  LimbFit limb;
  limb.centre_x_px = fit.circle.x;
  limb.centre_y_px = fit.circle.y;
  // The average along the limb reaches over a little to either side of the circle.
  constexpr double kSagittaPx2 = kAcrossPx * (kAcrossPx + 1.0) / 6.0;
  limb.radius_px = fit.circle.radius + bias.inward_px + kSagittaPx2 / fit.circle.radius;
  limb.blur_px = bias.sigma_px;
  limb.scatter_px = fit.scatter;
  limb.seen_share = seen;
  limb.points = fit.used;
  limb.saturated = is_saturated(frame, fit.circle);
  task.report(1.0);
  return limb;
}

}  // namespace solarchon::disc
