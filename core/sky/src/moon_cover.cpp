// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/moon_cover.h"

#include <algorithm>
#include <cmath>

#include "constants.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/circles.h"
#include "solarchon/sky/bodies.h"
#include "time_scales.h"

namespace solarchon::sky {

namespace {

constexpr double kMoonRadiusM = 0.2725076 * 6378137.0;

/// The Moon's whole series takes twenty times as long as all other answers, so that it is asked for
/// only where a short one, good to 0.2 degree, has the Moon within 2.5 degrees of the Sun: 1 degree
/// of parallax and 0.6 of the two discs leave room. Source: the largest terms of Meeus,
/// Astronomical Algorithms (1998), chapters 25 and 47.
bool may_be_near(UtcTime time) {
  constexpr double kNearDeg = 2.5;
  constexpr double kJ2000 = 2451545.0;
  constexpr double kDaysPerCentury = 36525.0;
  const TimeScales scales = time_scales(time, 0.0);
  const double t = ((scales.tt.day - kJ2000) + scales.tt.fraction) / kDaysPerCentury;
  const double elongation_deg = 297.8501921 + 445267.1114034 * t;
  const double d = base::kRadPerDeg * elongation_deg;
  const double sun = base::kRadPerDeg * (357.5291092 + 35999.0502909 * t);
  const double moon = base::kRadPerDeg * (134.9633964 + 477198.8675055 * t);
  const double node = base::kRadPerDeg * (93.2720950 + 483202.0175233 * t);
  const double along_deg = base::wrap_180(
      elongation_deg + 6.289 * std::sin(moon) + 1.274 * std::sin(2.0 * d - moon) +
      0.658 * std::sin(2.0 * d) + 0.214 * std::sin(2.0 * moon) - 2.101 * std::sin(sun) -
      0.114 * std::sin(2.0 * node) + 0.059 * std::sin(2.0 * (d - moon)) +
      0.057 * std::sin(2.0 * d - sun - moon) + 0.053 * std::sin(2.0 * d + moon));
  const double above_deg = 5.128 * std::sin(node) + 0.281 * std::sin(moon + node) +
                           0.278 * std::sin(moon - node) + 0.173 * std::sin(2.0 * d - node);
  return std::hypot(along_deg, above_deg) < kNearDeg;
}

}  // namespace

std::optional<MoonCover> moon_before_sun(UtcTime time, const GeocentricSun& sun,
                                         const Observer& observer) {
  if (!may_be_near(time)) {
    return std::nullopt;
  }
  const EquatorialPlace centre = body_place(Body::kMoon, time);
  const EquatorialPlace moon = topocentric_place(centre, sun.sidereal_time_deg, observer);
  const EquatorialPlace seen = topocentric_place(place_of(sun), sun.sidereal_time_deg, observer);
  MoonCover cover;
  cover.separation_arcsec = separation_deg(moon, seen) * base::kArcsecPerDeg;
  // From the site the Moon is nearer by the height it stands at.
  const LocalPlace local = local_place(centre, sun.sidereal_time_deg, observer);
  constexpr double kEarthRadiusM = 6371000.0;
  const double up = std::sin(local.altitude_airless_deg * base::kRadPerDeg) * kEarthRadiusM;
  const double across_2 = kEarthRadiusM * kEarthRadiusM - up * up;
  const double geocentric_m = centre.distance_au * kMetrePerAu;
  const double distance_m = std::sqrt(geocentric_m * geocentric_m - across_2) - up;
  cover.moon_semidiameter_arcsec = std::asin(kMoonRadiusM / distance_m) / base::kRadPerArcsec;
  const double solar = sun.semidiameter_arcsec();
  if (cover.separation_arcsec >= solar + cover.moon_semidiameter_arcsec) {
    return std::nullopt;
  }
  cover.obscuration = std::min(
      1.0, base::shared_area(solar, cover.moon_semidiameter_arcsec, cover.separation_arcsec) /
               (base::kPi * solar * solar));
  return cover;
}

}  // namespace solarchon::sky
