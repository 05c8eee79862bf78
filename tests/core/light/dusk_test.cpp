// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/dusk.h"

#include <cmath>

#include "solarchon/light/moves.h"
#include "tests/support/support.h"

namespace solarchon::light {
namespace {

using base::ErrorCode;
using test::FailsWith;

TEST(Dusk, HasTheLightOfTheTables) {
  // Full day, sunset, and the ends of civil, nautical and astronomical twilight, as handbooks have
  // them: some 100 000, 700, 3.4, 0.008 and 0.0006 lux.
  EXPECT_NEAR(ground_lux(60.0), 100'000.0, 15'000.0);
  EXPECT_NEAR(ground_lux(-0.8), 450.0, 100.0);
  EXPECT_NEAR(ground_lux(-6.0), 3.4, 0.4);
  EXPECT_NEAR(ground_lux(-12.0), 0.008, 0.001);
  EXPECT_NEAR(ground_lux(-18.0), 0.0006, 0.0001);
  EXPECT_EQ(ground_lux(-50.0), ground_lux(-18.0));
  // Rising all the way, without steps of a tenth of a stop where the pieces meet.
  for (double height = -18.0; height < 89.0; height += 0.05) {
    const double step = std::log2(ground_lux(height + 0.05) / ground_lux(height));
    EXPECT_GT(step, -0.03) << height;
    EXPECT_LT(step, 0.2) << height;
  }
}

TEST(Ramp, LengthensTheShutterFirstAndThenTakesMoreIso) {
  const Ramp ramp;
  // 250 x 5.6^2 / (E x ISO), a stop less.
  const RampStep high = ramp_step(ramp, 20.0);
  EXPECT_NEAR(high.shutter_s, 0.5 * 250.0 * 5.6 * 5.6 / ground_lux(20.0) / 100.0, 1e-9);
  EXPECT_EQ(high.iso, 100.0);
  EXPECT_NEAR(high.missing_stops, 0.0, 1e-12);
  const RampStep dusk = ramp_step(ramp, -6.0);
  EXPECT_EQ(dusk.shutter_s, 4.0);
  EXPECT_GT(dusk.iso, 100.0);
  EXPECT_LT(dusk.iso, 1600.0);
  const RampStep night = ramp_step(ramp, -15.0);
  EXPECT_EQ(night.iso, 1600.0);
  EXPECT_GT(night.missing_stops, 3.0);
  // Light times time times ISO is the same everywhere in between.
  for (double height = -6.0; height < 60.0; height += 1.0) {
    const RampStep step = ramp_step(ramp, height);
    EXPECT_NEAR(step.shutter_s * step.iso * ground_lux(height), 0.5 * 250.0 * 5.6 * 5.6, 1e-6);
  }
  Ramp slow = ramp;
  slow.shortest_s = 0.01;
  EXPECT_LT(ramp_step(slow, 60.0).missing_stops, -1.0);
}

TEST(Ramp, RefusesWhatNoCameraHas) {
  Ramp ramp;
  EXPECT_TRUE(check(ramp));
  ramp.focal_ratio = 0.0;
  EXPECT_THAT(check(ramp), FailsWith(ErrorCode::kOutOfRange, "focal_ratio"));
  ramp = {};
  ramp.iso_high = 50.0;
  EXPECT_THAT(check(ramp), FailsWith(ErrorCode::kOutOfRange, "iso_high"));
  ramp = {};
  ramp.longest_s = 1e-4;
  EXPECT_THAT(check(ramp), FailsWith(ErrorCode::kOutOfRange, "longest_s"));
  ramp = {};
  ramp.correction_stops = std::nan("");
  EXPECT_THAT(check(ramp), FailsWith(ErrorCode::kOutOfRange, "correction_stops"));
}

TEST(Moves, ScaleAsTheirLaws) {
  const optics::Rig rig = test::starter_rig();
  const optics::Train train = optics::follow_light(rig, 944.0);
  const auto moves =
      exposure_moves(rig, train, {}, {{10.0, 5.6}, {30.0, 2.0}, {90.0, 1.0}}).value();
  ASSERT_FALSE(moves.focal_ratio.empty());
  for (const ExposureMove& move : moves.focal_ratio) {
    EXPECT_NEAR(std::exp2(move.stops), std::pow(move.value / *train.focal_ratio, 2.0), 1e-9);
  }
  ASSERT_EQ(moves.density.size(), 3U);  // film of OD 5
  EXPECT_NEAR(moves.density[0].stops, -1.2 / std::log10(2.0), 1e-9);
  EXPECT_NEAR(moves.density[2].stops, 0.0, 1e-9);
  ASSERT_EQ(moves.altitude_deg.size(), 3U);
  EXPECT_GT(moves.altitude_deg[0].stops, moves.altitude_deg[1].stops);
  EXPECT_NEAR(moves.altitude_deg[2].stops, 0.0, 1e-9);
  // Air of optical depth 0.2 or so: four and a half more of it take a stop or a little more.
  EXPECT_NEAR(moves.altitude_deg[0].stops, 1.3, 0.5);
  LightConditions hazy;
  hazy.cloud_stops = 1.0;
  EXPECT_NEAR(exposure_moves(rig, train, hazy, {})->cloud_stops[0].stops, -1.0, 1e-9);
  EXPECT_FALSE(exposure_moves({}, optics::follow_light({}, 944.0), {}, {}));
}

}  // namespace
}  // namespace solarchon::light
