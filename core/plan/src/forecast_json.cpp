// SPDX-License-Identifier: GPL-3.0-or-later
#include <functional>

#include "forecast_reading.h"
#include "solarchon/base/json.h"

namespace solarchon::plan {

using base::ErrorCode;
using base::fail;
using base::Json;
using base::Result;

namespace {

constexpr int kVersion = 1;

Result<ForecastHour> hour_of(const Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  ForecastHour hour;
  const std::string time = reader.text("time_utc");
  hour.cloud_percent = reader.number("cloud_percent", kPercentRange);
  hour.thin_percent = reader.number_or("thin_percent", kPercentRange, 0.0);
  hour.wind_m_s = reader.number_or("wind_m_s", kWindRange, hour.wind_m_s);
  hour.temperature_c = reader.optional_number("temperature_c", sky::kTemperatureRange);
  hour.humidity_percent = reader.optional_number("humidity_percent", sky::kHumidityRange);
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return sky::parse_utc(time, reader.path_of("time_utc")).map([&](sky::UtcTime at) {
    hour.time = at;
    return hour;
  });
}

/// Head and hours of a forecast in JSON.
/// @param refuse  is told of each bad entry, from 1
Result<Forecast> read_json(const Json& json, const std::string& path,
                           const std::function<void(int, const base::Error&)>& refuse) {
  base::ObjectReader reader(json, path);
  (void)reader.choice("format", {"solarchon-forecast"});
  const int version = reader.integer("version", {1, 1'000'000});
  Forecast forecast;
  forecast.source = reader.text_or("source", {});
  if (!reader.error() && version > kVersion) {
    reader.fail(ErrorCode::kVersion, "version", std::to_string(version),
                base::wants("versions-up-to", {1.0}));
  }
  if (!reader.error() && !(json.contains("hours") && json.at("hours").is_array())) {
    reader.fail(ErrorCode::kMissing, "hours", {}, base::wants("list"));
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  const Json& list = json.at("hours");
  if (list.size() > kMostForecastHours) {
    return fail(ErrorCode::kTooLarge, reader.path_of("hours"), {},
                base::wants("at-most", {static_cast<double>(kMostForecastHours)}));
  }
  for (std::size_t i = 0; i < list.size(); ++i) {
    const auto hour = hour_of(list[i], reader.path_of("hours") + "[" + std::to_string(i) + "]");
    if (hour) {
      put(forecast, *hour);
    } else {
      refuse(static_cast<int>(i) + 1, hour.error());
    }
  }
  return forecast;
}

}  // namespace

Json to_json(const Forecast& forecast) {
  Json hours = Json::array();
  for (const ForecastHour& hour : forecast.hours) {
    Json row{{"time_utc", sky::to_iso(hour.time)},
             {"cloud_percent", hour.cloud_percent},
             {"thin_percent", hour.thin_percent},
             {"wind_m_s", hour.wind_m_s}};
    if (hour.temperature_c) {
      row["temperature_c"] = *hour.temperature_c;
    }
    if (hour.humidity_percent) {
      row["humidity_percent"] = *hour.humidity_percent;
    }
    hours.push_back(std::move(row));
  }
  return {{"format", "solarchon-forecast"},
          {"version", kVersion},
          {"source", forecast.source},
          {"hours", std::move(hours)}};
}

Result<Forecast> forecast_from_json(const Json& json, const std::string& path) {
  std::optional<base::Error> first;
  auto forecast =
      read_json(json, path, [&](int, const base::Error& error) { first = first ? first : error; });
  if (forecast && first) {
    return tl::make_unexpected(*first);
  }
  return forecast;
}

Result<ForecastFile> forecast_from_json_text(std::string_view text, const std::string& source) {
  ForecastFile file;
  auto read = base::parse_json(text, source).and_then([&](const Json& json) {
    return read_json(json, "", [&](int line, const base::Error& error) {
      file.refused.push_back({line, error});
    });
  });
  if (!read) {
    return tl::make_unexpected(read.error());
  }
  file.forecast = std::move(*read);
  if (file.forecast.hours.empty()) {
    return tl::make_unexpected(base::fail_whole("forecast", file.refused));
  }
  return file;
}

}  // namespace solarchon::plan
