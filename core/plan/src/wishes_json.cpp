// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/wishes.h"

#include "solarchon/base/json.h"

namespace solarchon::plan {

using base::ErrorCode;
using base::fail;
using base::Json;
using base::Result;

namespace {

/// Takes a member over when it is there and good.
/// @return  its error, if any
template <typename Value, typename Read>
std::optional<base::Error> take(const base::ObjectReader& reader, const Json& json,
                                const char* member, Value& into, Read read) {
  if (!reader.has(member)) {
    return std::nullopt;
  }
  auto value = read(json.at(member), reader.path_of(member));
  if (!value) {
    return value.error();
  }
  into = std::move(*value);
  return std::nullopt;
}

Result<std::vector<Run>> runs_from_json(const Json& list, const std::string& path) {
  if (!list.is_array()) {
    return fail(ErrorCode::kWrongType, path, {}, base::wants("list"));
  }
  if (list.size() > kMostRuns) {
    return fail(ErrorCode::kTooLarge, path, {},
                base::wants("at-most", {static_cast<double>(kMostRuns)}));
  }
  std::vector<Run> runs;
  runs.reserve(list.size());
  for (std::size_t i = 0; i < list.size(); ++i) {
    auto run = run_from_json(list[i], path + "[" + std::to_string(i) + "]");
    if (!run) {
      return tl::make_unexpected(run.error());
    }
    runs.push_back(std::move(*run));
  }
  return runs;
}

}  // namespace

Json to_json(const Wishes& wishes) {
  Json runs = Json::array();
  for (const Run& run : wishes.runs) {
    runs.push_back(to_json(run));
  }
  Json json{{"runs", std::move(runs)},
            {"minutes", to_json(wishes.minutes)},
            {"power", to_json(wishes.power)},
            {"ground", to_json(wishes.surroundings)},
            {"learn_from_simulated", wishes.learn_from_simulated},
            {"window_minutes", wishes.window_minutes}};
  if (wishes.forecast) {
    json["forecast"] = to_json(*wishes.forecast);
  }
  return json;
}

Result<Wishes> wishes_from_json(const Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  Wishes wishes;
  wishes.window_minutes =
      reader.number_or("window_minutes", kWindowMinutesRange, wishes.window_minutes);
  wishes.learn_from_simulated = reader.flag_or("learn_from_simulated", false);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  for (const auto& problem :
       {take(reader, json, "runs", wishes.runs, runs_from_json),
        take(reader, json, "minutes", wishes.minutes, step_minutes_from_json),
        take(reader, json, "power", wishes.power, power_from_json),
        take(reader, json, "ground", wishes.surroundings, surroundings_from_json),
        take(reader, json, "forecast", wishes.forecast, forecast_from_json)}) {
    if (problem) {
      return tl::make_unexpected(*problem);
    }
  }
  return wishes;
}

}  // namespace solarchon::plan
