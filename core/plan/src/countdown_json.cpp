// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/countdown.h"

#include "solarchon/base/json.h"

namespace solarchon::plan {

base::Json to_json(const StepMinutes& minutes) {
  base::Json json = base::Json::object();
  for (std::size_t i = 0; i < kStepKinds; ++i) {
    if (minutes.at(i)) {
      json[std::string(kStepWords.words.at(i))] = *minutes.at(i);
    }
  }
  return json;
}

base::Result<StepMinutes> step_minutes_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  StepMinutes minutes;
  for (std::size_t i = 0; i < kStepKinds; ++i) {
    minutes.at(i) = reader.optional_number(kStepWords.words.at(i), kStepMinutesRange);
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return minutes;
}

}  // namespace solarchon::plan
