// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>

#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// The Sun as seen from the centre of the Earth: true equator and equinox of date.
struct GeocentricSun {
  double right_ascension_deg = 0.0;  ///< apparent, [0, 360)
  double declination_deg = 0.0;      ///< apparent
  double right_ascension_rate_arcsec_s = 0.0;
  double declination_rate_arcsec_s = 0.0;
  double distance_au = 1.0;
  double sidereal_time_deg = 0.0;   ///< Greenwich apparent, [0, 360)
  double universal_time_deg = 0.0;  ///< UT1 as an angle: 15 degrees an hour, 0 at 0h

  /// Radius of the photosphere as an angle (arcsec): 959.63 at 1 au (IAU 2015 nominal value).
  [[nodiscard]] double semidiameter_arcsec() const;
  /// Apparent minus mean solar time (minute of time).
  [[nodiscard]] double equation_of_time_min() const;
};

/// Apparent geocentric place of the Sun.
/// @param time    kFirstTime to kLastTime
/// @param dut1_s  UT1 - UTC (s), -0.9 to 0.9; a second is 15 arcsec of hour angle
/// Accuracy: 0.1 arcsec from 1972 to 2100; rates 0.1 per cent.
/// Source: ERFA eraEpv00, eraAb, eraPnm06a, eraGst06a (IAU 2006/2000A); light time and annual
/// aberration are applied, polar motion is not.
[[nodiscard]] GeocentricSun geocentric_sun(UtcTime time, double dut1_s);

/// The same, interpolated: seven exact places over 30 hours, joined by one polynomial. For the
/// many instants of a day it costs a hundredth of geocentric_sun.
/// Accuracy: within 0.001 arcsec of geocentric_sun inside `covers`.
class SunEphemeris {
 public:
  /// @param centre  the middle of the 30 hours that it answers for
  SunEphemeris(UtcTime centre, double dut1_s);
  [[nodiscard]] bool covers(UtcTime time) const;
  /// @param time  must be covered: outside, the polynomial runs away
  [[nodiscard]] GeocentricSun at(UtcTime time) const;

 private:
  static constexpr int kKnots = 7;
  static constexpr int kMiddleKnot = 3;
  struct Knot {
    double right_ascension_deg;  ///< unwrapped, so that neighbours join
    double declination_deg;
    double distance_au;
    double equinoxes_deg;  ///< sidereal time minus Earth rotation angle
  };
  UtcTime centre_;
  double dut1_s_;
  std::array<Knot, kKnots> knots_{};
};

/// The Sun as seen from a site.
struct LocalSun {
  double azimuth_deg = 0.0;             ///< topocentric, from north through east, [0, 360)
  double altitude_airless_deg = 0.0;    ///< topocentric, without refraction
  double altitude_deg = 0.0;            ///< topocentric, refracted
  double hour_angle_deg = 0.0;          ///< geocentric, west positive, [-180, 180)
  double parallactic_angle_deg = 0.0;   ///< positive west of the meridian, [-180, 180]
  double azimuth_rate_arcsec_s = 0.0;   ///< dA/dt, airless, not multiplied by cos(altitude)
  double altitude_rate_arcsec_s = 0.0;  ///< airless
  double field_rotation_deg_h = 0.0;    ///< how fast an alt-azimuth mount's field turns
  std::optional<double> airmass;        ///< Kasten and Young 1989; none below the horizon
};

/// Turns the geocentric Sun into what a site sees: diurnal parallax and aberration are applied.
/// At the zenith azimuth is ill-defined and its rate is reported as 0; at the poles azimuth
/// follows the given longitude.
/// Accuracy: 0.5 arcsec airless; the rates are the Sun's own (its hour angle gains 15.000, not
/// 15.041 arcsec/s), to 0.1 per cent.
/// Source: the astronomical triangle, differentiated (docs/numbers.md); Kasten and Young, Applied
/// Optics 28 (1989) 4735.
[[nodiscard]] LocalSun local_sun(const GeocentricSun& sun, const Site& site,
                                 const Weather& weather);

/// Relative path through the air.
/// @param altitude_deg  refracted altitude (degree)
/// @return              1 at the zenith, about 38 on the horizon; none below it
[[nodiscard]] std::optional<double> airmass(double altitude_deg);

/// How much the air lifts a body.
/// @param altitude_airless_deg  -90 to 90 (degree)
/// @return                      refracted minus airless altitude (degree), never negative; it
///                              fades out between 1 and 5 degrees below the horizon
/// Accuracy: 1 arcsec above 10 degrees; some per cent near the horizon, where real air varies.
/// Source: ERFA eraRefco above 10 degrees of apparent altitude; Bennett, Journal of Navigation 35
/// (1982) 255, scaled with pressure and temperature, below 5; joined smoothly between.
[[nodiscard]] double refraction_deg(double altitude_airless_deg, const Weather& weather);

}  // namespace solarchon::sky
