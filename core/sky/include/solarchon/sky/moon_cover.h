// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/sky/site.h"
#include "solarchon/sky/sun.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// The Moon in front of the Sun, as a site sees both, airless.
struct MoonCover {
  double separation_arcsec = 0.0;         ///< of the two middles
  double moon_semidiameter_arcsec = 0.0;  ///< as large as it is from the site
  double obscuration = 0.0;               ///< share of the Sun's disc that is covered, (0, 1]
};

/// @param time  kFirstTime to kLastTime
/// @param sun   of the same instant
/// @return      none while the discs do not touch. Whether the Sun is up is not asked
/// Accuracy: 3 arcsec in the separation (sky::body_place), from which 0.002 of the disc follow; a
/// smooth limb, 0.2725076 equatorial radii of the Earth in radius (IAU 1982).
[[nodiscard]] std::optional<MoonCover> moon_before_sun(UtcTime time, const GeocentricSun& sun,
                                                       const Observer& observer);

}  // namespace solarchon::sky
