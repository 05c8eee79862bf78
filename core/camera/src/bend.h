// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

namespace solarchon::camera {

/// Pixels from one point of a bend to the next.
inline constexpr int kBendStep = 16;

/// Where the pixels of a frame look, at points kBendStep apart, row by row; between them all goes
/// straight. Points of the last row and column may lie outside the frame.
struct Bend {
  Bend(int frame_width, int frame_height);
  int columns;
  int rows;
  std::vector<float> x;      ///< in the picture (px)
  std::vector<float> y;      ///< in the picture (px)
  std::vector<float> step;   ///< on the ladder, 0 to its last
  std::vector<float> light;  ///< by which the picture is multiplied
};

/// Pictures of one place, each sharper than the one before; row-major, of one size.
struct Ladder {
  std::vector<const float*> pictures;  ///< at least one
  int width = 0;                       ///< 8 or more
  int height = 0;
};

/// One row of the frame: pixels between pixels by a cubic (Keys 1981, a = -1/2), between two steps
/// of the ladder in proportion. Beyond the picture its edge goes on.
/// @param out  frame_width values
void bend_row(const Bend& bend, const Ladder& ladder, int row, int frame_width, float* out);

}  // namespace solarchon::camera
