// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// Roughly where the Sun stands, airless.
struct RoughPlace {
  double altitude_deg = 0.0;
  double hour_angle_deg = 0.0;  ///< west positive, -180 to 180
};

/// A thousand times cheaper than geocentric_sun and local_sun, for statistics over years of days.
/// Accuracy: 0.02 degree from 1972 to 2100; everything that is shown or pointed by uses local_sun.
/// Source: the Astronomical Almanac's low-precision formulas for the Sun (page C5), with Greenwich
/// mean sidereal time.
[[nodiscard]] RoughPlace rough_place(UtcTime time, double latitude_deg, double longitude_deg);

}  // namespace solarchon::sky
