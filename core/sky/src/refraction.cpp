// SPDX-License-Identifier: GPL-3.0-or-later
#include <erfa.h>

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"

namespace solarchon::sky {

using base::kDegPerRad;
using base::kRadPerDeg;

namespace {

// Apparent altitudes (degree) between which the two formulas are joined.
constexpr double kErfaFromDeg = 10.0;
constexpr double kBennettBelowDeg = 5.0;
// Below the horizon refraction has no meaning to an observer: it fades out to nothing.
constexpr double kFadeFromDeg = -1.0;
constexpr double kFadeToDeg = -5.0;

constexpr double kHumidity = 0.5;
constexpr double kWavelengthUm = 0.54;

/// A and B of dZ = A tan Z + B tan^3 Z, Z the apparent zenith distance (rad).
struct Constants {
  double a_rad = 0.0;
  double b_rad = 0.0;
};

Constants erfa_constants(const Weather& weather) {
  Constants constants;
  eraRefco(weather.pressure_hpa, weather.temperature_c, kHumidity, kWavelengthUm, &constants.a_rad,
           &constants.b_rad);
  return constants;
}

double erfa_refraction_deg(double apparent_deg, const Constants& constants) {
  const double tangent = std::tan((90.0 - apparent_deg) * kRadPerDeg);
  return (constants.a_rad + constants.b_rad * tangent * tangent) * tangent * kDegPerRad;
}

double bennett_refraction_deg(double apparent_deg, const Weather& weather) {
  const double argument_deg = apparent_deg + 7.31 / (apparent_deg + 4.4);
  const double standard_arcmin = 1.0 / std::tan(argument_deg * kRadPerDeg);
  return standard_arcmin / 60.0 * (weather.pressure_hpa / 1010.0) *
         (283.15 / (273.15 + weather.temperature_c));
}

/// Refraction as a function of the apparent altitude, -2 to 90 degrees.
double refraction_at_apparent_deg(double apparent_deg, const Weather& weather,
                                  const Constants& erfa) {
  if (apparent_deg >= kErfaFromDeg) {
    return erfa_refraction_deg(apparent_deg, erfa);
  }
  const double bennett = bennett_refraction_deg(apparent_deg, weather);
  if (apparent_deg <= kBennettBelowDeg) {
    return bennett;
  }
  const double ratio_at_join =
      erfa_refraction_deg(kErfaFromDeg, erfa) / bennett_refraction_deg(kErfaFromDeg, weather);
  const double share = (apparent_deg - kBennettBelowDeg) / (kErfaFromDeg - kBennettBelowDeg);
  return bennett * (1.0 + share * (ratio_at_join - 1.0));
}

}  // namespace

double refraction_deg(double altitude_airless_deg, const Weather& weather) {
  if (weather.pressure_hpa <= 0.0 || altitude_airless_deg <= kFadeToDeg) {
    return 0.0;
  }
  const Constants erfa = erfa_constants(weather);
  const double reached_deg = std::max(altitude_airless_deg, kFadeFromDeg);
  // The formulas take the apparent altitude: fixed-point iteration, contracting by at least 5.
  double apparent_deg = reached_deg;
  for (int step = 0; step < 12; ++step) {
    const double next = reached_deg + refraction_at_apparent_deg(apparent_deg, weather, erfa);
    const bool settled = std::abs(next - apparent_deg) < 1e-7;
    apparent_deg = next;
    if (settled) {
      break;
    }
  }
  const double fade =
      std::clamp((altitude_airless_deg - kFadeToDeg) / (kFadeFromDeg - kFadeToDeg), 0.0, 1.0);
  return std::max(0.0, (apparent_deg - reached_deg) * fade);
}

std::optional<double> airmass(double altitude_deg) {
  if (!(altitude_deg >= 0.0)) {
    return std::nullopt;
  }
  return 1.0 / (std::sin(std::min(altitude_deg, 90.0) * kRadPerDeg) +
                0.50572 * std::pow(altitude_deg + 6.07995, -1.6364));
}

}  // namespace solarchon::sky
