// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>

#include "solarchon/safety/safety.h"

namespace solarchon::safety {

/// The mildest verdict that physics allows for a light path, and what asks for it.
struct HarmBound {
  Severity severity = Severity::kNoObjection;
  std::string_view cause = {};  ///< eye-light, sensor-heat, filter-heat, beam, ...; empty: nothing
  double value = 0.0;           ///< share of sunlight, or W/cm2 at a sensor, or mm of aperture
};

/// Judges a light path by light and energy alone, from the figures of its parts and their order. It
/// shares no code with the rules or with optics::follow_light, so that a hole in one is seen by the
/// other: the rules must never be milder than this. It knows nothing of practice (certificates,
/// totality, finders), so that its silence means nothing.
///
/// What it asks: an eye meets at most 10^-4.3 of what it sees and of all energy; a sensor at most
/// 1 W/cm2 in the Sun's image (check above 0.1); no filter that absorbs stands in more than three
/// tenths of the sunlight, no lens before a wedge in more than half; a projected beam that an eye
/// could not stand is asked about, and stops where people can meet it or where it heats cement or
/// plastic; no wedge takes a larger telescope than it is made for by more than the rounding of
/// inches. Accuracy: sunlight as a black body of 5772 K over 300 to 2500 nm, cut at every edge of
/// every filter; filters as steps with the leaks of optics/spectrum; three fifths of tolerance
/// for glass, mirrors and obstruction, which it does not count.
[[nodiscard]] HarmBound least_severity(const optics::Rig& rig);

}  // namespace solarchon::safety
