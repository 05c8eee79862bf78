// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"

namespace solarchon::safety {

/// How much a finding weighs. A train gets the weight of its worst finding.
enum class Severity { kNoObjection, kCheck, kStop };

/// The word for it in files: no-objection, check, stop.
[[nodiscard]] std::string_view word_of(Severity severity);

/// One objection to a train.
struct Finding {
  std::string_view rule;  ///< id of the rule
  Severity severity = Severity::kCheck;
  std::optional<std::size_t> element;  ///< place in the rig of the part it concerns
  std::string_view what;               ///< what can happen
  std::string_view why;
  std::string_view next_step;  ///< the next safe thing to do
};

/// What the rules say of a train.
struct Assessment {
  Severity verdict = Severity::kNoObjection;
  std::vector<Finding> findings;              ///< worst first
  std::vector<std::string_view> assumptions;  ///< what "no objection" rests on
};

/// Irradiance at the sensor (W/cm2) above which the rules stop: half of plain sunlight.
inline constexpr double kMostSensorWCm2 = 0.05;
/// Density of a filter made for the eye, and the least one made for cameras.
inline constexpr double kEyeDensity = 5.0;
inline constexpr double kCameraDensity = 3.8;

/// Holds the fitted parts of a rig against every rule.
/// @param train  what optics::follow_light gave for the same rig
/// Never says that a combination is safe: the best verdict is that no rule objects.
/// Source: field practice for white light, as written in each rule.
[[nodiscard]] Assessment assess(const optics::Rig& rig, const optics::Train& train);

}  // namespace solarchon::safety
