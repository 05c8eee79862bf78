// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/picture.h"

namespace solarchon::reduce {

/// Most panels of a mosaic.
inline constexpr int kMostPanels = 100;

/// Where a panel came to lie.
struct Placement {
  double x_px = 0.0;  ///< of its middle, in the mosaic
  double y_px = 0.0;
  double turned_deg = 0.0;  ///< clockwise, against the first panel
  double gain = 1.0;        ///< by which its light was multiplied
};

/// Panels joined.
struct Mosaic {
  image::Picture picture;  ///< turned as the first panel
  std::vector<Placement> panels;
  int seams = 0;            ///< pairs of panels that were laid on one another
  double seam_px = 0.0;     ///< by how much they do not meet: RMS over all overlaps
  double level_step = 0.0;  ///< by how much their light differs still, over it: the largest
  double covered = 1.0;     ///< share of the picture's rectangle; the rest is 0
};

/// Joins panels that overlap: each is laid on its neighbours by what both show, wherever and
/// however little turned it lies; then all at once, so that no error adds up; their light is
/// matched, and they fade into one another where they overlap.
/// @param panels  two to kMostPanels of one scale, overlapping by a twentieth or more, turned by 8
/// degrees at most against one another; grey or all in colour
/// Errors: kMissing (`panels`) for fewer than two; kTooLarge (`panels`, or the mosaic); kMalformed
/// (`panels[N]`, from 0) of another scale, or of other planes; kNotFound (`panels[N]`, with the
/// reason `no-overlap`) where nothing in it is found in those that hang together; kCancelled.
/// Accuracy: seams 0.2 px, levels 0.5 per cent, where overlaps have structure that stands out of
/// the noise.
/// Source: masked normalised correlation (Padfield, IEEE Transactions on Image Processing 21 (2012)
/// 2706); patches as in stack; least squares over all pairs.
[[nodiscard]] base::Result<Mosaic> join_panels(const std::vector<image::Picture>& panels,
                                               const base::Task& task = {});

}  // namespace solarchon::reduce
