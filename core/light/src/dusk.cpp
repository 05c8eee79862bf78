// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/dusk.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace solarchon::light {

double ground_lux(double altitude_deg) {
  /// From a height upwards: the logarithm of the light as a cubic of the height over 90 degrees.
  struct Piece {
    double from_deg;
    std::array<double, 4> terms;
  };
  constexpr std::array<Piece, 6> kPieces{{{20.0, {3.74, 3.97, -4.07, 1.47}},
                                          {5.0, {3.05, 13.28, -45.98, 64.33}},
                                          {-0.8, {2.88, 22.26, -207.64, 1034.30}},
                                          {-5.0, {2.88, 21.81, -258.11, -858.36}},
                                          {-12.0, {2.70, 12.17, -431.69, -1899.83}},
                                          {-18.0, {13.84, 262.72, 1447.42, 2797.93}}}};
  const double height = std::clamp(altitude_deg, -18.0, 90.0);
  const auto piece = std::find_if(kPieces.begin(), kPieces.end(),
                                  [height](const Piece& one) { return height >= one.from_deg; });
  const double x = height / 90.0;
  const auto& terms = piece->terms;
  return std::pow(10.0, terms[0] + x * (terms[1] + x * (terms[2] + x * terms[3])));
}

base::Result<void> check(const Ramp& ramp) {
  const auto not_below = [](const char* field, double value, double least, double most) {
    return base::checked(field, value, {least, most});
  };
  return base::checked("focal_ratio", ramp.focal_ratio, kRampRatioRange)
      .and_then([&](double) { return base::checked("iso_low", ramp.iso_low, kRampIsoRange); })
      .and_then([&](double) {
        return not_below("iso_high", ramp.iso_high, ramp.iso_low, kRampIsoRange.high);
      })
      .and_then(
          [&](double) { return base::checked("shortest_s", ramp.shortest_s, kRampShutterRange); })
      .and_then([&](double) {
        return not_below("longest_s", ramp.longest_s, ramp.shortest_s, kRampShutterRange.high);
      })
      .and_then([&](double) {
        return base::checked("correction_stops", ramp.correction_stops, kRampCorrectionRange);
      })
      .map([](double) {});
}

RampStep ramp_step(const Ramp& ramp, double altitude_deg) {
  constexpr double kIncident = 250.0;
  // Seconds at ISO 1.
  const double wanted = kIncident * ramp.focal_ratio * ramp.focal_ratio / ground_lux(altitude_deg) *
                        std::exp2(ramp.correction_stops);
  RampStep step;
  step.shutter_s = std::clamp(wanted / ramp.iso_low, ramp.shortest_s, ramp.longest_s);
  step.iso = std::clamp(wanted / step.shutter_s, ramp.iso_low, ramp.iso_high);
  step.missing_stops = std::log2(wanted / (step.shutter_s * step.iso));
  return step;
}

}  // namespace solarchon::light
