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
  bool operator==(const Wishes&) const = default;
};

/// {runs, minutes, power, ground, forecast}; members may be missing.
[[nodiscard]] base::Json to_json(const Wishes& wishes);
/// Errors: as base::ObjectReader, below `path`; kTooLarge above 500 runs.
[[nodiscard]] base::Result<Wishes> wishes_from_json(const base::Json& json,
                                                    const std::string& path);

}  // namespace solarchon::plan
