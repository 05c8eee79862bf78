// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/day_plan.h"

#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using test::FailsWith;

const sky::Site kHome{"", 36.07, -5.58, 42.0, "UTC"};

/// A July day at home: transit near 12:29 UTC, the Sun above 20 degrees from about 7 to 18.
class ADay : public testing::Test {
 protected:
  [[nodiscard]] DayPlan planned() const {
    return plan_day({{{kHome, {}, 0.0}, 20.0, rig, mount, wishes, experience}, day, skyline, {}});
  }
  [[nodiscard]] sky::UtcTime noon_plus(double minutes) const {
    return *day.transit + sky::seconds(60.0 * minutes);
  }
  plan::Run& want(const char* name, double from_min, double minutes) {
    wishes.runs.push_back({name, noon_plus(from_min), minutes, 30.0, 0.0, 30.0, false});
    return wishes.runs.back();
  }
  /// Every cure of the first conflict must do away with it, and make no other of its kind.
  void expect_cured(ConflictKind kind) {
    const DayPlan plan = planned();
    ASSERT_FALSE(plan.conflicts.empty());
    const Conflict conflict = plan.conflicts.front();
    ASSERT_EQ(conflict.kind, kind);
    ASSERT_FALSE(conflict.cures.empty());
    const Wishes before = wishes;
    for (const Cure& cure : conflict.cures) {
      wishes = with_cure(before, conflict.run, cure);
      for (const Conflict& left : planned().conflicts) {
        EXPECT_NE(left.kind, kind) << "after cure " << static_cast<int>(cure.kind);
      }
    }
    wishes = before;
  }

  sky::SunDay day = sky::sun_day({2027, 7, 17}, sky::Observer{kHome, {}, 0.0});
  sky::SkylineDay skyline = sky::over_skyline(day, kHome, 20.0);
  optics::Rig rig = test::starter_rig();
  Mount mount{MountKind::kEquatorialTurns, 5.0};
  Wishes wishes;
  Experience experience;
};

TEST_F(ADay, WithoutRunsHasNothingToCountBackFrom) {
  want("tomorrow", 24 * 60, 30);
  const DayPlan plan = planned();
  EXPECT_TRUE(plan.runs.empty());
  EXPECT_FALSE(plan.countdown);
  EXPECT_FALSE(plan.power);
  EXPECT_TRUE(plan.conflicts.empty());
  EXPECT_TRUE(plan.turn);
}

TEST_F(ADay, PutsRunsInOrderAndCountsBackFromTheFirst) {
  want("later", 120, 20);
  want("first", -180, 30);
  const DayPlan plan = planned();
  ASSERT_EQ(plan.runs.size(), 2U);
  EXPECT_EQ(plan.runs[0].index, 1U);
  EXPECT_EQ(plan.countdown->first_frame, noon_plus(-180));
  EXPECT_TRUE(plan.conflicts.empty());
  EXPECT_GT(plan.runs[0].altitude_deg, 35.0);
  EXPECT_GT(plan.runs[1].seeing.arcsec, plan.runs[0].seeing.arcsec);
  EXPECT_FALSE(plan.runs[0].sky);
  EXPECT_EQ(plan.storage->runs.size(), 2U);
  // Everything stays on until the last run is over.
  for (const ConsumerUse& use : plan.power->consumers) {
    EXPECT_EQ(use.on.end, noon_plus(140));
    EXPECT_LT(use.on.start, noon_plus(-180));
  }
}

TEST_F(ADay, FindsARunThatTheMountWouldTurnIn) {
  want("prominence", -60, 120);
  expect_cured(ConflictKind::kMeridianTurn);
  const Conflict conflict = planned().conflicts.front();
  EXPECT_EQ(conflict.when.start, noon_plus(20));
  ASSERT_EQ(conflict.cures.size(), 4U);
  EXPECT_EQ(conflict.cures[0].kind, Cure::Kind::kStartLater);
  EXPECT_EQ(conflict.cures[0].runs[0].start, noon_plus(-15));
  EXPECT_EQ(conflict.cures[1].runs[0].start, noon_plus(-100));
  EXPECT_EQ(conflict.cures[2].runs.size(), 2U);
  EXPECT_NEAR(conflict.cures[2].runs[0].minutes + conflict.cures[2].runs[1].minutes, 115.0, 1e-3);
  EXPECT_NEAR(conflict.cures[3].runs[0].minutes, 80.0, 1e-3);
}

TEST_F(ADay, SaysWhenToTurnEarlyOrTrackThrough) {
  want("early", -15, 120);
  EXPECT_EQ(planned().runs[0].turn.advice, TurnAdvice::kTurnEarly);
  EXPECT_TRUE(planned().conflicts.empty());
  wishes.runs.clear();
  want("late", -90, 105);
  EXPECT_EQ(planned().runs[0].turn.advice, TurnAdvice::kTrackThrough);
  mount.kind = MountKind::kEquatorialFree;
  EXPECT_EQ(planned().runs[0].turn.advice, TurnAdvice::kNone);
}

/// Two fixed runs that adjoin near the meridian leave the mount no time: said once, with what
/// helps.
TEST_F(ADay, TellsOfATurnThatHasNoPlaceBetweenTwoRuns) {
  want("before", -60, 62).fixed = true;
  want("after", 2, 60).fixed = true;
  const DayPlan plan = planned();
  EXPECT_FALSE(plan.turning);
  ASSERT_EQ(plan.conflicts.size(), 1U);
  const Conflict& conflict = plan.conflicts.front();
  EXPECT_EQ(conflict.kind, ConflictKind::kMeridianTurn);
  ASSERT_FALSE(conflict.cures.empty());
  for (const Cure& cure : conflict.cures) {
    const Wishes kept = wishes;
    wishes = with_cure(wishes, conflict.run, cure);
    const DayPlan cured = planned();
    EXPECT_TRUE(cured.turning);
    EXPECT_TRUE(cured.conflicts.empty());
    for (const PlannedRun& run : cured.runs) {
      EXPECT_FALSE(run.window.start < cured.turning->end && cured.turning->start < run.window.end);
    }
    wishes = kept;
  }
}

TEST_F(ADay, TurnsOnceBetweenTheRunsItHas) {
  want("before", -60, 50);
  want("after", 4, 60);
  const DayPlan plan = planned();
  ASSERT_TRUE(plan.turning);
  EXPECT_EQ(plan.turning->start, noon_plus(-1));
  EXPECT_EQ(plan.runs[1].turn.turn_at, plan.turning->start);
  EXPECT_TRUE(plan.conflicts.empty());
}

TEST_F(ADay, MovesNoFixedEvent) {
  want("transit", -60, 120).fixed = true;
  const Conflict conflict = planned().conflicts.front();
  for (const Cure& cure : conflict.cures) {
    EXPECT_TRUE(cure.kind == Cure::Kind::kSplit || cure.kind == Cure::Kind::kEndSooner);
    EXPECT_EQ(cure.runs.front().start, noon_plus(-60));
  }
  EXPECT_EQ(conflict.cures.size(), 2U);
}

TEST_F(ADay, FindsRunsThatOverlap) {
  want("one", -180, 40);
  want("other", -150, 20);
  expect_cured(ConflictKind::kOverlap);
  EXPECT_EQ(planned().conflicts.front().run, 1U);
  wishes.runs[1].fixed = true;  // then the other one gives way
  expect_cured(ConflictKind::kOverlap);
  EXPECT_EQ(planned().conflicts.front().run, 0U);
  wishes.runs[0].fixed = true;
  EXPECT_TRUE(planned().conflicts.front().cures.empty());
}

TEST_F(ADay, FindsRunsBehindTheSkylineOrTooLow) {
  want("dawn", -380, 30);
  expect_cured(ConflictKind::kHidden);
  wishes.runs.clear();
  want("evening", 300, 120);
  expect_cured(ConflictKind::kHidden);
  EXPECT_EQ(planned().conflicts.front().cures.front().kind, Cure::Kind::kStartSooner);
  // A tower in the south leaves two windows.
  sky::Site tower = kHome;
  tower.horizon = {{{150, 0, false}, {151, 85, false}, {209, 85, false}, {210, 0, false}}};
  skyline = sky::over_skyline(day, tower, 20.0);
  wishes.runs.clear();
  want("noon", -10, 20);
  mount.kind = MountKind::kEquatorialFree;
  expect_cured(ConflictKind::kHidden);
  EXPECT_EQ(planned().conflicts.front().cures.size(), 2U);  // before and behind it
}

TEST_F(ADay, HasNoWayOutInThePolarNight) {
  const sky::Site north{"", 78.0, 15.0, 0.0, "UTC"};
  day = sky::sun_day({2027, 12, 20}, sky::Observer{north, {}, 0.0});
  skyline = sky::over_skyline(day, north, 20.0);
  wishes.runs.push_back({"dark", day.start + sky::seconds(43200.0), 30.0});
  const DayPlan plan = planned();
  ASSERT_EQ(plan.conflicts.size(), 1U);
  EXPECT_EQ(plan.conflicts[0].kind, ConflictKind::kHidden);
  EXPECT_TRUE(plan.conflicts[0].cures.empty());
}

TEST_F(ADay, KeepsAnAltAzimuthFromTheZenith) {
  const sky::Site tropics{"", 18.0, 0.0, 0.0, "UTC"};
  day = sky::sun_day({2027, 7, 17}, sky::Observer{tropics, {}, 0.0});
  skyline = sky::over_skyline(day, tropics, 20.0);
  mount.kind = MountKind::kAltAzimuth;
  want("noon", -5, 10);
  expect_cured(ConflictKind::kNearZenith);
}

TEST_F(ADay, ListensToTheForecast) {
  want("hopeful", -180, 30);
  wishes.forecast =
      Forecast{"", {{noon_plus(-200), 90, 0, 9, {}}, {noon_plus(-140), 90, 0, 9, {}}}};
  const DayPlan plan = planned();
  ASSERT_EQ(plan.conflicts.size(), 1U);
  EXPECT_EQ(plan.conflicts[0].kind, ConflictKind::kOvercast);
  EXPECT_TRUE(plan.runs[0].seeing.wind_forecast);
  EXPECT_GT(plan.runs[0].seeing.arcsec, [&] {
    wishes.forecast.reset();
    return planned().runs[0].seeing.arcsec;
  }());
}

TEST_F(ADay, DoesNotAlignInTheDark) {
  skyline = sky::over_skyline(day, kHome, 0.0);
  wishes.runs.push_back({"sunrise spot", *day.sunrise + sky::seconds(25.0 * 60.0), 10.0});
  expect_cured(ConflictKind::kDarkStep);
  wishes.runs[0].start = *day.sunrise + sky::seconds(4.0 * 3600.0);
  EXPECT_TRUE(planned().conflicts.empty());
}

TEST(Outside, FindsTheFirstStretchInNoWindow) {
  const auto at = [](int minute) { return sky::UtcTime{minute * 60'000LL}; };
  const std::vector<sky::Window> windows{{at(10), at(20)}, {at(30), at(40)}};
  EXPECT_FALSE(outside(windows, {at(10), at(20)}));
  const auto early = outside(windows, {at(5), at(15)});
  EXPECT_EQ(early->start, at(5));
  EXPECT_EQ(early->end, at(10));
  const auto gap = outside(windows, {at(15), at(35)});
  EXPECT_EQ(gap->start, at(20));
  EXPECT_EQ(gap->end, at(30));
  const auto late = outside(windows, {at(35), at(50)});
  EXPECT_EQ(late->start, at(40));
  EXPECT_EQ(late->end, at(50));
  EXPECT_EQ(outside({}, {at(1), at(2)})->end, at(2));
}

TEST(Wishes, GoThroughJson) {
  Wishes wishes;
  wishes.runs = {{"Spots", test::morning(), 12.5, 25.0, 10.0, 60.0, true}};
  wishes.minutes.at(0) = 45.0;
  wishes.power.supplies[0].watt_hours = 74.0;
  wishes.surroundings = {Ground::kRoof, Ground::kSoil};
  wishes.window_minutes = 25.0;
  wishes.forecast = stand_in_forecast(kHome, test::morning(), 3);
  EXPECT_EQ(wishes_from_json(to_json(wishes), "plan"), wishes);
  EXPECT_EQ(wishes_from_json(base::Json::object(), "plan"), Wishes());
}

TEST(Wishes, NameWhatIsWrong) {
  using base::ErrorCode;
  EXPECT_THAT(wishes_from_json(3, "plan"), FailsWith(ErrorCode::kWrongType, "plan"));
  EXPECT_THAT(wishes_from_json({{"runs", 3}}, "plan"),
              FailsWith(ErrorCode::kWrongType, "plan.runs"));
  EXPECT_THAT(wishes_from_json({{"runs", {{{"minutes", 3}}}}}, "plan"),
              FailsWith(ErrorCode::kMissing, "plan.runs[0].start_utc"));
  EXPECT_THAT(wishes_from_json({{"runs", {{{"minutes", 0}, {"start_utc", "2027-07-17"}}}}}, "plan"),
              FailsWith(ErrorCode::kOutOfRange, "plan.runs[0].minutes"));
  EXPECT_THAT(wishes_from_json({{"runs", {{{"minutes", 1}, {"start_utc", "noon"}}}}}, "plan"),
              FailsWith(ErrorCode::kMalformed, "plan.runs[0].start_utc"));
  EXPECT_THAT(wishes_from_json({{"window_minutes", 4.0}}, "plan"),
              FailsWith(ErrorCode::kOutOfRange, "plan.window_minutes"));
  base::Json many = base::Json::array();
  for (std::size_t i = 0; i <= kMostRuns; ++i) {
    many.push_back(base::Json::object());
  }
  EXPECT_THAT(wishes_from_json({{"runs", many}}, "plan"),
              FailsWith(ErrorCode::kTooLarge, "plan.runs"));
}

}  // namespace
}  // namespace solarchon::plan
