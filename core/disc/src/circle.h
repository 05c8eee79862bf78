// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/image/point.h"

namespace solarchon::disc {

struct Circle {
  double x = 0.0;
  double y = 0.0;
  double radius = 0.0;
};

/// The circle through three points; none when they lie on a line.
[[nodiscard]] std::optional<Circle> circle_through(const image::Point& a, const image::Point& b,
                                                   const image::Point& c);

/// A place on an edge, and the way to its bright side.
struct EdgePoint {
  image::Point at;
  image::Point towards_light;  ///< of length 1, or 0 where it is not known: that agrees with any
};

/// What a circle has to be to be believed.
struct CircleWanted {
  double tolerance_px = 1.0;  ///< how far a point may lie off to count
  double smallest_px = 0.0;
  double largest_px = 0.0;
  bool bright_inside = true;  ///< light lies on the side of its middle, else on the other
};

/// The circle that most points agree with, from repeatable draws of three.
/// @return  none when fewer than 12 points agree
[[nodiscard]] std::optional<Circle> consensus_circle(const std::vector<EdgePoint>& points,
                                                     const CircleWanted& wanted);

struct CircleFit {
  Circle circle;
  double scatter = 0.0;  ///< robust standard deviation of the radial distances
  int used = 0;          ///< points within the reach of the weights
};

/// Least-squares circle with Tukey's weights on the radial distances.
[[nodiscard]] CircleFit robust_circle(const std::vector<image::Point>& points, const Circle& start);

}  // namespace solarchon::disc
