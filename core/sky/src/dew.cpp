// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/dew.h"

#include <cmath>

namespace solarchon::sky {

namespace {

// Magnus.
constexpr double kFactor = 17.625;
constexpr double kOffsetC = 243.04;
constexpr double kMinutesPerMm = 5.0 / 25.0;
constexpr double kSameC = 0.5;

}  // namespace

double dew_point_c(double air_c, double humidity_percent) {
  const double gamma = std::log(humidity_percent / 100.0) + kFactor * air_c / (kOffsetC + air_c);
  return kOffsetC * gamma / (kFactor - gamma);
}

Fog fog_of(double glass_c, double air_c, double humidity_percent, double aperture_mm) {
  const double constant_min = kMinutesPerMm * aperture_mm;
  const double apart_c = std::abs(air_c - glass_c);
  Fog fog;
  fog.dew_point_c = dew_point_c(air_c, humidity_percent);
  fog.fogs = glass_c < fog.dew_point_c;
  fog.at_air_after_min = apart_c > kSameC ? constant_min * std::log(apart_c / kSameC) : 0.0;
  if (fog.fogs && air_c > fog.dew_point_c) {
    fog.clear_after_min = constant_min * std::log((air_c - glass_c) / (air_c - fog.dew_point_c));
  }
  return fog;
}

}  // namespace solarchon::sky
