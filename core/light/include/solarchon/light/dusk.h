// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/base/range.h"
#include "solarchon/base/result.h"

namespace solarchon::light {

/// Light of Sun and sky on level ground under a clear sky (lux).
/// @param altitude_deg  of the Sun, airless, -90 to 90; below -18 it is that of -18
/// Accuracy: 20 per cent in clear air; clouds take up to four stops.
/// Source: Explanatory Supplement to the Astronomical Almanac (1992), 9.3.
[[nodiscard]] double ground_lux(double altitude_deg);

/// What a photographic camera with a wide lens may be set to while the Sun rises or sets.
struct Ramp {
  double focal_ratio = 5.6;
  double iso_low = 100.0;
  double iso_high = 1600.0;
  double shortest_s = 1.0 / 4000.0;
  double longest_s = 4.0;
  /// More light than the meter's rule gives, as learned; less keeps the colours of the sky.
  double correction_stops = -1.0;
};
inline constexpr base::Range kRampRatioRange{0.7, 64.0};
inline constexpr base::Range kRampIsoRange{25.0, 409600.0};
inline constexpr base::Range kRampShutterRange{1e-5, 60.0};
inline constexpr base::Range kRampCorrectionRange{-8.0, 8.0};
/// Errors: kOutOfRange with the member's name; the longer or higher one below the other.
[[nodiscard]] base::Result<void> check(const Ramp& ramp);

/// A setting of the camera.
struct RampStep {
  double shutter_s = 0.0;
  double iso = 0.0;
  double missing_stops =
      0.0;  ///< light that is missing at the end of the range; negative: too much
};
/// The setting for a height of the Sun: the lowest ISO as long as the shutter goes, then more ISO.
/// @param altitude_deg  as ground_lux takes it
/// Source: meters for incident light, t = 250 N^2 / (E ISO) (ISO 2720).
[[nodiscard]] RampStep ramp_step(const Ramp& ramp, double altitude_deg);

}  // namespace solarchon::light
