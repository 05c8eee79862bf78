// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/bodies.h"

#include <erfa.h>
#include <libnova/jupiter.h>
#include <libnova/lunar.h>
#include <libnova/mars.h>
#include <libnova/mercury.h>
#include <libnova/saturn.h>
#include <libnova/venus.h>

#include <cmath>
#include <mutex>

#include "constants.h"
#include "solarchon/base/angle.h"
#include "time_scales.h"
#include "topocentric.h"

namespace solarchon::sky {

using base::kDegPerRad;
using base::kRadPerDeg;

namespace {

constexpr double kKilometrePerAu = kMetrePerAu / 1000.0;
constexpr double kObliquityJ2000Rad = 84381.448 * base::kRadPerArcsec;

struct Earth {
  double heliocentric[2][3];
  double barycentric[2][3];
};

Earth earth_at(const TimeScales& scales) {
  Earth earth{};
  eraEpv00(scales.tdb.day, scales.tdb.fraction, earth.heliocentric, earth.barycentric);
  return earth;
}

EquatorialPlace place_from(double vector[3]) {
  EquatorialPlace place;
  double longitude = 0.0;
  double latitude = 0.0;
  eraC2s(vector, &longitude, &latitude);
  place.right_ascension_deg = base::wrap_360(longitude * kDegPerRad);
  place.declination_deg = latitude * kDegPerRad;
  place.distance_au = eraPm(vector);
  return place;
}

/// An ICRS vector turned to the true equator and equinox of date.
EquatorialPlace of_date(double vector[3], const TimeScales& scales) {
  double to_date[3][3];
  eraPnm06a(scales.tt.day, scales.tt.fraction, to_date);
  double turned[3];
  eraRxp(to_date, vector, turned);
  return place_from(turned);
}

/// From the ecliptic of J2000, which the library's series are given for, to the ICRS, whose equator
/// is within 0.03 arcsec that of J2000.
void from_ecliptic(const double ecliptic[3], double vector[3]) {
  const double cosine = std::cos(kObliquityJ2000Rad);
  const double sine = std::sin(kObliquityJ2000Rad);
  vector[0] = ecliptic[0];
  vector[1] = ecliptic[1] * cosine - ecliptic[2] * sine;
  vector[2] = ecliptic[1] * sine + ecliptic[2] * cosine;
}

/// Julian date of the dynamical time, as libnova takes it.
double dynamical_date(const TimeScales& scales) { return scales.tt.day + scales.tt.fraction; }

/// The library keeps the last date's places in static variables.
std::mutex& nova_guard() {
  static std::mutex guard;
  return guard;
}

EquatorialPlace moon_place(UtcTime time) {
  constexpr double kLightS = 1.28;
  const TimeScales scales = time_scales(time, 0.0);
  ln_rect_posn ecliptic_km{};
  {
    const std::lock_guard<std::mutex> held(nova_guard());
    ln_get_lunar_geo_posn(dynamical_date(scales) - kLightS / in_seconds(days(1.0)), &ecliptic_km,
                          0.0);
  }
  const double ecliptic_au[3] = {ecliptic_km.X / kKilometrePerAu, ecliptic_km.Y / kKilometrePerAu,
                                 ecliptic_km.Z / kKilometrePerAu};
  double vector[3];
  from_ecliptic(ecliptic_au, vector);
  return of_date(vector, scales);
}

using Heliocentric = void (*)(double, ln_helio_posn*);
Heliocentric heliocentric(Body planet) {
  switch (planet) {
    case Body::kMercury:
      return ln_get_mercury_helio_coords;
    case Body::kVenus:
      return ln_get_venus_helio_coords;
    case Body::kMars:
      return ln_get_mars_helio_coords;
    case Body::kJupiter:
      return ln_get_jupiter_helio_coords;
    default:
      return ln_get_saturn_helio_coords;
  }
}

/// A planet from the Sun (au), axes of the ICRS.
void place_in_space(Body planet, double date, double vector[3]) {
  ln_helio_posn ecliptic{};
  {
    const std::lock_guard<std::mutex> held(nova_guard());
    heliocentric(planet)(date, &ecliptic);
  }
  double direction[3];
  eraS2p(ecliptic.L * kRadPerDeg, ecliptic.B * kRadPerDeg, ecliptic.R, direction);
  from_ecliptic(direction, vector);
}

EquatorialPlace planet_place(Body body, UtcTime time) {
  const TimeScales scales = time_scales(time, 0.0);
  Earth earth = earth_at(scales);
  double towards[3] = {0.0, 0.0, 0.0};
  double light_day = 0.0;
  constexpr int kRounds = 3;  // the third changes it by less than 0.001 arcsec
  for (int round = 0; round < kRounds; ++round) {
    double planet[3];
    place_in_space(body, dynamical_date(scales) - light_day, planet);
    for (int axis = 0; axis < 3; ++axis) {
      towards[axis] = planet[axis] - earth.heliocentric[0][axis];
    }
    light_day = eraPm(towards) * kLightDayPerAu;
  }
  double distance_au = 0.0;
  double direction[3];
  eraPn(towards, &distance_au, direction);
  double velocity_c[3];
  eraSxp(kLightDayPerAu, earth.barycentric[1], velocity_c);
  double proper[3];
  eraAb(direction, velocity_c, eraPm(earth.heliocentric[0]),
        std::sqrt(1.0 - eraPdp(velocity_c, velocity_c)), proper);
  double scaled[3];
  eraSxp(distance_au, proper, scaled);
  return of_date(scaled, scales);
}

}  // namespace

EquatorialPlace body_place(Body body, UtcTime time) {
  return body == Body::kMoon ? moon_place(time) : planet_place(body, time);
}

PoleStar pole_star(double latitude_deg) {
  return latitude_deg < 0.0 ? PoleStar::kSigmaOctantis : PoleStar::kPolaris;
}

EquatorialPlace star_place(PoleStar star, UtcTime time) {
  /// ICRS at the epoch 2000.0; motion in right ascension times cos(declination).
  struct Entry {
    double right_ascension_deg, declination_deg, motion_mas_year, north_mas_year, parallax_arcsec;
  };
  constexpr Entry kPolarisEntry{37.954542, 89.264109, 44.48, -11.85, 0.00754};
  constexpr Entry kOctantisEntry{317.195171, -88.956502, 26.34, 5.15, 0.01112};
  constexpr double kRadPerMas = base::kRadPerArcsec / 1000.0;
  const Entry& entry = star == PoleStar::kPolaris ? kPolarisEntry : kOctantisEntry;
  const TimeScales scales = time_scales(time, 0.0);
  const double declination = entry.declination_deg * kRadPerDeg;
  double right_ascension = 0.0;
  double to_north = 0.0;
  double origins = 0.0;
  eraAtci13(entry.right_ascension_deg * kRadPerDeg, declination,
            entry.motion_mas_year * kRadPerMas / std::cos(declination),
            entry.north_mas_year * kRadPerMas, entry.parallax_arcsec, 0.0, scales.tdb.day,
            scales.tdb.fraction, &right_ascension, &to_north, &origins);
  constexpr double kFarAu = 1e7;
  return {base::wrap_360((right_ascension - origins) * kDegPerRad), to_north * kDegPerRad, kFarAu};
}

EquatorialPlace sun_of_j2000(UtcTime time) {
  Earth earth = earth_at(time_scales(time, 0.0));
  const double light_day = eraPm(earth.heliocentric[0]) * kLightDayPerAu;
  double towards[3];
  for (int axis = 0; axis < 3; ++axis) {
    const double sun_velocity = earth.barycentric[1][axis] - earth.heliocentric[1][axis];
    towards[axis] = -earth.heliocentric[0][axis] - sun_velocity * light_day;
  }
  return place_from(towards);
}

EquatorialPlace place_of(const GeocentricSun& sun) {
  return {sun.right_ascension_deg, sun.declination_deg, sun.distance_au};
}

LocalPlace local_place(const EquatorialPlace& place, double sidereal_time_deg,
                       const Observer& observer) {
  LocalPlace local;
  local.hour_angle_deg =
      base::wrap_180(sidereal_time_deg + observer.site.longitude_deg - place.right_ascension_deg);
  const Horizontal seen =
      topocentric(local.hour_angle_deg * kRadPerDeg, place.declination_deg * kRadPerDeg,
                  place.distance_au, observer.site);
  local.azimuth_deg = base::wrap_360(seen.azimuth_rad * kDegPerRad);
  local.altitude_airless_deg = seen.altitude_rad * kDegPerRad;
  local.altitude_deg =
      local.altitude_airless_deg + refraction_deg(local.altitude_airless_deg, observer.weather);
  return local;
}

EquatorialPlace topocentric_place(const EquatorialPlace& place, double sidereal_time_deg,
                                  const Observer& observer) {
  constexpr double kFarAu = 1e7;
  const LocalPlace local = local_place(place, sidereal_time_deg, observer);
  double hour_angle = 0.0;
  double declination = 0.0;
  eraAe2hd(local.azimuth_deg * kRadPerDeg, local.altitude_airless_deg * kRadPerDeg,
           observer.site.latitude_deg * kRadPerDeg, &hour_angle, &declination);
  return {base::wrap_360(sidereal_time_deg + observer.site.longitude_deg - hour_angle * kDegPerRad),
          declination * kDegPerRad, kFarAu};
}

double separation_deg(const EquatorialPlace& first, const EquatorialPlace& second) {
  return kDegPerRad *
         eraSeps(first.right_ascension_deg * kRadPerDeg, first.declination_deg * kRadPerDeg,
                 second.right_ascension_deg * kRadPerDeg, second.declination_deg * kRadPerDeg);
}

}  // namespace solarchon::sky
