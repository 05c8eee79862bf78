// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "tests/foreign/drawn_sun.h"

namespace solarchon::foreign {

/// By how much what a picture shows lies off the truth about a place, by slopes of the truth; what
/// is softer or brighter is told apart.
struct Misplaced {
  double x = 0.0;
  double y = 0.0;
  double right_px = 0.0;
  double down_px = 0.0;
};

/// @param picture  row by row, as wide and high as the truth
/// @param apart_px of the places; each looks about itself as far
[[nodiscard]] std::vector<Misplaced> misplaced(const std::vector<double>& picture,
                                               const std::vector<double>& truth, int width,
                                               int height, int apart_px);

/// Deviation of what has detail of about so many pixels a period.
[[nodiscard]] double contrast_at(const std::vector<double>& picture, int width, int height,
                                 double period_px, int margin);

}  // namespace solarchon::foreign
