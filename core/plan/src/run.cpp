// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/run.h"

#include <algorithm>
#include <cmath>

namespace solarchon::plan {

namespace {

constexpr sky::Duration kShortest = sky::minutes(1.0);

Run lasting(Run run, sky::Duration length) {
  run.minutes = sky::in_minutes(length);
  return run;
}

}  // namespace

Run moved(Run run, sky::UtcTime start) {
  run.start = start;
  return run;
}

sky::Window window_of(const Run& run) { return {run.start, run.start + sky::minutes(run.minutes)}; }

double frames_of(const Run& run) {
  const double seconds = run.minutes * 60.0;
  if (run.clip_s <= 0.0 || run.clip_s >= run.every_s) {
    return std::round(seconds * run.frames_per_s);
  }
  const double whole = std::floor(seconds / run.every_s);
  const double last = std::min(run.clip_s, seconds - whole * run.every_s);
  return std::round((whole * run.clip_s + last) * run.frames_per_s);
}

std::vector<Cure> cures_of_turn(const MeridianTurn& turn, const Run& run,
                                std::optional<sky::UtcTime> before,
                                std::optional<sky::UtcTime> after) {
  const sky::Window window = window_of(run);
  std::vector<Cure> cures;
  if (!run.fixed) {
    cures.push_back({Cure::Kind::kStartLater, {moved(run, turn.earliest + kTurnTakes)}});
    cures.push_back({Cure::Kind::kStartSooner, {moved(run, turn.latest - window.length())}});
  }
  const sky::Duration first = turn.meridian - window.start;
  const sky::UtcTime again = turn.meridian + kTurnTakes;
  const sky::Duration second = window.end - again;
  if (std::min(first, second) >= kShortest) {
    cures.push_back(
        {Cure::Kind::kSplit, {lasting(run, first), lasting(moved(run, again), second)}});
  }
  const sky::Duration until = turn.latest - window.start;
  if (until >= kShortest) {
    cures.push_back({Cure::Kind::kEndSooner, {lasting(run, until)}});
  }
  // Between runs that leave each other no time.
  if (before && !run.fixed) {
    cures.push_back({Cure::Kind::kStartLater, {moved(run, *before + kTurnTakes)}});
  }
  if (after && *after - kTurnTakes - window.start >= kShortest &&
      *after - kTurnTakes < window.end) {
    cures.push_back({Cure::Kind::kEndSooner, {lasting(run, *after - kTurnTakes - window.start)}});
  }
  return cures;
}

std::optional<sky::Window> outside(const std::vector<sky::Window>& windows,
                                   const sky::Window& run) {
  sky::UtcTime reached = run.start;
  for (const sky::Window& window : windows) {
    if (window.end <= reached) {
      continue;
    }
    if (window.start > reached) {
      break;
    }
    reached = window.end;
  }
  if (reached >= run.end) {
    return std::nullopt;
  }
  sky::UtcTime back = run.end;
  for (const sky::Window& window : windows) {
    if (window.start > reached && window.start < back) {
      back = window.start;
    }
  }
  return sky::Window{reached, back};
}

}  // namespace solarchon::plan
