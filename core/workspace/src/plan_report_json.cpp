// SPDX-License-Identifier: GPL-3.0-or-later
#include "or_null.h"
#include "solarchon/base/json.h"
#include "solarchon/workspace/reports.h"

namespace solarchon::workspace {

using base::Json;

namespace {

Json with(Json object, const Json& more) {
  object.update(more);
  return object;
}

Json seeing_report(const plan::SeeingGuess& seeing) {
  return {{"arcsec", seeing.arcsec},
          {"low_arcsec", seeing.low_arcsec},
          {"high_arcsec", seeing.high_arcsec},
          {"measured_share", seeing.measured_share},
          {"wind_forecast", seeing.wind_forecast}};
}

Json sky_report(const std::optional<plan::ForecastHour>& hour) {
  if (!hour) {
    return nullptr;
  }
  return {{"state", plan::kSkyWords.of(plan::state_of(*hour))},
          {"cloud_percent", hour->cloud_percent},
          {"thin_percent", hour->thin_percent},
          {"wind_m_s", hour->wind_m_s}};
}

Json runs_report(const plan::Wishes& wishes, const plan::DayPlan& day) {
  Json runs = Json::array();
  for (std::size_t i = 0; i < day.runs.size(); ++i) {
    const plan::PlannedRun& run = day.runs[i];
    Json entry =
        with({{"index", run.index}, {"name", wishes.runs[run.index].name}}, span(run.window));
    entry["fixed"] = wishes.runs[run.index].fixed;
    entry["altitude_deg"] = run.altitude_deg;
    entry["seeing"] = seeing_report(run.seeing);
    entry["forecast"] = sky_report(run.sky);
    entry["turn"] = plan::kTurnWords.of(run.turn.advice);
    entry["turn_at_utc"] = instant(run.turn.turn_at);
    entry["frames"] = day.storage ? Json(day.storage->runs[i].frames) : Json(nullptr);
    entry["bytes"] = day.storage ? Json(day.storage->runs[i].bytes) : Json(nullptr);
    runs.push_back(std::move(entry));
  }
  return runs;
}

Json countdown_report(const std::optional<plan::Countdown>& countdown) {
  if (!countdown) {
    return nullptr;
  }
  Json steps = Json::array();
  for (const plan::Step& step : countdown->steps) {
    steps.push_back(with({{"step", plan::kStepWords.of(step.kind)}},
                         with(span({step.start, step.end}), {{"minutes", step.time.minutes},
                                                             {"planned_min", step.time.planned_min},
                                                             {"spread_min", step.time.spread_min},
                                                             {"logged_times", step.time.times},
                                                             {"slack_min", step.slack_min}})));
  }
  return {{"first_frame_utc", sky::to_iso(countdown->first_frame)},
          {"begin_utc", sky::to_iso(countdown->begin)},
          {"spread_min", countdown->spread_min},
          {"steps", std::move(steps)}};
}

Json conflicts_report(const std::vector<plan::Conflict>& conflicts) {
  Json list = Json::array();
  for (const plan::Conflict& conflict : conflicts) {
    Json cures = Json::array();
    for (const plan::Cure& cure : conflict.cures) {
      Json runs = Json::array();
      for (const plan::Run& run : cure.runs) {
        runs.push_back(span(plan::window_of(run)));
      }
      cures.push_back({{"kind", plan::kCureWords.of(cure.kind)}, {"runs", std::move(runs)}});
    }
    Json entry = with({{"kind", plan::kConflictWords.of(conflict.kind)}, {"run", conflict.run}},
                      span(conflict.when));
    entry["cures"] = std::move(cures);
    list.push_back(std::move(entry));
  }
  return list;
}

Json power_report(const plan::Wishes& wishes, const std::optional<plan::PowerUse>& power) {
  if (!power) {
    return nullptr;
  }
  Json consumers = Json::array();
  for (const plan::ConsumerUse& use : power->consumers) {
    Json entry{{"consumer", plan::kConsumerWords.of(use.consumer)},
               {"watts", use.watts},
               {"watt_hours", use.watt_hours},
               {"supply", use.supply + 1}};
    consumers.push_back(with(std::move(entry), span(use.on)));
  }
  Json supplies = Json::array();
  for (std::size_t i = 0; i < power->supplies.size(); ++i) {
    const plan::SupplyUse& supply = power->supplies.at(i);
    supplies.push_back({{"name", wishes.power.supplies.at(i).name},
                        {"needed_wh", supply.needed_wh},
                        {"usable_wh", supply.usable_wh},
                        {"usable_spare_wh", supply.usable_spare_wh},
                        {"change_utc", instant(supply.change_at)},
                        {"empty_utc", instant(supply.dark_at)}});
  }
  return {{"consumers", std::move(consumers)}, {"supplies", std::move(supplies)}};
}

}  // namespace

Json plan_report(const plan::Day& of_day) {
  const plan::DayPlan& day = of_day.plan;
  const plan::Wishes& wishes = of_day.outlook.wishes;
  Json turn = nullptr;
  if (day.turn) {
    turn = {{"earliest_utc", sky::to_iso(day.turn->earliest)},
            {"meridian_utc", sky::to_iso(day.turn->meridian)},
            {"latest_utc", sky::to_iso(day.turn->latest)},
            {"begins_utc", day.turning ? Json(sky::to_iso(day.turning->start)) : Json(nullptr)},
            {"ends_utc", day.turning ? Json(sky::to_iso(day.turning->end)) : Json(nullptr)}};
  }
  Json storage = nullptr;
  if (day.storage) {
    storage = {{"bytes_per_frame", day.storage->bytes_per_frame},
               {"bytes", day.storage->bytes},
               {"fastest_mb_per_s", day.storage->fastest_mb_per_s}};
  }
  return {{"date", sky::to_iso(of_day.sun.date)},
          {"countdown", countdown_report(day.countdown)},
          {"runs", runs_report(wishes, day)},
          {"meridian_turn", std::move(turn)},
          {"conflicts", conflicts_report(day.conflicts)},
          {"power", power_report(wishes, day.power)},
          {"storage", std::move(storage)}};
}

Json year_report(const plan::YearAhead& ahead) {
  Json days = Json::array();
  for (const plan::YearDay& day : ahead.days) {
    days.push_back({{"date", sky::to_iso(day.date)},
                    {"sunrise_utc", instant(day.sunrise)},
                    {"noon_utc", sky::to_iso(day.noon)},
                    {"sunset_utc", instant(day.sunset)},
                    {"polar", sky::kPolarWords.of(day.polar)},
                    {"culmination_altitude_deg", day.culmination_altitude_deg},
                    {"clear_hours", day.clear_hours},
                    {"p_deg", day.p_deg},
                    {"b0_deg", day.b0_deg}});
  }
  Json rotations = Json::array();
  for (const plan::RotationStart& start : ahead.rotations) {
    rotations.push_back({{"rotation", start.rotation}, {"start_utc", sky::to_iso(start.time)}});
  }
  return {{"year", ahead.year}, {"days", std::move(days)}, {"rotations", std::move(rotations)}};
}

Json windows_report(const std::vector<plan::BestWindow>& windows) {
  Json list = Json::array();
  for (const plan::BestWindow& window : windows) {
    Json entry = span(window.window);
    entry["altitude_deg"] = window.altitude_deg;
    entry["seeing"] = seeing_report(window.seeing);
    entry["forecast"] = sky_report(window.sky);
    entry["detail_km"] = window.detail_km;
    entry["from_meridian_deg"] =
        window.feature ? Json(window.feature->from_meridian_deg) : Json(nullptr);
    list.push_back(std::move(entry));
  }
  return {{"windows", std::move(list)}};
}

}  // namespace solarchon::workspace
