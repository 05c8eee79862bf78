// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/rough_place.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::sky {

RoughPlace rough_place(UtcTime time, double latitude_deg, double longitude_deg) {
  using base::kDegPerRad;
  using base::kRadPerDeg;
  constexpr double kMsPerDay = 86'400'000.0;
  constexpr double kJ2000UnixDays = 10957.5;
  // Dynamical time is about a minute ahead: 0.0007 degree of the Sun's longitude.
  const double days = static_cast<double>(time.unix_ms) / kMsPerDay - kJ2000UnixDays;
  const double anomaly = (357.528 + 0.9856003 * days) * kRadPerDeg;
  const double longitude =
      (280.460 + 0.9856474 * days + 1.915 * std::sin(anomaly) + 0.020 * std::sin(2.0 * anomaly)) *
      kRadPerDeg;
  const double obliquity = (23.439 - 4e-7 * days) * kRadPerDeg;
  const double right_ascension =
      std::atan2(std::cos(obliquity) * std::sin(longitude), std::cos(longitude));
  const double declination = std::asin(std::sin(obliquity) * std::sin(longitude));
  const double sidereal_deg = 280.46062 + 360.98564737 * days + longitude_deg;
  RoughPlace place;
  place.hour_angle_deg = base::wrap_180(sidereal_deg - right_ascension * kDegPerRad);
  const double latitude = latitude_deg * kRadPerDeg;
  const double sine =
      std::sin(latitude) * std::sin(declination) +
      std::cos(latitude) * std::cos(declination) * std::cos(place.hour_angle_deg * kRadPerDeg);
  place.altitude_deg = std::asin(std::clamp(sine, -1.0, 1.0)) * kDegPerRad;
  return place;
}

}  // namespace solarchon::sky
