// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/run.h"

#include "solarchon/base/json.h"

namespace solarchon::plan {

base::Json to_json(const Run& run) {
  return {{"name", run.name},       {"start_utc", sky::to_iso(run.start)},
          {"minutes", run.minutes}, {"frames_per_s", run.frames_per_s},
          {"clip_s", run.clip_s},   {"every_s", run.every_s},
          {"fixed", run.fixed}};
}

base::Result<Run> run_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  Run run;
  run.name = reader.text_or("name", {});
  const std::string start = reader.text("start_utc");
  run.minutes = reader.number("minutes", kRunMinutesRange);
  run.frames_per_s = reader.number_or("frames_per_s", kFrameRateRange, run.frames_per_s);
  run.clip_s = reader.number_or("clip_s", kClipRange, run.clip_s);
  run.every_s = reader.number_or("every_s", kIntervalRange, run.every_s);
  run.fixed = reader.flag_or("fixed", false);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return sky::parse_utc(start, reader.path_of("start_utc")).map([&](sky::UtcTime time) {
    run.start = time;
    return run;
  });
}

}  // namespace solarchon::plan
