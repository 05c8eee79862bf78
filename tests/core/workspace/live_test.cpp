// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/live.h"

#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/workspace/observe.h"
#include "tests/support/support.h"

namespace solarchon::workspace {
namespace {

using test::utc;

const sky::Observer kSouthCoast({"", 36.07, -5.58, 42.0, "UTC"}, {0.0, 15.0}, 0.0);

TEST(Wander, WestGoesWhereThePictureHasIt) {
  align::Driving driving;
  driving.mount = plan::MountKind::kEquatorialFree;
  driving.periodic_error_arcsec = 30.0;  // first to the west
  const sky::UtcTime start = test::morning();
  for (const bool mirrored : {false, true}) {
    for (const double north_deg : {0.0, 90.0, 217.0}) {
      const auto way = wander_of(kSouthCoast, start, 60.0, driving, {north_deg, mirrored});
      ASSERT_EQ(way.size(), 61U);
      EXPECT_EQ(way.front().seconds, 0.0);
      EXPECT_NEAR(way.back().seconds, 60.0, 1e-9);
      const sky::DiscPlace back = sky::to_disc(way.back().arcsec, {north_deg, mirrored});
      EXPECT_NEAR(back.west_arcsec, 30.0 * std::sin(2.0 * 3.14159265 / 8.0) * 0.93, 1.5);
      EXPECT_NEAR(back.north_arcsec, 0.0, 1.0);
      EXPECT_EQ(way.back().turn_deg, 0.0);
    }
  }
}

TEST(CloudOf, IsWhatTheForecastHas) {
  Workspace space = test::morning_workspace(test::starter_rig());
  EXPECT_EQ(cloud_of(space, test::morning(), 1).stops, 0.0) << "without a forecast";
  const auto under = [&](double cloud_percent, double thin_percent) {
    plan::ForecastHour hour;
    hour.time = test::morning();
    hour.cloud_percent = cloud_percent;
    hour.thin_percent = thin_percent;
    space.wishes.forecast.emplace();
    space.wishes.forecast->hours = {hour};
    return cloud_of(space, test::morning(), 7);
  };
  EXPECT_EQ(under(0.0, 0.0).stops, 0.0);
  EXPECT_DOUBLE_EQ(under(3.0, 60.0).stops, 0.3);
  EXPECT_EQ(under(3.0, 60.0).unevenness, 0.0) << "a veil";
  const seeing::Cloud broken = under(50.0, 0.0);
  EXPECT_DOUBLE_EQ(broken.stops, 2.0);
  EXPECT_NEAR(broken.unevenness, 0.6, 1e-9);
  EXPECT_EQ(broken.seed, 7U);
  EXPECT_LT(under(100.0, 0.0).unevenness, broken.unevenness) << "overcast has no gaps";
  EXPECT_TRUE(seeing::check(under(100.0, 100.0)));
  EXPECT_EQ(cloud_of(space, test::morning() + sky::days(9.0), 1).stops, 0.0) << "beyond it";
}

TEST(Wander, AnAltAzimuthFieldTurnsThePicture) {
  align::Driving driving;
  driving.mount = plan::MountKind::kAltAzimuth;
  const auto start = utc("2027-07-17T12:00:00Z");
  const auto plain = wander_of(kSouthCoast, start, 600.0, driving, {0.0, false});
  const auto mirrored = wander_of(kSouthCoast, start, 600.0, driving, {0.0, true});
  EXPECT_GT(std::abs(plain.back().turn_deg), 2.0);  // near the meridian it is fast
  EXPECT_NEAR(plain.back().turn_deg, -mirrored.back().turn_deg, 1e-9);
  // The zenith stays up in the picture: it lies at the parallactic angle from north, which is to
  // the left of it in a picture that is not mirrored.
  const auto angle = [](sky::UtcTime time) {
    return sky::local_sun(sky::geocentric_sun(time, 0.0), kSouthCoast.site, kSouthCoast.weather)
        .parallactic_angle_deg;
  };
  EXPECT_NEAR(plain.back().turn_deg, angle(start + sky::minutes(10.0)) - angle(start), 0.01);
  // A day is given coarser.
  EXPECT_LE(wander_of(kSouthCoast, start, 20000.0, driving, {}).size(), 1002U);
}

TEST(RowDelay, IsThatOfTheFramesTime) {
  optics::Camera camera;
  camera.height_px = 1000;
  camera.frame_rate_hz = 50.0;
  EXPECT_EQ(row_delay_us(camera), 0.0);
  camera.shutter = optics::Shutter::kRolling;
  EXPECT_NEAR(row_delay_us(camera), 20.0, 1e-9);
}

TEST(LiveSetting, TellsNoClearLevelOfADiscThatTheTrainDims) {
  Workspace space = test::morning_workspace(test::usual_train(2));
  const auto setting = [&] {
    const Answers answers =
        answer(space, test::morning(), sky::geocentric_sun(test::morning(), 0.0));
    return live_setting(space, answers, {}, 0.01).value();
  };
  const auto open_mm = [&](double width_mm) {
    for (optics::Element& element : space.rig.elements) {
      if (auto* etalon = std::get_if<optics::RearEtalon>(&element.part)) {
        etalon->clear_aperture_mm = width_mm;
      }
    }
  };
  open_mm(30.0);
  EXPECT_TRUE(setting().clear_level);
  open_mm(8.0);
  EXPECT_FALSE(setting().clear_level);
}

TEST(ClipMotion, CountsTheTurningOfTheField) {
  Workspace space = test::morning_workspace(test::quick_rig());
  const auto noon = utc("2027-07-17T12:10:00Z");
  const Answers answers = answer(space, noon, sky::geocentric_sun(noon, 0.0));
  const match::ClipMotion steady = clip_motion_of(space, answers, {}).value();
  EXPECT_EQ(steady.turning_deg_min, 0.0);
  EXPECT_EQ(steady.from_centre, 0.0);
  EXPECT_LT(steady.tracking_arcsec_min, 3.0);
  space.mount.kind = plan::MountKind::kAltAzimuth;
  const match::ClipMotion turning = clip_motion_of(space, answers, {500.0, 0.0}).value();
  // dq/dt = -w cos f cos A / cos a, a little faster at the end of the minute.
  const double rate_deg_min = -15.041 / 60.0 * std::cos(36.07 * base::kRadPerDeg) *
                              std::cos(answers.local.azimuth_deg * base::kRadPerDeg) /
                              std::cos(answers.local.altitude_airless_deg * base::kRadPerDeg);
  EXPECT_NEAR(turning.turning_deg_min, rate_deg_min, 0.02 * rate_deg_min);
  EXPECT_NEAR(turning.from_centre, 500.0 / 944.0, 0.01);
  EXPECT_LT(match::clip_budget(turning).longest(), match::clip_budget(steady).longest());
  space.outside.periodic_error_arcsec = 30.0;
  space.mount.kind = plan::MountKind::kEquatorialFree;
  EXPECT_GT(clip_motion_of(space, answers, {})->tracking_arcsec_min, 20.0);
  space.rig.elements.clear();
  EXPECT_THAT(clip_motion_of(space, answer(space, noon, sky::geocentric_sun(noon, 0.0)), {}),
              test::FailsWith(base::ErrorCode::kMissing, "rig"));
}

TEST(EyeShot, PointsAtTheTargetAndWantsTheSunUp) {
  Workspace space = test::morning_workspace(test::quick_rig());
  space.target = Target::kLimb;
  const auto noon = utc("2027-07-17T12:10:00Z");
  const auto shot = eye_shot(space, answer(space, noon, sky::geocentric_sun(noon, 0.0)));
  EXPECT_NEAR(shot->target.west_arcsec, -944.0, 1.0);
  EXPECT_EQ(shot->seeing_arcsec, space.conditions.seeing_arcsec);
  const auto night = utc("2027-07-17T01:00:00Z");
  EXPECT_THAT(eye_shot(space, answer(space, night, sky::geocentric_sun(night, 0.0))),
              test::FailsWith(base::ErrorCode::kOutOfRange, "time"));
}

TEST(TheSun, IsOneAndTheSameFromBothHemispheres) {
  const auto time = utc("2027-01-17T02:00:00Z");  // up over both
  const auto seen_from = [&](double latitude_deg, double longitude_deg) {
    Workspace space = test::morning_workspace(test::quick_rig());
    space.site.latitude_deg = latitude_deg;
    space.site.longitude_deg = longitude_deg;
    auto shot =
        shot_for(space, answer(space, time, sky::geocentric_sun(time, 0.0)), 0.2, 3).value();
    shot.electrons_per_ms = 150000.0;  // whatever the height
    return camera::simulate(shot).value();
  };
  const camera::Recording north = seen_from(35.0, 135.0);
  const camera::Recording south = seen_from(-41.3, 174.8);
  ASSERT_FALSE(north.truth.spots.empty());
  ASSERT_EQ(north.truth.spots.size(), south.truth.spots.size());
  EXPECT_EQ(north.truth.spots[0].carrington_longitude_deg,
            south.truth.spots[0].carrington_longitude_deg);
  // A camera that is squared to the mount hangs the same everywhere: north is up.
  EXPECT_EQ(north.frame.pixels, south.frame.pixels);
}

}  // namespace
}  // namespace solarchon::workspace
