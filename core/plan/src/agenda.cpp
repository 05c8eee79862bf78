// SPDX-License-Identifier: GPL-3.0-or-later
// The day's plan as entries for calendars and tables.
#include <algorithm>
#include <cmath>
#include <utility>

#include "solarchon/plan/calendar.h"

namespace solarchon::plan {

namespace {

std::string whole(double value) { return std::to_string(std::lround(value)); }

/// Minutes that a turn of the mount takes before its moment.
CalendarEntry turn_entry(const std::string& day, const std::string& run, sky::UtcTime turn_at,
                         bool early) {
  CalendarEntry entry;
  entry.kind = "turn";
  entry.uid = "turn-" + day + "@solarchon";
  entry.window = early ? sky::Window{turn_at + (-kTurnTakesS), turn_at}
                       : sky::Window{turn_at, turn_at + kTurnTakesS};
  entry.title = "Turn the mount over";
  entry.details = (early ? "Before " : "After ") + run +
                  ". Check the front filter and the cables, find the Sun again by the shadow.";
  return entry;
}

}  // namespace

std::vector<CalendarEntry> agenda_of(const Givens& givens, const DayPlan& plan,
                                     const std::string& place, double alarm_min) {
  const std::string day = sky::to_iso(givens.day.date);
  std::vector<CalendarEntry> entries;
  if (plan.countdown) {
    for (const Step& step : plan.countdown->steps) {
      CalendarEntry entry;
      entry.kind = "step";
      entry.uid =
          "step-" + step_words().at(static_cast<std::size_t>(step.kind)) + "-" + day + "@solarchon";
      entry.window = {step.start, step.end};
      entry.title = step_title(step.kind);
      entry.details = step_advice(step.kind);
      if (step.slack_min >= 1.0) {
        entry.details += " Can wait for " + whole(step.slack_min) + " min.";
      }
      entries.push_back(std::move(entry));
    }
    if (!entries.empty()) {
      entries.front().alarm_min = alarm_min;
    }
  }
  bool turned = false;
  for (const PlannedRun& planned : plan.runs) {
    const Run& run = givens.wishes.runs[planned.index];
    if (planned.turn.turn_at && !std::exchange(turned, true)) {  // once a day is enough
      entries.push_back(turn_entry(day, run.name, *planned.turn.turn_at,
                                   planned.turn.advice == TurnAdvice::kTurnEarly));
    }
    CalendarEntry entry;
    entry.kind = "run";
    entry.uid = "run-" + day + "-" + std::to_string(planned.index + 1) + "@solarchon";
    entry.window = planned.window;
    entry.title = run.name;
    entry.details = "Sun " + whole(planned.altitude_deg) + " degrees high, " +
                    whole(frames_of(run)) + " frames.";
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

std::string to_csv(const std::vector<CalendarEntry>& entries, const std::string& time_zone) {
  std::string table = "kind,title,start_local,end_local,start_utc,end_utc,details\n";
  for (const CalendarEntry& entry : entries) {
    for (const std::string& column :
         {entry.kind, base::quoted(entry.title), local_iso(entry.window.start, time_zone),
          local_iso(entry.window.end, time_zone), sky::to_iso(entry.window.start),
          sky::to_iso(entry.window.end)}) {
      table += column + ",";
    }
    table += base::quoted(entry.details) + "\n";
  }
  return table;
}

}  // namespace solarchon::plan
