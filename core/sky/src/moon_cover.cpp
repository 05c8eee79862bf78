// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/moon_cover.h"

#include <algorithm>
#include <cmath>

#include "constants.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/bodies.h"
#include "time_scales.h"

namespace solarchon::sky {

namespace {

constexpr double kMoonRadiusM = 0.2725076 * 6378137.0;

/// The Moon's whole series takes longer than all other answers together, so it is asked for only
/// where the mean Moon is near: its true elongation from the Sun lies within 11 degrees of the mean
/// one, and an eclipse anywhere on Earth needs less than 1.6. Mean elongation: Meeus, Astronomical
/// Algorithms (1998), 47.2.
bool may_be_near(UtcTime time) {
  constexpr double kNearDeg = 14.0;
  constexpr double kAtEpochDeg = 297.8501921;
  constexpr double kPerCenturyDeg = 445267.1114034;
  constexpr double kJ2000 = 2451545.0;
  constexpr double kDaysPerCentury = 36525.0;
  const TimeScales scales = time_scales(time, 0.0);
  const double centuries = ((scales.tt.day - kJ2000) + scales.tt.fraction) / kDaysPerCentury;
  return std::abs(base::wrap_180(kAtEpochDeg + kPerCenturyDeg * centuries)) < kNearDeg;
}

/// Share of a disc of radius `own` that one of radius `other` covers, the middles `apart`.
double covered_share(double own, double other, double apart) {
  if (apart <= std::abs(own - other)) {
    return std::min(1.0, (other / own) * (other / own));
  }
  const auto sector = [apart](double of, double against) {
    return std::acos(
        std::clamp((apart * apart + of * of - against * against) / (2.0 * apart * of), -1.0, 1.0));
  };
  const double own_half = sector(own, other);
  const double other_half = sector(other, own);
  const double lens = own * own * (own_half - std::sin(own_half) * std::cos(own_half)) +
                      other * other * (other_half - std::sin(other_half) * std::cos(other_half));
  return lens / (base::kPi * own * own);
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
  cover.obscuration = covered_share(solar, cover.moon_semidiameter_arcsec, cover.separation_arcsec);
  return cover;
}

}  // namespace solarchon::sky
