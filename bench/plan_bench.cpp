// SPDX-License-Identifier: GPL-3.0-or-later
#include <benchmark/benchmark.h>

#include "solarchon/plan/ahead.h"
#include "solarchon/plan/day_plan.h"
#include "solarchon/workspace/demo.h"

namespace {

using namespace solarchon;

/// The demo's day with its runs, forecast and conflict.
struct DemoDay {
  workspace::DemoScenario scenario = workspace::demo_scenario().value();
  plan::Day day = workspace::day_of(scenario.workspace, {2027, 7, 17}, {});
};

void PlanOfADay(benchmark::State& state) {
  const DemoDay demo;
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::plan_day(demo.day));
  }
}
BENCHMARK(PlanOfADay)->Unit(benchmark::kMillisecond);

void BestWindowOfADay(benchmark::State& state) {
  const DemoDay demo;
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::best_window(demo.day, 60.0));
  }
}
BENCHMARK(BestWindowOfADay)->Unit(benchmark::kMillisecond);

void YearAtAGlance(benchmark::State& state) {
  const DemoDay demo;
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::year_ahead(2027, demo.day.outlook.observer, 20.0));
  }
}
BENCHMARK(YearAtAGlance)->Unit(benchmark::kMillisecond);

/// What the log teaches, by its number of sessions.
void SeeingFromTheLog(benchmark::State& state) {
  const DemoDay demo;
  std::vector<plan::SeeingNote> notes;
  for (std::int64_t i = 0; i < state.range(0); ++i) {
    notes.push_back({demo.scenario.now - sky::days(static_cast<double>(i)), 2.0});
  }
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::SeeingExperience(notes, demo.scenario.workspace.site, {}));
  }
}
BENCHMARK(SeeingFromTheLog)->Arg(10)->Arg(300)->Unit(benchmark::kMillisecond);

}  // namespace
