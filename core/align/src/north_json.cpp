// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/north.h"

#include "solarchon/base/json.h"

namespace solarchon::align {

base::Json to_json(const PlumbShadow& shadow) {
  return {{"time_utc", sky::to_iso(shadow.time)},      {"direction_deg", shadow.direction_deg},
          {"to_axis_deg", shadow.to_axis_deg},         {"length_mm", shadow.length_mm},
          {"turning_deg_min", shadow.turning_deg_min}, {"accuracy_deg", shadow.accuracy_deg}};
}

base::Json to_json(const North& north, const NorthTools& tools) {
  const auto shadow = [](const std::optional<PlumbShadow>& known) {
    return known ? to_json(*known) : base::Json(nullptr);
  };
  base::Json ways = base::Json::array();
  for (const NorthChance& chance : north.ways) {
    ways.push_back({{"way", kNorthWayWords.of(chance.way)},
                    {"azimuth_accuracy_deg", chance.azimuth_deg},
                    {"pole_accuracy_deg", chance.pole_deg}});
  }
  return {{"axis_azimuth_deg", north.axis_azimuth_deg},
          {"axis_altitude_deg", north.axis_altitude_deg},
          {"magnetic_declination_deg", base::or_null(tools.magnetic_declination_deg)},
          {"compass_bearing_deg", base::or_null(north.compass_bearing_deg)},
          {"shadow", shadow(north.shadow)},
          {"in_meridian", shadow(north.in_meridian)},
          {"ways", ways}};
}

}  // namespace solarchon::align
