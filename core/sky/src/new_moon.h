// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// The Moon against the Sun along the ecliptic and across it, from the centre of the Earth.
struct RoughMoon {
  double along_deg = 0.0;  ///< east of the Sun, [-180, 180)
  double above_deg = 0.0;  ///< north of the ecliptic
};

/// A short series, for who asks whether the whole one is worth its time.
/// Accuracy: 0.2 degree. Source: the largest terms of Meeus, Astronomical Algorithms (1998),
/// chapters 25 and 47.
[[nodiscard]] RoughMoon rough_moon(UtcTime time);

/// The new Moon next to an instant, 15 days off at most. Accuracy: half an hour.
[[nodiscard]] UtcTime new_moon_near(UtcTime time);

}  // namespace solarchon::sky
