// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/image/frame.h"

namespace solarchon::disc {

struct ArcCentre {
  double x_px = 0.0;
  double y_px = 0.0;
};

/// Where the middle of a disc of known size lies, of which a frame shows but a short arc: between
/// what is bright and what is dark.
/// @return  none where there is no such border, or no circle of that size through most of it
/// Accuracy: some pixels across the arc.
[[nodiscard]] std::optional<ArcCentre> centre_by_arc(const image::Frame& frame, double radius_px);

}  // namespace solarchon::disc
