// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/horizon.h"

#include "solarchon/base/json.h"
#include "solarchon/base/random.h"
#include "solarchon/sky/day.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using base::ErrorCode;
using test::FailsWith;

Horizon corners(const std::vector<HorizonPoint>& points) {
  Horizon horizon;
  for (const HorizonPoint& point : points) {
    horizon.put(point);
  }
  return horizon;
}

TEST(Horizon, IsLevelWithoutCorners) { EXPECT_DOUBLE_EQ(Horizon{}.height_deg(123.0, true), 0.0); }

TEST(Horizon, RunsStraightBetweenCornersAndRoundThroughNorth) {
  const Horizon horizon = corners({{90.0, 10.0}, {180.0, 0.0}, {350.0, 4.0}, {10.0, 8.0}});
  EXPECT_DOUBLE_EQ(horizon.height_deg(135.0, true), 5.0);
  EXPECT_DOUBLE_EQ(horizon.height_deg(90.0, true), 10.0);
  EXPECT_DOUBLE_EQ(horizon.height_deg(0.0, true), 6.0);  // across north
  EXPECT_DOUBLE_EQ(horizon.height_deg(360.0, true), 6.0);
  EXPECT_DOUBLE_EQ(horizon.height_deg(-5.0, true), 5.0);
  EXPECT_DOUBLE_EQ(horizon.height_deg(50.0, true), 9.0);
  EXPECT_DOUBLE_EQ(corners({{200.0, 7.0}}).height_deg(20.0, true), 7.0);  // one corner: all round
}

TEST(Horizon, KeepsCornersInOrderWhateverComesFirst) {
  base::Random random{3};
  Horizon horizon;
  for (int i = 0; i < 500; ++i) {
    horizon.put({random.uniform(-360.0, 720.0), random.uniform(-10.0, 90.0), false});
  }
  for (std::size_t i = 1; i < horizon.points.size(); ++i) {
    EXPECT_LT(horizon.points[i - 1].azimuth_deg, horizon.points[i].azimuth_deg);
  }
  const std::size_t before = horizon.points.size();
  horizon.put({horizon.points[7].azimuth_deg + 0.01, 33.0, false});
  EXPECT_EQ(horizon.points.size(), before);  // it gives way
  for (double azimuth = 0.0; azimuth < 360.0; azimuth += 0.7) {
    const double height = horizon.height_deg(azimuth, true);
    EXPECT_TRUE(height >= -10.0 && height <= 90.0);
  }
}

TEST(Horizon, TreesStandOnlyInLeaf) {
  const Horizon horizon =
      corners({{80.0, 2.0}, {90.0, 15.0, true}, {110.0, 15.0, true}, {120.0, 2.0}});
  EXPECT_DOUBLE_EQ(horizon.height_deg(100.0, true), 15.0);
  EXPECT_DOUBLE_EQ(horizon.height_deg(100.0, false), 0.0);
  EXPECT_DOUBLE_EQ(horizon.height_deg(85.0, false), 8.5);  // half of it is no tree
}

TEST(TreesInLeaf, FollowTheHemisphereAndNotTheTropics) {
  EXPECT_TRUE(trees_in_leaf({2027, 7, 17}, 36.0));
  EXPECT_FALSE(trees_in_leaf({2027, 1, 17}, 36.0));
  EXPECT_FALSE(trees_in_leaf({2027, 4, 14}, 36.0));
  EXPECT_TRUE(trees_in_leaf({2027, 4, 15}, 36.0));
  EXPECT_FALSE(trees_in_leaf({2027, 7, 17}, -41.3));
  EXPECT_TRUE(trees_in_leaf({2027, 1, 17}, -41.3));
  EXPECT_TRUE(trees_in_leaf({2027, 1, 17}, 10.0));
}

TEST(HorizonCsv, TakesGoodLinesAndRefusesBadOnesOneByOne) {
  const auto file = horizon_from_csv(
      "azimuth_deg,height_deg,trees\r\n"
      "# measured with the phone\n"
      "0, 2\n\n"
      "90,12,yes\n"
      "abc,3\n"
      "100,99\n"
      "110;5;no\n"
      "120\n"
      "130,4,maybe\n"
      "-90, 3.5,\n"
      "140,,yes\n"
      "150,1,no,7\n"
      "90,13,no\n");
  ASSERT_TRUE(file);
  EXPECT_EQ(file->horizon, corners({{0.0, 2.0}, {90.0, 13.0}, {110.0, 5.0}, {270.0, 3.5}}));
  std::vector<std::pair<int, std::string>> refused;
  for (const base::RefusedLine& line : file->refused) {
    refused.emplace_back(line.line, line.error.field);
  }
  EXPECT_EQ(refused, (std::vector<std::pair<int, std::string>>{{6, "azimuth_deg"},
                                                               {7, "height_deg"},
                                                               {9, "line"},
                                                               {10, "trees"},
                                                               {12, "height_deg"},
                                                               {13, "line"}}));
}

TEST(HorizonCsv, SaysWhyNothingCouldBeTaken) {
  EXPECT_THAT(horizon_from_csv(""), FailsWith(ErrorCode::kMissing, "horizon"));
  EXPECT_THAT(horizon_from_csv("azimuth,height\n"), FailsWith(ErrorCode::kMissing, "horizon"));
  EXPECT_THAT(horizon_from_csv("12,nan\n"), FailsWith(ErrorCode::kOutOfRange, "height_deg", 1));
  std::string many;
  for (int i = 0; i < 2000; ++i) {
    many += std::to_string(i * 0.18) + ",1\n";
  }
  EXPECT_THAT(horizon_from_csv(many), FailsWith(ErrorCode::kTooLarge, "horizon"));
}

TEST(HorizonCsv, ComesBackAsItWasWritten) {
  const Horizon horizon = corners({{1.5, 2.25}, {90.0, -3.0, true}, {359.0, 12.5}});
  EXPECT_EQ(horizon_from_csv(to_csv(horizon))->horizon, horizon);
  EXPECT_EQ(horizon_from_json(to_json(horizon), "horizon").value(), horizon);
  base::Random random{9};
  for (int trial = 0; trial < 500; ++trial) {  // any bytes: an answer or an error, no crash
    std::string bytes;
    for (std::size_t i = random.below(200); i > 0; --i) {
      bytes += static_cast<char>(random.below(256));
    }
    (void)horizon_from_csv(bytes);
  }
}

TEST(HorizonJson, NamesTheBadCorner) {
  base::Json json = to_json(corners({{1.0, 2.0}, {3.0, 4.0}}));
  json[1]["height_deg"] = 91;
  EXPECT_THAT(horizon_from_json(json, "site.horizon"),
              FailsWith(ErrorCode::kOutOfRange, "site.horizon[1].height_deg"));
  EXPECT_THAT(horizon_from_json(base::Json("flat"), "h"), FailsWith(ErrorCode::kWrongType, "h"));
}

TEST(OverSkyline, AgreesWithLookingEverySecond) {
  Site site{"", 36.07, -5.58, 42.0, "UTC"};
  site.horizon = corners({{60.0, 3.0},
                          {85.0, 28.0},
                          {97.0, 55.0},
                          {99.0, 20.0},
                          {180.0, 5.0},
                          {255.0, 40.0},
                          {262.0, 18.0},
                          {300.0, 2.0}});
  const SunDay day = sun_day({2027, 7, 17}, Observer{site, {}, 0.0});
  const SkylineDay skyline = over_skyline(day, site, 10.0);
  const SunEphemeris ephemeris(day.start + sky::seconds(43200.0), 0.0);
  std::vector<Window> expected;
  bool open = false;
  for (UtcTime time = day.start; time < day.end; time = time + sky::seconds(1.0)) {
    const LocalSun sun = local_sun(ephemeris.at(time), site, {});
    const bool clear = sun.altitude_deg >= 10.0 &&
                       sun.altitude_deg - 0.267 > site.horizon.height_deg(sun.azimuth_deg, true);
    if (clear && !open) {
      expected.push_back({time, time});
    }
    if (clear) {
      expected.back().end = time;
    }
    open = clear;
  }
  ASSERT_EQ(skyline.clear.size(), expected.size());
  ASSERT_GE(expected.size(), 2U);  // the corner cuts the morning in two
  double hours = 0.0;
  for (std::size_t i = 0; i < expected.size(); ++i) {
    EXPECT_NEAR(in_seconds(skyline.clear[i].start - expected[i].start), 0.0, 20.0);
    EXPECT_NEAR(in_seconds(skyline.clear[i].end - expected[i].end), 0.0, 20.0);
    hours += in_hours(expected[i].end - expected[i].start);
  }
  EXPECT_NEAR(skyline.hours, hours, 0.02);
}

TEST(OverSkyline, ALevelHorizonGivesTheDayItself) {
  for (const double latitude : {-41.3, 0.0, 36.07, 60.0}) {
    const Site site{"", latitude, 10.0, 0.0, "UTC"};
    const SunDay day = sun_day({2027, 3, 1}, Observer{site, {}, 0.0});
    const SkylineDay skyline = over_skyline(day, site, -90.0);
    ASSERT_EQ(skyline.clear.size(), 1U);
    // The true refraction differs a little from the almanac's 34 arcmin.
    EXPECT_NEAR(in_seconds(*skyline.first_light - *day.sunrise), 0.0, 90.0);
    EXPECT_NEAR(in_seconds(*skyline.last_light - *day.sunset), 0.0, 90.0);
  }
}

TEST(OverSkyline, PolarDaysAndNights) {
  const Site site{"", 78.0, 15.0, 0.0, "UTC"};
  const SkylineDay summer =
      over_skyline(sun_day({2027, 6, 21}, Observer{site, {}, 0.0}), site, 0.0);
  ASSERT_EQ(summer.clear.size(), 1U);
  EXPECT_NEAR(summer.hours, 24.0, 1e-6);
  EXPECT_TRUE(summer.first_light && summer.last_light);
  const SkylineDay winter =
      over_skyline(sun_day({2027, 12, 21}, Observer{site, {}, 0.0}), site, 0.0);
  EXPECT_TRUE(winter.clear.empty());
  EXPECT_FALSE(winter.first_light || winter.last_light);
}

}  // namespace
}  // namespace solarchon::sky
