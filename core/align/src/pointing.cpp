// SPDX-License-Identifier: GPL-3.0-or-later
// Where a mount, a seeker or a controller has to be set, and how far off it ends.
#include <algorithm>
#include <cmath>

#include "solarchon/align/find.h"
#include "solarchon/align/mount_axis.h"
#include "solarchon/align/north.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"

namespace solarchon::align {

using base::kDegPerRad;
using base::kRadPerDeg;

namespace {

/// Azimuth and altitude by the plain triangle, without parallax and refraction (degree).
struct Plain {
  double azimuth_deg;
  double altitude_deg;
};
Plain plain_place(double hour_angle_deg, double declination_deg, double latitude_deg) {
  const double hour_angle = hour_angle_deg * kRadPerDeg;
  const double declination = declination_deg * kRadPerDeg;
  const double latitude = latitude_deg * kRadPerDeg;
  const double west = std::cos(declination) * std::sin(hour_angle);
  const double north = std::sin(declination) * std::cos(latitude) -
                       std::cos(declination) * std::cos(hour_angle) * std::sin(latitude);
  const double up = std::sin(declination) * std::sin(latitude) +
                    std::cos(declination) * std::cos(hour_angle) * std::cos(latitude);
  return {base::wrap_360(std::atan2(-west, north) * kDegPerRad),
          std::atan2(up, std::hypot(west, north)) * kDegPerRad};
}

int day_of_year(sky::UtcTime time) {
  const sky::CivilDate date = sky::utc_date(time);
  return 1 + static_cast<int>(
                 std::lround(sky::in_days(sky::start_of(date) - sky::start_of({date.year, 1, 1}))));
}

/// Angle between where circles point in a mount with this error and where they point in truth.
double miss_deg(const PoleError& error, const Circles& sun, double latitude_deg) {
  return angle_between_deg(MountAxis(error, latitude_deg).direction_of(sun),
                           MountAxis({}, latitude_deg).direction_of(sun));
}

}  // namespace

SunToSet sun_to_set(const sky::Observer& observer, sky::UtcTime time) {
  const sky::GeocentricSun sun = sky::geocentric_sun(time, observer.dut1_s);
  const sky::LocalSun local = sky::local_sun(sun, observer.site, observer.weather);
  const sky::EquatorialPlace j2000 = sky::sun_of_j2000(time);
  return {sun.declination_deg,       local.hour_angle_deg,  sun.right_ascension_deg,
          j2000.right_ascension_deg, j2000.declination_deg, local.azimuth_deg,
          local.altitude_deg};
}

Seeker seeker_of(const sky::Observer& observer, sky::UtcTime time) {
  constexpr double kObliquityDeg = 23.44;
  constexpr double kDaysOfYear = 365.0;
  constexpr double kEquinoxDay = 81.0;
  const double latitude_deg = observer.site.latitude_deg;
  const double declination_deg =
      kObliquityDeg * std::sin(2.0 * base::kPi / kDaysOfYear * (day_of_year(time) - kEquinoxDay));
  const double utc_hours = sky::in_hours(time - sky::start_of(sky::utc_date(time)));
  constexpr double kNoonHours = 12.0;
  const double hour_angle_deg =
      base::wrap_180(base::kSunDegPerHour * (utc_hours - kNoonHours) + observer.site.longitude_deg);
  const Plain set = plain_place(hour_angle_deg, declination_deg, latitude_deg);

  const sky::GeocentricSun sun = sky::geocentric_sun(time, observer.dut1_s);
  const sky::LocalSun local = sky::local_sun(sun, observer.site, observer.weather);
  const double right_time =
      plain_place(local.hour_angle_deg, declination_deg, latitude_deg).altitude_deg;
  Seeker seeker;
  seeker.altitude_deg = set.altitude_deg;
  seeker.azimuth_deg = set.azimuth_deg;
  seeker.altitude_error_deg = set.altitude_deg - local.altitude_deg;
  seeker.azimuth_error_deg = base::wrap_180(set.azimuth_deg - local.azimuth_deg);
  seeker.from_declination_deg =
      right_time -
      plain_place(local.hour_angle_deg, sun.declination_deg, latitude_deg).altitude_deg;
  seeker.from_equation_of_time_deg = set.altitude_deg - right_time;
  seeker.from_refraction_deg = local.altitude_airless_deg - local.altitude_deg;
  return seeker;
}

PoleMark pole_mark(const sky::Observer& observer, sky::UtcTime time) {
  constexpr double kPoleDeg = 90.0;
  PoleMark mark;
  mark.star = sky::pole_star(observer.site.latitude_deg);
  const sky::EquatorialPlace place = sky::star_place(mark.star, time);
  const sky::LocalPlace local = sky::local_place(
      place, sky::geocentric_sun(time, observer.dut1_s).sidereal_time_deg, observer);
  mark.right_ascension_deg = place.right_ascension_deg;
  mark.declination_deg = place.declination_deg;
  mark.azimuth_deg = local.azimuth_deg;
  mark.altitude_deg = local.altitude_deg;
  mark.from_pole_deg = kPoleDeg - std::abs(place.declination_deg);
  return mark;
}

double rough_miss_deg(const sky::Observer& observer, sky::UtcTime time, plan::MountKind mount,
                      double azimuth_sigma_deg) {
  const sky::GeocentricSun sun = sky::geocentric_sun(time, observer.dut1_s);
  const sky::LocalSun local = sky::local_sun(sun, observer.site, observer.weather);
  if (plan::stands_level(mount)) {
    // A zero of azimuth that is off, a zero of altitude, and a base that leans.
    const double level = azimuth_sigma_deg * std::cos(local.altitude_airless_deg * kRadPerDeg);
    return std::hypot(level, kInclinometerDeg, kInclinometerDeg);
  }
  const Circles circles{local.hour_angle_deg, sun.declination_deg};
  const double latitude_deg = observer.site.latitude_deg;
  return std::hypot(miss_deg({kInclinometerDeg, 0.0}, circles, latitude_deg),
                    miss_deg({0.0, azimuth_sigma_deg}, circles, latitude_deg));
}

double drawtube_mm(const optics::Rig& rig) {
  using optics::Face;
  constexpr double kUsualMm = 31.7;
  constexpr double kTwoInchMm = 46.0;  // within the rim of a 2 inch barrel
  const auto opening = [&](Face face) -> std::optional<double> {
    switch (face) {
      case Face::k125Barrel:
      case Face::k125Holder:
        return kUsualMm;
      case Face::k2Barrel:
      case Face::k2Holder:
        return kTwoInchMm;
      case Face::kM42Male:
      case Face::kM42Female:
        return 40.0;
      case Face::kM48Male:
      case Face::kM48Female:
        return 46.0;
      case Face::kM54Male:
      case Face::kM54Female:
        return 52.0;
      case Face::kCMale:
      case Face::kCFemale:
        return 23.0;
      case Face::kNone:
        break;
    }
    return std::nullopt;
  };
  const auto telescope = optics::find_fitted<optics::Telescope>(rig);
  if (!telescope) {
    return kUsualMm;
  }
  if (const auto own = opening(rig.elements[*telescope].rear_face)) {
    return *own;
  }
  for (std::size_t i = *telescope + 1; i < rig.elements.size(); ++i) {
    const auto other = rig.elements[i].fitted ? opening(rig.elements[i].front_face) : std::nullopt;
    if (other) {
      return *other;
    }
  }
  return kUsualMm;
}

Sweep sweep_of(double focal_length_mm, double drawtube_mm, double declination_deg,
               double miss_deg) {
  constexpr double kPoleDeg = 90.0;
  constexpr double kWidestDeg = 180.0;
  Sweep sweep;
  sweep.field_deg = 2.0 * std::atan(drawtube_mm / 2.0 / focal_length_mm) * kDegPerRad;
  const double covered_deg = 2.0 * miss_deg;
  sweep.half_width_deg = std::min(kWidestDeg, covered_deg / std::cos(declination_deg * kRadPerDeg));
  sweep.declinations_deg = {declination_deg};
  for (double step = sweep.field_deg; step - sweep.field_deg / 2.0 < covered_deg;
       step += sweep.field_deg) {
    for (const double further : {declination_deg + step, declination_deg - step}) {
      if (std::abs(further) < kPoleDeg) {
        sweep.declinations_deg.push_back(further);
      }
    }
  }
  return sweep;
}

std::vector<Neighbour> neighbours_of(const sky::Observer& observer, sky::UtcTime time) {
  const sky::Duration span = sky::minutes(10.0);
  const sky::GeocentricSun sun = sky::geocentric_sun(time, observer.dut1_s);
  const sky::GeocentricSun later = sky::geocentric_sun(time + span, observer.dut1_s);
  const auto seen = [&](const sky::EquatorialPlace& place, const sky::GeocentricSun& at) {
    return sky::local_place(place, at.sidereal_time_deg, observer);
  };
  const sky::LocalPlace sun_now = seen(sky::place_of(sun), sun);
  const sky::LocalPlace sun_later = seen(sky::place_of(later), later);
  const sky::EquatorialPlace sun_here =
      sky::topocentric_place(sky::place_of(sun), sun.sidereal_time_deg, observer);
  std::vector<Neighbour> neighbours;
  for (const sky::Body body : {sky::Body::kMoon, sky::Body::kMercury, sky::Body::kVenus,
                               sky::Body::kMars, sky::Body::kJupiter, sky::Body::kSaturn}) {
    // The Moon is near: from the site it stands up to a degree from where the Earth's centre sees
    // it.
    const sky::EquatorialPlace place =
        sky::topocentric_place(sky::body_place(body, time), sun.sidereal_time_deg, observer);
    const sky::LocalPlace now = seen(place, sun);
    const sky::LocalPlace followed = seen(place, later);
    // The mount turns as far as the sky does there; the Sun has gone another way.
    const double up = (sun_later.altitude_airless_deg - sun_now.altitude_airless_deg) -
                      (followed.altitude_airless_deg - now.altitude_airless_deg);
    const double along = base::wrap_180(sun_later.azimuth_deg - sun_now.azimuth_deg) -
                         base::wrap_180(followed.azimuth_deg - now.azimuth_deg);
    const double level = along * std::cos(sun_later.altitude_airless_deg * kRadPerDeg);
    neighbours.push_back({body, sky::separation_deg(place, sun_here),
                          base::wrap_180(place.right_ascension_deg - sun_here.right_ascension_deg),
                          place.declination_deg - sun_here.declination_deg, now.azimuth_deg,
                          now.altitude_deg,
                          std::hypot(up, level) * base::kArcsecPerDeg / sky::in_minutes(span)});
  }
  std::sort(neighbours.begin(), neighbours.end(), [](const Neighbour& a, const Neighbour& b) {
    return a.separation_deg < b.separation_deg;
  });
  return neighbours;
}

double sidereal_drift_arcsec_min(const sky::GeocentricSun& sun) {
  constexpr double kSecondsPerMinute = 60.0;
  return kSecondsPerMinute *
         std::hypot(sun.right_ascension_rate_arcsec_s * std::cos(sun.declination_deg * kRadPerDeg),
                    sun.declination_rate_arcsec_s);
}

}  // namespace solarchon::align
