// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/frames/frame.h"

namespace solarchon::frames {

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
/// A picture's mean over its planes as a frame of 16 bits; what lies outside 0 to 1 is cut.
[[nodiscard]] Frame frame_of(const Picture& picture);

/// Reads a picture with what its recipe says. FITS keeps planes and depth; of PNG and TIFF colour
/// is averaged, as read_frame does. Real numbers of other programs are scaled to 0..1. Errors: as
/// read_frame.
[[nodiscard]] base::Result<Picture> read_picture(const std::filesystem::path& path);

/// Writes a picture by the ending of its name, with its recipe inside: `.fits` keeps real numbers
/// of 32 bits (RECIPE, solar coordinates where they are known; planes are its third axis); `.png`
/// and
/// `.tif`/`.tiff` hold 16 bits a plane, 0 to 1 from black to white (PNG: text `Recipe`; TIFF: image
/// description). Whole or not at all.
/// Errors: kUnknownValue (`path`) for another ending; kUnwritable.
[[nodiscard]] base::Result<void> write_picture(const Picture& picture,
                                               const std::filesystem::path& path);

}  // namespace solarchon::frames
