// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/moon_cover.h"

#include <algorithm>
#include <cmath>

#include "before_sun.h"
#include "new_moon.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/circles.h"
#include "solarchon/sky/bodies.h"

namespace solarchon::sky {

std::optional<MoonCover> moon_before_sun(UtcTime time, const GeocentricSun& sun,
                                         const Observer& observer) {
  // The Moon's whole series takes twenty times as long as all other answers, so that it is asked
  // for only where the short one has the Moon so near: 1 degree of parallax and 0.6 of the two
  // discs leave room.
  constexpr double kNear_deg = 2.5;
  const RoughMoon rough = rough_moon(time);
  if (std::hypot(rough.along_deg, rough.above_deg) >= kNear_deg) {
    return std::nullopt;
  }
  const Pair pair = pair_of(sun, Body::kMoon, body_place(Body::kMoon, time), observer.site);
  const double solar = pair.sun_semidiameter_arcsec;
  if (pair.separation_arcsec >= solar + pair.body_semidiameter_arcsec) {
    return std::nullopt;
  }
  MoonCover cover;
  cover.separation_arcsec = pair.separation_arcsec;
  cover.moon_semidiameter_arcsec = pair.body_semidiameter_arcsec;
  cover.obscuration =
      base::covered_share(solar, cover.moon_semidiameter_arcsec, cover.separation_arcsec);
  return cover;
}

}  // namespace solarchon::sky
