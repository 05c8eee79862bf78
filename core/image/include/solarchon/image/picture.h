// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "solarchon/image/frame.h"

namespace solarchon::image {

/// A picture that was worked out from frames: real numbers, grey or in colour.
/// Value (x, y) of plane p is values[(p * height + y) * width + x]; row 0 is the top; a pixel's
/// centre lies at whole coordinates.
struct Picture {
  int width = 0;
  int height = 0;
  int planes = 1;             ///< 1 grey; 3 red, green, blue
  std::vector<float> values;  ///< 1 is a full pixel; may lie below 0 and above 1; finite
  FrameInfo info;
  std::string recipe;  ///< how it was made, as JSON; empty: not told

  [[nodiscard]] std::size_t plane_size() const {
    return static_cast<std::size_t>(width) * static_cast<std::size_t>(height);
  }
  [[nodiscard]] float at(int x, int y, int plane = 0) const {
    return values[(static_cast<std::size_t>(plane) * static_cast<std::size_t>(height) +
                   static_cast<std::size_t>(y)) *
                      static_cast<std::size_t>(width) +
                  static_cast<std::size_t>(x)];
  }
};

/// A frame as a grey picture.
[[nodiscard]] Picture picture_of(const Frame& frame);
/// The mean of a picture's planes.
[[nodiscard]] Picture grey_of(const Picture& picture);
/// A picture's mean over its planes as a frame of 16 bits; what lies outside 0 to 1 is cut.
[[nodiscard]] Frame frame_of(const Picture& picture);

}  // namespace solarchon::image
