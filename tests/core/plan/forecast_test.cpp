// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/forecast.h"

#include <array>

#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using test::FailsWith;
using test::utc;

using base::ErrorCode;

const sky::Site kHome{"", 36.07, -5.58, 42.0, "UTC"};
const sky::UtcTime kEight = utc("2027-07-17T08:00:00Z");

TEST(Forecast, ReadsATableAndRefusesItsBadLines) {
  const auto file = forecast_from_text(
      "time_utc,cloud_percent,thin_percent,wind_m_s,temperature_c\n"
      "2027-07-17T09:00Z,40,10,3.5,24\n"
      "2027-07-17T08:00Z,20,0,2.5\n"
      "yesterday,20,0,2.5,20\n"
      "2027-07-17T10:00Z,140,0,2.5,20\n"
      "2027-07-17T10:00Z,40,0\n"
      "2027-07-17T10:00Z,40,0,-2\n"
      "2027-07-17T10:00Z,40,0,2,warm\n"
      "2027-07-17T08:00Z,30,0,2.5\n",
      "weather.csv");
  ASSERT_TRUE(file);
  ASSERT_EQ(file->forecast.hours.size(), 2U);
  EXPECT_EQ(file->forecast.source, "weather.csv");
  EXPECT_EQ(file->forecast.hours[0], (ForecastHour{kEight, 30, 0, 2.5, {}}));  // the later line
  EXPECT_EQ(file->forecast.hours[1],
            (ForecastHour{kEight + sky::seconds(3600.0), 40, 10, 3.5, 24}));
  std::vector<std::pair<int, std::string>> said;
  for (const auto& line : file->refused) {
    said.emplace_back(line.line, line.error.field);
  }
  EXPECT_THAT(said, testing::ElementsAre(std::pair(4, "time_utc"), std::pair(5, "cloud_percent"),
                                         std::pair(6, "line"), std::pair(7, "wind_m_s"),
                                         std::pair(8, "temperature_c")));
}

TEST(Forecast, HumidityComesWithItOrNot) {
  const auto file = forecast_from_text(
      "time_utc,cloud_percent,thin_percent,wind_m_s,temperature_c,humidity_percent\n"
      "2027-07-17T08:00Z,20,0,2.5,20,80\n"
      "2027-07-17T09:00Z,20,0,2.5,,60\n"
      "2027-07-17T10:00Z,20,0,2.5,20,140\n"
      "2027-07-17T11:00Z,20,0,2.5,20\n",
      "weather.csv");
  ASSERT_TRUE(file);
  const Forecast& forecast = file->forecast;
  ASSERT_EQ(forecast.hours.size(), 3U);
  EXPECT_EQ(file->refused.at(0).error.field, "humidity_percent");
  EXPECT_FALSE(forecast.hours[1].temperature_c);
  EXPECT_DOUBLE_EQ(*forecast_at(forecast, kEight + sky::minutes(30.0))->humidity_percent, 70.0);
  EXPECT_FALSE(forecast_at(forecast, kEight + sky::minutes(90.0))->humidity_percent);
  // Both forms bring it back.
  EXPECT_EQ(forecast_from_text(to_csv(forecast), forecast.source)->forecast, forecast);
  EXPECT_EQ(forecast_from_json(to_json(forecast), "forecast").value(), forecast);
}

TEST(Forecast, ReadsJsonAndRefusesItsBadEntries) {
  const auto file = forecast_from_text(R"({"format": "solarchon-forecast", "version": 1,
      "source": "harbour office", "hours": [
      {"time_utc": "2027-07-17T08:00Z", "cloud_percent": 20},
      {"time_utc": "2027-07-17T09:00Z"}, 7,
      {"time_utc": "2027-13-17T09:00Z", "cloud_percent": 20}]})",
                                       "weather.json");
  ASSERT_TRUE(file);
  EXPECT_EQ(file->forecast.source, "harbour office");
  EXPECT_EQ(file->forecast.hours.size(), 1U);
  ASSERT_EQ(file->refused.size(), 3U);
  EXPECT_EQ(file->refused[0].line, 2);
  EXPECT_EQ(file->refused[0].error.field, "hours[1].cloud_percent");
  EXPECT_EQ(file->refused[2].error.field, "hours[3].time_utc");
}

TEST(Forecast, RefusesWhatIsNone) {
  EXPECT_THAT(forecast_from_text("", "f"), FailsWith(ErrorCode::kMissing, "forecast"));
  EXPECT_THAT(forecast_from_text("{", "f"), FailsWith(ErrorCode::kMalformed, "f"));
  EXPECT_THAT(
      forecast_from_text(R"({"format": "solarchon-forecast", "version": 9, "hours": []})", "f"),
      FailsWith(ErrorCode::kVersion, "version"));
  EXPECT_THAT(forecast_from_text(R"({"format": "solarchon-forecast", "version": 1})", "f"),
              FailsWith(ErrorCode::kMissing, "hours"));
  EXPECT_THAT(
      forecast_from_text(R"({"format": "solarchon-forecast", "version": 1, "hours": [1]})", "f"),
      FailsWith(ErrorCode::kWrongType, "hours[0]", 1));
}

TEST(Forecast, SurvivesItsOwnFiles) {
  const Forecast made = stand_in_forecast(kHome, kEight, 72);
  const auto as_json = forecast_from_text(to_json(made).dump(), "f");
  ASSERT_TRUE(as_json);
  EXPECT_EQ(as_json->forecast, made);
  EXPECT_EQ(forecast_from_json(to_json(made), "forecast"), made);
  const auto as_csv = forecast_from_text(to_csv(made), made.source);
  ASSERT_TRUE(as_csv);
  EXPECT_EQ(as_csv->forecast, made);
}

TEST(ForecastAt, GoesBetweenNeighboursAndNotBeyond) {
  const Forecast forecast{"",
                          {{kEight, 20, 0, 2, 20},
                           {kEight + sky::seconds(3600.0), 40, 10, 4, {}},
                           {kEight + sky::seconds(6.0 * 3600.0), 90, 0, 8, {}}}};
  const auto between = forecast_at(forecast, kEight + sky::seconds(900.0));
  ASSERT_TRUE(between);
  EXPECT_DOUBLE_EQ(between->cloud_percent, 25.0);
  EXPECT_DOUBLE_EQ(between->wind_m_s, 2.5);
  EXPECT_FALSE(between->temperature_c);
  EXPECT_EQ(forecast_at(forecast, kEight + sky::seconds(5400.0))->cloud_percent,
            40.0);                                                           // half an hour after
  EXPECT_FALSE(forecast_at(forecast, kEight + sky::seconds(3.0 * 3600.0)));  // in a gap
  EXPECT_EQ(forecast_at(forecast, kEight - sky::seconds(1800.0))->cloud_percent, 20.0);
  EXPECT_FALSE(forecast_at(forecast, kEight - sky::seconds(1801.0)));
  EXPECT_FALSE(forecast_at({}, kEight));
  EXPECT_EQ(forecast_at(forecast, kEight)->cloud_percent, 20.0);
}

TEST(ForecastState, HasItsEdges) {
  const auto state = [](double cloud, double thin) {
    return state_of({kEight, cloud, thin, 3, {}});
  };
  EXPECT_EQ(state(29, 29), SkyState::kClear);
  EXPECT_EQ(state(29, 30), SkyState::kThinCloud);
  EXPECT_EQ(state(30, 30), SkyState::kBroken);
  EXPECT_EQ(state(70, 0), SkyState::kOvercast);
}

TEST(StandInForecast, MakesPlausibleDaysThatRepeat) {
  const Forecast year = [] {
    Forecast all;
    for (int month = 1; month <= 12; ++month) {
      const auto part = stand_in_forecast(kHome, sky::start_of({2027, month, 1}), 28 * 24);
      all.hours.insert(all.hours.end(), part.hours.begin(), part.hours.end());
    }
    return all;
  }();
  std::array<int, 4> states{};
  double morning = 0.0;
  double afternoon = 0.0;
  double january = 0.0;
  double july = 0.0;
  for (const ForecastHour& hour : year.hours) {
    EXPECT_GE(hour.cloud_percent, 0.0);
    EXPECT_LE(hour.cloud_percent, 100.0);
    EXPECT_LE(hour.wind_m_s, 20.0);
    ++states.at(static_cast<std::size_t>(state_of(hour)));
    const auto of_day = hour.time.unix_ms / 3'600'000 % 24;
    morning += of_day == 8 ? hour.wind_m_s : 0.0;
    afternoon += of_day == 14 ? hour.wind_m_s : 0.0;
    const int month = sky::utc_date(hour.time).month;
    january += month == 1 ? *hour.temperature_c / (28.0 * 24.0) : 0.0;
    july += month == 7 ? *hour.temperature_c / (28.0 * 24.0) : 0.0;
  }
  for (const int count : states) {
    EXPECT_GT(count, static_cast<int>(year.hours.size()) / 20);  // each kind of sky happens
  }
  EXPECT_GT(afternoon, morning);
  EXPECT_GT(july, january + 5.0);
  // The same hour is foretold the same whenever it is asked for; other places have other weather.
  const auto later = stand_in_forecast(kHome, kEight + sky::seconds(7200.0), 5);
  const auto now = stand_in_forecast(kHome, kEight + sky::seconds(600.0), 5);
  EXPECT_EQ(now.hours.front().time, kEight);
  EXPECT_EQ(now.hours[2], later.hours[0]);
  EXPECT_NE(stand_in_forecast({"", -41.3, 174.8, 0, "UTC"}, kEight, 5), now);
}

}  // namespace
}  // namespace solarchon::plan
