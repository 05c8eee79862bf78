// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/runbook.h"

#include "solarchon/base/json.h"

namespace solarchon::plan {

namespace {

constexpr std::size_t kMostTicks = 100;

}  // namespace

base::Json to_json(const Progress& progress) {
  base::Json ticks = base::Json::array();
  for (const Tick& tick : progress.ticks) {
    ticks.push_back(
        {{"step", tick.step}, {"time_utc", sky::to_iso(tick.time)}, {"early", tick.early}});
  }
  return {{"occasion", safety::kOccasionWords.of(progress.occasion)}, {"ticks", ticks}};
}

base::Result<Progress> progress_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  Progress progress;
  progress.occasion = reader.choice("occasion", safety::kOccasionWords);
  if (!reader.error() && !(json.contains("ticks") && json.at("ticks").is_array())) {
    reader.fail(base::ErrorCode::kMissing, "ticks", {}, base::wants("list"));
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  const base::Json& list = json.at("ticks");
  if (list.size() > kMostTicks) {
    return base::fail(base::ErrorCode::kTooLarge, reader.path_of("ticks"), {},
                      base::wants("at-most", {static_cast<double>(kMostTicks)}));
  }
  for (std::size_t i = 0; i < list.size(); ++i) {
    const std::string at = path + ".ticks[" + std::to_string(i) + "]";
    base::ObjectReader one(list[i], at);
    Tick tick;
    tick.step = one.text("step");
    const std::string time = one.text("time_utc");
    tick.early = one.flag_or("early", false);
    if (one.error()) {
      return tl::make_unexpected(*one.error());
    }
    const auto parsed = sky::parse_utc(time, at + ".time_utc");
    if (!parsed) {
      return tl::make_unexpected(parsed.error());
    }
    tick.time = *parsed;
    progress.ticks.push_back(std::move(tick));
  }
  return progress;
}

}  // namespace solarchon::plan
