// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/live.h"

#include "solarchon/base/json.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::workspace {

base::Json clip_facts(const Workspace& workspace, const Answers& answers) {
  const sky::Weather weather = observer_of(workspace).weather;
  return {{"site", sky::to_json(workspace.site)},
          {"light_path", optics::to_json(workspace.rig)},
          {"target", match::kTargetWords.of(workspace.target)},
          {"seeing_arcsec", workspace.conditions.seeing_arcsec},
          {"pressure_hpa", weather.pressure_hpa},
          {"temperature_c", weather.temperature_c},
          {"started_utc", sky::to_iso(answers.time)},
          {"sun_altitude_deg", answers.local.altitude_deg},
          {"solar_north_deg", answers.solar.north_deg},
          {"mirrored", answers.solar.mirrored}};
}

}  // namespace solarchon::workspace
