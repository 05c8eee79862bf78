// SPDX-License-Identifier: GPL-3.0-or-later
#include <benchmark/benchmark.h>
#include <erfa.h>

#include "solarchon/sky/day.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/sun.h"

namespace {

using namespace solarchon;

constexpr std::int64_t kStartMs = 1815811200000;  // July 2027

sky::UtcTime minute(std::int64_t index) { return {kStartMs + index % 1400 * 60'000}; }

/// The bare library calls that one apparent place needs, for comparison.
void BareErfaCalls(benchmark::State& state) {
  double day = 2461234.5;
  for (auto _ : state) {
    day += 1.0 / 1440.0;
    double heliocentric[2][3];
    double barycentric[2][3];
    double matrix[3][3];
    eraEpv00(day, 0.0, heliocentric, barycentric);
    eraPnm06a(day, 0.0, matrix);
    benchmark::DoNotOptimize(eraGst06(day, 0.0, day, 0.0, matrix));
    benchmark::DoNotOptimize(heliocentric);
  }
}
BENCHMARK(BareErfaCalls);

void ExactPlace(benchmark::State& state) {
  std::int64_t index = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(sky::geocentric_sun(minute(++index), 0.0));
  }
}
BENCHMARK(ExactPlace);

void InterpolatedPlace(benchmark::State& state) {
  const sky::SunEphemeris ephemeris(minute(700), 0.0);
  std::int64_t index = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(ephemeris.at(minute(++index)));
  }
}
BENCHMARK(InterpolatedPlace);

/// A year of one-minute positions at one site, an ephemeris for each day.
void YearOfMinutes(benchmark::State& state) {
  const sky::Site site{"", 36.07, -5.58, 42.0, "UTC"};
  constexpr std::int64_t kMinuteMs = 60'000;
  constexpr int kMinutesADay = 1440;
  for (auto _ : state) {
    for (std::int64_t day = 0; day < 365; ++day) {
      const std::int64_t noon = kStartMs + (day * kMinutesADay + kMinutesADay / 2) * kMinuteMs;
      const sky::SunEphemeris ephemeris({noon}, 0.0);
      for (int i = 0; i < kMinutesADay; ++i) {
        const sky::UtcTime time{kStartMs + (day * kMinutesADay + i) * kMinuteMs};
        benchmark::DoNotOptimize(sky::local_sun(ephemeris.at(time), site, {}));
      }
    }
  }
}
BENCHMARK(YearOfMinutes)->Unit(benchmark::kMillisecond);

void InterpolatedPlaceAtASite(benchmark::State& state) {
  const sky::SunEphemeris ephemeris(minute(700), 0.0);
  const sky::Site site{"", 36.07, -5.58, 42.0, "UTC"};
  std::int64_t index = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(sky::local_sun(ephemeris.at(minute(++index)), site, {}));
  }
}
BENCHMARK(InterpolatedPlaceAtASite);

void OrientationOfTheDisc(benchmark::State& state) {
  std::int64_t index = 0;
  for (auto _ : state) {
    benchmark::DoNotOptimize(sky::disc_view(minute(++index)));
  }
}
BENCHMARK(OrientationOfTheDisc);

void WholeDay(benchmark::State& state) {
  const sky::Site site{"", 36.07, -5.58, 42.0, "UTC"};
  for (auto _ : state) {
    benchmark::DoNotOptimize(sky::sun_day({2027, 7, 17}, sky::Observer{site, {}, 0.0}));
  }
}
BENCHMARK(WholeDay)->Unit(benchmark::kMillisecond);

}  // namespace
