// SPDX-License-Identifier: GPL-3.0-or-later
#include <benchmark/benchmark.h>

#include "solarchon/camera/simulate.h"
#include "solarchon/disc/limb.h"
#include "solarchon/measure/disc.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/scene/chromosphere.h"
#include "solarchon/scene/picture.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/demo.h"
#include "solarchon/workspace/observe.h"

namespace {

using namespace solarchon;

camera::Shot demo_shot() {
  const auto scenario = workspace::demo_scenario().value();
  const auto answers =
      workspace::answer(scenario.workspace, scenario.now, sky::geocentric_sun(scenario.now, 0.0));
  return workspace::shot_for(scenario.workspace, answers, std::nullopt, 1).value();
}

/// Drawing the Sun on 2048 x 1536 pixels, without blur and noise.
void DrawScene(benchmark::State& state) {
  const auto recording = camera::simulate(demo_shot()).value();
  const scene::Grid grid{2048,
                         1536,
                         recording.truth.centre_x_px,
                         recording.truth.centre_y_px,
                         recording.truth.plate_scale_arcsec_px,
                         recording.truth.solar};
  const scene::Photosphere photosphere{
      recording.truth.spots, 540.0, scene::kept_convection(1, recording.frame.info.time.value())};
  for (auto _ : state) {
    benchmark::DoNotOptimize(scene::draw(photosphere, recording.truth.view, grid));
  }
}
BENCHMARK(DrawScene)->Unit(benchmark::kMillisecond);

/// The granulation of an instant, which all frames of two seconds share.
void MakeConvection(benchmark::State& state) {
  std::int64_t second = 1'800'000'000;
  for (auto _ : state) {
    benchmark::DoNotOptimize(scene::Convection(1, sky::UtcTime{1000 * second++}));
  }
}
BENCHMARK(MakeConvection)->Unit(benchmark::kMillisecond);

/// The same Sun laid out for hydrogen alpha: photosphere, clouds, light over the limb.
void LayOutHydrogenAlpha(benchmark::State& state) {
  const auto recording = camera::simulate(demo_shot()).value();
  const auto time = recording.frame.info.time.value();
  const scene::Grid grid{2048,
                         1536,
                         recording.truth.centre_x_px,
                         recording.truth.centre_y_px,
                         recording.truth.plate_scale_arcsec_px,
                         recording.truth.solar};
  const scene::Chromosphere chromosphere(scene::SyntheticSun(1), time);
  const scene::Photosphere photosphere{recording.truth.spots, 656.28,
                                       scene::kept_convection(1, time)};
  for (auto _ : state) {
    benchmark::DoNotOptimize(scene::lay_out(photosphere, chromosphere, recording.truth.view, grid));
  }
}
BENCHMARK(LayOutHydrogenAlpha)->Unit(benchmark::kMillisecond);

/// A shot in hydrogen alpha of the train that ships.
camera::Shot line_shot() {
  auto scenario = workspace::demo_scenario().value();
  scenario.workspace.rig = optics::usual_trains().value().at(2);
  const auto answers =
      workspace::answer(scenario.workspace, scenario.now, sky::geocentric_sun(scenario.now, 0.0));
  return workspace::shot_for(scenario.workspace, answers, std::nullopt, 1).value();
}

/// A change of tuning, focus or cloud in Match: the Sun is not drawn anew.
void Retuned(benchmark::State& state) {
  camera::Shot shot = camera::binned(line_shot(), static_cast<int>(state.range(0)));
  double detuned = 0.0;
  for (auto _ : state) {
    shot.detune_angstrom = detuned = 0.01 - detuned;
    benchmark::DoNotOptimize(camera::simulate(shot));
  }
}
BENCHMARK(Retuned)->Arg(380)->Arg(760)->Unit(benchmark::kMillisecond);

/// One frame of moving air on the whole sensor, in hydrogen alpha, while the Sun stands still.
void MovingAir(benchmark::State& state) {
  camera::Shot shot = line_shot();
  shot.air = seeing::Air{};
  for (auto _ : state) {
    shot.air_s += 0.03;
    benchmark::DoNotOptimize(camera::simulate(shot));
  }
}
BENCHMARK(MovingAir)->Unit(benchmark::kMillisecond);

/// A frame of the same moment as the last: its Sun is kept.
void WholeFrame(benchmark::State& state) {
  const camera::Shot shot = demo_shot();
  for (auto _ : state) {
    benchmark::DoNotOptimize(camera::simulate(shot));
  }
}
BENCHMARK(WholeFrame)->Unit(benchmark::kMillisecond);

/// What the Match view asks for while now is dragged, off the interface thread.
void Preview(benchmark::State& state) {
  const camera::Shot shot = camera::binned(demo_shot(), 760);
  for (auto _ : state) {
    benchmark::DoNotOptimize(camera::simulate(shot));
  }
}
BENCHMARK(Preview)->Unit(benchmark::kMillisecond);

void FitLimb(benchmark::State& state) {
  const auto recording = camera::simulate(demo_shot()).value();
  for (auto _ : state) {
    benchmark::DoNotOptimize(disc::fit_limb(recording.frame));
  }
}
BENCHMARK(FitLimb)->Unit(benchmark::kMillisecond);

void MeasureDisc(benchmark::State& state) {
  const auto recording = camera::simulate(demo_shot()).value();
  for (auto _ : state) {
    benchmark::DoNotOptimize(measure::measure_disc(recording.frame));
  }
}
BENCHMARK(MeasureDisc)->Unit(benchmark::kMillisecond);

}  // namespace
