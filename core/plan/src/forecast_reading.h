// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "solarchon/plan/forecast.h"

// What the readers of forecasts share.

namespace solarchon::plan {

/// Puts an hour in its order; one of the same time gives way.
void put(Forecast& forecast, const ForecastHour& hour);

/// Reads a forecast in JSON; entries that are bad are refused one by one.
/// Errors: as forecast_from_text.
[[nodiscard]] base::Result<ForecastFile> forecast_from_json_text(std::string_view text,
                                                                 const std::string& source);

}  // namespace solarchon::plan
