// SPDX-License-Identifier: GPL-3.0-or-later
#include "new_moon.h"

#include <cmath>

#include "solarchon/base/angle.h"
#include "time_scales.h"

namespace solarchon::sky {

RoughMoon rough_moon(UtcTime time) {
  constexpr double kJ2000 = 2451545.0;
  constexpr double kDaysPerCentury = 36525.0;
  const TimeScales scales = time_scales(time, 0.0);
  const double t = ((scales.tt.day - kJ2000) + scales.tt.fraction) / kDaysPerCentury;
  const double elongation_deg = 297.8501921 + 445267.1114034 * t;
  const double d = base::kRadPerDeg * elongation_deg;
  const double sun = base::kRadPerDeg * (357.5291092 + 35999.0502909 * t);
  const double moon = base::kRadPerDeg * (134.9633964 + 477198.8675055 * t);
  const double node = base::kRadPerDeg * (93.2720950 + 483202.0175233 * t);
  RoughMoon rough;
  rough.along_deg = base::wrap_180(
      elongation_deg + 6.289 * std::sin(moon) + 1.274 * std::sin(2.0 * d - moon) +
      0.658 * std::sin(2.0 * d) + 0.214 * std::sin(2.0 * moon) - 2.101 * std::sin(sun) -
      0.114 * std::sin(2.0 * node) + 0.059 * std::sin(2.0 * (d - moon)) +
      0.057 * std::sin(2.0 * d - sun - moon) + 0.053 * std::sin(2.0 * d + moon));
  rough.above_deg = 5.128 * std::sin(node) + 0.281 * std::sin(moon + node) +
                    0.278 * std::sin(moon - node) + 0.173 * std::sin(2.0 * d - node);
  return rough;
}

UtcTime new_moon_near(UtcTime time) {
  constexpr double kDegPerDay = 12.190749;  // of the mean elongation
  constexpr int kRounds = 5;                // the rate goes from 11 to 15: each leaves a fifth
  for (int round = 0; round < kRounds; ++round) {
    time = time - days(rough_moon(time).along_deg / kDegPerDay);
  }
  return time;
}

}  // namespace solarchon::sky
