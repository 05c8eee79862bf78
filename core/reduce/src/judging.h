// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "blocks.h"
#include "solarchon/image/plane.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::reduce {

/// Mean of what was laid on each pixel; 0 where nothing was.
[[nodiscard]] image::Plane mean_of(const Sums& sums);

/// How far values of frames may be off the mean of the sharpest.
struct Strictness {
  double deviations = 0.0;  ///< of the sharpest frames; 0: any value counts
  double light = 1.0;       ///< the disc's usual light
  double noise = 0.0;       ///< deviation of a pixel with that light, in its units
};

/// Made of the sums, with squares, of the sharpest frames, each laid with weight 1. Where fewer
/// than three lie, any value counts; elsewhere none is held tighter than its noise.
[[nodiscard]] Judge judge_of(const Sums& sums, const Strictness& strictness);

/// Rows and columns of which half of the most weight is there.
[[nodiscard]] image::Rectangle covered(const Sums& sums);

}  // namespace solarchon::reduce
