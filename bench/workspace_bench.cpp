// SPDX-License-Identifier: GPL-3.0-or-later
#include <benchmark/benchmark.h>

#include "solarchon/advise/advise.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/sky/day.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/demo.h"
#include "solarchon/workspace/observe.h"

namespace {

using namespace solarchon;

/// All that is computed on the interface thread when now is dragged by a step within a day.
void StepOfADrag(benchmark::State& state) {
  const auto scenario = workspace::demo_scenario().value();
  const sky::SunEphemeris ephemeris(scenario.now, 0.0);
  double seconds = 0.0;
  for (auto _ : state) {
    seconds = seconds > 30'000.0 ? 0.0 : seconds + 60.0;
    const sky::UtcTime time = scenario.now + sky::seconds(seconds);
    benchmark::DoNotOptimize(workspace::answer(scenario.workspace, time, ephemeris.at(time)));
  }
}
BENCHMARK(StepOfADrag)->Unit(benchmark::kMicrosecond);

/// A whole reassessment of a light path: figures, rules, misfits, and every suggestion from kit and
/// catalogue. 0 to 2: a usual train that is in order; 3 to 5: the same with its reduction taken
/// off; 6: one that most rules object to.
void Reassessment(benchmark::State& state) {
  const auto& catalogue = optics::shipped_catalogue().value();
  const auto& trains = optics::usual_trains().value();
  const auto index = static_cast<std::size_t>(state.range(0));
  optics::Rig rig = trains[index % 3];
  if (index >= 3) {
    for (optics::Element& element : rig.elements) {
      element.fitted = element.fitted && !std::holds_alternative<optics::FrontFilm>(element.part) &&
                       !std::holds_alternative<optics::Wedge>(element.part) &&
                       !std::holds_alternative<optics::CutFilter>(element.part);
    }
  }
  if (index == 6) {
    optics::set_parameter(rig.elements[1].part, "design", 2.0);
    optics::set_parameter(rig.elements[1].part, "aperture_mm", 160.0);
    rig.elements.insert(rig.elements.begin() + 3, trains[0].elements[3]);
  }
  const advise::Situation situation;
  std::size_t found = 0;
  for (auto _ : state) {
    const optics::Train train = optics::follow_light(rig, situation.semidiameter_arcsec);
    benchmark::DoNotOptimize(safety::assess(rig, train));
    const auto suggestions = advise::suggest(rig, situation, {}, catalogue);
    found = suggestions.size();
    benchmark::DoNotOptimize(found);
  }
  state.counters["suggestions"] = static_cast<double>(found);
}
BENCHMARK(Reassessment)->DenseRange(0, 6)->Unit(benchmark::kMillisecond);

/// The same over midnight, when the day's arc is made anew.
void StepToAnotherDay(benchmark::State& state) {
  const auto scenario = workspace::demo_scenario().value();
  int day = 0;
  for (auto _ : state) {
    const sky::UtcTime time = scenario.now + sky::days(++day % 300);
    const sky::CivilDate date = sky::local_mean_date(time, scenario.workspace.site.longitude_deg);
    benchmark::DoNotOptimize(sky::sun_day(date, sky::Observer{scenario.workspace.site, {}, 0.0}));
    const sky::SunEphemeris ephemeris(time, 0.0);
    benchmark::DoNotOptimize(workspace::answer(scenario.workspace, time, ephemeris.at(time)));
  }
}
BENCHMARK(StepToAnotherDay)->Unit(benchmark::kMicrosecond);

/// A log of so many sessions over twenty years at the demo's site.
std::vector<log::SessionSummary> sessions_of(int count) {
  const auto space = workspace::demo_scenario().value().workspace;
  std::vector<log::SessionSummary> sessions;
  for (int i = 0; i < count; ++i) {
    log::SessionSummary session;
    session.id = i;
    session.started = {1'800'000'000'000 + i * 63'000'000LL};
    session.latitude_deg = space.site.latitude_deg;
    session.longitude_deg = space.site.longitude_deg;
    session.seeing_arcsec = 2.0;
    sessions.push_back(session);
  }
  return sessions;
}

void LessonOfTenThousandSessions(benchmark::State& state) {
  const auto space = workspace::demo_scenario().value().workspace;
  const auto sessions = sessions_of(10'000);
  for (auto _ : state) {
    workspace::SeeingLesson lesson;
    benchmark::DoNotOptimize(lesson.learn(sessions, space));
  }
}
BENCHMARK(LessonOfTenThousandSessions)->Unit(benchmark::kMillisecond);

void LessonOfOneMoreSession(benchmark::State& state) {
  const auto space = workspace::demo_scenario().value().workspace;
  const auto sessions = sessions_of(10'001);
  workspace::SeeingLesson lesson;
  benchmark::DoNotOptimize(lesson.learn({sessions.begin(), sessions.end() - 1}, space));
  for (auto _ : state) {
    workspace::SeeingLesson grown = lesson;
    benchmark::DoNotOptimize(grown.learn(sessions, space));
  }
}
BENCHMARK(LessonOfOneMoreSession)->Unit(benchmark::kMillisecond);

}  // namespace
