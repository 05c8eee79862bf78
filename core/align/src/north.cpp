// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/north.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/sky/magnetic.h"
#include "solarchon/sky/sun.h"

namespace solarchon::align {

using base::kDegPerRad;
using base::kRadPerDeg;

namespace {

// Estimates, one standard deviation each; docs/numbers.md.
constexpr double kLineMm = 1.0;    // a pencil's line along the shadow
constexpr double kEdgeDeg = 0.05;  // the middle of half a degree of soft edge
constexpr double kClockMin = 1.0 / 6.0;
constexpr double kIntoLineDeg = 0.1;  // the mount turned until it lies along the line
constexpr double kLevelDeg = 0.1;     // a mount levelled as last time

constexpr double kSecondsPerMinute = 60.0;

double shadow_accuracy_deg(double length_mm, double turning_deg_min) {
  return std::sqrt(std::pow(kLineMm / length_mm * kDegPerRad, 2) + kEdgeDeg * kEdgeDeg +
                   std::pow(turning_deg_min * kClockMin, 2) + kIntoLineDeg * kIntoLineDeg);
}

std::vector<Advice> knobs_of(double latitude_deg, plan::MountKind mount) {
  if (plan::stands_level(mount)) {
    return {{"level-and-zero"}};
  }
  return latitude_deg < 0.0
             ? std::vector<Advice>{{"stand-north-of-it"}, {"meridian-south"}, {"sides-south"}}
             : std::vector<Advice>{{"stand-south-of-it"}, {"meridian-north"}, {"sides-north"}};
}

}  // namespace

double axis_azimuth_deg(double latitude_deg) { return latitude_deg < 0.0 ? 180.0 : 0.0; }

std::optional<PlumbShadow> plumb_shadow(const sky::GeocentricSun& sun,
                                        const sky::Observer& observer, sky::UtcTime time,
                                        double plumb_mm) {
  const sky::LocalSun local = sky::local_sun(sun, observer.site, observer.weather);
  if (local.altitude_deg < kLeastShadowDeg) {
    return std::nullopt;
  }
  constexpr double kLeastMm = 0.1;  // under the Sun in the zenith there is none to speak of
  PlumbShadow shadow;
  shadow.time = time;
  shadow.direction_deg = base::wrap_360(local.azimuth_deg + 180.0);
  shadow.to_axis_deg =
      base::wrap_180(axis_azimuth_deg(observer.site.latitude_deg) - shadow.direction_deg);
  shadow.length_mm =
      std::max(kLeastMm, plumb_mm * std::tan((90.0 - local.altitude_deg) * kRadPerDeg));
  shadow.turning_deg_min = local.azimuth_rate_arcsec_s * kSecondsPerMinute / base::kArcsecPerDeg;
  shadow.accuracy_deg = shadow_accuracy_deg(shadow.length_mm, shadow.turning_deg_min);
  return shadow;
}

std::vector<PlumbShadow> plumb_shadows(const sky::Observer& observer, sky::UtcTime start,
                                       sky::Duration step, int count, double plumb_mm) {
  std::vector<PlumbShadow> shadows;
  const sky::SunEphemeris ephemeris(start, observer.dut1_s);
  for (int i = 0; i < count; ++i) {
    const sky::UtcTime time = start + i * step;
    if (!ephemeris.covers(time)) {
      break;
    }
    if (auto shadow = plumb_shadow(ephemeris.at(time), observer, time, plumb_mm)) {
      shadows.push_back(*shadow);
    }
  }
  return shadows;
}

base::Result<North> find_north(const sky::Observer& observer, sky::UtcTime time,
                               std::optional<sky::UtcTime> transit, const NorthTools& tools) {
  const auto plumb = base::checked("plumb", tools.plumb_mm, kPlumbRange);
  const auto feet = base::checked("feet", tools.feet_apart_mm, kFeetRange);
  if (!plumb || !feet) {
    return tl::make_unexpected(!plumb ? plumb.error() : feet.error());
  }
  const double latitude_deg = observer.site.latitude_deg;
  const auto shadow_at = [&](sky::UtcTime at) {
    return plumb_shadow(sky::geocentric_sun(at, observer.dut1_s), observer, at, *plumb);
  };
  North north;
  north.axis_azimuth_deg = axis_azimuth_deg(latitude_deg);
  north.axis_altitude_deg = std::abs(latitude_deg);
  north.shadow = shadow_at(time);
  const auto add = [&](NorthWay way, double azimuth_deg, double altitude_deg) {
    const double level = azimuth_deg * std::cos(latitude_deg * kRadPerDeg);
    north.ways.push_back({way, azimuth_deg, std::hypot(level, altitude_deg)});
  };
  add(NorthWay::kMarks, kFootMm / *feet * kDegPerRad, kLevelDeg);
  if (tools.magnetic_declination_deg) {
    north.compass_bearing_deg =
        sky::compass_bearing_deg(north.axis_azimuth_deg, *tools.magnetic_declination_deg);
    add(NorthWay::kCompass, kCompassDeg, kInclinometerDeg);
  }
  if (north.shadow) {
    add(NorthWay::kShadow, north.shadow->accuracy_deg, kInclinometerDeg);
  }
  if (transit) {
    north.in_meridian = shadow_at(*transit);
  }
  if (north.in_meridian) {
    add(NorthWay::kHighest, north.in_meridian->accuracy_deg, kInclinometerDeg);
  }
  std::stable_sort(
      north.ways.begin(), north.ways.end(),
      [](const NorthChance& a, const NorthChance& b) { return a.pole_deg < b.pole_deg; });
  north.knobs = knobs_of(latitude_deg, tools.mount);
  return north;
}

}  // namespace solarchon::align
