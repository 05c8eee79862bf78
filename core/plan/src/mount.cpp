// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/mount.h"

#include <algorithm>
#include <chrono>
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

std::optional<sky::Window> turning_of_day(const MeridianTurn& turn,
                                          const std::vector<sky::Window>& runs) {
  std::vector<sky::UtcTime> begins{turn.meridian, turn.earliest, turn.latest};
  for (const sky::Window& run : runs) {
    begins.push_back(run.end);
    begins.push_back(run.start - kTurnTakes);
  }
  std::optional<sky::Window> best;
  const auto away = [&](const sky::Window& window) {
    return std::chrono::abs(window.start - turn.meridian);
  };
  for (const sky::UtcTime begin : begins) {
    const sky::Window minutes{begin, begin + kTurnTakes};
    const bool allowed = begin >= turn.earliest && begin <= turn.latest;
    const bool free = std::none_of(runs.begin(), runs.end(), [&](const sky::Window& run) {
      return run.start < minutes.end && minutes.start < run.end;
    });
    if (allowed && free && (!best || away(minutes) < away(*best))) {
      best = minutes;
    }
  }
  return best;
}

TurnDecision decide_turn(const MeridianTurn& turn, const std::optional<sky::Window>& turning,
                         const sky::Window& run) {
  if (run.end <= turn.meridian || run.start >= turn.latest) {
    return {};  // over before it matters, or all of it on the new side
  }
  if (!turning) {
    return {TurnAdvice::kMove, {}};
  }
  if (turning->end <= run.start) {
    return {TurnAdvice::kTurnEarly, turning->start};
  }
  return turning->start >= run.end ? TurnDecision{TurnAdvice::kTrackThrough, turning->start}
                                   : TurnDecision{};
}

double tube_up_deg(MountKind mount, bool turned, double parallactic_angle_deg) {
  constexpr double kHalfTurnDeg = 180.0;
  switch (mount) {
    case MountKind::kAltAzimuth:
    case MountKind::kUndriven:
      return parallactic_angle_deg;
    case MountKind::kEquatorialTurns:
      return turned ? kHalfTurnDeg : 0.0;
    case MountKind::kEquatorialFree:
    case MountKind::kUnknown:
      break;
  }
  return 0.0;
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
