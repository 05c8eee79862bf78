// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/disc.h"

#include <erfa.h>
#include <erfam.h>

#include <cmath>

#include "constants.h"
#include "solarchon/base/angle.h"
#include "time_scales.h"

namespace solarchon::sky {

using base::kDegPerRad;
using base::kRadPerArcsec;
using base::kRadPerDeg;
using base::wrap_360;

namespace {

// Rotation 1 began on 1853 November 9; mean synodic length 27.2753 days (Carrington).
constexpr double kFirstRotationJd = 2398167.4;
constexpr double kSynodicDays = 27.2753;

/// Solar radii from the centre of the Sun to the observer.
double distance_radii(double distance_au) { return distance_au / kSolarRadiusAu; }

}  // namespace

double semidiameter_arcsec(double distance_au) { return kSemidiameterAt1AuArcsec / distance_au; }

double limb_radius_arcsec(double distance_au) {
  return std::tan(std::asin(1.0 / distance_radii(distance_au))) / kRadPerArcsec;
}

PictureOrientation solar_orientation(const PictureOrientation& celestial, double p_deg) {
  // East lies counter-clockwise of north, unless the picture is mirrored.
  const double hand = celestial.mirrored ? 1.0 : -1.0;
  return {wrap_360(celestial.north_deg + hand * p_deg), celestial.mirrored};
}

DiscPlace to_disc(const PictureOffset& offset, const PictureOrientation& solar) {
  const double north = solar.north_deg * kRadPerDeg;
  const double hand = solar.mirrored ? -1.0 : 1.0;
  return {hand * (offset.right * std::cos(north) - offset.up * std::sin(north)),
          offset.right * std::sin(north) + offset.up * std::cos(north)};
}

PictureOffset to_picture(const DiscPlace& place, const PictureOrientation& solar) {
  const double north = solar.north_deg * kRadPerDeg;
  const double west = (solar.mirrored ? -1.0 : 1.0) * place.west_arcsec;
  return {west * std::cos(north) + place.north_arcsec * std::sin(north),
          -west * std::sin(north) + place.north_arcsec * std::cos(north)};
}

DiscView disc_view(UtcTime time) {
  const TimeScales scales = time_scales(time, 0.0);
  double heliocentric[2][3];
  double barycentric[2][3];
  eraEpv00(scales.tdb.day, scales.tdb.fraction, heliocentric, barycentric);
  double to_earth[3];
  DiscView view;
  eraPn(heliocentric[0], &view.distance_au, to_earth);

  // The Sun's own frame: z to the north pole, x to the ascending node of its equator.
  const double pole_ra = kPoleRightAscensionDeg * kRadPerDeg;
  const double pole_dec = kPoleDeclinationDeg * kRadPerDeg;
  double pole[3];
  eraS2c(pole_ra, pole_dec, pole);
  double node[3];
  eraS2c(pole_ra + 0.5 * base::kPi, 0.0, node);
  double third[3];
  eraPxp(pole, node, third);

  view.b0_deg = std::asin(eraPdp(to_earth, pole)) * kDegPerRad;
  const double from_node_deg =
      std::atan2(eraPdp(to_earth, third), eraPdp(to_earth, node)) * kDegPerRad;
  const double days = (scales.tdb.day - ERFA_DJ00) + scales.tdb.fraction -
                      (view.distance_au - kSolarRadiusAu) * kLightDayPerAu;
  view.l0_deg = wrap_360(from_node_deg - (kPrimeMeridianDeg + kRotationDegPerDay * days));

  // Position angle of the pole against the true celestial pole of date.
  double to_date[3][3];
  eraPnm06a(scales.tt.day, scales.tt.fraction, to_date);
  double sun_of_date[3];
  double pole_of_date[3];
  double to_sun[3];
  eraSxp(-1.0, to_earth, to_sun);
  eraRxp(to_date, to_sun, sun_of_date);
  eraRxp(to_date, pole, pole_of_date);
  view.p_deg = eraPap(sun_of_date, pole_of_date) * kDegPerRad;

  const double since_first =
      ((scales.tt.day - kFirstRotationJd) + scales.tt.fraction) / kSynodicDays + 1.0;
  const double part = 1.0 - view.l0_deg / 360.0;
  view.carrington_rotation = std::round(since_first - part) + part;
  return view;
}

std::optional<SurfacePoint> surface_point(const DiscPlace& place, const DiscView& view) {
  const double offset = std::hypot(place.west_arcsec, place.north_arcsec);
  const double off_axis = std::atan(offset * kRadPerArcsec);
  const double sin_emergence = distance_radii(view.distance_au) * std::sin(off_axis);
  if (!(sin_emergence <= 1.0)) {
    return std::nullopt;
  }
  // Angle at the Sun's centre between the observer and the point.
  const double central = std::asin(sin_emergence) - off_axis;
  const double scale = offset > 0.0 ? std::sin(central) / offset : 0.0;
  const double west = place.west_arcsec * scale;
  const double north = place.north_arcsec * scale;
  const double toward = std::cos(central);
  const double b0 = view.b0_deg * kRadPerDeg;

  SurfacePoint point;
  point.latitude_deg = std::asin(north * std::cos(b0) + toward * std::sin(b0)) * kDegPerRad;
  const double from_meridian_deg =
      std::atan2(west, toward * std::cos(b0) - north * std::sin(b0)) * kDegPerRad;
  point.carrington_longitude_deg = wrap_360(view.l0_deg + from_meridian_deg);
  point.cos_emergence = std::sqrt(1.0 - sin_emergence * sin_emergence);
  return point;
}

std::optional<DiscPlace> disc_place(double latitude_deg, double carrington_longitude_deg,
                                    const DiscView& view) {
  const double latitude = latitude_deg * kRadPerDeg;
  const double longitude = (carrington_longitude_deg - view.l0_deg) * kRadPerDeg;
  const double b0 = view.b0_deg * kRadPerDeg;
  const double equatorial = std::cos(latitude) * std::cos(longitude);
  const double west = std::cos(latitude) * std::sin(longitude);
  const double north = std::sin(latitude) * std::cos(b0) - equatorial * std::sin(b0);
  const double toward = std::sin(latitude) * std::sin(b0) + equatorial * std::cos(b0);
  const double distance = distance_radii(view.distance_au);
  if (toward * distance < 1.0) {
    return std::nullopt;
  }
  const double depth = (distance - toward) * kRadPerArcsec;
  return DiscPlace{west / depth, north / depth};
}

}  // namespace solarchon::sky
