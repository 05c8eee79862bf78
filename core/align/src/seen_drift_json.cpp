// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/seen_drift.h"

#include "solarchon/base/json.h"

namespace solarchon::align {

base::Json to_json(const DriftRun& run) {
  base::Json json{{"time_utc", sky::to_iso(run.start)},
                  {"hour_angle_deg", run.hour_angle_deg},
                  {"declination_deg", run.declination_deg},
                  {"duration_s", run.duration_s},
                  {"noise_arcsec", run.noise_arcsec}};
  if (run.declination_drift_arcsec) {
    json["dec_drift_arcsec"] = *run.declination_drift_arcsec;
  }
  if (run.hour_angle_drift_arcsec) {
    json["ha_drift_arcsec"] = *run.hour_angle_drift_arcsec;
  }
  return json;
}

base::Result<DriftRun> drift_run_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  DriftRun run;
  const std::string time = reader.text("time_utc");
  run.hour_angle_deg = reader.number("hour_angle_deg", kHourAngleRange);
  run.declination_deg = reader.number("declination_deg", kSunDeclinationRange);
  run.duration_s = reader.number("duration_s", kRunSecondsRange);
  run.noise_arcsec = reader.number_or("noise_arcsec", kNoiseRange, run.noise_arcsec);
  run.declination_drift_arcsec = reader.optional_number("dec_drift_arcsec", kDriftRange);
  run.hour_angle_drift_arcsec = reader.optional_number("ha_drift_arcsec", kDriftRange);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return sky::parse_utc(time, reader.path_of("time_utc")).map([&](sky::UtcTime start) {
    run.start = start;
    return run;
  });
}

}  // namespace solarchon::align
