// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_mount.h"

#include <algorithm>
#include <cmath>

#include "solarchon/align/mount_axis.h"
#include "solarchon/align/seen_drift.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"
#include "solarchon/sky/sun.h"
#include "tests/support/support.h"

namespace solarchon::standins {
namespace {

using base::Json;
using base::kRadPerDeg;
using devices::Duty;
using devices::Tracking;

class StandIn : public testing::Test {
 protected:
  static Build build_of(Kind kind) {
    Build build;
    build.kind = kind;
    build.observer = {{"", 36.07, -5.58, 42.0, "UTC"}, {0.0, 15.0}, 0.0};
    return build;
  }
  void put_up(const Build& build) {
    observer = build.observer;
    mount.emplace(build, now, 7);
  }
  void wait(double seconds) {
    now = now + sky::seconds(seconds);
    mount->advance(now);
  }
  /// Holds an arrow, as a program does.
  void push(double first_deg_s, double second_deg_s, double seconds) {
    for (double held = 0.0; held < seconds; held += 0.5) {
      ask("mount.move", {{"first_deg_s", first_deg_s}, {"second_deg_s", second_deg_s}});
      wait(std::min(0.5, seconds - held));
    }
  }
  devices::Answer ask(const std::string& method, const Json& params = Json::object()) {
    return mount->answer({++id, method, params});
  }
  [[nodiscard]] Json the_sun() const {
    const sky::GeocentricSun sun = sky::geocentric_sun(now, 0.0);
    return {{"right_ascension_deg", sun.right_ascension_deg},
            {"declination_deg", sun.declination_deg}};
  }
  /// Angle between where it looks in truth and the Sun (degree).
  [[nodiscard]] double off_the_sun() const {
    const sky::LocalSun sun =
        sky::local_sun(sky::geocentric_sun(now, 0.0), observer.site, observer.weather);
    const auto look = mount->truth();
    const double level = std::cos(sun.altitude_airless_deg * kRadPerDeg);
    return std::hypot(sun.altitude_airless_deg - look.altitude_deg,
                      level * base::wrap_180(sun.azimuth_deg - look.azimuth_deg));
  }
  /// Turns it onto the Sun by hand and tells it so.
  void centre_and_synchronise() {
    for (int i = 0; i < 20 && off_the_sun() > 0.01; ++i) {
      ask("mount.synchronise", mount_sees());
      ask("mount.go", the_sun());
      wait(120.0);
    }
    ASSERT_LT(off_the_sun(), 0.02);
    EXPECT_FALSE(ask("mount.synchronise", the_sun()).fault);
  }
  /// The place of date at which it looks in truth.
  [[nodiscard]] Json mount_sees() const {
    const auto look = mount->truth();
    const align::Circles circles =
        align::MountAxis({}, observer.site.latitude_deg)
            .circles_of(align::direction_to(look.azimuth_deg, look.altitude_deg));
    const sky::GeocentricSun sun = sky::geocentric_sun(now, 0.0);
    return {
        {"right_ascension_deg", base::wrap_360(sun.sidereal_time_deg + observer.site.longitude_deg -
                                               circles.hour_angle_deg)},
        {"declination_deg", circles.declination_deg}};
  }
  std::string told() {
    std::string all;
    for (const devices::Event& event : mount->take_events()) {
      all += event.method + event.params.get().dump();
    }
    return all;
  }

  sky::UtcTime now = test::utc("2027-07-17T10:00:00Z");
  sky::Observer observer{{}, {}, 0.0};
  std::optional<StandInMount> mount;
  std::int64_t id = 0;
};

TEST_F(StandIn, GoesToTheSunAndSaysThatItArrived) {
  for (const Kind kind : {Kind::kEquatorial, Kind::kAltAzimuth}) {
    put_up(build_of(kind));
    centre_and_synchronise();
    EXPECT_NE(told().find("mount.arrived"), std::string::npos);
    EXPECT_EQ(mount->state().duty, Duty::kStanding);
    EXPECT_FALSE(ask("mount.track", {{"rate", "sun"}}).fault);
    ask("mount.go", the_sun());
    wait(60.0);
    const double before = off_the_sun();
    wait(600.0);
    // Ten minutes later it is where it was: the parallax and the equation of time are left.
    EXPECT_LT(std::abs(off_the_sun() - before), 0.003) << kKindWords.of(kind);
  }
}

TEST_F(StandIn, AnAxisOffThePoleDriftsAsTheAxisRoomSays) {
  Build build = build_of(Kind::kEquatorial);
  build.pole_error = {0.4, -0.9};
  put_up(build);
  centre_and_synchronise();
  ask("mount.track", {{"rate", "sun"}});
  const double before = off_the_sun();
  const align::DriftLeft left =
      align::drift_left(build.pole_error, observer, now, align::Rate::kSolar);
  wait(300.0);
  EXPECT_NEAR(off_the_sun() * 3600.0, 5.0 * left.arcsec_min, 3600.0 * before + 2.0);
}

TEST_F(StandIn, BacklashSwallowsTheFirstOfEveryTurnBack) {
  Build build = build_of(Kind::kEquatorial);
  build.backlash_arcsec = 600.0;
  put_up(build);
  const auto declination = [&] { return mount_sees().at("declination_deg").get<double>(); };
  push(0.0, -1.0, 5.0);
  const double down = declination();
  push(0.0, 0.1, 1.0);
  EXPECT_NEAR(declination(), down, 0.001);  // 360 of 600 arcsec of play
  push(0.0, 0.1, 4.0);
  EXPECT_NEAR(declination(), down + 0.5 - 600.0 / 3600.0, 0.001);
}

TEST_F(StandIn, TheWormSwingsByItsError) {
  Build build = build_of(Kind::kEquatorial);
  build.periodic_error_arcsec = 30.0;
  put_up(build);
  centre_and_synchronise();
  ask("mount.track", {{"rate", "sun"}});
  double least = 1e9;
  double most = -1e9;
  for (int i = 0; i < 96; ++i) {
    wait(5.0);
    const double west = mount_sees().at("right_ascension_deg").get<double>() -
                        the_sun().at("right_ascension_deg").get<double>();
    least = std::min(least, west);
    most = std::max(most, west);
  }
  EXPECT_NEAR((most - least) * 3600.0, 60.0, 3.0);
}

TEST_F(StandIn, HoldsAtItsLimitAndIsFreedByStop) {
  put_up(build_of(Kind::kEquatorial));
  push(5.0, 0.0, 60.0);
  EXPECT_EQ(mount->state().duty, Duty::kHeld);
  EXPECT_NE(told().find("limit"), std::string::npos);
  EXPECT_EQ(ask("mount.track", {{"rate", "sun"}}).reason, "held");
  EXPECT_FALSE(ask("mount.stop").fault);
  EXPECT_FALSE(ask("mount.move", {{"first_deg_s", -5.0}, {"second_deg_s", 0.0}}).fault);
  EXPECT_EQ(mount->state().duty, Duty::kMoving);
}

TEST_F(StandIn, AMoveThatNobodyAsksForAgainEnds) {
  for (const Kind kind : {Kind::kEquatorial, Kind::kAltAzimuth}) {
    put_up(build_of(kind));
    const devices::TrueLook before = mount->truth();
    ask("mount.move", {{"first_deg_s", 0.0}, {"second_deg_s", 1.0}});
    wait(0.7);
    EXPECT_EQ(mount->state().duty, Duty::kMoving);
    wait(60.0);
    EXPECT_EQ(mount->state().duty, Duty::kStanding);
    EXPECT_NEAR(std::abs(mount->truth().altitude_deg - before.altitude_deg), 1.0, 0.35);
  }
}

TEST_F(StandIn, HandsTurnTheKnobsUnderTheAxis) {
  Build build = build_of(Kind::kEquatorial);
  build.pole_error = {2.0, -1.0};
  put_up(build);
  const auto look = [&] { return mount->truth(); };
  const devices::TrueLook off = look();
  EXPECT_FALSE(ask("hand.knobs", {{"altitude_deg", -2.0}, {"azimuth_deg", 1.0}}).fault);
  const devices::TrueLook turned = look();
  EXPECT_GT(std::abs(off.altitude_deg - turned.altitude_deg), 1.0);
  EXPECT_EQ(ask("hand.knobs", {{"altitude_deg", 99.0}, {"azimuth_deg", 0.0}}).fault,
            devices::Fault::kBadParams);
  put_up(build_of(Kind::kEquatorial));  // the same with an axis that is true from the start
  EXPECT_NEAR(look().altitude_deg, turned.altitude_deg, 1e-9);
  EXPECT_NEAR(look().azimuth_deg, turned.azimuth_deg, 1e-9);
  put_up(build_of(Kind::kAltAzimuth));
  EXPECT_EQ(ask("hand.knobs", {{"altitude_deg", 0.0}, {"azimuth_deg", 0.0}}).reason, "no-knobs");
}

TEST_F(StandIn, ACableHoldsItWhenItIsTime) {
  Build build = build_of(Kind::kAltAzimuth);
  build.cable_after_s = 30.0;
  put_up(build);
  wait(29.0);
  EXPECT_EQ(mount->state().duty, Duty::kStanding);
  wait(2.0);
  EXPECT_EQ(mount->state().duty, Duty::kHeld);
  EXPECT_NE(told().find("cable"), std::string::npos);
}

TEST_F(StandIn, AWrongClockShiftsWhatItBelieves) {
  Build right = build_of(Kind::kEquatorial);
  Build wrong = right;
  wrong.clock_error_s = 3600.0;
  put_up(right);
  const double before = mount->state().right_ascension_deg;
  put_up(wrong);
  EXPECT_NEAR(base::wrap_180(mount->state().right_ascension_deg - before), 15.041, 0.01);
  EXPECT_EQ(mount->state().time, now + sky::hours(1.0));
}

TEST_F(StandIn, ATrackerGoesNowhereAndParkedOnesTakeNothing) {
  put_up(build_of(Kind::kTracker));
  EXPECT_EQ(ask("mount.go", the_sun()).reason, "goes-nowhere");
  EXPECT_FALSE(ask("mount.track", {{"rate", "sun"}}).fault);
  const Json can = ask("hello").result.get().at("can");
  EXPECT_EQ(std::count(can.begin(), can.end(), "mount.go"), 0);
  EXPECT_FALSE(ask("mount.park").fault);
  EXPECT_EQ(ask("mount.track", {{"rate", "sun"}}).reason, "parked");
  EXPECT_FALSE(ask("mount.unpark").fault);
  EXPECT_FALSE(ask("mount.track", {{"rate", "sun"}}).fault);
}

TEST_F(StandIn, ASeekerFindsTheSunWithItsCellAndHoldsIt) {
  put_up(build_of(Kind::kSeeker));
  EXPECT_FALSE(ask("mount.seek").fault);
  wait(120.0);
  EXPECT_EQ(mount->state().duty, Duty::kStanding);
  EXPECT_LT(off_the_sun(), 2.0 / 60.0);
  wait(1800.0);
  EXPECT_LT(off_the_sun(), 2.0 / 60.0);
}

TEST_F(StandIn, ASeekerByNightSearchesOn) {
  now = test::utc("2027-07-17T23:00:00Z");
  put_up(build_of(Kind::kSeeker));
  ask("mount.seek");
  wait(200.0);
  EXPECT_NE(mount->state().tracking, Tracking::kSun);
}

TEST_F(StandIn, BadParamsNameTheirMember) {
  put_up(build_of(Kind::kEquatorial));
  EXPECT_EQ(ask("mount.go", {{"right_ascension_deg", 400.0}, {"declination_deg", 0.0}}).fault,
            devices::Fault::kBadParams);
  EXPECT_EQ(ask("mount.go").reason, "params.right_ascension_deg");
  EXPECT_EQ(ask("mount.track", {{"rate", "moon"}}).reason, "params.rate");
  EXPECT_EQ(ask("mount.dance").fault, devices::Fault::kNoSuchMethod);
}

TEST_F(StandIn, WhateverIsAskedAThousandTimesItStandsFinite) {
  base::Random random({3});
  const char* methods[] = {
      "mount.go",     "mount.synchronise", "mount.track", "mount.move", "mount.stop", "mount.park",
      "mount.unpark", "mount.seek",        "mount.state", "hello",      "nothing"};
  for (const Kind kind : {Kind::kEquatorial, Kind::kAltAzimuth, Kind::kTracker, Kind::kSeeker}) {
    Build build = build_of(kind);
    build.pole_error = {5.0, -5.0};
    build.backlash_arcsec = 300.0;
    build.step_arcsec = 2.0;
    build.observer.site.latitude_deg = random.uniform(-90.0, 90.0);
    put_up(build);
    for (int i = 0; i < 250; ++i) {
      const Json params{{"right_ascension_deg", random.uniform(-10.0, 370.0)},
                        {"declination_deg", random.uniform(-95.0, 95.0)},
                        {"rate", random.below(2) == 0 ? "sun" : "stars"},
                        {"first_deg_s", random.uniform(-11.0, 11.0)},
                        {"second_deg_s", random.uniform(-11.0, 11.0)}};
      EXPECT_EQ(ask(methods[random.below(std::size(methods))], params).id, id);
      wait(random.uniform(0.0, 20.0));
      EXPECT_TRUE(devices::mount_state_from_json(devices::to_json(mount->state()), "state"));
      EXPECT_TRUE(std::isfinite(mount->truth().azimuth_deg + mount->truth().altitude_deg));
    }
  }
}

}  // namespace
}  // namespace solarchon::standins
