// SPDX-License-Identifier: GPL-3.0-or-later
#include "rays.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <optional>

#include "edge.h"
#include "solarchon/base/angle.h"

namespace solarchon::disc {

using image::Frame;

namespace {

constexpr double kLeastSlopeShare = 0.4;

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

}  // namespace

EdgeReading read_edges(const Frame& frame, const Circle& circle, const EdgeWanted& wanted) {
  struct Ray {
    std::vector<double> profile;
    Edge edge;
    double angle_rad;
  };
  const RayReader reader(frame, circle, wanted.window_px);
  std::vector<Ray> rays;
  for (int i = 0; i < kRays; ++i) {
    const double angle = 2.0 * base::kPi * i / kRays;
    auto profile = reader.profile(angle);
    if (profile && !wanted.bright_inside) {
      std::transform(profile->begin(), profile->end(), profile->begin(), std::negate<>());
    }
    const auto edge = profile ? steepest_fall(*profile) : std::nullopt;
    if (edge &&
        (!wanted.counts || wanted.counts(reader.at(angle, reader.start_px() + edge->place_px)))) {
      rays.push_back({std::move(*profile), *edge, angle});
    }
  }
  EdgeReading reading;
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

}  // namespace solarchon::disc
