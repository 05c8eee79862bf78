// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/task.h"
#include "solarchon/image/frame.h"

namespace solarchon::disc {

/// How large the disc in a frame is over what its scale and date would have: 1 where they fit, 1.5
/// where the frame was taken with half as much focal length again. None where too little of the
/// limb is in the frame to say.
/// @param scale_arcsec_px  as the light path has it, above 0
/// Accuracy: 3 per cent for a sixth of the limb, better for more.
[[nodiscard]] std::optional<double> disc_over_expected(const image::Frame& frame,
                                                       double scale_arcsec_px,
                                                       const base::Task& task = {});

/// By so much a disc may be larger or smaller before it is taken for that of another light path.
inline constexpr double kDiscMayDiffer = 0.06;

}  // namespace solarchon::disc
