// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/optics/rig.h"
#include "solarchon/sky/time.h"

namespace solarchon::plan {

/// What has to happen before the first frame. Warming up, cooling down and aligning begin together
/// once the telescope stands; focus waits for the tube and the mount, tuning for the etalon too.
enum class StepKind {
  kDrive,
  kSetUp,
  kWarmUp,    ///< of a heated etalon
  kCoolDown,  ///< of the tube; or of dew, to go
  kAlign,
  kFocus,
  kTuningWait,  ///< an etalon settles after each step of its tuner
  kRehearse
};
inline constexpr std::size_t kStepKinds = 8;

inline constexpr base::EnumWords<StepKind, kStepKinds> kStepWords{
    {"drive", "set-up", "warm-up", "cool-down", "align", "focus", "tuning-wait", "rehearse"}};

/// Minutes that the observer plans for each step; none: what is usual for the light path.
using StepMinutes = std::array<std::optional<double>, kStepKinds>;

inline constexpr base::Range kStepMinutesRange{0.0, 600.0};

/// {drive: minutes, ...}, of those that were chosen.
[[nodiscard]] base::Json to_json(const StepMinutes& minutes);
/// Errors: as base::ObjectReader, below `path`.
[[nodiscard]] base::Result<StepMinutes> step_minutes_from_json(const base::Json& json,
                                                               const std::string& path);

/// What a step usually takes (min): warm-up as the etalon's maker says, the tube 10 minutes and one
/// more for every 8 mm of aperture, tuning 5 where there is an etalon. 0: the step does not occur.
[[nodiscard]] double usual_minutes(StepKind kind, const optics::Rig& rig);

/// How long a step took once.
struct StepNote {
  StepKind kind = StepKind::kDrive;
  double minutes = 0.0;
  bool operator==(const StepNote&) const = default;
};

/// A planned time as the log corrects it.
struct StepTime {
  double planned_min = 0.0;
  double minutes = 0.0;     ///< to count on
  double spread_min = 0.0;  ///< standard deviation
  int times = 0;            ///< notes that were counted, at most the last ten
};
/// The plan weighs as much as two notes; its spread is a fifth of it.
/// @param notes  oldest first, of all steps
[[nodiscard]] StepTime learned_time(StepKind kind, double planned_min,
                                    const std::vector<StepNote>& notes);

struct Step {
  StepKind kind = StepKind::kDrive;
  StepTime time;
  sky::UtcTime start;  ///< as early as it can begin when leaving on time
  sky::UtcTime end;
  double slack_min = 0.0;  ///< it may begin that much later
};

/// The way back from the first frame.
struct Countdown {
  sky::UtcTime first_frame;
  sky::UtcTime begin;       ///< the first step must begin here
  std::vector<Step> steps;  ///< in order of their start; those that take no time are left out
  double spread_min = 0.0;  ///< of the whole, along the steps without slack
};

/// Counts back from a wanted first frame along the longest chain of steps.
[[nodiscard]] Countdown count_back(sky::UtcTime first_frame, const optics::Rig& rig,
                                   const StepMinutes& planned, const std::vector<StepNote>& notes);

}  // namespace solarchon::plan
