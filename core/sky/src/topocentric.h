// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/sky/site.h"

namespace solarchon::sky {

/// Airless azimuth (from north through east) and altitude as the site sees them.
struct Horizontal {
  double azimuth_rad;
  double altitude_rad;
};

/// Diurnal parallax and aberration are applied.
[[nodiscard]] Horizontal topocentric(double hour_angle_rad, double declination_rad,
                                     double distance_au, const Site& site);

}  // namespace solarchon::sky
