// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <CLI/CLI.hpp>
#include <optional>
#include <string>

#include "solarchon/base/result.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::cli {

/// Where and when, as options give it.
struct PlaceOptions {
  double latitude_deg = 0.0;
  double longitude_deg = 0.0;
  double elevation_m = 0.0;
  std::string time;
  std::optional<double> pressure_hpa;
  double temperature_c = 15.0;
  double dut1_s = 0.0;
};

/// Adds --lat, --lon and --elev. @param required  whether the first two must be given
void add_ground(CLI::App& command, PlaceOptions& options, bool required);
/// Adds --pressure, --temperature and --dut1.
void add_air(CLI::App& command, PlaceOptions& options);
/// Adds both, and --time.
void add_place(CLI::App& command, PlaceOptions& options, bool required);

/// Errors: kOutOfRange with the option's name.
[[nodiscard]] base::Result<sky::Site> site_of(const PlaceOptions& options);
/// With the given pressure, or the usual one of that height. Errors: as above.
[[nodiscard]] base::Result<sky::Observer> observer_of(const PlaceOptions& options);

/// An observer at an instant.
struct Placed {
  sky::Observer observer;
  sky::UtcTime time;
};
/// Errors: as above, and those of sky::parse_utc.
[[nodiscard]] base::Result<Placed> placed(const PlaceOptions& options);

}  // namespace solarchon::cli
