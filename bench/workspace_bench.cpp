// SPDX-License-Identifier: GPL-3.0-or-later
#include <benchmark/benchmark.h>

#include "solarchon/sky/day.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/demo.h"

namespace {

using namespace solarchon;

/// All that is computed on the interface thread when now is dragged by a step within a day.
void StepOfADrag(benchmark::State& state) {
  const auto scenario = workspace::demo_scenario().value();
  const sky::SunEphemeris ephemeris(scenario.now);
  double seconds = 0.0;
  for (auto _ : state) {
    seconds = seconds > 30'000.0 ? 0.0 : seconds + 60.0;
    const sky::UtcTime time = scenario.now + seconds;
    benchmark::DoNotOptimize(workspace::answer(scenario.workspace, time, ephemeris.at(time)));
  }
}
BENCHMARK(StepOfADrag)->Unit(benchmark::kMicrosecond);

/// The same over midnight, when the day's arc is made anew.
void StepToAnotherDay(benchmark::State& state) {
  const auto scenario = workspace::demo_scenario().value();
  int day = 0;
  for (auto _ : state) {
    const sky::UtcTime time = scenario.now + 86400.0 * (++day % 300);
    const sky::CivilDate date = sky::local_mean_date(time, scenario.workspace.site.longitude_deg);
    benchmark::DoNotOptimize(sky::sun_day(date, scenario.workspace.site, {}));
    const sky::SunEphemeris ephemeris(time);
    benchmark::DoNotOptimize(workspace::answer(scenario.workspace, time, ephemeris.at(time)));
  }
}
BENCHMARK(StepToAnotherDay)->Unit(benchmark::kMicrosecond);

}  // namespace
