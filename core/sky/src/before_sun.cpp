// SPDX-License-Identifier: GPL-3.0-or-later
#include "before_sun.h"

#include <erfa.h>
#include <erfam.h>

#include <cmath>

#include "constants.h"
#include "solarchon/base/angle.h"

namespace solarchon::sky {

using base::kRadPerDeg;

namespace {

using Vector = std::array<double, 3>;

double radius_m(Body body) {
  constexpr double kEquatorM = 6378137.0;  // WGS 84
  switch (body) {
    case Body::kMercury:
      return 2439.7e3;
    case Body::kVenus:
      return 6051.8e3;
    default:
      return 0.2725076 * kEquatorM;
  }
}

Vector vector_of(const EquatorialPlace& place) {
  const double ra = place.right_ascension_deg * kRadPerDeg;
  const double dec = place.declination_deg * kRadPerDeg;
  return {place.distance_au * std::cos(dec) * std::cos(ra),
          place.distance_au * std::cos(dec) * std::sin(ra), place.distance_au * std::sin(dec)};
}

/// The site from the centre of the Earth (au), axes of date.
Vector of_site(const Site& site, double sidereal_time_deg) {
  double metres[3];
  eraGd2gc(ERFA_WGS84, (sidereal_time_deg + site.longitude_deg) * kRadPerDeg,
           site.latitude_deg * kRadPerDeg, site.elevation_m, metres);
  return {metres[0] / kMetrePerAu, metres[1] / kMetrePerAu, metres[2] / kMetrePerAu};
}

/// The two as vectors from the centre of the Earth, seen from the site.
Pair pair_from(const GeocentricSun& sun, Body body, const Vector& body_at, const Site& site) {
  const Vector at = of_site(site, sun.sidereal_time_deg);
  Vector to_sun = vector_of(place_of(sun));
  Vector to_body = body_at;
  for (std::size_t axis = 0; axis < 3; ++axis) {
    to_sun.at(axis) -= at.at(axis);
    to_body.at(axis) -= at.at(axis);
  }
  Pair pair;
  pair.separation_arcsec = eraSepp(to_sun.data(), to_body.data()) / base::kRadPerArcsec;
  pair.position_angle_deg =
      base::wrap_360(eraPap(to_sun.data(), to_body.data()) * base::kDegPerRad);
  pair.sun_semidiameter_arcsec = sun.semidiameter_arcsec();
  pair.body_semidiameter_arcsec =
      std::asin(radius_m(body) / (kMetrePerAu * eraPm(to_body.data()))) / base::kRadPerArcsec;
  return pair;
}

}  // namespace

Pair pair_of(const GeocentricSun& sun, Body body, const EquatorialPlace& body_place,
             const Site& site) {
  return pair_from(sun, body, vector_of(body_place), site);
}

PairTrack::PairTrack(Body body, UtcTime centre, double half_hours, const Observer& observer)
    : body_(body),
      centre_(centre),
      half_hours_(half_hours),
      site_(observer.site),
      sun_(centre, observer.dut1_s) {
  for (int knot = 0; knot < kKnots; ++knot) {
    const double share = 2.0 * knot / (kKnots - 1) - 1.0;
    knots_.at(static_cast<std::size_t>(knot)) =
        vector_of(body_place(body, centre + hours(share * half_hours)));
  }
}

Pair PairTrack::at(UtcTime time) const {
  // Lagrange's polynomial through all knots.
  const double place =
      0.5 * (kKnots - 1) * (in_hours(time - centre_) / half_hours_ + 1.0);  // in knots
  Vector body_at{};
  for (int knot = 0; knot < kKnots; ++knot) {
    double weight = 1.0;
    for (int other = 0; other < kKnots; ++other) {
      weight *= other == knot ? 1.0 : (place - other) / (knot - other);
    }
    for (std::size_t axis = 0; axis < 3; ++axis) {
      body_at.at(axis) += weight * knots_.at(static_cast<std::size_t>(knot)).at(axis);
    }
  }
  return pair_from(sun_.at(time), body_, body_at, site_);
}

}  // namespace solarchon::sky
