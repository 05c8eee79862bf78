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

/// The circle that most points agree with, from repeatable draws of three.
/// @param tolerance  how far a point may lie off to count
/// @param largest    radius above which a circle is not believed
/// @return           none when fewer than 12 points agree
[[nodiscard]] std::optional<Circle> consensus_circle(const std::vector<image::Point>& points,
                                                     double tolerance, double largest);

struct CircleFit {
  Circle circle;
  double scatter = 0.0;  ///< robust standard deviation of the radial distances
  int used = 0;          ///< points within the reach of the weights
};

/// Least-squares circle with Tukey's weights on the radial distances.
[[nodiscard]] CircleFit robust_circle(const std::vector<image::Point>& points, const Circle& start);

}  // namespace solarchon::disc
