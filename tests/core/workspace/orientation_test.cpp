// SPDX-License-Identifier: GPL-3.0-or-later
// Which way north lies in a picture, over a day, on every mount.
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/observe.h"
#include "tests/reference/parallactic.h"
#include "tests/support/support.h"

namespace solarchon::workspace {
namespace {

using plan::MountKind;

constexpr double kToleranceDeg = 0.01;

/// The demo's light path with or without a mirror, on a mount at a site.
Workspace on_mount(MountKind mount, bool mirrored, double latitude_deg, double longitude_deg) {
  Workspace space = test::morning_workspace(
      mirrored ? test::with_part(test::starter_rig(), optics::Diagonal{}, 60.0)
               : test::starter_rig());
  space.site.latitude_deg = latitude_deg;
  space.site.longitude_deg = longitude_deg;
  space.mount.kind = mount;
  space.wishes.runs.clear();
  return space;
}

Answers answers_at(const Workspace& space, sky::UtcTime time) {
  return answer(space, time, sky::geocentric_sun(time, 0.0));
}

double apart_deg(double one, double other) { return std::abs(base::wrap_180(one - other)); }

/// Celestial north in the picture of a tube whose up points to the zenith, by two directions in the
/// sky: the Sun and a place a little north of it, each turned into height and azimuth.
double north_from_zenith_deg(const Answers& answers, double latitude_deg) {
  const double latitude = latitude_deg * base::kRadPerDeg;
  const auto direction = [&](double declination_deg, double& azimuth, double& altitude) {
    const double hour_angle = answers.local.hour_angle_deg * base::kRadPerDeg;
    const double declination = declination_deg * base::kRadPerDeg;
    altitude = std::asin(std::sin(latitude) * std::sin(declination) +
                         std::cos(latitude) * std::cos(declination) * std::cos(hour_angle));
    azimuth = std::atan2(-std::cos(declination) * std::sin(hour_angle),
                         std::sin(declination) * std::cos(latitude) -
                             std::cos(declination) * std::sin(latitude) * std::cos(hour_angle));
  };
  constexpr double kStepDeg = 1e-4;
  double azimuth = 0.0;
  double altitude = 0.0;
  double north_azimuth = 0.0;
  double north_altitude = 0.0;
  direction(answers.sun.declination_deg - kStepDeg, azimuth, altitude);
  direction(answers.sun.declination_deg + kStepDeg, north_azimuth, north_altitude);
  // Azimuth grows to the right of who looks up there.
  const double right = std::remainder(north_azimuth - azimuth, 2.0 * base::kPi) *
                       std::cos(0.5 * (altitude + north_altitude));
  return std::atan2(right, north_altitude - altitude) * base::kDegPerRad;
}

TEST(Orientation, OnAnAltAzimuthMountTurnsAsAnIndependentLibraryHasIt) {
  int high = 0;
  for (const auto& row : reference::kParallacticRows) {
    const sky::UtcTime time = test::utc(row.time);
    for (const bool mirrored : {false, true}) {
      const Workspace space =
          on_mount(MountKind::kAltAzimuth, mirrored, row.latitude_deg, row.longitude_deg);
      const Answers answers = answers_at(space, time);
      const auto tube = optics::picture_orientation(space.rig, answers.train);
      const double turned = mirrored ? -row.parallactic_angle_deg : row.parallactic_angle_deg;
      // Near the zenith a second of time is worth more than the tolerance.
      const double tolerance = row.altitude_airless_deg > 80.0 ? 0.1 : kToleranceDeg;
      EXPECT_LT(apart_deg(answers.celestial.north_deg, tube.north_deg + turned), tolerance)
          << row.time;
      EXPECT_EQ(answers.celestial.mirrored, mirrored);
      const double p = mirrored ? answers.disc.p_deg : -answers.disc.p_deg;
      EXPECT_LT(apart_deg(answers.solar.north_deg, answers.celestial.north_deg + p), 1e-9);
    }
    high += row.altitude_airless_deg > 0.0 ? 1 : 0;
  }
  EXPECT_GT(high, 40);
}

TEST(Orientation, OverADayFollowsTheMountInBothHemispheres) {
  for (const double latitude_deg : {47.3, 36.07, -41.3, -23.0, 68.0}) {
    for (const MountKind mount : {MountKind::kEquatorialTurns, MountKind::kEquatorialFree,
                                  MountKind::kAltAzimuth, MountKind::kUnknown}) {
      const Workspace space = on_mount(mount, false, latitude_deg, 11.4);
      for (int hour = 0; hour < 24; ++hour) {
        const sky::UtcTime time = test::utc("2027-05-03T00:10:00Z") + sky::hours(hour);
        const Answers answers = answers_at(space, time);
        const double tube = optics::picture_orientation(space.rig, answers.train).north_deg;
        double expected = tube;
        if (mount == MountKind::kAltAzimuth) {
          expected += north_from_zenith_deg(answers, latitude_deg);
        } else if (mount == MountKind::kEquatorialTurns) {
          expected += answers.local.hour_angle_deg >= 0.0 ? 180.0 : 0.0;
        }
        EXPECT_LT(apart_deg(answers.celestial.north_deg, expected), kToleranceDeg)
            << latitude_deg << " " << static_cast<int>(mount) << " " << hour;
      }
    }
  }
}

TEST(Orientation, TurnsHalfOverWhenTheDaysRunsLetTheMount) {
  Workspace space = on_mount(MountKind::kEquatorialTurns, false, 47.3, 11.4);
  space.mount.past_meridian_deg = 15.0;
  const sky::UtcTime noon = test::utc("2027-05-03T11:11:30Z");  // near the meridian
  plan::Run run;
  run.start = noon - sky::minutes(30.0);
  run.minutes = 50.0;
  space.wishes.runs = {run};
  const double before = answers_at(space, noon - sky::minutes(20.0)).celestial.north_deg;
  // It tracks through, and turns when the run is over.
  EXPECT_LT(apart_deg(answers_at(space, noon + sky::minutes(19.0)).celestial.north_deg, before),
            1e-9);
  EXPECT_NEAR(apart_deg(answers_at(space, noon + sky::minutes(21.0)).celestial.north_deg, before),
              180.0, 1e-9);
}

TEST(Orientation, IsThatOfEachFrameAndEachFile) {
  const Workspace space = on_mount(MountKind::kAltAzimuth, false, 47.3, 11.4);
  const sky::UtcTime start = test::utc("2027-05-03T11:10:00Z");
  const auto at = solar_orientation_of(space, answers_at(space, start));
  double least = 1e9;
  double most = -1e9;
  for (const double minutes : {0.0, 0.5, 20.0, 300.0, -200.0, 1500.0}) {
    const sky::UtcTime time = start + sky::minutes(minutes);
    const Answers answers = answers_at(space, time);
    EXPECT_LT(apart_deg(at(time).north_deg, answers.solar.north_deg), kToleranceDeg) << minutes;
    least = std::min(least, answers.solar.north_deg);
    most = std::max(most, answers.solar.north_deg);
    if (answers.exposure) {
      const auto shot = shot_for(space, answers, {}, 1);
      ASSERT_TRUE(shot);
      const auto recording = camera::simulate(camera::binned(*shot, 64));
      ASSERT_TRUE(recording);
      EXPECT_LT(apart_deg(recording->frame.info.orientation->north_deg, answers.solar.north_deg),
                kToleranceDeg);
    }
  }
  EXPECT_GT(most - least, 40.0) << "the field turns by that much in a morning";
}

}  // namespace
}  // namespace solarchon::workspace
