// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/frames/picture.h"
#include "solarchon/measure/limb.h"

namespace solarchon::reduce {

/// Lays what stands out beyond the limb of a longer exposure about the disc of a shorter one. What
/// both have all along the limb (scattered light, the edge's own softness) stays the disc's, so
/// that there is no seam.
/// @param limb  of the disc's picture
/// @param wished  as in FinishWishes
/// @param gain    how much brighter they are now
/// Errors: as finish.
[[nodiscard]] base::Result<frames::Picture> with_prominences(const frames::Picture& disc,
                                                             const measure::LimbFit& limb,
                                                             const frames::Picture& prominences,
                                                             std::optional<double> wished,
                                                             double& gain, const base::Task& task);

}  // namespace solarchon::reduce
