// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/site.h"

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"

namespace solarchon::sky {

namespace {

constexpr const char* kFormat = "solarchon-site";
constexpr int kVersion = 1;

}  // namespace

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

base::Result<Site> site_from_file(const base::Json& json) {
  base::ObjectReader reader(json, "");
  (void)reader.choice("format", {kFormat});
  const int version = reader.integer("version", {1, 1'000'000});
  const base::Json& site = reader.object("site");
  if (!reader.error() && version > kVersion) {
    reader.fail(base::ErrorCode::kVersion, "version", std::to_string(version),
                base::wants("versions-up-to", {static_cast<double>(kVersion)}));
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return site_from_json(site, "site");
}

base::Result<void> write_site(const Site& site, const std::filesystem::path& path) {
  return base::write_file(
      path, base::file_text({{"format", kFormat}, {"version", kVersion}, {"site", to_json(site)}}));
}

}  // namespace solarchon::sky
