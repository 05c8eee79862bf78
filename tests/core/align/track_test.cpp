// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/track.h"

#include <algorithm>
#include <cmath>

#include "solarchon/align/mount_axis.h"
#include "solarchon/align/seen_drift.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"
#include "tests/support/support.h"

namespace solarchon::align {
namespace {

using base::kRadPerDeg;
using test::utc;

const sky::Observer kSouthCoast({"", 36.07, -5.58, 42.0, "UTC"}, {1010.0, 15.0}, 0.0);
const sky::UtcTime kMorning = utc("2027-07-17T08:40:00Z");

Driving driving(plan::MountKind mount) {
  Driving made;
  made.mount = mount;
  return made;
}

TEST(Track, OfATrueAxisAtTheSunsRateHardlyMoves) {
  sky::Observer airless = kSouthCoast;
  airless.weather.pressure_hpa = 0.0;
  const auto way =
      track(airless, kMorning, sky::minutes(1.0), 60, driving(plan::MountKind::kEquatorialFree));
  ASSERT_EQ(way.size(), 61U);
  EXPECT_EQ(way.front().west_arcsec, 0.0);
  // The Sun's own motion in declination, half an arcminute an hour in July; and the changing
  // equation of time: the sky turns by 15.041067 arcsec a second.
  const sky::GeocentricSun sun = sky::geocentric_sun(kMorning, 0.0);
  EXPECT_NEAR(way.back().north_arcsec, 3600.0 * sun.declination_rate_arcsec_s, 0.2);
  EXPECT_NEAR(way.back().west_arcsec,
              3600.0 * (0.041067 - sun.right_ascension_rate_arcsec_s) *
                  std::cos(sun.declination_deg * kRadPerDeg),
              0.2);
}

TEST(Track, OfATiltedAxisIsTheDriftOfEachRun) {
  Driving tilted = driving(plan::MountKind::kEquatorialTurns);
  tilted.error = {0.8, -1.4};
  tilted.rate = Rate::kSidereal;
  const auto way = track(kSouthCoast, kMorning, sky::minutes(5.0), 1, tilted);
  const DriftLeft left = drift_left(tilted.error, kSouthCoast, kMorning, tilted.rate);
  EXPECT_NEAR(way.back().north_arcsec, 5.0 * left.north_arcsec_min, 0.05);
  EXPECT_NEAR(way.back().west_arcsec, 5.0 * left.west_arcsec_min, 0.05);
}

TEST(Track, TheWormSwingsByWhatItIsSaidTo) {
  Driving worm = driving(plan::MountKind::kEquatorialFree);
  worm.periodic_error_arcsec = 20.0;
  worm.worm_period_s = 480.0;
  const auto with = track(kSouthCoast, kMorning, sky::seconds(10.0), 96, worm);
  const auto without = track(kSouthCoast, kMorning, sky::seconds(10.0), 96,
                             driving(plan::MountKind::kEquatorialFree));
  double most = 0.0;
  for (std::size_t i = 0; i < with.size(); ++i) {
    most = std::max(most, std::abs(with[i].west_arcsec - without[i].west_arcsec));
  }
  EXPECT_NEAR(most, 20.0 * std::cos(21.2 * kRadPerDeg), 0.05);
  // After one period it is where it was.
  EXPECT_NEAR(with[48].west_arcsec, without[48].west_arcsec, 1e-6);
}

TEST(Track, StepsOfTwoAxesAreJitterOfHalfAStep) {
  Driving steps = driving(plan::MountKind::kAltAzimuth);
  steps.step_arcsec = 4.0;
  double most = 0.0;
  for (const TrackPoint& point : track(kSouthCoast, kMorning, sky::seconds(7.0), 500, steps)) {
    most = std::max(most, std::hypot(point.west_arcsec, point.north_arcsec));
  }
  EXPECT_LE(most, std::hypot(2.0, 2.0) + 1e-9);
  EXPECT_GT(most, 2.0);
}

TEST(Track, AltAzimuthOffsetsLieWhereTheSkyRoomHasThem) {
  // One coarse step: the axes stand still, so the Sun leaves by its own way over the sky, which the
  // hour angle and the declination tell too.
  for (const double latitude_deg : {36.07, -41.3}) {
    sky::Observer observer = kSouthCoast;
    observer.site.latitude_deg = latitude_deg;
    Driving still = driving(plan::MountKind::kAltAzimuth);
    still.step_arcsec = 7200.0;
    const sky::UtcTime start = utc("2027-07-17T11:00:00Z");
    const auto way = track(observer, start, sky::seconds(20.0), 1, still);
    // In 20 s the Sun runs west by 300 arcsec of hour angle, and nowhere in declination.
    EXPECT_NEAR(way.back().west_arcsec, 300.0 * std::cos(21.2 * kRadPerDeg), 1.0) << latitude_deg;
    EXPECT_NEAR(way.back().north_arcsec, 0.0, 1.0) << latitude_deg;
  }
}

TEST(Track, TheFieldOfAnAltAzimuthMountTurnsByTheParallacticAngle) {
  const auto way =
      track(kSouthCoast, kMorning, sky::minutes(10.0), 6, driving(plan::MountKind::kAltAzimuth));
  const auto angle = [](sky::UtcTime time) {
    return sky::local_sun(sky::geocentric_sun(time, 0.0), kSouthCoast.site, kSouthCoast.weather)
        .parallactic_angle_deg;
  };
  EXPECT_NEAR(way.back().rotation_deg, angle(kMorning + sky::hours(1.0)) - angle(kMorning), 1e-3);
}

TEST(Track, ATiltedAxisTurnsTheField) {
  for (const double latitude : {36.07, -41.3}) {
    Driving tilted = driving(plan::MountKind::kEquatorialFree);
    tilted.error = {2.0, -3.0};
    sky::Observer observer = kSouthCoast;
    observer.site.latitude_deg = latitude;
    observer.weather.pressure_hpa = 0.0;
    const auto way = track(observer, kMorning, sky::minutes(20.0), 12, tilted);
    EXPECT_EQ(way.front().rotation_deg, 0.0);
    // Independently: where a place a little north of the Sun lies on the mount's own circles.
    const MountAxis sky_axis({}, latitude);
    const MountAxis mount(tilted.error, latitude);
    const auto north_on_mount = [&](sky::UtcTime time) {
      const sky::GeocentricSun sun = sky::geocentric_sun(time, 0.0);
      const double hour_angle = sky::local_sun(sun, observer.site, observer.weather).hour_angle_deg;
      const Circles at = mount.circles_of(sky_axis.direction_of({hour_angle, sun.declination_deg}));
      const Circles above =
          mount.circles_of(sky_axis.direction_of({hour_angle, sun.declination_deg + 0.01}));
      const double east =
          -(above.hour_angle_deg - at.hour_angle_deg) * std::cos(at.declination_deg * kRadPerDeg);
      return std::atan2(east, above.declination_deg - at.declination_deg) / kRadPerDeg;
    };
    for (const std::size_t i : {3U, 7U, 12U}) {
      // What is fixed to the mount turns the other way.
      EXPECT_NEAR(way[i].rotation_deg, north_on_mount(kMorning) - north_on_mount(way[i].time), 2e-3)
          << latitude << ' ' << i;
    }
    EXPECT_GT(std::abs(way.back().rotation_deg), 0.5);
  }
}

TEST(Track, AfterTheTurnItIsCentredAnewAndUpsideDown) {
  Driving turning = driving(plan::MountKind::kEquatorialTurns);
  turning.error = {1.0, 1.0};
  turning.turn = kMorning + sky::minutes(30.0);
  const auto way = track(kSouthCoast, kMorning, sky::minutes(1.0), 60, turning);
  // On top of what the tilted axis turns the field by.
  turning.turn = {};
  const auto on = track(kSouthCoast, kMorning, sky::minutes(1.0), 60, turning);
  EXPECT_EQ(way[29].rotation_deg, on[29].rotation_deg);
  EXPECT_NEAR(way[30].rotation_deg, 180.0 + on[30].rotation_deg, 1e-9);
  EXPECT_EQ(way[30].west_arcsec, 0.0);
  EXPECT_GT(std::hypot(way[29].west_arcsec, way[29].north_arcsec), 60.0);
  // The jump is no speed.
  EXPECT_LT(summary_of(way, {}).fastest_arcsec_min, 40.0);
}

TEST(TrackSummary, SmearsByWanderingAndByTurning) {
  const TrackSummary turning = summary_of(
      track(kSouthCoast, kMorning, sky::minutes(1.0), 60, driving(plan::MountKind::kAltAzimuth)),
      {});
  EXPECT_NEAR(turning.fastest_arcsec_min, 0.0, 1e-9);
  // The fastest of sixty rates of the sky room.
  const sky::LocalSun end = sky::local_sun(sky::geocentric_sun(kMorning + sky::hours(1.0), 0.0),
                                           kSouthCoast.site, kSouthCoast.weather);
  EXPECT_NEAR(turning.turning_deg_min, std::abs(end.field_rotation_deg_h) / 60.0, 0.003);
  EXPECT_NEAR(smear_arcsec_min(turning, 900.0), turning.turning_deg_min * kRadPerDeg * 900.0, 1e-9);
}

TEST(TrackSummary, TellsWhenTheRoomEnds) {
  Driving tilted = driving(plan::MountKind::kEquatorialFree);
  tilted.error = {0.0, 1.0};
  const auto way = track(kSouthCoast, kMorning, sky::minutes(1.0), 60, tilted);
  const TrackSummary summary = summary_of(way, 100.0);
  ASSERT_TRUE(summary.leaves);
  const auto at = static_cast<std::size_t>(sky::in_minutes(*summary.leaves - kMorning) + 0.5);
  EXPECT_GT(std::hypot(way[at].west_arcsec, way[at].north_arcsec), 100.0);
  EXPECT_LE(std::hypot(way[at - 1].west_arcsec, way[at - 1].north_arcsec), 100.0);
  EXPECT_FALSE(summary_of(way, 1e6).leaves);
  EXPECT_FALSE(summary_of({}, 1.0).leaves);
}

TEST(Track, StandsAtPolesAndByNightAndEndsWithItsDay) {
  for (const double latitude_deg : {90.0, -90.0, 0.0}) {
    for (const plan::MountKind mount :
         {plan::MountKind::kAltAzimuth, plan::MountKind::kEquatorialFree}) {
      sky::Observer observer = kSouthCoast;
      observer.site.latitude_deg = latitude_deg;
      Driving any = driving(mount);
      any.error = {0.5, 0.5};
      any.step_arcsec = 1.0;
      const auto way = track(observer, kMorning, sky::hours(1.0), 100, any);
      EXPECT_EQ(way.size(), 16U);
      for (const TrackPoint& point : way) {
        EXPECT_TRUE(std::isfinite(point.west_arcsec + point.north_arcsec + point.rotation_deg));
      }
    }
  }
}

}  // namespace
}  // namespace solarchon::align
