// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/in_field.h"

#include <cmath>

#include "solarchon/align/mount_axis.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"

namespace solarchon::align {

sky::DiscPlace sun_from(double azimuth_deg, double altitude_deg, const sky::Observer& observer,
                        sky::UtcTime time) {
  const sky::LocalSun sun =
      sky::local_sun(sky::geocentric_sun(time, observer.dut1_s), observer.site, observer.weather);
  const Vector look = direction_to(azimuth_deg, altitude_deg);
  const Vector there = direction_to(sun.azimuth_deg, sun.altitude_deg);
  const Vector pole = MountAxis({}, observer.site.latitude_deg).pole();
  // Not normalised: only the ratio of west and north counts.
  const Vector west = cross(look, pole);
  const Vector north = cross(west, look);
  const double to_west = dot(there, west);
  const double to_north = dot(there, north);
  const double across = std::hypot(to_west, to_north);
  if (across == 0.0) {
    return {};
  }
  const double arcsec = angle_between_deg(look, there) * base::kArcsecPerDeg;
  return {arcsec * to_west / across, arcsec * to_north / across};
}

}  // namespace solarchon::align
