// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace solarchon::image {

/// A place in a picture (px): pixel centres at whole numbers, row 0 on top.
struct Point {
  double x = 0.0;
  double y = 0.0;
};

/// From one place of a picture to another.
struct Offset {
  double right_px = 0.0;
  double down_px = 0.0;
};

}  // namespace solarchon::image
