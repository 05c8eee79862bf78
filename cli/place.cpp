// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/place.h"

#include "solarchon/base/range.h"

namespace solarchon::cli {

using base::Result;

namespace {

struct Check {
  const char* field;
  double value;
  base::Range range;
};

/// The first that is wrong.
Result<void> check_all(std::initializer_list<Check> checks) {
  for (const Check& check : checks) {
    if (const auto value = base::checked(check.field, check.value, check.range); !value) {
      return tl::make_unexpected(value.error());
    }
  }
  return {};
}

}  // namespace

void add_ground(CLI::App& command, PlaceOptions& options, bool required) {
  command.add_option("--lat", options.latitude_deg, "latitude (degree, north positive)")
      ->required(required);
  command.add_option("--lon", options.longitude_deg, "longitude (degree, east positive)")
      ->required(required);
  command.add_option("--elev", options.elevation_m, "height above the ellipsoid (m)");
}

void add_air(CLI::App& command, PlaceOptions& options) {
  command.add_option("--pressure", options.pressure_hpa,
                     "air pressure (hPa); left out, that of the height");
  command.add_option("--temperature", options.temperature_c, "air temperature (degree C)");
  command.add_option("--dut1", options.dut1_s, "UT1 - UTC (s)");
}

void add_place(CLI::App& command, PlaceOptions& options, bool required) {
  add_ground(command, options, required);
  command.add_option("--time", options.time, "UTC, as 2027-07-14T10:30:00Z")->required(required);
  add_air(command, options);
}

Result<sky::Site> site_of(const PlaceOptions& options) {
  return check_all({{"lat", options.latitude_deg, sky::kLatitudeRange},
                    {"lon", options.longitude_deg, sky::kLongitudeRange},
                    {"elev", options.elevation_m, sky::kElevationRange}})
      .map([&] {
        sky::Site site;
        site.latitude_deg = options.latitude_deg;
        site.longitude_deg = options.longitude_deg;
        site.elevation_m = options.elevation_m;
        return site;
      });
}

Result<sky::Observer> observer_of(const PlaceOptions& options) {
  return site_of(options).and_then([&](const sky::Site& site) {
    const double pressure_hpa =
        options.pressure_hpa.value_or(sky::standard_pressure_hpa(site.elevation_m));
    return check_all({{"temperature", options.temperature_c, sky::kTemperatureRange},
                      {"dut1", options.dut1_s, sky::kDut1Range},
                      {"pressure", pressure_hpa, sky::kPressureRange}})
        .map([&] {
          return sky::Observer(site, {pressure_hpa, options.temperature_c}, options.dut1_s);
        });
  });
}

Result<Placed> placed(const PlaceOptions& options) {
  return observer_of(options).and_then([&](const sky::Observer& observer) {
    return sky::parse_utc(options.time, "time").map([&](sky::UtcTime time) {
      return Placed{observer, time};
    });
  });
}

}  // namespace solarchon::cli
