// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <filesystem>
#include <string>
#include <utility>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/horizon.h"

namespace solarchon::sky {

/// Where the telescope stands.
struct Site {
  std::string name;
  double latitude_deg = 0.0;      ///< geodetic, north positive, -90 to 90
  double longitude_deg = 0.0;     ///< east positive, -180 to 360
  double elevation_m = 0.0;       ///< above the ellipsoid, -500 to 9000
  std::string time_zone = "UTC";  ///< name in the zone database, such as `Europe/Madrid`
  Horizon horizon = {};           ///< what stands around; empty: level
  bool operator==(const Site&) const = default;
};

/// The air at the telescope.
struct Weather {
  double pressure_hpa = 1010.0;  ///< at the site, not reduced to the sea; 0 means no air
  double temperature_c = 15.0;
  bool operator==(const Weather&) const = default;
};

/// The width to which usual day-time air smears a point (arcsec), where nobody judged it.
inline constexpr double kUsualSeeingArcsec = 2.0;

/// Who looks: from where, through which air, and by which turn of the Earth. All three are said, so
/// that none is forgotten.
struct Observer {
  /// @param dut1_s  UT1 - UTC (s), within kDut1Range
  Observer(Site at, Weather through, double dut1)
      : site(std::move(at)), weather(through), dut1_s(dut1) {}
  Site site;
  Weather weather;
  double dut1_s;
  bool operator==(const Observer&) const = default;
};

/// Air pressure of the standard atmosphere at a height (hPa), for who has no barometer.
/// @param elevation_m  up to 11000; above, that of 11000. Source: ICAO standard atmosphere.
[[nodiscard]] double standard_pressure_hpa(double elevation_m);
inline constexpr double kSeaLevelHpa = 1013.25;

inline constexpr base::Range kLatitudeRange{-90.0, 90.0};
inline constexpr base::Range kLongitudeRange{-180.0, 360.0};
inline constexpr base::Range kElevationRange{-500.0, 9000.0};
inline constexpr base::Range kPressureRange{0.0, 1200.0};
inline constexpr base::Range kTemperatureRange{-90.0, 65.0};
/// UT1 minus UTC never exceeds this (s).
inline constexpr base::Range kDut1Range{-0.9, 0.9};

/// Members: name, latitude_deg, longitude_deg, elevation_m, time_zone, horizon (may be missing).
[[nodiscard]] base::Json to_json(const Site& site);
/// Errors: as ObjectReader; members are named below `path`.
[[nodiscard]] base::Result<Site> site_from_json(const base::Json& json, const std::string& path);

/// A file that holds one site: {format: solarchon-site, version, site}; at most kMostSiteBytes.
/// Errors: as ObjectReader; kVersion for a newer format.
inline constexpr std::size_t kMostSiteBytes = 1U << 20U;
[[nodiscard]] base::Result<Site> site_from_file(const base::Json& json);
/// Whole or not at all. Errors: kUnwritable.
[[nodiscard]] base::Result<void> write_site(const Site& site, const std::filesystem::path& path);

}  // namespace solarchon::sky
