// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include "circle.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/point.h"

namespace solarchon::disc {

inline constexpr int kRays = 1440;
/// Samples of a ray are averaged this far along the edge, to both sides (px).
inline constexpr double kAcrossPx = 2.0;

/// What of an edge counts.
struct EdgeWanted {
  double window_px = 14.0;    ///< to both sides of the circle
  bool bright_inside = true;  ///< else the circle is dark, and light lies about it
  std::function<bool(const image::Point&)> counts = {};  ///< whether an edge there does; none: all
};

/// One reading of a whole edge along rays about a circle.
struct EdgeReading {
  std::vector<image::Point> points;
  std::vector<double> mean_profile;  ///< of the rays whose edge counts, falling outwards
};

/// Reads the picture along rays from a circle's middle, and finds where each falls fastest. Edges
/// that are much weaker than most are cloud, spot or prominence and do not count.
[[nodiscard]] EdgeReading read_edges(const image::Frame& frame, const Circle& circle,
                                     const EdgeWanted& wanted);

}  // namespace solarchon::disc
