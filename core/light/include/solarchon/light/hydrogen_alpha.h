// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/optics/etalon.h"

namespace solarchon::light {

using optics::kHydrogenAlphaNm;

/// Residual light in the middle of the line, at the disc's centre.
inline constexpr double kHydrogenAlphaCore = 0.16;

/// The line of the quiet disc's centre against the continuum beside it.
/// @param offset_angstrom  from the middle of the line, any
/// @return  0.16 in the middle, 0.50 at half an angstrom and a bit, 0.80 at one, 1 far away
/// Accuracy: 0.03 within 2 angstrom; other lines beside it are left out.
[[nodiscard]] double hydrogen_alpha_profile(double offset_angstrom);

}  // namespace solarchon::light
