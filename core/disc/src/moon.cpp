// SPDX-License-Identifier: GPL-3.0-or-later
#include "moon.h"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <vector>

#include "rays.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/circles.h"
#include "solarchon/base/middle.h"

namespace solarchon::disc {

using image::Frame;

namespace {

constexpr double kSmallest = 0.85;  ///< of the Sun's radius
constexpr double kLargest = 1.25;
/// Nearer to the limb than this an edge may be the limb's own (px).
constexpr double kOffLimb_px = 4.0;

double far_from(const Circle& circle, const image::Point& point) {
  return std::hypot(point.x - circle.x, point.y - circle.y);
}

/// Light behind the dark circle over that of the rest of the disc.
double light_behind(const Frame& frame, const Circle& sun, const Circle& dark, double clear_px) {
  std::vector<double> behind;
  std::vector<double> beside;
  const int step = std::max(1, static_cast<int>(sun.radius / 100.0));
  for (int y = 0; y < frame.height; y += step) {
    for (int x = 0; x < frame.width; x += step) {
      const image::Point point{static_cast<double>(x), static_cast<double>(y)};
      if (far_from(sun, point) > sun.radius - clear_px) {
        continue;
      }
      const double out = far_from(dark, point) - dark.radius;
      if (std::abs(out) > clear_px) {
        (out < 0.0 ? behind : beside).push_back(frame.at(x, y));
      }
    }
  }
  constexpr std::size_t kFewest = 8;
  if (behind.size() < kFewest || beside.size() < kFewest) {
    return 1.0;
  }
  return base::middle_of(behind) / std::max(1.0, base::middle_of(beside));
}

}  // namespace

std::optional<MoonDisc> find_moon(const Frame& frame, const Circle& sun,
                                  const std::vector<EdgePoint>& crossings, double block_px,
                                  double window_px) {
  std::vector<EdgePoint> within;
  const double inner = sun.radius - std::max(kOffLimb_px, 2.0 * block_px);
  std::copy_if(crossings.begin(), crossings.end(), std::back_inserter(within),
               [&](const EdgePoint& point) { return far_from(sun, point.at) < inner; });
  const auto start =
      consensus_circle(within, {1.5 * block_px, kSmallest * sun.radius, kLargest * sun.radius,
                                /*bright_inside=*/false});
  if (!start) {
    return std::nullopt;
  }
  Circle dark = *start;
  double window = std::max(window_px, 4.0 * block_px);
  constexpr int kPasses = 3;
  for (int pass = 0; pass < kPasses; ++pass) {
    EdgeWanted wanted{window, /*bright_inside=*/false, [&](const image::Point& point) {
                        return far_from(sun, point) < sun.radius - kOffLimb_px;
                      }};
    const EdgeReading reading = read_edges(frame, dark, wanted);
    constexpr double kLeastShare = 0.02;
    constexpr double kAgreeing = 0.6;
    if (static_cast<double>(reading.points.size()) < kLeastShare * kRays) {
      return std::nullopt;
    }
    const CircleFit fit = robust_circle(reading.points, dark);
    const bool round = fit.scatter < std::max(1.5, 0.01 * sun.radius) &&
                       fit.used > kAgreeing * static_cast<double>(reading.points.size());
    if (!round || fit.circle.radius < kSmallest * sun.radius ||
        fit.circle.radius > kLargest * sun.radius) {
      return std::nullopt;
    }
    dark = fit.circle;
    window = window_px;
  }
  const double apart = far_from(sun, {dark.x, dark.y});
  // Off both edges, but not off all of a thin crescent or ring.
  constexpr double kOfLit = 0.3;
  const double widest_lit = sun.radius + apart - dark.radius;
  const double clear = std::min({window_px, 0.02 * sun.radius + 2.0, kOfLit * widest_lit});
  constexpr double kMostLight = 0.35;
  if (light_behind(frame, sun, dark, clear) > kMostLight) {
    return std::nullopt;
  }
  MoonDisc moon{dark.x, dark.y, dark.radius};
  moon.magnitude = (sun.radius + dark.radius - apart) / (2.0 * sun.radius);
  moon.obscuration = base::covered_share(sun.radius, dark.radius, apart);
  return moon;
}

}  // namespace solarchon::disc
