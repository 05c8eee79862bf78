// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/exposure_plan.h"

#include <algorithm>
#include <cmath>

#include "solarchon/light/hydrogen_alpha.h"
#include "tests/support/support.h"

namespace solarchon::light {
namespace {

using base::ErrorCode;
using test::FailsWith;

constexpr double kSemidiameter = 945.0;

ExposurePlan plan_of(const optics::Rig& rig, const LightConditions& conditions = {}) {
  return exposure_plan(rig, optics::follow_light(rig, kSemidiameter), conditions).value();
}

optics::Rig photo_rig() {
  optics::Rig rig = test::starter_rig();
  rig.elements.back().part = optics::PhotoCamera{};
  return rig;
}

TEST(ExposurePlan, ScalesExactly) {
  const ExposurePlan plan = plan_of(photo_rig());
  ASSERT_GT(plan.table.size(), 40U);
  for (const ExposureCell& a : plan.table) {
    for (const ExposureCell& b : plan.table) {
      EXPECT_NEAR(a.level / b.level, a.iso * a.shutter_s / (b.iso * b.shutter_s),
                  1e-9 * a.level / b.level);
    }
  }
  // Every place within a stop of the published rule: N^2 / (ISO 2^8) seconds for film of OD 5.0
  // gives a well exposed disc, 0.3 to 1.0 of full.
  const double ratio = *optics::follow_light(photo_rig(), kSemidiameter).focal_ratio;
  for (const ExposureCell& cell : plan.table) {
    const double rule_s = ratio * ratio / (cell.iso * 256.0);
    const double stops = std::log2(cell.shutter_s / rule_s);
    if (std::abs(stops) < 0.5) {
      EXPECT_GT(cell.level, 0.2);
      EXPECT_LT(cell.level, 1.6);
    }
  }
}

TEST(ExposurePlan, KeepsWithinTheShutterOfTheCamera) {
  optics::Rig rig = photo_rig();
  auto& photo = std::get<optics::PhotoCamera>(rig.elements.back().part);
  photo.shortest_exposure_ms = 1.0;
  photo.longest_exposure_ms = 1000.0;
  for (const ExposureCell& cell : plan_of(rig).table) {
    EXPECT_GE(cell.shutter_s, 0.9e-3);
    EXPECT_LE(cell.shutter_s, 1.1);
  }
}

TEST(ExposurePlan, CloudAndCorrectionTakeTheirStops) {
  const optics::Rig rig = test::starter_rig();
  LightConditions cloudy;
  cloudy.cloud_stops = 2.0;
  LightConditions corrected;
  corrected.correction_stops = -1.0;
  const double plain = plan_of(rig).disc.wanted_ms;
  EXPECT_NEAR(plan_of(rig, cloudy).disc.wanted_ms / plain, 4.0, 1e-9);
  EXPECT_NEAR(plan_of(rig, corrected).disc.wanted_ms / plain, 0.5, 1e-9);
}

TEST(ExposurePlan, ProminencesTakeSixTimesTheDiscInHydrogenAlphaOnly) {
  EXPECT_FALSE(plan_of(test::starter_rig()).prominence_ms.has_value());
  const ExposurePlan line = plan_of(test::usual_train(2));
  ASSERT_TRUE(line.prominence_ms);
  EXPECT_NEAR(*line.prominence_ms / line.disc.wanted_ms, 6.0, 1e-9);
  // Spots: the penumbra gains, nothing is cut off.
  EXPECT_GT(line.spot_ms, line.disc.wanted_ms);
  EXPECT_LT(line.spot_ms, line.disc.wanted_ms / kTargetLevel);
}

TEST(Amplified, AGainOfTwentyDecibelsIsTenfold) {
  const optics::Rig rig = test::starter_rig();
  const auto gained = amplified(rig, {{}, 20.0});
  ASSERT_TRUE(gained);
  EXPECT_NEAR(plan_of(rig).disc.wanted_ms / plan_of(*gained).disc.wanted_ms, 10.0, 1e-9);
  const auto doubled = amplified(photo_rig(), {800.0, {}});
  ASSERT_TRUE(doubled);
  EXPECT_NEAR(plan_of(photo_rig()).disc.wanted_ms / plan_of(*doubled).disc.wanted_ms, 8.0, 1e-9);
}

TEST(Amplified, RefusesWhatTheCameraHasNot) {
  EXPECT_THAT(amplified(test::starter_rig(), {400.0, {}}),
              FailsWith(ErrorCode::kUnknownValue, "iso"));
  EXPECT_THAT(amplified(photo_rig(), {{}, 6.0}), FailsWith(ErrorCode::kUnknownValue, "gain"));
  EXPECT_THAT(amplified(photo_rig(), {1.0, {}}), FailsWith(ErrorCode::kOutOfRange, "iso"));
  EXPECT_THAT(amplified(test::starter_rig(), {{}, 99.0}),
              FailsWith(ErrorCode::kOutOfRange, "gain"));
  EXPECT_THAT(amplified(optics::Rig{}, {}), FailsWith(ErrorCode::kMissing, "rig"));
}

TEST(Correction, IsTheMedianWithItsSpread) {
  EXPECT_EQ(correction_of({}).count, 0);
  EXPECT_EQ(correction_of({}).stops, 0.0);
  const Correction one = correction_of({2.0});
  EXPECT_EQ(one.count, 1);
  EXPECT_DOUBLE_EQ(one.stops, 1.0);
  EXPECT_DOUBLE_EQ(one.spread, 0.0);
  // One that is far off does not carry the others along.
  const Correction many = correction_of({2.0, 2.2, 1.8, 2.0, 64.0, -1.0, 0.0});
  EXPECT_EQ(many.count, 5);
  EXPECT_NEAR(many.stops, 1.0, 1e-9);
}

TEST(HydrogenAlpha, HasTheResidualsOfTheLiterature) {
  EXPECT_NEAR(hydrogen_alpha_profile(0.0), 0.16, 1e-12);
  EXPECT_NEAR(hydrogen_alpha_profile(0.55), 0.50, 0.02);
  EXPECT_NEAR(hydrogen_alpha_profile(-1.0), 0.80, 0.02);
  EXPECT_NEAR(hydrogen_alpha_profile(4.0), 1.0, 0.005);
}

}  // namespace
}  // namespace solarchon::light
