// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/track.h"

#include <algorithm>
#include <cmath>

#include "solarchon/align/mount_axis.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"

namespace solarchon::align {

using base::kArcsecPerDeg;
using base::kRadPerDeg;

namespace {

/// The Sun at an instant, by hour angle and declination and over the horizon.
struct SunSeen {
  Circles circles;
  sky::LocalSun local;
  sky::GeocentricSun sun;
};

SunSeen sun_seen_at(const sky::SunEphemeris& ephemeris, const sky::Observer& observer,
                    sky::UtcTime time) {
  SunSeen seen;
  seen.sun = ephemeris.at(time);
  seen.local = sky::local_sun(seen.sun, observer.site, observer.weather);
  seen.circles = {seen.local.hour_angle_deg, seen.sun.declination_deg};
  return seen;
}

/// What is left of an axis' place when it stands at the nearest of its steps (arcsec).
double rest_of(double moved_arcsec, double step_arcsec) {
  return step_arcsec > 0.0 ? moved_arcsec - step_arcsec * std::round(moved_arcsec / step_arcsec)
                           : 0.0;
}

/// Where a mount's pole lies about a direction, from the true one through east (rad).
double pole_angle_rad(const Vector& towards, const Vector& true_pole, const Vector& pole) {
  const Vector east = cross(true_pole, towards);
  return std::atan2(dot(pole, east), dot(pole, cross(towards, east)));
}

TrackPoint on_equatorial(const SunSeen& first, const SunSeen& now, double elapsed_s,
                         const sky::Observer& observer, const Driving& driving) {
  const MountAxis true_axis({}, observer.site.latitude_deg);
  const MountAxis axis(driving.error, observer.site.latitude_deg);
  const auto shown = [&](const Circles& sun) {
    return axis.circles_of(refracted(true_axis.direction_of(sun), observer.weather));
  };
  const Circles from = shown(first.circles);
  const Circles to = shown(now.circles);
  const double tracked_deg = rate_arcsec_s(driving.rate) * elapsed_s / kArcsecPerDeg;
  const double worm_arcsec =
      driving.periodic_error_arcsec * std::sin(2.0 * base::kPi * elapsed_s / driving.worm_period_s);
  const double hour_angle_arcsec =
      base::wrap_180(to.hour_angle_deg - from.hour_angle_deg - tracked_deg) * kArcsecPerDeg;
  TrackPoint point;
  point.west_arcsec =
      (hour_angle_arcsec + worm_arcsec) * std::cos(now.circles.declination_deg * kRadPerDeg);
  point.north_arcsec = (to.declination_deg - from.declination_deg) * kArcsecPerDeg;
  return point;
}

/// By how much the field of a tilted axis has turned between two places of the Sun (degree).
double turned_deg(const Circles& from, const Circles& to, const sky::Observer& observer,
                  const Driving& driving) {
  const MountAxis true_axis({}, observer.site.latitude_deg);
  const MountAxis axis(driving.error, observer.site.latitude_deg);
  const auto leaning = [&](const Circles& sun) {
    return pole_angle_rad(true_axis.direction_of(sun), true_axis.pole(), axis.pole());
  };
  return base::wrap_180((leaning(to) - leaning(from)) / kRadPerDeg);
}

TrackPoint on_alt_azimuth(const SunSeen& first, const SunSeen& now, double elapsed_s,
                          const Driving& driving) {
  TrackPoint point;
  // A tripod follows with no step at all.
  const auto left = [&](double moved_arcsec) {
    return driving.mount == plan::MountKind::kUndriven ? moved_arcsec
                                                       : rest_of(moved_arcsec, driving.step_arcsec);
  };
  const double up =
      left((now.local.altitude_airless_deg - first.local.altitude_airless_deg) * kArcsecPerDeg);
  const double along =
      left(base::wrap_180(now.local.azimuth_deg - first.local.azimuth_deg) * kArcsecPerDeg) *
      std::cos(now.local.altitude_airless_deg * kRadPerDeg);
  // The zenith lies at the parallactic angle from north through east, and azimuth grows to its
  // right.
  const double zenith = now.local.parallactic_angle_deg * kRadPerDeg;
  point.north_arcsec = up * std::cos(zenith) + along * std::sin(zenith);
  point.west_arcsec = along * std::cos(zenith) - up * std::sin(zenith);
  if (driving.rate == Rate::kSidereal && driving.mount == plan::MountKind::kAltAzimuth) {
    point.west_arcsec -= now.sun.right_ascension_rate_arcsec_s * elapsed_s *
                         std::cos(now.circles.declination_deg * kRadPerDeg);
    point.north_arcsec += now.sun.declination_rate_arcsec_s * elapsed_s;
  }
  point.rotation_deg =
      base::wrap_180(now.local.parallactic_angle_deg - first.local.parallactic_angle_deg);
  return point;
}

}  // namespace

std::vector<TrackPoint> track(const sky::Observer& observer, sky::UtcTime start, sky::Duration step,
                              int count, const Driving& driving) {
  const sky::SunEphemeris ephemeris(start, observer.dut1_s);
  const bool level = plan::stands_level(driving.mount);
  std::vector<TrackPoint> way;
  SunSeen first = sun_seen_at(ephemeris, observer, start);
  const Circles began = first.circles;
  sky::UtcTime centred = start;
  bool turned = false;
  for (int i = 0; i <= count; ++i) {
    const sky::UtcTime time = start + i * step;
    if (!ephemeris.covers(time)) {
      break;
    }
    const SunSeen now = sun_seen_at(ephemeris, observer, time);
    if (!level && !turned && driving.turn && *driving.turn > start && time >= *driving.turn) {
      turned = true;
      first = now;
      centred = time;
    }
    const double elapsed_s = sky::in_seconds(time - centred);
    TrackPoint point = level ? on_alt_azimuth(first, now, elapsed_s, driving)
                             : on_equatorial(first, now, elapsed_s, observer, driving);
    point.time = time;
    constexpr double kHalfTurnDeg = 180.0;
    if (!level) {
      point.rotation_deg =
          turned_deg(began, now.circles, observer, driving) + (turned ? kHalfTurnDeg : 0.0);
    }
    way.push_back(point);
  }
  return way;
}

TrackSummary summary_of(const std::vector<TrackPoint>& way, std::optional<double> room_arcsec) {
  TrackSummary summary;
  for (std::size_t i = 0; i < way.size(); ++i) {
    const double far = std::hypot(way[i].west_arcsec, way[i].north_arcsec);
    summary.farthest_arcsec = std::max(summary.farthest_arcsec, far);
    if (room_arcsec && far > *room_arcsec && !summary.leaves) {
      summary.leaves = way[i].time;
    }
    const bool anew = i > 0 && way[i].rotation_deg - way[i - 1].rotation_deg > 90.0;
    if (i > 0 && !anew) {
      const double minutes = sky::in_minutes(way[i].time - way[i - 1].time);
      const double moved = std::hypot(way[i].west_arcsec - way[i - 1].west_arcsec,
                                      way[i].north_arcsec - way[i - 1].north_arcsec);
      summary.fastest_arcsec_min = std::max(summary.fastest_arcsec_min, moved / minutes);
      summary.turning_deg_min =
          std::max(summary.turning_deg_min,
                   std::abs(way[i].rotation_deg - way[i - 1].rotation_deg) / minutes);
    }
  }
  if (!way.empty()) {
    summary.rotation_deg = way.back().rotation_deg - way.front().rotation_deg;
  }
  return summary;
}

double smear_arcsec_min(const TrackSummary& summary, double from_middle_arcsec) {
  return summary.fastest_arcsec_min + summary.turning_deg_min * kRadPerDeg * from_middle_arcsec;
}

}  // namespace solarchon::align
