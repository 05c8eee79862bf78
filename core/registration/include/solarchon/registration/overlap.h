// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <optional>

#include "solarchon/base/task.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/point.h"

namespace solarchon::registration {

/// From the pixels of one panel to those of another: turned about the first one's middle, and
/// moved.
struct PanelAlignment {
  image::Point middle;    ///< of the first, that is turned about
  image::Point moved_to;  ///< where that lies in the other
  double turn_rad = 0.0;

  [[nodiscard]] image::Point at(const image::Point& point) const {
    const double x = point.x - middle.x;
    const double y = point.y - middle.y;
    const double c = std::cos(turn_rad);
    const double s = std::sin(turn_rad);
    return {moved_to.x + c * x - s * y, moved_to.y + s * x + c * y};
  }
  [[nodiscard]] image::Point back(const image::Point& point) const {
    const double x = point.x - moved_to.x;
    const double y = point.y - moved_to.y;
    const double c = std::cos(turn_rad);
    const double s = std::sin(turn_rad);
    return {middle.x + c * x + s * y, middle.y - s * x + c * y};
  }
};

/// How sure it is that two panels overlap as said.
struct Overlap {
  PanelAlignment laid;
  double strength = 0.0;  ///< correlation times the root of the pixels that overlap
};

/// Two panels as they overlap, roughly: within some pixels; none where nothing is alike.
/// @param bin  pixels along one of the small pictures that are compared
[[nodiscard]] std::optional<Overlap> rough_overlap(const image::Picture& one,
                                                   const image::Picture& other, int bin,
                                                   const base::Task& task);
/// By how much panels of that size are binned before they are compared.
[[nodiscard]] int bin_for_overlap(int longest_px);

/// The same, from detail all over the overlap.
struct FineOverlap {
  PanelAlignment laid;
  double left_px = 0.0;     ///< of what is not explained by a turn and a shift, RMS
  double sure_share = 0.0;  ///< of the patches that were found
  double alike = 0.0;       ///< correlation of their detail, evened: 1 the same
  double left = 0.0;        ///< where they overlap, in the first: from, to
  double top = 0.0;
  double right = 0.0;
  double bottom = 0.0;
};
[[nodiscard]] std::optional<FineOverlap> fine_overlap(const image::Picture& one,
                                                      const image::Picture& other,
                                                      const PanelAlignment& rough);

}  // namespace solarchon::registration
