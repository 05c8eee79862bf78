// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/mount.h"

#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using sky::Window;

const sky::Site kHome{"", 36.07, -5.58, 42.0, "UTC"};

sky::SunDay july() { return sky::sun_day({2027, 7, 17}, sky::Observer{kHome, {}, 0.0}); }

TEST(MeridianTurn, ReachesAsFarAsTheMountCan) {
  const sky::SunDay day = july();
  const auto turn = meridian_turn({MountKind::kEquatorialTurns, 5.0}, day);
  ASSERT_TRUE(turn);
  EXPECT_EQ(turn->meridian, *day.transit);
  EXPECT_NEAR(sky::in_seconds(turn->meridian - turn->earliest), 1200.0, 0.01);  // 5 degrees
  EXPECT_NEAR(sky::in_seconds(turn->latest - turn->meridian), 1200.0, 0.01);
  // The Sun's own hour angle says the same, to the change of the equation of time.
  const sky::SunEphemeris ephemeris(*day.transit, 0.0);
  EXPECT_NEAR(sky::local_sun(ephemeris.at(turn->latest), kHome, {}).hour_angle_deg, 5.0, 0.001);
}

TEST(MeridianTurn, ConcernsOnlyMountsThatTurn) {
  for (const MountKind kind :
       {MountKind::kUnknown, MountKind::kEquatorialFree, MountKind::kAltAzimuth}) {
    EXPECT_FALSE(meridian_turn({kind, 5.0}, july()));
  }
}

class DecideTurn : public testing::Test {
 protected:
  [[nodiscard]] Window run(double from_min, double to_min) const {
    return {turn.meridian + sky::seconds(60.0 * from_min),
            turn.meridian + sky::seconds(60.0 * to_min)};
  }
  MeridianTurn turn = *meridian_turn({MountKind::kEquatorialTurns, 5.0}, july());  // 20 minutes
};

TEST_F(DecideTurn, PutsTheTurnNearTheMeridianWhereTheRunsLeaveItsMinutes) {
  const auto begins_min = [&](const std::vector<Window>& runs) {
    const auto turning = turning_of_day(turn, runs);
    EXPECT_TRUE(turning);
    EXPECT_EQ(turning->length(), kTurnTakes);
    return turning ? sky::in_minutes(turning->start - turn.meridian) : -999.0;
  };
  EXPECT_NEAR(begins_min({}), 0.0, 1e-6);
  EXPECT_NEAR(begins_min({run(-90, -1), run(20, 90)}), 0.0, 1e-6);
  EXPECT_NEAR(begins_min({run(-90, 3)}), 3.0, 1e-6);                  // when it is over
  EXPECT_NEAR(begins_min({run(-12, 60)}), -17.0, 1e-6);               // done before it begins
  EXPECT_NEAR(begins_min({run(-90, -10), run(-4, 60)}), -9.0, 1e-6);  // between them
  EXPECT_NEAR(begins_min({run(-90, 20)}), 20.0, 1e-6);
  EXPECT_FALSE(turning_of_day(turn, {run(-90, 21)})) << "too long for either side";
  EXPECT_FALSE(turning_of_day(turn, {run(-18, 60)})) << "no five minutes left before it";
  EXPECT_FALSE(turning_of_day(turn, {run(-90, 2), run(2, 90)})) << "they adjoin";
  EXPECT_FALSE(turning_of_day(turn, {run(-90, 2), run(6, 90)})) << "four minutes are too few";
}

TEST_F(DecideTurn, LeavesRunsAloneThatDoNotMeetIt) {
  const auto turning = turning_of_day(turn, {});
  EXPECT_EQ(decide_turn(turn, turning, run(-90, -1)).advice, TurnAdvice::kNone);
  EXPECT_EQ(decide_turn(turn, turning, run(-90, 0)).advice, TurnAdvice::kNone);
  EXPECT_EQ(decide_turn(turn, turning, run(20, 90)).advice, TurnAdvice::kNone);
}

TEST_F(DecideTurn, TurnsEarlyTracksThroughOrAsksForAnotherTime) {
  const auto decided = [&](const Window& one) {
    return decide_turn(turn, turning_of_day(turn, {one}), one);
  };
  const TurnDecision early = decided(run(-15, 60));
  EXPECT_EQ(early.advice, TurnAdvice::kTurnEarly);
  EXPECT_EQ(early.turn_at, turn.earliest);
  const TurnDecision through = decided(run(-21, 20));
  EXPECT_EQ(through.advice, TurnAdvice::kTrackThrough);
  EXPECT_EQ(through.turn_at, turn.latest);
  const TurnDecision moved = decided(run(-21, 21));
  EXPECT_EQ(moved.advice, TurnAdvice::kMove);
  EXPECT_FALSE(moved.turn_at);
}

TEST(MeridianTurn, AMountWithoutReachMustTurnAtOnce) {
  const auto turn = *meridian_turn({MountKind::kEquatorialTurns, 0.0}, july());
  EXPECT_EQ(turn.earliest, turn.latest);
  const Window run{turn.meridian - sky::seconds(60.0), turn.meridian + sky::seconds(60.0)};
  EXPECT_EQ(decide_turn(turn, turning_of_day(turn, {run}), run).advice, TurnAdvice::kMove);
}

TEST(FastAzimuth, FindsTheMinutesNearTheZenith) {
  const Mount mount{MountKind::kAltAzimuth, 0.0};
  // Where the Sun culminates at 87 degrees its azimuth swings round within an hour.
  const sky::Site tropics{"", 18.0, 0.0, 0.0, "UTC"};
  const sky::SunDay high = sky::sun_day({2027, 7, 17}, sky::Observer{tropics, {}, 0.0});
  const auto window = fast_azimuth(mount, high);
  ASSERT_TRUE(window);
  EXPECT_LT(sky::in_seconds(window->end - window->start), 3.0 * 3600.0);
  EXPECT_TRUE(window->start < *high.transit && window->end > *high.transit);
  EXPECT_FALSE(fast_azimuth(mount, sky::sun_day({2027, 12, 21}, sky::Observer{kHome, {}, 0.0})));
  EXPECT_FALSE(fast_azimuth({MountKind::kEquatorialFree, 0.0}, high));
}

TEST(MountFile, ComesBackAndNamesBadInput) {
  const Mount mount{MountKind::kAltAzimuth, 12.5};
  EXPECT_EQ(mount_from_json(to_json(mount), "mount").value(), mount);
  EXPECT_THAT(mount_from_json({{"kind", "tripod"}}, "mount"),
              test::FailsWith(base::ErrorCode::kUnknownValue, "mount.kind"));
  EXPECT_THAT(mount_from_json({{"kind", "alt-azimuth"}, {"past_meridian_deg", 100}}, "mount"),
              test::FailsWith(base::ErrorCode::kOutOfRange, "mount.past_meridian_deg"));
}

}  // namespace
}  // namespace solarchon::plan
