// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/base/task.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/measure/disc.h"

namespace solarchon::measure {

/// Finds dark spots on the disc: flattens the limb darkening by the median of rings, then joins
/// neighbouring pixels that are darker than half way to a penumbra. Largest first; positions on
/// the Sun are left empty.
/// Errors: kCancelled.
[[nodiscard]] base::Result<std::vector<SpotMeasurement>> find_spots(const image::Frame& frame,
                                                                    const disc::LimbFit& limb,
                                                                    const base::Task& task);

}  // namespace solarchon::measure
