// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/rectangle.h"

#include <algorithm>

#include "solarchon/image/frame.h"

namespace solarchon::image {

bool lies_within(const Rectangle& part, int width_px, int height_px) {
  return part.left_px >= 0 && part.top_px >= 0 && part.width_px > 0 && part.height_px > 0 &&
         part.width_px <= width_px - part.left_px && part.height_px <= height_px - part.top_px;
}

void cut(const Frame& whole, const Rectangle& part, Frame& into) {
  into.width = part.width_px;
  into.height = part.height_px;
  into.saturation = whole.saturation;
  into.info = whole.info;
  into.pixels.resize(static_cast<std::size_t>(part.width_px) *
                     static_cast<std::size_t>(part.height_px));
  for (int y = 0; y < part.height_px; ++y) {
    const auto from = whole.pixels.begin() +
                      static_cast<std::ptrdiff_t>(part.top_px + y) * whole.width + part.left_px;
    std::copy(from, from + part.width_px,
              into.pixels.begin() + static_cast<std::ptrdiff_t>(y) * part.width_px);
  }
}

}  // namespace solarchon::image
