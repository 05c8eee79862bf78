// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/mount.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::plan {

namespace {

constexpr double kSecondsPerDegree = 240.0;

}  // namespace

std::optional<MeridianTurn> meridian_turn(const Mount& mount, const sky::SunDay& day) {
  if (mount.kind != MountKind::kEquatorialTurns || !day.transit) {
    return std::nullopt;
  }
  const sky::Duration reach = sky::seconds(mount.past_meridian_deg * kSecondsPerDegree);
  return MeridianTurn{*day.transit - reach, *day.transit, *day.transit + reach};
}

TurnDecision decide_turn(const MeridianTurn& turn, const sky::Window& run) {
  TurnDecision decision;
  if (run.end <= turn.meridian || run.start >= turn.latest) {
    return decision;  // over before it matters, or all of it on the new side
  }
  if (run.start >= turn.earliest) {
    decision.advice = TurnAdvice::kTurnEarly;
    decision.turn_at = run.start;
    return decision;
  }
  if (run.end <= turn.latest) {
    decision.advice = TurnAdvice::kTrackThrough;
    decision.turn_at = run.end;
    return decision;
  }
  decision.advice = TurnAdvice::kMove;
  decision.start_later = turn.earliest;
  decision.end_sooner = turn.latest;
  return decision;
}

std::optional<sky::Window> fast_azimuth(const Mount& mount, const sky::SunDay& day) {
  if (mount.kind != MountKind::kAltAzimuth) {
    return std::nullopt;
  }
  std::optional<sky::Window> window;
  for (std::size_t i = 1; i < day.arc.size(); ++i) {
    const sky::ArcPoint& before = day.arc[i - 1];
    const sky::ArcPoint& here = day.arc[i];
    const double degrees = std::abs(base::wrap_180(here.azimuth_deg - before.azimuth_deg));
    const double sky_degrees = sky::in_seconds(here.time - before.time) / kSecondsPerDegree;
    if (degrees < kFastAzimuth * sky_degrees || here.altitude_deg < 0.0) {
      continue;
    }
    window = window ? sky::Window{window->start, here.time} : sky::Window{before.time, here.time};
  }
  return window;
}

}  // namespace solarchon::plan
