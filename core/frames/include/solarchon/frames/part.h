// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/frames/frame.h"

namespace solarchon::frames {

/// A rectangle of a frame.
struct Part {
  int left_px = 0;
  int top_px = 0;
  int width_px = 0;
  int height_px = 0;
  bool operator==(const Part&) const = default;
};

/// Whether all of it lies within a frame of that size, and something is in it.
[[nodiscard]] bool lies_within(const Part& part, int width_px, int height_px);

/// What of a frame lies in a part of it; the rest of what is known of it stays.
/// @param part  that lies within it
/// @param into  its memory is used again
void cut(const Frame& whole, const Part& part, Frame& into);

}  // namespace solarchon::frames
