// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/seeing/turbulence.h"

namespace solarchon::camera {

/// Shows each place of a row-major picture where the air shows it. The field is worked out every
/// sixteen pixels and laid smoothly between; pixels between pixels by a cubic (Keys 1981, a =
/// -1/2). Beyond the picture its edge goes on.
/// @param left, top  the first pixel in pixels of the frame, from which the field is counted
[[nodiscard]] std::vector<float> warped(const std::vector<float>& picture, int width, int height,
                                        int left, int top, const seeing::MotionField& field,
                                        double scale_arcsec_px);

}  // namespace solarchon::camera
