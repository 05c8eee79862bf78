// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/plan/mount.h"
#include "solarchon/plan/wishes.h"
#include "solarchon/sky/day.h"

namespace solarchon::plan {

/// What the log has taught.
struct Experience {
  SeeingExperience seeing;
  std::vector<StepNote> steps;  ///< oldest first
};

/// A day's givens.
struct Givens {
  const sky::SunDay& day;
  const sky::SkylineDay& skyline;
  const optics::Rig& rig;
  const Mount& mount;
  const Wishes& wishes;
  const Experience& experience;
};

/// A run of the day with what awaits it.
struct PlannedRun {
  std::size_t index = 0;  ///< its place in the list of wishes
  sky::Window window;
  TurnDecision turn;
  SeeingGuess seeing;               ///< at its middle
  std::optional<ForecastHour> sky;  ///< at its middle
  double altitude_deg = 0.0;        ///< at its middle, refracted
};

/// A day's plan: what must start when, and what stands in its way.
struct DayPlan {
  std::vector<PlannedRun> runs;  ///< in order of time
  std::optional<MeridianTurn> turn;
  std::optional<Countdown> countdown;  ///< to the first run; none without runs
  std::vector<Conflict> conflicts;     ///< worst first
  std::optional<PowerUse> power;       ///< none without runs
  std::optional<StorageUse> storage;   ///< none without runs or sensor
};

[[nodiscard]] DayPlan plan_day(const Givens& givens);

/// The wishes with one cure put in the place of its run.
[[nodiscard]] Wishes with_cure(const Wishes& wishes, std::size_t run, const Cure& cure);

}  // namespace solarchon::plan
