// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/runbook.h"

#include <algorithm>
#include <set>

namespace solarchon::plan {

namespace {

/// The step that ends what the countdown calls setting up.
constexpr std::string_view kLastOfSetUp = "last-look";

struct Lesson {
  std::string_view step;
  StepKind kind;
};
constexpr Lesson kLessons[] = {
    {"cool-down", StepKind::kCoolDown}, {"warm-up", StepKind::kWarmUp},
    {"axis", StepKind::kAlign},         {"focus", StepKind::kFocus},
    {"tune", StepKind::kTuningWait},    {"rehearse", StepKind::kRehearse},
    {kLastOfSetUp, StepKind::kSetUp}};

std::optional<StepKind> lesson_of(std::string_view step) {
  for (const Lesson& lesson : kLessons) {
    if (lesson.step == step) {
      return lesson.kind;
    }
  }
  return std::nullopt;
}

const Tick* tick_of(const Progress& progress, std::string_view step) {
  const auto found = std::find_if(progress.ticks.begin(), progress.ticks.end(),
                                  [&](const Tick& tick) { return tick.step == step; });
  return found != progress.ticks.end() ? &*found : nullptr;
}

}  // namespace

safety::Axes axes_of(const Mount& mount) {
  switch (mount.kind) {
    case MountKind::kEquatorialTurns:
    case MountKind::kEquatorialFree:
      return safety::Axes::kEquatorial;
    case MountKind::kAltAzimuth:
      return safety::Axes::kLevel;
    case MountKind::kUndriven:
      return safety::Axes::kUndriven;
    case MountKind::kUnknown:
      break;
  }
  return safety::Axes::kNotSaid;
}

std::vector<RunbookStep> runbook(const Outlook& outlook, safety::Occasion occasion) {
  std::vector<RunbookStep> steps;
  for (safety::HandlingStep& step :
       safety::handling_order(outlook.rig, occasion, axes_of(outlook.mount))) {
    const auto lesson = lesson_of(step.id);
    RunbookStep made{std::move(step), 0.0, lesson};
    if (made.learns && *made.learns != StepKind::kSetUp) {
      const double planned = outlook.wishes.minutes.at(static_cast<std::size_t>(*made.learns))
                                 .value_or(usual_minutes(*made.learns, outlook.rig));
      const StepTime time = learned_time(*made.learns, planned, outlook.experience.steps);
      if (planned > 0.0) {
        made.step.minutes = time.minutes;
        made.spread_min = time.times > 0 ? time.spread_min : 0.0;
      }
    }
    steps.push_back(std::move(made));
  }
  return steps;
}

std::optional<sky::Duration> StepStanding::left(sky::UtcTime now, double minutes) const {
  if (state != StepState::kRunning || !since) {
    return std::nullopt;
  }
  return (*since + sky::minutes(minutes)) - now;
}

std::vector<StepStanding> standing_of(const std::vector<RunbookStep>& steps,
                                      const Progress& progress) {
  std::vector<safety::HandlingStep> order;
  std::set<std::string> done;
  order.reserve(steps.size());
  for (const RunbookStep& step : steps) {
    order.push_back(step.step);
  }
  for (const Tick& tick : progress.ticks) {
    done.insert(tick.step);
  }
  std::vector<StepStanding> standing;
  for (const safety::HandlingStep& step : order) {
    StepStanding one;
    one.missing = safety::missing_before(order, done, step.id);
    for (const std::string_view need : step.needs) {
      if (const Tick* tick = tick_of(progress, need)) {
        one.since = std::max(one.since.value_or(tick->time), tick->time);
      }
    }
    if (!one.missing.empty()) {
      one.since.reset();
    }
    if (const Tick* tick = tick_of(progress, step.id)) {
      one.done = tick->time;
      one.state = StepState::kDone;
    } else if (!one.missing.empty()) {
      one.state = step.exposes ? StepState::kLocked : StepState::kLater;
    } else {
      one.state = step.waits ? StepState::kRunning : StepState::kOpen;
    }
    standing.push_back(std::move(one));
  }
  return standing;
}

std::optional<std::size_t> next_of(const std::vector<StepStanding>& standing) {
  for (const StepState wanted : {StepState::kOpen, StepState::kRunning}) {
    const auto found = std::find_if(standing.begin(), standing.end(),
                                    [&](const StepStanding& one) { return one.state == wanted; });
    if (found != standing.end()) {
      return static_cast<std::size_t>(found - standing.begin());
    }
  }
  return std::nullopt;
}

std::vector<StepNote> durations_of(const std::vector<RunbookStep>& steps,
                                   const Progress& progress) {
  constexpr double kMostMinutes = 120.0;
  const auto standing = standing_of(steps, progress);
  std::vector<StepNote> notes;
  for (std::size_t i = 0; i < progress.ticks.size(); ++i) {
    const Tick& tick = progress.ticks[i];
    const auto step = std::find_if(steps.begin(), steps.end(), [&](const RunbookStep& one) {
      return one.step.id == tick.step;
    });
    if (step == steps.end() || !step->learns || tick.early) {
      continue;
    }
    std::optional<sky::UtcTime> begun;
    if (step->step.waits) {
      begun = standing.at(static_cast<std::size_t>(step - steps.begin())).since;
    } else if (*step->learns == StepKind::kSetUp) {
      begun = progress.ticks.front().time;
    } else if (i > 0) {
      begun = progress.ticks[i - 1].time;
    }
    const double minutes = begun ? sky::in_minutes(tick.time - *begun) : 0.0;
    if (minutes > 0.0 && minutes <= kMostMinutes) {
      notes.push_back({*step->learns, minutes});
    }
  }
  return notes;
}

}  // namespace solarchon::plan
