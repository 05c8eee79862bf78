// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/ahead.h"

#include <cmath>

#include "solarchon/sky/disc.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using test::FailsWith;
using test::utc;

const sky::Site kHome{"", 36.07, -5.58, 42.0, "UTC"};
const sky::Site kSouth{"", -41.3, 174.8, 20.0, "UTC"};
constexpr double kDay = 86400.0;

TEST(YearAhead, BeginsRotationsWhenAnotherLibrarySaysSo) {
  // sunpy 4.1, carrington_rotation_time: 2293 to 2306.
  const std::vector<std::string> known{
      "2025-01-06T19:43:47Z", "2025-02-03T03:54:26Z", "2025-03-02T11:59:57Z",
      "2025-03-29T19:28:28Z", "2025-04-26T01:56:34Z", "2025-05-23T07:24:22Z",
      "2025-06-19T12:15:11Z", "2025-07-16T17:03:03Z", "2025-08-12T22:17:45Z",
      "2025-09-09T04:13:54Z", "2025-10-06T10:49:09Z", "2025-11-02T17:52:41Z",
      "2025-11-30T01:17:15Z", "2025-12-27T09:02:58Z"};
  const auto year = year_ahead(2025, {kHome, {}, 0.0}, 20.0).value();
  ASSERT_EQ(year.rotations.size(), known.size());
  for (std::size_t i = 0; i < known.size(); ++i) {
    EXPECT_EQ(year.rotations[i].rotation, 2293 + static_cast<int>(i));
    EXPECT_NEAR(sky::in_seconds(year.rotations[i].time - utc(known[i])), 0.0, 120.0) << known[i];
  }
}

TEST(YearAhead, KnowsEachDayInBothHemispheres) {
  const auto north = year_ahead(2028, {kHome, {}, 0.0}, 20.0).value();
  const auto south = year_ahead(2028, {kSouth, {}, 0.0}, 20.0).value();
  ASSERT_EQ(north.days.size(), 366U);  // a leap year
  EXPECT_EQ(north.days.back().date, (sky::CivilDate{2028, 12, 31}));
  const YearDay& june = north.days[172];
  EXPECT_EQ(june.date, (sky::CivilDate{2028, 6, 21}));
  EXPECT_NEAR(june.culmination_altitude_deg, 90.0 - 36.07 + 23.436, 0.01);
  EXPECT_NEAR(south.days[172].culmination_altitude_deg, 90.0 - 41.3 - 23.436, 0.01);
  EXPECT_GT(june.clear_hours, 10.0);
  EXPECT_LT(south.days[172].clear_hours, 5.0);
  EXPECT_LT(north.days[355].clear_hours, south.days[355].clear_hours);
  for (const YearDay& day : north.days) {
    EXPECT_LE(std::abs(day.b0_deg), 7.26);
    EXPECT_LE(std::abs(day.p_deg), 26.4);
    ASSERT_TRUE(day.sunrise && day.sunset);
    EXPECT_LT(*day.sunrise, day.noon);
  }
  EXPECT_NEAR(north.days[250].b0_deg, 7.25, 0.02);  // about 7 September
}

TEST(YearAhead, HasPolarDaysAndCanBeStopped) {
  const auto pole =
      year_ahead(2027, {sky::Site{"", 78.2, 15.6, 0.0, "UTC"}, {}, 0.0}, 20.0).value();
  EXPECT_EQ(pole.days[0].polar, sky::PolarState::kPolarNight);
  EXPECT_FALSE(pole.days[0].sunrise);
  EXPECT_EQ(pole.days[0].clear_hours, 0.0);
  EXPECT_EQ(pole.days[171].polar, sky::PolarState::kMidnightSun);
  std::stop_source source;
  source.request_stop();
  EXPECT_THAT(year_ahead(2027, {kHome, {}, 0.0}, 20.0, {source.get_token()}),
              FailsWith(base::ErrorCode::kCancelled, "year"));
}

TEST(FeatureAt, TurnsWithTheSunAndDriftsByLatitude) {
  const sky::UtcTime seen = utc("2027-07-17T09:00:00Z");
  const double l0 = sky::disc_view(seen).l0_deg;
  const Feature middle{0.0, l0, seen};
  EXPECT_NEAR(feature_at(middle, seen).from_meridian_deg, 0.0, 1e-9);
  // A spot at the equator turns by 14.522 degrees a day, less the Earth's way of 0.955 in July.
  const double week = feature_at(middle, seen + sky::seconds(7.0 * kDay)).from_meridian_deg;
  EXPECT_NEAR(week, 7.0 * (14.522 - 0.955), 0.3);
  EXPECT_LT(feature_at(middle, seen + sky::seconds(7.0 * kDay)).foreshortening,
            0.0);  // round the west limb
  EXPECT_LT(feature_at({30.0, l0, seen}, seen + sky::seconds(7.0 * kDay)).from_meridian_deg,
            week - 4.0);
  // Synodic rotation brings it back after about 26.5 days.
  EXPECT_GT(feature_at(middle, seen + sky::seconds(26.5 * kDay)).foreshortening, 0.95);
}

TEST(FeatureAt, ForeshortensByTheAngleFromTheCentre) {
  const sky::UtcTime seen = utc("2027-03-06T12:00:00Z");  // B0 near -7.25
  const sky::DiscView view = sky::disc_view(seen);
  for (const double latitude : {-60.0, 0.0, 25.0}) {
    for (const double west : {-80.0, -20.0, 0.0, 50.0}) {
      const double longitude = view.l0_deg + west;
      const auto place = feature_at({latitude, longitude, seen}, seen);
      EXPECT_NEAR(place.from_meridian_deg, west, 1e-9);
      const double rad = 3.14159265358979 / 180.0;
      EXPECT_NEAR(place.foreshortening,
                  std::sin(latitude * rad) * std::sin(view.b0_deg * rad) +
                      std::cos(latitude * rad) * std::cos(view.b0_deg * rad) * std::cos(west * rad),
                  1e-9);
    }
  }
}

class Window : public testing::Test {
 protected:
  [[nodiscard]] std::optional<BestWindow> best(double minutes,
                                               const std::optional<Feature>& feature = {}) const {
    return best_window({{{kHome, {}, 0.0}, 20.0, rig, mount, wishes, experience}, day, skyline, {}},
                       minutes, feature);
  }
  sky::SunDay day = sky::sun_day({2027, 7, 17}, sky::Observer{kHome, {}, 0.0});
  sky::SkylineDay skyline = sky::over_skyline(day, kHome, 20.0);
  optics::Rig rig;
  plan::Mount mount;
  Wishes wishes;
  Experience experience;
};

TEST_F(Window, IsTheMorningWhereTheGroundDecides) {
  const auto found = best(60.0);
  ASSERT_TRUE(found);
  EXPECT_LT(found->window.end, *day.transit);
  EXPECT_GE(found->window.start, skyline.clear.front().start);
  EXPECT_NEAR(found->detail_km, found->seeing.arcsec * 725.0, 1e-6);
  // No other stretch promises more.
  for (double minute = 0.0; minute < 600.0; minute += 25.0) {
    const sky::UtcTime middle = skyline.clear.front().start + sky::seconds(60.0 * (minute + 30.0));
    EXPECT_GE(expected_seeing(day, middle, {}, {}, {}).arcsec, found->seeing.arcsec - 0.01);
  }
}

TEST_F(Window, MustFitAndAvoidsOvercastHours) {
  EXPECT_FALSE(best(24.0 * 60.0));
  const auto free = best(60.0);
  wishes.forecast = Forecast{};
  for (int hour = -12; hour <= 12; ++hour) {
    const sky::UtcTime time = *day.transit + sky::seconds(3600.0 * hour);
    wishes.forecast->hours.push_back({time, time < *day.transit ? 90.0 : 5.0, 0.0, 3.0, {}});
  }
  const auto afternoon = best(60.0);
  ASSERT_TRUE(afternoon);
  EXPECT_GT(afternoon->window.start + sky::seconds(1800.0), *day.transit - sky::seconds(3000.0));
  EXPECT_GT(afternoon->detail_km, free->detail_km);
  for (ForecastHour& hour : wishes.forecast->hours) {
    hour.cloud_percent = 100.0;
  }
  EXPECT_EQ(best(60.0)->window.start, free->window.start);  // where there is nothing else
}

TEST_F(Window, LooksForWhereAFeatureStands) {
  const double l0 = sky::disc_view(*day.transit).l0_deg;
  const auto half = best(60.0, Feature{0.0, l0 + 60.0, *day.transit});
  ASSERT_TRUE(half);
  EXPECT_NEAR(half->feature->foreshortening, 0.5, 0.05);
  EXPECT_NEAR(half->detail_km, half->seeing.arcsec * 725.0 / half->feature->foreshortening, 1e-6);
  EXPECT_FALSE(best(60.0, Feature{0.0, l0 + 180.0, *day.transit}));
}

TEST(ComingWindows, FollowASpotRoundTheSun) {
  const Outlook outlook{.observer = {kHome, {}, 0.0}};
  const sky::UtcTime from = utc("2027-07-17T04:00:00Z");
  const double l0 = sky::disc_view(from).l0_deg;
  const auto all = coming_windows(outlook, from, 28, 60.0, {}).value();
  EXPECT_EQ(all.size(), 28U);
  const auto seen = coming_windows(outlook, from, 28, 60.0, Feature{10.0, l0, from}).value();
  EXPECT_LT(seen.size(), 18U);  // half of the time it is behind
  EXPECT_GT(seen.size(), 12U);
  EXPECT_LT(seen.front().detail_km, seen[4].detail_km);  // it leaves the middle
  for (std::size_t i = 1; i < seen.size(); ++i) {
    EXPECT_LT(seen[i - 1].window.end, seen[i].window.start);
  }
  // Today's window is left out once it is over.
  const auto evening = coming_windows(outlook, utc("2027-07-17T20:00:00Z"), 2, 60.0, {}).value();
  ASSERT_EQ(evening.size(), 1U);
  EXPECT_EQ(sky::utc_date(evening[0].window.start), (sky::CivilDate{2027, 7, 18}));
}

Day day_with(const std::vector<Run>& runs) {
  Outlook outlook{.observer = {kHome, {}, 0.0}};
  outlook.wishes.runs = runs;
  return day_of({2027, 7, 17}, outlook);
}

Run run_at(const std::string& time, double minutes) {
  Run run;
  run.start = utc(time);
  run.minutes = minutes;
  return run;
}

TEST(NextRun, StartsInTheBestWindowOnAWholeMinute) {
  const Day day = day_with({});
  const plan::Run run = next_run(day);
  const sky::UtcTime best = best_window(day, run.minutes)->window.start;
  EXPECT_GE(run.start, best);
  EXPECT_LT(run.start - best, sky::minutes(1.0));
  EXPECT_EQ(run.start.unix_ms % 60'000, 0);
  EXPECT_GT(run.clip_s, 0.0);  // clips, not hours of recording in one
  EXPECT_EQ(next_run(day, utc("2027-07-17T13:10:30Z")).start, utc("2027-07-17T13:11:00Z"));
  // Now is on another day: it does not matter.
  EXPECT_EQ(next_run(day, utc("2027-09-17T13:10:30Z")).start, run.start);
}

TEST(NextRun, MeetsNoOtherRunInWhateverOrderTheyWereEntered) {
  const plan::Run wanted = next_run(day_with({}));
  std::vector<plan::Run> runs;
  for (const double hours : {1.0, 0.5, 0.0, 1.5}) {  // a row without a gap
    plan::Run run = wanted;
    run.start = wanted.start + sky::hours(hours);
    runs.push_back(run);
  }
  const plan::Run next = next_run(day_with(runs));
  EXPECT_EQ(next.start, wanted.start + sky::hours(2.0));
}

TEST(NextRun, IsAroundNoonWhereNoWindowIsOpen) {
  Outlook outlook{.observer = {sky::Site{"", 78.2, 15.6, 0.0, "UTC"}, {}, 0.0}};
  const Day night = day_of({2027, 1, 10}, outlook);
  const plan::Run run = next_run(night);
  EXPECT_GE(run.start, night.sun.start);
  EXPECT_LT(run.start, night.sun.end);
  EXPECT_EQ(next_run(day_with({run_at("2027-07-17T00:00:00Z", 1.0)})).minutes, 30.0);
}

}  // namespace
}  // namespace solarchon::plan
