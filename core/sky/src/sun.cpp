// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/sun.h"

#include <erfa.h>
#include <erfam.h>

#include <cmath>

#include "constants.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/disc.h"
#include "time_scales.h"
#include "topocentric.h"

namespace solarchon::sky {

using base::kArcsecPerRad;
using base::kDegPerRad;
using base::kRadPerDeg;
using base::wrap_180;
using base::wrap_360;

namespace {

constexpr Duration kKnotSpacing = hours(5.0);

double universal_time_angle_deg(const JulianDate& ut1) {
  // Julian days begin at noon.
  return wrap_360((std::fmod(ut1.day, 1.0) + ut1.fraction + 0.5) * 360.0);
}

/// Position on the sphere of a vector, and its rates.
struct Direction {
  double longitude_rad;
  double latitude_rad;
  double longitude_rate_rad_day;
  double latitude_rate_rad_day;
};

Direction direction_of(const double position[3], const double velocity[3]) {
  const double square_xy = position[0] * position[0] + position[1] * position[1];
  const double rho_xy = std::sqrt(square_xy);
  const double square = square_xy + position[2] * position[2];
  Direction out{};
  out.longitude_rad = std::atan2(position[1], position[0]);
  out.latitude_rad = std::atan2(position[2], rho_xy);
  out.longitude_rate_rad_day = (position[0] * velocity[1] - position[1] * velocity[0]) / square_xy;
  const double inward = position[0] * velocity[0] + position[1] * velocity[1];
  out.latitude_rate_rad_day = (velocity[2] * square_xy - position[2] * inward) / (square * rho_xy);
  return out;
}

}  // namespace

double GeocentricSun::semidiameter_arcsec() const { return sky::semidiameter_arcsec(distance_au); }

double GeocentricSun::equation_of_time_min() const {
  const double apparent_deg = sidereal_time_deg - right_ascension_deg;
  const double mean_deg = universal_time_deg - 180.0;
  return wrap_180(apparent_deg - mean_deg) * 4.0;
}

GeocentricSun geocentric_sun(UtcTime time, double dut1_s) {
  const TimeScales scales = time_scales(time, dut1_s);
  double heliocentric[2][3];
  double barycentric[2][3];
  eraEpv00(scales.tdb.day, scales.tdb.fraction, heliocentric, barycentric);

  const double geometric_au = eraPm(heliocentric[0]);
  const double light_day = geometric_au * kLightDayPerAu;
  // The Sun is seen where it was when the light left it; it moves about the barycentre.
  double astrometric[3];
  double direction[3];
  for (int axis = 0; axis < 3; ++axis) {
    const double sun_velocity = barycentric[1][axis] - heliocentric[1][axis];
    astrometric[axis] = -heliocentric[0][axis] - sun_velocity * light_day;
  }
  double distance_au = 0.0;
  eraPn(astrometric, &distance_au, direction);

  double velocity_c[3];
  eraSxp(kLightDayPerAu, barycentric[1], velocity_c);
  const double inverse_lorentz = std::sqrt(1.0 - eraPdp(velocity_c, velocity_c));
  double proper[3];
  eraAb(direction, velocity_c, geometric_au, inverse_lorentz, proper);

  double to_date[3][3];
  eraPnm06a(scales.tt.day, scales.tt.fraction, to_date);
  double of_date[3];
  eraRxp(to_date, proper, of_date);
  double motion[3];  // au per day; the yearly swing of aberration is 1e-4 of it
  eraSxp(-1.0 / distance_au, heliocentric[1], motion);
  double motion_of_date[3];
  eraRxp(to_date, motion, motion_of_date);

  const Direction place = direction_of(of_date, motion_of_date);
  constexpr double kPerDayToArcsecS = kArcsecPerRad / in_seconds(days(1.0));
  GeocentricSun sun;
  sun.right_ascension_deg = wrap_360(place.longitude_rad * kDegPerRad);
  sun.declination_deg = place.latitude_rad * kDegPerRad;
  sun.right_ascension_rate_arcsec_s = place.longitude_rate_rad_day * kPerDayToArcsecS;
  sun.declination_rate_arcsec_s = place.latitude_rate_rad_day * kPerDayToArcsecS;
  sun.distance_au = distance_au;
  sun.sidereal_time_deg = kDegPerRad * eraGst06(scales.ut1.day, scales.ut1.fraction, scales.tt.day,
                                                scales.tt.fraction, to_date);
  sun.universal_time_deg = universal_time_angle_deg(scales.ut1);
  return sun;
}

SunEphemeris::SunEphemeris(UtcTime centre, double dut1_s) : centre_(centre), dut1_s_(dut1_s) {
  for (int index = 0; index < kKnots; ++index) {
    const UtcTime time = centre + kKnotSpacing * (index - kMiddleKnot);
    const GeocentricSun exact = geocentric_sun(time, dut1_s);
    const JulianDate ut1 = universal_time(time, dut1_s);
    Knot& knot = knots_.at(static_cast<std::size_t>(index));
    const double previous_deg =
        index == 0 ? exact.right_ascension_deg
                   : knots_.at(static_cast<std::size_t>(index - 1)).right_ascension_deg;
    knot.right_ascension_deg = previous_deg + wrap_180(exact.right_ascension_deg - previous_deg);
    knot.declination_deg = exact.declination_deg;
    knot.distance_au = exact.distance_au;
    knot.equinoxes_deg =
        wrap_180(exact.sidereal_time_deg - eraEra00(ut1.day, ut1.fraction) * kDegPerRad);
  }
}

bool SunEphemeris::covers(UtcTime time) const {
  return std::chrono::abs(time - centre_) <= kKnotSpacing * kMiddleKnot;
}

GeocentricSun SunEphemeris::at(UtcTime time) const {
  const double place = (time - centre_) / kKnotSpacing + kMiddleKnot;
  Knot value{};
  Knot slope{};  // per knot spacing
  for (int i = 0; i < kKnots; ++i) {
    // The Lagrange polynomial of knot i and its derivative.
    double weight = 1.0;
    double weight_slope = 0.0;
    for (int j = 0; j < kKnots; ++j) {
      if (j != i) {
        const double scale = 1.0 / (i - j);
        weight_slope = (weight_slope * (place - j) + weight) * scale;
        weight *= (place - j) * scale;
      }
    }
    const Knot& knot = knots_.at(static_cast<std::size_t>(i));
    value.right_ascension_deg += weight * knot.right_ascension_deg;
    value.declination_deg += weight * knot.declination_deg;
    value.distance_au += weight * knot.distance_au;
    value.equinoxes_deg += weight * knot.equinoxes_deg;
    slope.right_ascension_deg += weight_slope * knot.right_ascension_deg;
    slope.declination_deg += weight_slope * knot.declination_deg;
  }
  const JulianDate ut1 = universal_time(time, dut1_s_);
  GeocentricSun sun;
  sun.right_ascension_deg = wrap_360(value.right_ascension_deg);
  sun.declination_deg = value.declination_deg;
  sun.right_ascension_rate_arcsec_s = slope.right_ascension_deg * 3600.0 / in_seconds(kKnotSpacing);
  sun.declination_rate_arcsec_s = slope.declination_deg * 3600.0 / in_seconds(kKnotSpacing);
  sun.distance_au = value.distance_au;
  sun.sidereal_time_deg =
      wrap_360(eraEra00(ut1.day, ut1.fraction) * kDegPerRad + value.equinoxes_deg);
  sun.universal_time_deg = universal_time_angle_deg(ut1);
  return sun;
}

LocalSun local_sun(const GeocentricSun& sun, const Site& site, const Weather& weather) {
  LocalSun local;
  local.hour_angle_deg =
      wrap_180(sun.sidereal_time_deg + site.longitude_deg - sun.right_ascension_deg);
  const double hour_angle = local.hour_angle_deg * kRadPerDeg;
  const double declination = sun.declination_deg * kRadPerDeg;
  const double latitude = site.latitude_deg * kRadPerDeg;

  const Horizontal now = topocentric(hour_angle, declination, sun.distance_au, site);
  local.azimuth_deg = wrap_360(now.azimuth_rad * kDegPerRad);
  local.altitude_airless_deg = now.altitude_rad * kDegPerRad;
  local.altitude_deg =
      local.altitude_airless_deg + refraction_deg(local.altitude_airless_deg, weather);
  local.airmass = airmass(local.altitude_deg);
  local.parallactic_angle_deg =
      kDegPerRad *
      std::atan2(std::sin(hour_angle), std::tan(latitude) * std::cos(declination) -
                                           std::sin(declination) * std::cos(hour_angle));

  // Rates by a symmetric difference over two seconds of the Sun's own motion.
  constexpr double kHalfStepS = 1.0;
  const double hour_angle_rate =
      (kSiderealRateArcsecS - sun.right_ascension_rate_arcsec_s) / kArcsecPerRad;
  const double declination_rate = sun.declination_rate_arcsec_s / kArcsecPerRad;
  const auto moved = [&](double seconds) {
    return topocentric(hour_angle + hour_angle_rate * seconds,
                       declination + declination_rate * seconds, sun.distance_au, site);
  };
  const Horizontal before = moved(-kHalfStepS);
  const Horizontal after = moved(kHalfStepS);
  const double turned_deg = wrap_180((after.azimuth_rad - before.azimuth_rad) * kDegPerRad);
  local.azimuth_rate_arcsec_s = turned_deg * 3600.0 / (2.0 * kHalfStepS);
  local.altitude_rate_arcsec_s =
      (after.altitude_rad - before.altitude_rad) * kArcsecPerRad / (2.0 * kHalfStepS);
  const double cos_altitude = std::cos(now.altitude_rad);
  constexpr double kZenithCos = 1e-5;  // within 2 arcsec of the zenith
  if (cos_altitude < kZenithCos) {
    local.azimuth_rate_arcsec_s = 0.0;
    return local;
  }
  local.field_rotation_deg_h = -hour_angle_rate * kDegPerRad * 3600.0 * std::cos(latitude) *
                               std::cos(now.azimuth_rad) / cos_altitude;
  return local;
}

}  // namespace solarchon::sky
