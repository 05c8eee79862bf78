// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/day_plan.h"

#include <algorithm>

namespace solarchon::plan {

namespace {

using sky::UtcTime;
using sky::Window;

bool meet(const Window& one, const Window& other) {
  return one.start < other.end && other.start < one.end;
}

Run moved(Run run, UtcTime start) {
  run.start = start;
  return run;
}

/// The day under construction: conflicts need the runs and the countdown together.
class Planner {
 public:
  explicit Planner(const Givens& givens) : givens_(givens) {}

  DayPlan plan() {
    collect_runs();
    plan_.turn = meridian_turn(givens_.mount, givens_.day);
    for (PlannedRun& run : plan_.runs) {
      foresee(run);
    }
    if (!plan_.runs.empty()) {
      plan_.countdown = count_back(plan_.runs.front().window.start, givens_.rig,
                                   givens_.wishes.minutes, givens_.experience.steps);
      supply();
    }
    find_overlaps();
    for (const PlannedRun& run : plan_.runs) {
      find_turn(run);
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
    return givens_.wishes.runs[run.index];
  }

  void collect_runs() {
    for (std::size_t i = 0; i < givens_.wishes.runs.size(); ++i) {
      const Run& run = givens_.wishes.runs[i];
      if (run.start >= givens_.day.start && run.start < givens_.day.end) {
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
    const UtcTime middle =
        run.window.start + 0.5 * sky::seconds_between(run.window.start, run.window.end);
    if (givens_.wishes.forecast) {
      run.sky = forecast_at(*givens_.wishes.forecast, middle);
    }
    run.altitude_deg = sky::arc_at(givens_.day, middle).altitude_deg;
    run.seeing =
        expected_seeing(givens_.day, middle, givens_.wishes.surroundings, givens_.experience.seeing,
                        run.sky ? std::optional<double>(run.sky->wind_m_s) : std::nullopt);
    if (plan_.turn) {
      run.turn = decide_turn(*plan_.turn, run.window);
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
    plan_.power = power_use(givens_.wishes.power, givens_.rig, times);
    plan_.storage = storage_use(givens_.rig, runs);
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
          const double length_s = sky::seconds_between(first.window.start, first.window.end);
          conflict.run = first.index;
          conflict.cures.push_back(
              {Cure::Kind::kStartSooner, {moved(wish(first), second.window.start + (-length_s))}});
        }
        plan_.conflicts.push_back(std::move(conflict));
      }
    }
  }

  void find_turn(const PlannedRun& run) {
    if (run.turn.advice == TurnAdvice::kMove) {
      plan_.conflicts.push_back({ConflictKind::kMeridianTurn,
                                 run.index,
                                 {plan_.turn->latest, run.window.end},
                                 cures_of_turn(*plan_.turn, wish(run))});
    }
  }

  void find_hidden(const PlannedRun& run) {
    const auto hidden = outside(givens_.skyline.clear, run.window);
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
    const double length_s = sky::seconds_between(run.window.start, run.window.end);
    std::optional<UtcTime> later;
    std::optional<UtcTime> sooner;
    for (const Window& window : givens_.skyline.clear) {
      if (sky::seconds_between(window.start, window.end) < length_s) {
        continue;
      }
      if (window.start >= run.window.start && !later) {
        later = window.start;
      }
      if (const UtcTime last = window.end + (-length_s); last < run.window.start) {
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
    const auto fast = fast_azimuth(givens_.mount, givens_.day);
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
    if (!plan_.countdown || !givens_.skyline.first_light) {
      return;
    }
    for (const Step& step : plan_.countdown->steps) {
      const bool needs_sun = step.kind == StepKind::kAlign || step.kind == StepKind::kFocus;
      if (!needs_sun || step.start >= *givens_.skyline.first_light) {
        continue;
      }
      const PlannedRun& first = plan_.runs.front();
      Conflict conflict{
          ConflictKind::kDarkStep, first.index, {step.start, *givens_.skyline.first_light}, {}};
      if (!wish(first).fixed) {
        // A step that can wait needs the run to move by that much less.
        const double late_s =
            sky::seconds_between(step.start, *givens_.skyline.first_light) - 60.0 * step.slack_min;
        if (late_s <= 0.0) {
          return;
        }
        conflict.cures.push_back(
            {Cure::Kind::kStartLater, {moved(wish(first), first.window.start + late_s)}});
      }
      plan_.conflicts.push_back(std::move(conflict));
      return;
    }
  }

  const Givens& givens_;
  DayPlan plan_;
};

}  // namespace

DayPlan plan_day(const Givens& givens) { return Planner(givens).plan(); }

Wishes with_cure(const Wishes& wishes, std::size_t run, const Cure& cure) {
  Wishes next = wishes;
  const auto place = next.runs.begin() + static_cast<std::ptrdiff_t>(run);
  next.runs.insert(next.runs.erase(place), cure.runs.begin(), cure.runs.end());
  return next;
}

}  // namespace solarchon::plan
