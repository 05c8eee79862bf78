// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/table.h"
#include "solarchon/sky/dew.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::plan {

/// The weather foretold for an instant.
struct ForecastHour {
  sky::UtcTime time;
  double cloud_percent = 0.0;  ///< of the sky, clouds that hide the Sun
  double thin_percent = 0.0;   ///< of the sky, high thin cloud that dims and ruins stacking
  double wind_m_s = 3.0;
  std::optional<double> temperature_c;
  std::optional<double> humidity_percent = {};  ///< relative, within sky::kHumidityRange
  bool operator==(const ForecastHour&) const = default;
};

/// Hours in order of time. Where it comes from and when it was made stays with it.
struct Forecast {
  std::string source;
  std::vector<ForecastHour> hours;
  bool operator==(const Forecast&) const = default;
};

inline constexpr base::Range kPercentRange{0.0, 100.0};
inline constexpr base::Range kWindRange{0.0, 80.0};
inline constexpr std::size_t kMostForecastHours = 768;  // 32 days

struct ForecastFile {
  Forecast forecast;
  std::vector<base::RefusedLine> refused;
};

/// Reads an hourly forecast: CSV with `time_utc,cloud_percent,thin_percent,wind_m_s` and perhaps
/// `temperature_c,humidity_percent`, or JSON as `to_json` writes it. Bad lines (in JSON: entries,
/// from 1) are refused, the rest is kept; a later line replaces an earlier one of the same time.
/// @param source  what the forecast is said to come from, unless its JSON tells
/// Errors: kMalformed for JSON that is none; kVersion; kTooLarge above 768 hours; as
/// base::fail_whole when no line could be taken.
[[nodiscard]] base::Result<ForecastFile> forecast_from_text(std::string_view text,
                                                            const std::string& source);

/// {format, version, source, hours: [{time_utc, cloud_percent, thin_percent, wind_m_s,
/// temperature_c, humidity_percent}]}
[[nodiscard]] base::Json to_json(const Forecast& forecast);
/// The same, for a member of a file of our own: the first bad hour is an error.
[[nodiscard]] base::Result<Forecast> forecast_from_json(const base::Json& json,
                                                        const std::string& path);
[[nodiscard]] std::string to_csv(const Forecast& forecast);

/// The forecast for an instant, between its two neighbours (in proportion), which may be at most
/// three hours apart; within half an hour of a single one. None elsewhere.
[[nodiscard]] std::optional<ForecastHour> forecast_at(const Forecast& forecast, sky::UtcTime time);

/// What a forecast means for a picture of the Sun.
enum class SkyState { kClear, kThinCloud, kBroken, kOvercast };
inline constexpr base::EnumWords<SkyState, 4> kSkyWords{
    {"clear", "thin-cloud", "broken", "overcast"}};
/// Overcast from 70 per cent, broken from 30; thin from 30 per cent of thin cloud.
[[nodiscard]] SkyState state_of(const ForecastHour& hour);

/// A forecast that looks like one, from nowhere: the stand-in for a weather service. Fine, hazy,
/// broken and overcast days follow each other, cloud and wind grow over warm ground in the
/// afternoon. The same site and hours give the same answer.
/// @param first  start; taken down to the full hour
/// @param hours  1 to 768
[[nodiscard]] Forecast stand_in_forecast(const sky::Site& site, sky::UtcTime first, int hours);

}  // namespace solarchon::plan
