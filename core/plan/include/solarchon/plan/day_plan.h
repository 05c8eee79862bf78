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

/// Lower, light passes three times the air overhead: a window counts from this height up (degree),
/// unless another is chosen.
inline constexpr double kWindowDeg = 20.0;

/// What plans of all days are made from.
struct Outlook {
  sky::Observer observer;
  double least_altitude_deg = kWindowDeg;  ///< for a window to count
  optics::Rig rig = {};
  Mount mount = {};
  Wishes wishes = {};
  Experience experience = {};
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
  std::optional<sky::Window> turning;  ///< of the turn: its minutes; none where they have no place
  std::optional<Countdown> countdown;  ///< to the first run; none without runs
  std::vector<Conflict> conflicts;     ///< worst first
  std::optional<PowerUse> power;       ///< none without runs
  std::optional<StorageUse> storage;   ///< none without runs or sensor
};

/// Everything of a day: what it was made from, the Sun, the skyline, and the plan.
struct Day {
  Outlook outlook;
  sky::SunDay sun;
  sky::SkylineDay skyline;
  DayPlan plan;
};

[[nodiscard]] Day day_of(const sky::CivilDate& date, Outlook outlook);

/// The plan alone, of a day whose outlook has changed in its rig, mount, wishes or experience.
[[nodiscard]] DayPlan plan_day(const Day& day);

/// The wishes with one cure put in the place of its run.
[[nodiscard]] Wishes with_cure(const Wishes& wishes, std::size_t run, const Cure& cure);

}  // namespace solarchon::plan
