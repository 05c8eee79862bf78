// SPDX-License-Identifier: GPL-3.0-or-later
// A million random light paths: the rules are never milder than the bound. Fails loudly otherwise.
#include <benchmark/benchmark.h>

#include <cstdlib>
#include <iostream>

#include "solarchon/base/json.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/safety/harm_bound.h"
#include "tests/support/risky_rig.h"

namespace {

using namespace solarchon;

constexpr int kPaths = 1'000'000;

void AMillionPaths(benchmark::State& state) {
  for (auto _ : state) {
    base::Random random{1};
    double milder = 0;
    for (int i = 0; i < kPaths; ++i) {
      const optics::Rig rig = test::risky_rig(random);
      const auto rules = safety::assess(rig, optics::follow_light(rig, 959.63));
      const auto bound = safety::least_severity(rig);
      if (rules.verdict < bound.severity) {
        std::cerr << "milder than " << bound.cause << ": " << optics::to_json(rig).dump() << '\n';
        ++milder;
      }
    }
    state.counters["milder"] = milder;
    if (milder > 0) {
      state.SkipWithError("the rules were milder than the bound");
    }
  }
}
BENCHMARK(AMillionPaths)->Iterations(1)->Unit(benchmark::kSecond);

void BoundOfOnePath(benchmark::State& state) {
  base::Random random{2};
  const optics::Rig rig = test::risky_rig(random);
  for (auto _ : state) {
    benchmark::DoNotOptimize(safety::least_severity(rig));
  }
}
BENCHMARK(BoundOfOnePath);

}  // namespace
