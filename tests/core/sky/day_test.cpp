// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/day.h"

#include <cmath>

#include "tests/reference/day.h"
#include "tests/reference/twilight.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using test::utc;

constexpr double kEventTolerance_s = 10.0;   // docs/numbers.md
constexpr double kTransitTolerance_s = 3.0;  // docs/numbers.md
// A grazing Sun turns an arcsecond of place into minutes of time: within a degree of the polar
// circles of the day, only the kind of event is compared.
constexpr double kGrazing_s = 90.0;

SunDay day_at(const char* date, double latitude, double longitude) {
  return sun_day(parse_date(date, "date").value(),
                 Observer{Site{"", latitude, longitude, 0.0, "UTC"}, {}, 0.0});
}

void expect_event(const std::optional<UtcTime>& event, const std::string& expected,
                  double tolerance_s, const std::string& where) {
  ASSERT_EQ(event.has_value(), !expected.empty()) << where;
  if (event) {
    EXPECT_NEAR(in_seconds(*event - utc(expected)), 0.0, tolerance_s) << where;
  }
}

TEST(SunDay, AgreesWithAnIndependentLibraryInAllLatitudes) {
  for (const auto& row : reference::kDayRows) {
    const SunDay day = day_at(row.date, row.latitude_deg, row.longitude_deg);
    const std::string where = std::string(row.date) + " " + std::to_string(row.latitude_deg);
    const double slope = std::abs(row.latitude_deg) > 60.0 ? kGrazing_s : kEventTolerance_s;
    expect_event(day.sunrise, row.sunrise, slope, "rise " + where);
    expect_event(day.transit, row.transit, kTransitTolerance_s, "transit " + where);
    expect_event(day.sunset, row.sunset, slope, "set " + where);
  }
}

TEST(SunDay, CivilTwilightAgreesWithAnIndependentLibraryInAllLatitudes) {
  for (const auto& row : reference::kTwilightRows) {
    const SunDay day = day_at(row.date, row.latitude_deg, row.longitude_deg);
    const std::string where = std::string(row.date) + " " + std::to_string(row.latitude_deg);
    const double slope = std::abs(row.latitude_deg) > 60.0 ? kGrazing_s : kEventTolerance_s;
    expect_event(day.civil_dawn, row.dawn, slope, "dawn " + where);
    expect_event(day.civil_dusk, row.dusk, slope, "dusk " + where);
  }
  const SunDay white_night = day_at("2027-06-21", 65.0, 25.0);
  EXPECT_FALSE(white_night.civil_dawn || white_night.civil_dusk);
}

TEST(SunDay, CulminationIsTheGreatestHeight) {
  for (const double latitude : {-66.0, -41.3, -20.0, 0.0, 21.0, 36.07, 60.0, 85.0, 89.9}) {
    const SunDay day = day_at("2027-03-20", latitude, 30.0);
    for (const ArcPoint& point : day.arc) {
      EXPECT_LE(point.altitude_deg, day.culmination_altitude_deg + 0.7) << latitude;  // refraction
    }
    EXPECT_GE(day.culmination_altitude_deg, day.transit_altitude_deg - 1e-9) << latitude;
    // The declination climbs by a minute of arc an hour: within 16 s in the middle latitudes.
    if (std::abs(latitude) < 45.0) {
      EXPECT_NEAR(in_seconds(day.culmination - *day.transit), 0.0, 20.0) << latitude;
    }
  }
}

TEST(ArcAt, LiesOnTheSunsPathBetweenThePoints) {
  const Site site{"", 36.07, -5.58, 42.0, "UTC"};
  const SunDay day = sun_day({2027, 7, 17}, Observer{site, {}, 0.0});
  const SunEphemeris ephemeris(day.start + sky::seconds(43200.0), 0.0);
  for (double seconds = 97.0; seconds < 86400.0; seconds += 611.0) {
    const UtcTime time = day.start + sky::seconds(seconds);
    const LocalSun sun = local_sun(ephemeris.at(time), site, {});
    const ArcPoint point = arc_at(day, time);
    EXPECT_NEAR(point.altitude_deg, sun.altitude_deg, sun.altitude_deg > 1.0 ? 0.01 : 0.2);
    EXPECT_THAT(point.azimuth_deg, test::AngleNear(sun.azimuth_deg, 0.05));
  }
  EXPECT_DOUBLE_EQ(arc_at(day, day.start + sky::seconds(-1e6)).altitude_deg,
                   day.arc.front().altitude_deg);
  EXPECT_DOUBLE_EQ(arc_at(day, day.end + sky::seconds(1e6)).altitude_deg,
                   day.arc.back().altitude_deg);
}

TEST(SunDay, KnowsMidnightSunAndPolarNight) {
  const SunDay summer = day_at("2027-06-21", 70.0, 25.0);
  EXPECT_EQ(summer.polar, PolarState::kMidnightSun);
  EXPECT_FALSE(summer.sunrise || summer.sunset);
  EXPECT_TRUE(summer.transit);
  const SunDay winter = day_at("2027-12-21", 70.0, 25.0);
  EXPECT_EQ(winter.polar, PolarState::kPolarNight);
  EXPECT_LT(winter.transit_altitude_deg, 0.0);
  EXPECT_EQ(day_at("2027-12-21", -70.0, 25.0).polar, PolarState::kMidnightSun);
  EXPECT_EQ(day_at("2027-06-21", 36.0, -5.0).polar, PolarState::kNone);
}

TEST(SunDay, ATenMinuteSunOverTheHorizonIsNotMissed) {
  // At that latitude the limb rises for less than the step between looks.
  bool short_day_seen = false;
  for (double latitude = 67.3; latitude < 67.45; latitude += 0.001) {
    const SunDay day = day_at("2027-12-21", latitude, 25.0);
    if (day.sunrise && day.sunset) {
      const double length = in_seconds(*day.sunset - *day.sunrise);
      EXPECT_GT(length, 0.0);
      short_day_seen = short_day_seen || length < 600.0;
    } else {
      EXPECT_EQ(day.polar, PolarState::kPolarNight) << latitude;
    }
  }
  EXPECT_TRUE(short_day_seen);
}

TEST(SunDay, LiesAroundLocalMeanNoonOnBothSidesOfTheDateLine) {
  const SunDay east = day_at("2027-07-17", 0.0, 179.9);
  const SunDay west = day_at("2027-07-17", 0.0, -179.9);
  EXPECT_NEAR(in_seconds(east.start + sky::seconds(in_seconds(east.end - east.start) / 2) -
                         utc("2027-07-17T00:00:24Z")),
              0.0, 1.0);
  EXPECT_NEAR(in_seconds(west.start - east.start), 86400.0 * 359.8 / 360.0, 1.0);
  EXPECT_TRUE(east.sunrise && east.sunset && west.sunrise && west.sunset);
  EXPECT_LT(*east.sunrise, *east.transit);
  EXPECT_LT(*east.transit, *east.sunset);
}

TEST(SunDay, TheArcCoversTheDayInTenMinutes) {
  const SunDay day = day_at("2027-07-17", 36.07, -5.58);
  ASSERT_EQ(day.arc.size(), 145U);
  EXPECT_EQ(day.arc.front().time, day.start);
  EXPECT_EQ(day.arc.back().time, day.end);
}

TEST(LocalMeanDate, ChangesAtLocalMeanMidnight) {
  EXPECT_EQ(local_mean_date(utc("2027-07-17T23:59:00Z"), 0.0), (CivilDate{2027, 7, 17}));
  EXPECT_EQ(local_mean_date(utc("2027-07-17T13:00:00Z"), 174.8), (CivilDate{2027, 7, 18}));
  EXPECT_EQ(local_mean_date(utc("2027-07-17T05:00:00Z"), -100.0), (CivilDate{2027, 7, 16}));
  EXPECT_EQ(local_mean_date(utc("2027-07-17T13:00:00Z"), 190.0), (CivilDate{2027, 7, 17}));
}

TEST(LocalMeanDate, NamesTheDayThatHoldsTheInstant) {
  for (double longitude = -180.0; longitude <= 180.0; longitude += 15.0) {
    for (int hour = 0; hour < 48; hour += 5) {
      const UtcTime time = utc("2027-07-17") + sky::seconds(hour * 3600.0);
      const SunDay day = sun_day(local_mean_date(time, longitude),
                                 Observer{Site{"", 10.0, longitude, 0.0, ""}, {}, 0.0});
      EXPECT_LE(day.start, time) << longitude << ' ' << hour;
      EXPECT_LE(time, day.end) << longitude << ' ' << hour;
    }
  }
}

TEST(WindowAbove, EndsWhereTheSunCrossesTheHeight) {
  const Site site{"", 36.07, -5.58, 42.0, ""};
  const SunDay day = sun_day({2027, 7, 17}, Observer{site, {}, 0.0});
  const auto window = window_above(day, 20.0);
  ASSERT_TRUE(window);
  for (const UtcTime time : {window->start, window->end}) {
    EXPECT_NEAR(local_sun(geocentric_sun(time, 0.0), site, {}).altitude_deg, 20.0, 0.02);
  }
  EXPECT_LT(window->start, window->end);
}

TEST(WindowAbove, IsNoneAboveTheCulminationAndWholeUnderTheMidnightSun) {
  EXPECT_FALSE(window_above(day_at("2027-12-21", 60.0, 0.0), 20.0));
  const SunDay bright = day_at("2027-06-21", 80.0, 0.0);
  const auto window = window_above(bright, 5.0);
  ASSERT_TRUE(window);
  EXPECT_EQ(window->start, bright.start);
  EXPECT_EQ(window->end, bright.end);
}

}  // namespace
}  // namespace solarchon::sky
