// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"
#include "solarchon/plan/day_plan.h"
#include "solarchon/safety/handling.h"

namespace solarchon::plan {

/// A step of the runbook with the time that it takes here.
struct RunbookStep {
  safety::HandlingStep step;            ///< its minutes as planned, and as the log corrects them
  double spread_min = 0.0;              ///< standard deviation; 0 where nothing was learned
  std::optional<StepKind> learns = {};  ///< whose time its tick tells the countdown
};

/// What the mount is to the order of handling.
[[nodiscard]] safety::Axes axes_of(const Mount& mount);

/// The steps of an occasion, in an order that cannot hurt.
[[nodiscard]] std::vector<RunbookStep> runbook(const Outlook& outlook, safety::Occasion occasion);

/// A step that was done.
struct Tick {
  std::string step;  ///< its id
  sky::UtcTime time;
  bool early = false;  ///< knowingly, before what it needs
  bool operator==(const Tick&) const = default;
};

/// What was done of an occasion, in the order in which it was done.
struct Progress {
  safety::Occasion occasion = safety::Occasion::kSetUp;
  std::vector<Tick> ticks = {};
  bool operator==(const Progress&) const = default;
};

enum class StepState {
  kOpen,     ///< can be done now
  kRunning,  ///< waits: its time runs
  kLocked,   ///< exposes the optics, and something that it needs is not done
  kLater,    ///< exposes nothing, but something that it needs is not done
  kDone
};

/// How one step stands.
struct StepStanding {
  StepState state = StepState::kOpen;
  std::vector<std::string_view> missing = {};  ///< ids of what has to be done before
  std::optional<sky::UtcTime> since = {};      ///< its needs were done
  std::optional<sky::UtcTime> done = {};
  /// Of a step that runs: time left, negative when it is over.
  [[nodiscard]] std::optional<sky::Duration> left(sky::UtcTime now, double minutes) const;
};
/// @return  one for each step, in their order
[[nodiscard]] std::vector<StepStanding> standing_of(const std::vector<RunbookStep>& steps,
                                                    const Progress& progress);

/// The step to show: the first that can be done now; else the first that runs; none when all is
/// done.
[[nodiscard]] std::optional<std::size_t> next_of(const std::vector<StepStanding>& standing);

/// How long steps took, by their ticks: a step that waits from when its needs were done, others
/// from the tick before, setting up as a whole from the first tick to the last look. Steps done
/// early, or over a break of more than two hours, tell nothing.
[[nodiscard]] std::vector<StepNote> durations_of(const std::vector<RunbookStep>& steps,
                                                 const Progress& progress);

/// {occasion, ticks: [{step, time_utc, early}]}
[[nodiscard]] base::Json to_json(const Progress& progress);
/// Errors: as base::ObjectReader, below `path`; kTooLarge above 100 ticks.
[[nodiscard]] base::Result<Progress> progress_from_json(const base::Json& json,
                                                        const std::string& path);

}  // namespace solarchon::plan
