// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/plan/air.h"
#include "solarchon/plan/countdown.h"
#include "solarchon/plan/forecast.h"
#include "solarchon/plan/run.h"
#include "solarchon/plan/supply.h"

namespace solarchon::plan {

/// What the observer wants of the coming days, and what is known of them beforehand.
struct Wishes {
  std::vector<Run> runs;  ///< of all days, in the order in which they were entered
  StepMinutes minutes = {};
  Power power = {};
  Surroundings surroundings = {};
  std::optional<Forecast> forecast = {};
  /// Whether rehearsals with the simulated camera teach air and exposures like real sessions.
  bool learn_from_simulated = false;
  double window_minutes = 60.0;  ///< how long a window of the coming weeks has to last
  bool operator==(const Wishes&) const = default;
};

/// What `window_minutes` may be.
constexpr base::Range kWindowMinutesRange{5.0, 600.0};

/// {runs, minutes, power, ground, forecast, learn_from_simulated, window_minutes}; members may be
/// missing.
[[nodiscard]] base::Json to_json(const Wishes& wishes);
/// Errors: as base::ObjectReader, below `path`; kTooLarge above 500 runs.
[[nodiscard]] base::Result<Wishes> wishes_from_json(const base::Json& json,
                                                    const std::string& path);

}  // namespace solarchon::plan
