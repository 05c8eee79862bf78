// SPDX-License-Identifier: GPL-3.0-or-later
// The steps before a first frame, the list before a day, and the day's agenda as text.
#include "solarchon/words/plan.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

#include "marks.h"

namespace solarchon::words {

namespace {

using plan::CalendarEntry;

/// In the order of plan::StepKind.
constexpr std::array<const char*, plan::kStepKinds> kTitles{
    TEXT("Drive there"), TEXT("Set up"), TEXT("Etalon warms"),  TEXT("Tube settles"),
    TEXT("Align"),       TEXT("Focus"),  TEXT("Tune and wait"), TEXT("Rehearse")};
constexpr std::array<const char*, plan::kStepKinds> kAdvice{
    TEXT("Filters, power, cables and a hat are in the car."),
    TEXT("Front cap on until the whole light path is fitted. Front filter first, secured against "
         "wind; power on early."),
    TEXT("Power on; it heats while the rest is set up."),
    TEXT("Let the tube come to the air's warmth, capped, and any dew go."),
    TEXT("Level, point the axis, find the Sun by the tube's shadow. Nobody looks through the "
         "finder."),
    TEXT("On the edge of the disc or a spot, under a hood; again as the tube warms."),
    TEXT("Give the etalon time after each step of the tuner."),
    TEXT("The whole run once, with a file written and looked at.")};
constexpr const char* kTurnOver = TEXT("Turn the mount over");
constexpr const char* kBefore =
    TEXT("Before %1. Check the front filter and the cables, find the Sun again by the shadow.");
constexpr const char* kAfter =
    TEXT("After %1. Check the front filter and the cables, find the Sun again by the shadow.");
constexpr const char* kCanWait = TEXT("Can wait for %1 min.");
constexpr const char* kRun = TEXT("Sun %1 degrees high, frames to take: %2.");
constexpr const char* kMend = TEXT("%1: %2");
constexpr const char* kCarry = TEXT("%1: %2 more");
constexpr const char* kMakeRoom = TEXT("%1 for %2 free");

std::string whole(double value, const Voice& voice) { return voice.number(std::round(value), 0); }

/// Minutes that a turn of the mount takes before its moment, or after it.
CalendarEntry turn_entry(const std::string& day, const std::string& run, sky::UtcTime turn_at,
                         bool early, const Voice& voice) {
  CalendarEntry entry;
  entry.kind = "turn";
  entry.uid = "turn-" + day + "@solarchon";
  entry.window = {turn_at, turn_at + plan::kTurnTakes};
  entry.title = voice.say(kTurnOver);
  entry.details = filled(voice.say(early ? kBefore : kAfter), {run});
  return entry;
}

}  // namespace

std::string title_of(plan::StepKind kind, const Voice& voice) {
  return voice.say(kTitles.at(static_cast<std::size_t>(kind)));
}

std::string advice_for(plan::StepKind kind, const Voice& voice) {
  return voice.say(kAdvice.at(static_cast<std::size_t>(kind)));
}

std::string subject_of(const plan::ReadyItem& item, const Voice& voice) {
  switch (item.chore) {
    case plan::Chore::kMend:
      return filled(voice.say(kMend), {item.name, item.defect});
    case plan::Chore::kCarry:
      return filled(voice.say(kCarry), {item.name, voice.figure(item.figures.front())});
    case plan::Chore::kMakeRoom:
      return filled(voice.say(kMakeRoom),
                    {voice.figure(item.figures.front()), voice.figure(item.figures.back())});
    default:
      return item.name;
  }
}

std::vector<CalendarEntry> agenda_of(const plan::Day& of_day, const std::string& place,
                                     double alarm_min, const Voice& voice) {
  const std::string day = sky::to_iso(of_day.sun.date);
  const plan::DayPlan& day_plan = of_day.plan;
  std::vector<CalendarEntry> entries;
  if (day_plan.countdown) {
    for (const plan::Step& step : day_plan.countdown->steps) {
      CalendarEntry entry;
      entry.kind = "step";
      entry.uid = "step-" + std::string(plan::kStepWords.of(step.kind)) + "-" + day + "@solarchon";
      entry.window = {step.start, step.end};
      entry.title = title_of(step.kind, voice);
      entry.details = advice_for(step.kind, voice);
      if (step.slack_min >= 1.0) {
        entry.details += ' ' + filled(voice.say(kCanWait), {whole(step.slack_min, voice)});
      }
      entries.push_back(std::move(entry));
    }
    if (!entries.empty()) {
      entries.front().alarm_min = alarm_min;
    }
  }
  if (day_plan.turning) {
    // Before the run that follows it, or after the one that it waits for.
    const plan::PlannedRun* waited = nullptr;
    const plan::PlannedRun* next = nullptr;
    for (const plan::PlannedRun& planned : day_plan.runs) {
      next = next == nullptr && planned.window.start >= day_plan.turning->end ? &planned : next;
      waited = planned.turn.advice == plan::TurnAdvice::kTrackThrough ? &planned : waited;
    }
    if (const plan::PlannedRun* run = waited != nullptr ? waited : next) {
      entries.push_back(turn_entry(day, of_day.outlook.wishes.runs[run->index].name,
                                   day_plan.turning->start, waited == nullptr, voice));
    }
  }
  for (const plan::PlannedRun& planned : day_plan.runs) {
    const plan::Run& run = of_day.outlook.wishes.runs[planned.index];
    CalendarEntry entry;
    entry.kind = "run";
    entry.uid = "run-" + day + "-" + std::to_string(planned.index + 1) + "@solarchon";
    entry.window = planned.window;
    entry.title = run.name;
    entry.details = filled(
        voice.say(kRun), {whole(planned.altitude_deg, voice), whole(plan::frames_of(run), voice)});
    entry.alarm_min = alarm_min;
    entries.push_back(std::move(entry));
  }
  for (CalendarEntry& entry : entries) {
    entry.place = place;
  }
  std::stable_sort(entries.begin(), entries.end(),
                   [](const CalendarEntry& one, const CalendarEntry& other) {
                     return one.window.start < other.window.start;
                   });
  return entries;
}

}  // namespace solarchon::words
