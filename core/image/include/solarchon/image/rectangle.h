// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/image/frame.h"

namespace solarchon::image {

/// A rectangle of a frame, or of a sensor; where a sensor is told which part to read, one without
/// width is all of it.
struct Rectangle {
  int left_px = 0;
  int top_px = 0;
  int width_px = 0;
  int height_px = 0;
  bool operator==(const Rectangle&) const = default;
};

/// Whether all of it lies within a frame of that size, and something is in it.
[[nodiscard]] bool lies_within(const Rectangle& part, int width_px, int height_px);

/// What of a frame lies in a part of it; the rest of what is known of it stays.
/// @param part  that lies within it
/// @param into  its memory is used again
void cut(const Frame& whole, const Rectangle& part, Frame& into);

}  // namespace solarchon::image
