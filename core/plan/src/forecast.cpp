// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/forecast.h"

#include <algorithm>
#include <cmath>
#include <sstream>

#include "forecast_reading.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/random.h"

namespace solarchon::plan {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

Result<ForecastHour> hour_of(const base::Columns& columns) {
  if (columns.size() < 4 || columns.size() > 6) {
    return base::fail_because(ErrorCode::kMalformed, "line",
                              base::because("columns", {static_cast<double>(columns.size())}),
                              base::wants("forecast-columns"));
  }
  const auto time = sky::parse_utc(columns[0], "time_utc");
  const auto cloud = base::number_of(columns[1], "cloud_percent", kPercentRange);
  const auto thin = base::number_of(columns[2], "thin_percent", kPercentRange);
  const auto wind = base::number_of(columns[3], "wind_m_s", kWindRange);
  if (!time) {
    return tl::make_unexpected(time.error());
  }
  for (const auto& number : {cloud, thin, wind}) {
    if (!number) {
      return tl::make_unexpected(number.error());
    }
  }
  ForecastHour hour{*time, *cloud, *thin, *wind, {}, {}};
  struct Optional {
    std::size_t column;
    const char* name;
    base::Range range;
    std::optional<double>& value;
  };
  for (const Optional& one :
       {Optional{4, "temperature_c", sky::kTemperatureRange, hour.temperature_c},
        Optional{5, "humidity_percent", sky::kHumidityRange, hour.humidity_percent}}) {
    if (columns.size() > one.column && !columns[one.column].empty()) {
      const auto number = base::number_of(columns[one.column], one.name, one.range);
      if (!number) {
        return tl::make_unexpected(number.error());
      }
      one.value = *number;
    }
  }
  return hour;
}

double mixed(double from, double to, double part) { return from + part * (to - from); }

}  // namespace

void put(Forecast& forecast, const ForecastHour& hour) {
  auto& hours = forecast.hours;
  const auto place = std::lower_bound(
      hours.begin(), hours.end(), hour,
      [](const ForecastHour& one, const ForecastHour& other) { return one.time < other.time; });
  if (place != hours.end() && place->time == hour.time) {
    *place = hour;
  } else {
    hours.insert(place, hour);
  }
}

Result<ForecastFile> forecast_from_text(std::string_view text, const std::string& source) {
  ForecastFile file;
  const std::size_t first = text.find_first_not_of(" \t\r\n");
  if (first != std::string_view::npos && text[first] == '{') {
    auto read = forecast_from_json_text(text, source);
    if (!read) {
      return read;
    }
    file = std::move(*read);
  } else {
    auto refused = base::read_table(text, "forecast", [&](const base::Columns& columns) {
      return hour_of(columns).map([&](const ForecastHour& hour) { put(file.forecast, hour); });
    });
    if (!refused) {
      return tl::make_unexpected(refused.error());
    }
    file.refused = std::move(*refused);
  }
  if (file.forecast.hours.size() > kMostForecastHours) {
    return fail(ErrorCode::kTooLarge, "forecast", {},
                base::wants("at-most", {static_cast<double>(kMostForecastHours)}));
  }
  if (file.forecast.source.empty()) {
    file.forecast.source = source;
  }
  return file;
}

std::string to_csv(const Forecast& forecast) {
  std::ostringstream out;
  out << "time_utc,cloud_percent,thin_percent,wind_m_s,temperature_c,humidity_percent\n";
  for (const ForecastHour& hour : forecast.hours) {
    out << sky::to_iso(hour.time) << ',' << hour.cloud_percent << ',' << hour.thin_percent << ','
        << hour.wind_m_s << ',';
    if (hour.temperature_c) {
      out << *hour.temperature_c;
    }
    out << ',';
    if (hour.humidity_percent) {
      out << *hour.humidity_percent;
    }
    out << '\n';
  }
  return out.str();
}

std::optional<ForecastHour> forecast_at(const Forecast& forecast, sky::UtcTime time) {
  const auto& hours = forecast.hours;
  const auto after =
      std::lower_bound(hours.begin(), hours.end(), time,
                       [](const ForecastHour& hour, sky::UtcTime at) { return hour.time < at; });
  if (after != hours.end() && after != hours.begin()) {
    const ForecastHour& right = *after;
    const ForecastHour& left = *std::prev(after);
    const sky::Duration gap = right.time - left.time;
    if (gap <= sky::hours(3.0)) {
      const double part = (time - left.time) / gap;
      ForecastHour hour{time,
                        mixed(left.cloud_percent, right.cloud_percent, part),
                        mixed(left.thin_percent, right.thin_percent, part),
                        mixed(left.wind_m_s, right.wind_m_s, part),
                        {},
                        {}};
      if (left.humidity_percent && right.humidity_percent) {
        hour.humidity_percent = mixed(*left.humidity_percent, *right.humidity_percent, part);
      }
      if (left.temperature_c && right.temperature_c) {
        hour.temperature_c = mixed(*left.temperature_c, *right.temperature_c, part);
      }
      return hour;
    }
  }
  for (const auto near : {after, after != hours.begin() ? std::prev(after) : after}) {
    if (near != hours.end() && std::chrono::abs(time - near->time) <= sky::minutes(30.0)) {
      ForecastHour hour = *near;
      hour.time = time;
      return hour;
    }
  }
  return std::nullopt;
}

SkyState state_of(const ForecastHour& hour) {
  if (hour.cloud_percent >= 70.0) {
    return SkyState::kOvercast;
  }
  if (hour.cloud_percent >= 30.0) {
    return SkyState::kBroken;
  }
  return hour.thin_percent >= 30.0 ? SkyState::kThinCloud : SkyState::kClear;
}

namespace {

/// What kind of weather a day has, as a stand-in deals it.
struct Weather {
  double cloud;   ///< through the day (percent)
  double heaped;  ///< more at the height of the afternoon (percent)
  double thin;
  double wind_m_s;
};

Weather weather_of(const sky::Site& site, std::int64_t day) {
  const auto place = [](double degrees) {
    return static_cast<std::uint32_t>(std::lround((degrees + 720.0) * 100.0));
  };
  base::Random dice{place(site.latitude_deg), place(site.longitude_deg),
                    static_cast<std::uint32_t>(day)};
  const double kind = dice.uniform();
  if (kind < 0.45) {  // fine
    return {dice.uniform(0.0, 8.0), dice.uniform(0.0, 30.0), dice.uniform(0.0, 15.0),
            dice.uniform(1.0, 4.0)};
  }
  if (kind < 0.65) {  // hazy
    return {dice.uniform(0.0, 15.0), dice.uniform(0.0, 15.0), dice.uniform(30.0, 80.0),
            dice.uniform(0.5, 3.0)};
  }
  if (kind < 0.85) {  // broken
    return {dice.uniform(15.0, 45.0), dice.uniform(10.0, 45.0), dice.uniform(5.0, 30.0),
            dice.uniform(3.0, 8.0)};
  }
  return {dice.uniform(75.0, 100.0), 0.0, dice.uniform(20.0, 60.0), dice.uniform(2.0, 10.0)};
}

}  // namespace

Forecast stand_in_forecast(const sky::Site& site, sky::UtcTime first, int hours) {
  Forecast forecast;
  forecast.source = "stand-in service";
  constexpr std::int64_t kHourMs = 3'600'000;
  const std::int64_t start = first.unix_ms - ((first.unix_ms % kHourMs) + kHourMs) % kHourMs;
  forecast.hours.reserve(static_cast<std::size_t>(std::max(0, hours)));
  for (int i = 0; i < hours; ++i) {
    const sky::UtcTime time{start + i * kHourMs};
    // Days turn over at local midnight; between two noons the weather goes over from one to the
    // next.
    const sky::Duration local = time - sky::UtcTime{} + sky::hours(site.longitude_deg / 15.0);
    const double days = sky::in_days(local) - 0.5;
    const auto noon = static_cast<std::int64_t>(std::floor(days));
    const double part = days - static_cast<double>(noon);
    const Weather now = weather_of(site, noon);
    const Weather next = weather_of(site, noon + 1);
    const double hour = std::fmod(sky::in_hours(local), 24.0);
    // Cloud over warm ground is highest two hours after noon.
    const double warm = std::pow(std::max(0.0, std::cos((hour - 14.0) / 12.0 * base::kPi)), 2.0);
    const double heaped = part < 0.5 ? now.heaped : next.heaped;
    const auto rounded = [](double value, double parts) {
      return std::round(value * parts) / parts;
    };
    ForecastHour row;
    row.time = time;
    row.cloud_percent =
        rounded(std::clamp(mixed(now.cloud, next.cloud, part) + heaped * warm, 0.0, 100.0), 1.0);
    row.thin_percent = rounded(std::clamp(mixed(now.thin, next.thin, part), 0.0, 100.0), 1.0);
    row.wind_m_s = rounded(mixed(now.wind_m_s, next.wind_m_s, part) + 3.0 * warm, 10.0);
    const double season =
        std::cos((days / 365.25 - 0.55) * 2.0 * base::kPi) * (site.latitude_deg < 0.0 ? -1.0 : 1.0);
    row.temperature_c = rounded(
        24.0 - 0.25 * std::abs(site.latitude_deg) + 0.15 * std::abs(site.latitude_deg) * season +
            4.0 * std::cos((hour - 15.0) / 12.0 * base::kPi) - 0.0065 * site.elevation_m,
        10.0);
    // Damp before sunrise and under cloud, dry on warm afternoons.
    row.humidity_percent = rounded(std::clamp(62.0 + 0.2 * row.cloud_percent -
                                                  22.0 * std::cos((hour - 15.0) / 12.0 * base::kPi),
                                              20.0, 98.0),
                                   1.0);
    forecast.hours.push_back(row);
  }
  return forecast;
}

}  // namespace solarchon::plan
