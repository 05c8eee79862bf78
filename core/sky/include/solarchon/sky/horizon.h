// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/base/table.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// One corner of what stands around the telescope.
struct HorizonPoint {
  double azimuth_deg = 0.0;  ///< from north through east, 0 to below 360
  double height_deg = 0.0;   ///< over the level horizon, -10 to 90
  bool trees = false;        ///< bare in winter
  bool operator==(const HorizonPoint&) const = default;
};

/// Azimuths as people write them; put() wraps them.
inline constexpr base::Range kHorizonAzimuthRange{-360.0, 720.0};
inline constexpr base::Range kHorizonHeightRange{-10.0, 90.0};
inline constexpr std::size_t kMostHorizonPoints = 720;

/// The skyline of a site: corners in order of azimuth, straight lines between, once round. Empty
/// means a level horizon. A stretch between two corners marked as trees does not count while they
/// are bare.
struct Horizon {
  std::vector<HorizonPoint> points;
  bool operator==(const Horizon&) const = default;

  /// Height of the skyline (degree). @param azimuth_deg  any angle
  [[nodiscard]] double height_deg(double azimuth_deg, bool trees_in_leaf) const;
  /// Puts a corner in its order; one within 0.05 degree of its azimuth gives way.
  void put(const HorizonPoint& point);
};

/// Whether trees carry leaves: 15 April to 31 October in the north, 15 October to 30 April in the
/// south, always within the tropics. Good to some weeks.
[[nodiscard]] bool trees_in_leaf(const CivilDate& date, double latitude_deg);

struct HorizonFile {
  Horizon horizon;
  std::vector<base::RefusedLine> refused;
};

/// Reads a horizon from CSV: `azimuth_deg,height_deg` or `azimuth_deg,height_deg,trees` with trees
/// as yes, no, 1, 0 or nothing; a heading, empty lines and lines that begin with # are skipped.
/// Bad lines are refused one by one, the rest is kept. Later lines replace earlier ones of the same
/// azimuth.
/// Errors: kTooLarge above 720 corners; kMissing when no line could be taken.
[[nodiscard]] base::Result<HorizonFile> horizon_from_csv(std::string_view text);
[[nodiscard]] std::string to_csv(const Horizon& horizon);

/// [{azimuth_deg, height_deg, trees}]
[[nodiscard]] base::Json to_json(const Horizon& horizon);
/// Errors: as base::ObjectReader, with the place in the list.
[[nodiscard]] base::Result<Horizon> horizon_from_json(const base::Json& json,
                                                      const std::string& path);

}  // namespace solarchon::sky
