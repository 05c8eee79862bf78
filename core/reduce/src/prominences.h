// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/picture.h"

namespace solarchon::reduce {

/// Lays what stands out beyond the limb of a longer exposure about the disc of a shorter one. What
/// both have all along the limb (scattered light, the edge's own softness) stays the disc's, so
/// that there is no seam.
/// @param limb  of the disc's picture
/// @param wished  as in FinishWishes
/// @param gain    how much brighter they are now
/// Errors: as finish.
[[nodiscard]] base::Result<image::Picture> with_prominences(const image::Picture& disc,
                                                            const disc::LimbFit& limb,
                                                            const image::Picture& prominences,
                                                            std::optional<double> wished,
                                                            double& gain, const base::Task& task);

}  // namespace solarchon::reduce
