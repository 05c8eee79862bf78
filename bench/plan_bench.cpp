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
  sky::SunDay day = sky::sun_day({2027, 7, 17}, scenario.workspace.site, {});
  sky::SkylineDay skyline = sky::over_skyline(day, scenario.workspace.site, 20.0);
  plan::Experience experience;
  [[nodiscard]] plan::Givens givens() const {
    const workspace::Workspace& space = scenario.workspace;
    return {day, skyline, space.rig, space.mount, space.wishes, experience};
  }
};

void PlanOfADay(benchmark::State& state) {
  const DemoDay demo;
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::plan_day(demo.givens()));
  }
}
BENCHMARK(PlanOfADay)->Unit(benchmark::kMillisecond);

void BestWindowOfADay(benchmark::State& state) {
  const DemoDay demo;
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::best_window(demo.givens(), 60.0));
  }
}
BENCHMARK(BestWindowOfADay)->Unit(benchmark::kMillisecond);

void YearAtAGlance(benchmark::State& state) {
  const DemoDay demo;
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::year_ahead(2027, demo.scenario.workspace.site, {}, 20.0));
  }
}
BENCHMARK(YearAtAGlance)->Unit(benchmark::kMillisecond);

/// What the log teaches, by its number of sessions.
void SeeingFromTheLog(benchmark::State& state) {
  const DemoDay demo;
  std::vector<plan::SeeingNote> notes;
  for (std::int64_t i = 0; i < state.range(0); ++i) {
    notes.push_back({demo.scenario.now + (-86400.0 * static_cast<double>(i)), 2.0});
  }
  for (auto _ : state) {
    benchmark::DoNotOptimize(plan::SeeingExperience(notes, demo.scenario.workspace.site, {}));
  }
}
BENCHMARK(SeeingFromTheLog)->Arg(10)->Arg(300)->Unit(benchmark::kMillisecond);

}  // namespace
