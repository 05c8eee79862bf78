// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/sky/disc.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::align {

/// Where the Sun stands from where a telescope looks, along the great circle to it: its length is
/// the distance, its direction that of the way at the telescope's place. West and north as in a
/// field.
/// @param azimuth_deg   where the tube points; any
/// @param altitude_deg  -90 to 90
/// @param observer      sees the Sun where the air shows it; without air (pressure 0) where a mount
///                      believes it that knows nothing of refraction
/// @return  (arcsec); within a quarter of a degree of a pole of the sky west and north mean little
/// Accuracy: as local_sun.
[[nodiscard]] sky::DiscPlace sun_from(double azimuth_deg, double altitude_deg,
                                      const sky::Observer& observer, sky::UtcTime time);

}  // namespace solarchon::align
