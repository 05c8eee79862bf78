// SPDX-License-Identifier: GPL-3.0-or-later
#include "topocentric.h"

#include <erfa.h>
#include <erfam.h>

#include <cmath>

#include "constants.h"

namespace solarchon::sky {

Horizontal topocentric(double hour_angle_rad, double declination_rad, double distance_au,
                       const Site& site) {
  const double latitude_rad = site.latitude_deg * base::kRadPerDeg;
  // The observer in the frame that turns with the meridian: x to the meridian's equator point.
  double observer_m[3];
  eraGd2gc(ERFA_WGS84, 0.0, latitude_rad, site.elevation_m, observer_m);
  const double distance_m = distance_au * kMetrePerAu;
  double x = std::cos(declination_rad) * std::cos(hour_angle_rad) - observer_m[0] / distance_m;
  double y = -std::cos(declination_rad) * std::sin(hour_angle_rad);
  double z = std::sin(declination_rad) - observer_m[2] / distance_m;
  // Diurnal aberration: the site moves east at up to 465 m/s, which is 0.32 arcsec.
  y += kEarthRotationRadS * observer_m[0] / kLightMS;

  const double north = z * std::cos(latitude_rad) - x * std::sin(latitude_rad);
  const double up = x * std::cos(latitude_rad) + z * std::sin(latitude_rad);
  return {std::atan2(y, north), std::atan2(up, std::hypot(y, north))};
}

}  // namespace solarchon::sky
