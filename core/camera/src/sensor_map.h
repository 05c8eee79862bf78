// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "setup.h"

namespace solarchon::camera {

/// What the sensor makes of even light, pixel by pixel, row-major: its marks, and the colours of
/// its Bayer pattern where the shot keeps them. Empty where all is even.
[[nodiscard]] std::vector<float> sensor_map(const Shot& shot, const Setup& setup);

}  // namespace solarchon::camera
