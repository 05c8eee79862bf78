// SPDX-License-Identifier: GPL-3.0-or-later
#include <benchmark/benchmark.h>

#include "solarchon/camera/stream.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/demo.h"
#include "solarchon/workspace/observe.h"

namespace {

using namespace solarchon;

enum Light { kWhite, kHydrogenAlpha };

/// 2048 x 1536 pixels, in air that moves.
camera::Shot shot_of(Light light) {
  auto scenario = workspace::demo_scenario().value();
  if (light == kHydrogenAlpha) {
    scenario.workspace.rig = optics::usual_trains().value().at(2);
  }
  optics::Part& part =
      scenario.workspace.rig.elements[optics::sensor_of(scenario.workspace.rig)->element].part;
  optics::set_parameter(part, "width_px", 2048);
  optics::set_parameter(part, "height_px", 1536);
  const auto answers =
      workspace::answer(scenario.workspace, scenario.now, sky::geocentric_sun(scenario.now, 0.0));
  camera::Shot shot = workspace::shot_for(scenario.workspace, answers, std::nullopt, 1).value();
  shot.air = seeing::Air{};
  return shot;
}

/// Thirty frames a second of the clock, the next Sun being drawn meanwhile when it is due.
void LiveFrames(benchmark::State& state) {
  camera::StreamPlan plan;
  plan.shot = shot_of(static_cast<Light>(state.range(0)));
  plan.sun_step_s = static_cast<double>(state.range(1));
  plan.prepares_ahead = true;
  camera::Stream stream = *camera::Stream::open(plan);
  camera::Recording recording;
  constexpr double kRate = 30.0;
  int frame = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(stream.record(frame++ / kRate, recording));
  }
  state.counters["frames/s"] =
      benchmark::Counter(static_cast<double>(state.iterations()), benchmark::Counter::kIsRate);
}
BENCHMARK(LiveFrames)
    ->ArgNames({"light", "sun_step_s"})
    ->Args({kWhite, 3600})
    ->Args({kWhite, 10})
    ->Args({kHydrogenAlpha, 3600})
    ->Args({kHydrogenAlpha, 10})
    ->UseRealTime()
    ->Unit(benchmark::kMillisecond);

/// Until a changed tuning, focus or air shows in a picture of that many pixels along.
void Changed(benchmark::State& state) {
  camera::StreamPlan plan;
  plan.shot =
      camera::binned(shot_of(static_cast<Light>(state.range(0))), static_cast<int>(state.range(1)));
  camera::Stream stream = *camera::Stream::open(plan);
  camera::Recording recording;
  double detuned = 0.0;
  for (auto _ : state) {
    plan.shot.detune_angstrom = detuned = 0.01 - detuned;
    benchmark::DoNotOptimize(stream.change(plan.shot));
    benchmark::DoNotOptimize(stream.record(0.5, recording));
  }
}
BENCHMARK(Changed)
    ->ArgNames({"light", "px"})
    ->Args({kWhite, 760})
    ->Args({kHydrogenAlpha, 760})
    ->Args({kHydrogenAlpha, 512})
    ->UseRealTime()
    ->Unit(benchmark::kMillisecond);

}  // namespace
