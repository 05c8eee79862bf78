// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/day_plan.h"

#include <algorithm>
#include <optional>
#include <utility>

namespace solarchon::plan {

namespace {

using sky::UtcTime;
using sky::Window;

bool meet(const Window& one, const Window& other) {
  return one.start < other.end && other.start < one.end;
}

/// The day under construction: conflicts need the runs and the countdown together.
class Planner {
 public:
  explicit Planner(const Day& day) : day_(day), outlook_(day.outlook) {}

  DayPlan plan() {
    collect_runs();
    plan_.turn = meridian_turn(outlook_.mount, day_.sun);
    if (plan_.turn) {
      plan_.turning = turning_of_day(*plan_.turn, windows());
    }
    for (PlannedRun& run : plan_.runs) {
      foresee(run);
    }
    if (!plan_.runs.empty()) {
      plan_.countdown = count_back(plan_.runs.front().window.start, outlook_.rig,
                                   outlook_.wishes.minutes, outlook_.experience.steps);
      supply();
    }
    find_overlaps();
    find_turn();
    for (const PlannedRun& run : plan_.runs) {
      find_hidden(run);
      find_near_zenith(run);
      find_overcast(run);
    }
    find_dark_steps();
    std::stable_sort(
        plan_.conflicts.begin(), plan_.conflicts.end(),
        [](const Conflict& one, const Conflict& other) { return one.kind < other.kind; });
    return std::move(plan_);
  }

 private:
  [[nodiscard]] const Run& wish(const PlannedRun& run) const {
    return outlook_.wishes.runs[run.index];
  }

  void collect_runs() {
    for (std::size_t i = 0; i < outlook_.wishes.runs.size(); ++i) {
      const Run& run = outlook_.wishes.runs[i];
      if (run.start >= day_.sun.start && run.start < day_.sun.end) {
        PlannedRun planned;
        planned.index = i;
        planned.window = window_of(run);
        plan_.runs.push_back(planned);
      }
    }
    std::stable_sort(plan_.runs.begin(), plan_.runs.end(),
                     [](const PlannedRun& one, const PlannedRun& other) {
                       return one.window.start < other.window.start;
                     });
  }

  void foresee(PlannedRun& run) const {
    const UtcTime middle = run.window.middle();
    if (outlook_.wishes.forecast) {
      run.sky = forecast_at(*outlook_.wishes.forecast, middle);
    }
    run.altitude_deg = sky::arc_at(day_.sun, middle).altitude_deg;
    run.seeing =
        expected_seeing(day_.sun, middle, outlook_.wishes.surroundings, outlook_.experience.seeing,
                        run.sky ? std::optional<double>(run.sky->wind_m_s) : std::nullopt);
    if (plan_.turn) {
      run.turn = decide_turn(*plan_.turn, plan_.turning, run.window);
    }
  }

  /// Everything is on from its step until the last run ends; the laptop and the mount from when the
  /// telescope stands.
  void supply() {
    const auto begins = [&](StepKind kind, UtcTime fallback) {
      for (const Step& step : plan_.countdown->steps) {
        if (step.kind == kind) {
          return step.start;
        }
      }
      return fallback;
    };
    const UtcTime first = plan_.countdown->first_frame;
    const UtcTime align = begins(StepKind::kAlign, first);
    OnTimes times;
    times.on = {begins(StepKind::kWarmUp, first), align, begins(StepKind::kFocus, first), align};
    times.off = first;
    std::vector<Run> runs;
    for (const PlannedRun& run : plan_.runs) {
      times.off = std::max(times.off, run.window.end);
      runs.push_back(wish(run));
    }
    plan_.power = power_use(outlook_.wishes.power, outlook_.rig, times);
    plan_.storage = storage_use(outlook_.rig, runs);
  }

  void find_overlaps() {
    for (std::size_t i = 0; i < plan_.runs.size(); ++i) {
      for (std::size_t j = i + 1; j < plan_.runs.size(); ++j) {
        const PlannedRun& first = plan_.runs[i];
        const PlannedRun& second = plan_.runs[j];
        if (!meet(first.window, second.window)) {
          continue;
        }
        const Window both{second.window.start, std::min(first.window.end, second.window.end)};
        Conflict conflict{ConflictKind::kOverlap, second.index, both, {}};
        if (!wish(second).fixed) {
          conflict.cures.push_back(
              {Cure::Kind::kStartLater, {moved(wish(second), first.window.end)}});
        } else if (!wish(first).fixed) {
          conflict.run = first.index;
          conflict.cures.push_back(
              {Cure::Kind::kStartSooner,
               {moved(wish(first), second.window.start - first.window.length())}});
        }
        plan_.conflicts.push_back(std::move(conflict));
      }
    }
  }

  [[nodiscard]] std::vector<Window> windows() const {
    std::vector<Window> all;
    for (const PlannedRun& run : plan_.runs) {
      all.push_back(run.window);
    }
    return all;
  }

  /// Those that make room for the turn.
  [[nodiscard]] std::vector<Cure> turn_cures(std::size_t place) const {
    const auto end_before =
        place > 0 ? std::optional(plan_.runs[place - 1].window.end) : std::nullopt;
    const auto start_after = place + 1 < plan_.runs.size()
                                 ? std::optional(plan_.runs[place + 1].window.start)
                                 : std::nullopt;
    std::vector<Cure> cures =
        cures_of_turn(*plan_.turn, wish(plan_.runs[place]), end_before, start_after);
    const auto helps = [&](const Cure& cure) {
      std::vector<Window> changed = windows();
      changed.erase(changed.begin() + static_cast<std::ptrdiff_t>(place));
      for (const Run& run : cure.runs) {
        changed.push_back(window_of(run));
      }
      return turning_of_day(*plan_.turn, changed).has_value();
    };
    std::vector<Cure> helping;
    for (Cure& cure : cures) {
      const bool offered = std::any_of(helping.begin(), helping.end(),
                                       [&](const Cure& other) { return other.kind == cure.kind; });
      if (!offered && helps(cure)) {
        helping.push_back(std::move(cure));
      }
    }
    return helping;
  }

  /// The turn is told once a day, of the run by which it can be cured best.
  void find_turn() {
    if (!plan_.turn || plan_.turning) {
      return;
    }
    std::optional<Conflict> told;
    for (std::size_t place = 0; place < plan_.runs.size(); ++place) {
      const Window& window = plan_.runs[place].window;
      if (window.end <= plan_.turn->earliest || window.start >= plan_.turn->latest + kTurnTakes) {
        continue;
      }
      Conflict conflict{ConflictKind::kMeridianTurn,
                        plan_.runs[place].index,
                        {std::min(plan_.turn->latest, window.end), window.end},
                        turn_cures(place)};
      if (conflict.when.start == conflict.when.end) {
        conflict.when = {std::max(window.start, plan_.turn->earliest), window.end};
      }
      if (!told || conflict.cures.size() > told->cures.size()) {
        told = std::move(conflict);
      }
    }
    if (told) {
      plan_.conflicts.push_back(*std::move(told));
    }
  }

  void find_hidden(const PlannedRun& run) {
    const auto hidden = outside(day_.skyline.clear, run.window);
    if (!hidden) {
      return;
    }
    Conflict conflict{ConflictKind::kHidden, run.index, *hidden, {}};
    if (!wish(run).fixed) {
      add_clear_starts(conflict, run);
    }
    plan_.conflicts.push_back(std::move(conflict));
  }

  /// The nearest start later and sooner for which the whole run lies in a clear window.
  void add_clear_starts(Conflict& conflict, const PlannedRun& run) const {
    const sky::Duration length = run.window.length();
    std::optional<UtcTime> later;
    std::optional<UtcTime> sooner;
    for (const Window& window : day_.skyline.clear) {
      if (window.length() < length) {
        continue;
      }
      if (window.start >= run.window.start && !later) {
        later = window.start;
      }
      if (const UtcTime last = window.end - length; last < run.window.start) {
        sooner = last;
      }
    }
    if (later) {
      conflict.cures.push_back({Cure::Kind::kStartLater, {moved(wish(run), *later)}});
    }
    if (sooner) {
      conflict.cures.push_back({Cure::Kind::kStartSooner, {moved(wish(run), *sooner)}});
    }
  }

  void find_near_zenith(const PlannedRun& run) {
    const auto fast = fast_azimuth(outlook_.mount, day_.sun);
    if (!fast || !meet(*fast, run.window)) {
      return;
    }
    Conflict conflict{
        ConflictKind::kNearZenith,
        run.index,
        {std::max(fast->start, run.window.start), std::min(fast->end, run.window.end)},
        {}};
    if (!wish(run).fixed) {
      conflict.cures.push_back({Cure::Kind::kStartLater, {moved(wish(run), fast->end)}});
    }
    plan_.conflicts.push_back(std::move(conflict));
  }

  void find_overcast(const PlannedRun& run) {
    if (run.sky && state_of(*run.sky) == SkyState::kOvercast) {
      plan_.conflicts.push_back({ConflictKind::kOvercast, run.index, run.window, {}});
    }
  }

  /// Aligning and focusing need the Sun over the skyline.
  void find_dark_steps() {
    if (!plan_.countdown || !day_.skyline.first_light) {
      return;
    }
    for (const Step& step : plan_.countdown->steps) {
      const bool needs_sun = step.kind == StepKind::kAlign || step.kind == StepKind::kFocus;
      if (!needs_sun || step.start >= *day_.skyline.first_light) {
        continue;
      }
      const PlannedRun& first = plan_.runs.front();
      Conflict conflict{
          ConflictKind::kDarkStep, first.index, {step.start, *day_.skyline.first_light}, {}};
      if (!wish(first).fixed) {
        // A step that can wait needs the run to move by that much less.
        const sky::Duration late =
            *day_.skyline.first_light - step.start - sky::minutes(step.slack_min);
        if (late <= sky::seconds(0.0)) {
          return;
        }
        conflict.cures.push_back(
            {Cure::Kind::kStartLater, {moved(wish(first), first.window.start + late)}});
      }
      plan_.conflicts.push_back(std::move(conflict));
      return;
    }
  }

  const Day& day_;
  const Outlook& outlook_;
  DayPlan plan_;
};

}  // namespace

DayPlan plan_day(const Day& day) { return Planner(day).plan(); }

Day day_of(const sky::CivilDate& date, Outlook outlook) {
  sky::SunDay sun = sky::sun_day(date, outlook.observer);
  sky::SkylineDay skyline =
      sky::over_skyline(sun, outlook.observer.site, outlook.least_altitude_deg);
  Day day{std::move(outlook), std::move(sun), std::move(skyline), {}};
  day.plan = plan_day(day);
  return day;
}

Wishes with_cure(const Wishes& wishes, std::size_t run, const Cure& cure) {
  Wishes next = wishes;
  const auto place = next.runs.begin() + static_cast<std::ptrdiff_t>(run);
  next.runs.insert(next.runs.erase(place), cure.runs.begin(), cure.runs.end());
  return next;
}

}  // namespace solarchon::plan
