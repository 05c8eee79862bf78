// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/countdown.h"

#include <algorithm>
#include <cmath>

namespace solarchon::plan {

namespace {

/// What each step waits for, in the order of StepKind: only earlier steps.
const std::array<std::vector<StepKind>, kStepKinds>& waits_for() {
  static const std::array<std::vector<StepKind>, kStepKinds> kWaits{{
      {},
      {StepKind::kDrive},
      {StepKind::kSetUp},
      {StepKind::kSetUp},
      {StepKind::kSetUp},
      {StepKind::kCoolDown, StepKind::kAlign},
      {StepKind::kWarmUp, StepKind::kFocus},
      {StepKind::kTuningWait},
  }};
  return kWaits;
}

constexpr std::size_t place(StepKind kind) { return static_cast<std::size_t>(kind); }

bool has_etalon(const optics::Rig& rig) {
  return optics::find_fitted<optics::FrontEtalon>(rig).has_value() ||
         optics::find_fitted<optics::InnerEtalon>(rig).has_value() ||
         optics::find_fitted<optics::RearEtalon>(rig).has_value();
}

}  // namespace

double usual_minutes(StepKind kind, const optics::Rig& rig) {
  switch (kind) {
    case StepKind::kDrive:
      return 20.0;
    case StepKind::kSetUp:
    case StepKind::kAlign:
      return 15.0;
    case StepKind::kWarmUp: {
      double longest = 0.0;
      for (const optics::Element& element : rig.elements) {
        if (const auto* etalon = std::get_if<optics::RearEtalon>(&element.part);
            etalon != nullptr && element.fitted) {
          longest = std::max(longest, etalon->warm_up_min);
        }
      }
      return longest;
    }
    case StepKind::kCoolDown: {
      const auto tube = optics::find_fitted<optics::Telescope>(rig);
      return tube ? 10.0 + std::get<optics::Telescope>(rig.elements[*tube].part).aperture_mm / 8.0
                  : 0.0;
    }
    case StepKind::kFocus:
      return 5.0;
    case StepKind::kTuningWait:
      return has_etalon(rig) ? 5.0 : 0.0;
    case StepKind::kRehearse:
      return 10.0;
  }
  return 0.0;
}

StepTime learned_time(StepKind kind, double planned_min, const std::vector<StepNote>& notes) {
  constexpr int kMost = 10;
  constexpr double kPlanWeight = 2.0;
  constexpr double kPlanSpread = 0.2;
  StepTime time;
  time.planned_min = planned_min;
  double weight = kPlanWeight;
  double sum = kPlanWeight * planned_min;
  std::vector<double> counted;
  for (auto note = notes.rbegin(); note != notes.rend() && time.times < kMost; ++note) {
    if (note->kind == kind) {
      sum += note->minutes;
      weight += 1.0;
      counted.push_back(note->minutes);
      ++time.times;
    }
  }
  time.minutes = sum / weight;
  double squares = kPlanWeight * std::pow(kPlanSpread * planned_min, 2.0);
  for (const double minutes : counted) {
    squares += std::pow(minutes - time.minutes, 2.0);
  }
  time.spread_min = std::sqrt(squares / weight);
  return time;
}

Countdown count_back(sky::UtcTime first_frame, const optics::Rig& rig, const StepMinutes& planned,
                     const std::vector<StepNote>& notes) {
  // Forward from the first step as early as can be, then backward as late as can be; in minutes.
  std::array<StepTime, kStepKinds> times;
  std::array<double, kStepKinds> start{};
  std::array<double, kStepKinds> end{};
  double whole = 0.0;
  for (std::size_t i = 0; i < kStepKinds; ++i) {
    const auto kind = static_cast<StepKind>(i);
    const double minutes = planned.at(i).value_or(usual_minutes(kind, rig));
    // A step that is planned not to occur does not come back because it once did.
    times.at(i) = minutes > 0.0 ? learned_time(kind, minutes, notes) : StepTime{};
    for (const StepKind before : waits_for().at(i)) {
      start.at(i) = std::max(start.at(i), end.at(place(before)));
    }
    end.at(i) = start.at(i) + times.at(i).minutes;
    whole = std::max(whole, end.at(i));
  }
  std::array<double, kStepKinds> latest{};
  latest.fill(whole);
  for (std::size_t i = kStepKinds; i-- > 0;) {
    for (const StepKind before : waits_for().at(i)) {
      latest.at(place(before)) =
          std::min(latest.at(place(before)), latest.at(i) - times.at(i).minutes);
    }
  }
  Countdown countdown;
  countdown.first_frame = first_frame;
  countdown.begin = first_frame - sky::minutes(whole);
  double variance = 0.0;
  for (std::size_t i = 0; i < kStepKinds; ++i) {
    if (times.at(i).minutes <= 0.0) {
      continue;
    }
    const double slack = latest.at(i) - end.at(i);
    constexpr double kNoSlackMin = 0.01;
    variance += slack < kNoSlackMin ? times.at(i).spread_min * times.at(i).spread_min : 0.0;
    countdown.steps.push_back({static_cast<StepKind>(i), times.at(i),
                               countdown.begin + sky::minutes(start.at(i)),
                               countdown.begin + sky::minutes(end.at(i)), slack});
  }
  std::stable_sort(countdown.steps.begin(), countdown.steps.end(),
                   [](const Step& one, const Step& other) { return one.start < other.start; });
  countdown.spread_min = std::sqrt(variance);
  return countdown;
}

}  // namespace solarchon::plan
