// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/site.h"

#include <algorithm>
#include <cmath>

namespace solarchon::sky {

base::Json to_json(const Site& site) {
  base::Json json{{"name", site.name},
                  {"latitude_deg", site.latitude_deg},
                  {"longitude_deg", site.longitude_deg},
                  {"elevation_m", site.elevation_m},
                  {"time_zone", site.time_zone}};
  if (!site.horizon.points.empty()) {
    json["horizon"] = to_json(site.horizon);
  }
  return json;
}

base::Result<Site> site_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  Site site;
  site.name = reader.text("name");
  site.latitude_deg = reader.number("latitude_deg", kLatitudeRange);
  site.longitude_deg = reader.number("longitude_deg", kLongitudeRange);
  site.elevation_m = reader.number_or("elevation_m", kElevationRange, 0.0);
  site.time_zone = reader.text_or("time_zone", "UTC");
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  if (reader.has("horizon")) {
    auto horizon = horizon_from_json(json.at("horizon"), reader.path_of("horizon"));
    if (!horizon) {
      return tl::make_unexpected(horizon.error());
    }
    site.horizon = std::move(*horizon);
  }
  return site;
}

double standard_pressure_hpa(double elevation_m) {
  const double height_m = std::clamp(elevation_m, -500.0, 11000.0);
  return kSeaLevelHpa * std::pow(1.0 - 2.25577e-5 * height_m, 5.25588);
}

}  // namespace solarchon::sky
