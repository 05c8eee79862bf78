// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/looking.h"

#include <gtest/gtest.h>

#include <cmath>

#include "solarchon/base/random.h"

namespace solarchon::optics {
namespace {

TEST(ThroughEyepiece, WorksOutByHand) {
  // 1500 mm f/11.8 with a third of obstruction: 32 mm gives 46.9 times, 2.71 mm, 0.89 mm of shadow.
  const Look look =
      through_eyepiece({32.0, 50.0, 27.0, EyepieceBuild::kCemented}, 1500.0, 127.0, 0.33, 959.63);
  EXPECT_NEAR(look.magnification, 46.875, 1e-9);
  EXPECT_NEAR(look.exit_pupil_mm, 2.709, 1e-3);
  EXPECT_NEAR(look.secondary_shadow_mm, 0.894, 1e-3);
  EXPECT_NEAR(look.true_field_deg, 27.0 / 1500.0 * 57.29578, 1e-6);  // from the field stop
  EXPECT_TRUE(look.whole_disc_seen);
}

TEST(ThroughEyepiece, TakesTheApparentFieldWithoutAFieldStop) {
  const Look look =
      through_eyepiece({8.0, 60.0, 0.0, EyepieceBuild::kCemented}, 1200.0, 150.0, 0.0, 959.63);
  EXPECT_NEAR(look.true_field_deg, 60.0 / 150.0, 1e-9);
  EXPECT_FALSE(look.whole_disc_seen);
  EXPECT_DOUBLE_EQ(look.secondary_shadow_mm, 0.0);
}

TEST(Fringes, SmallestAndLargestTiltMeetTheirDefinitions) {
  // f/30 at 656 nm on 2.4 um pixels, 7.4 mm wide: finest detail 19.7 um, depth 1181 um.
  const Fringes fringes = fringes_of(0.0, 30.0, 2.4, 7.4, 656.28);
  EXPECT_FALSE(fringes.spacing_um);
  EXPECT_FALSE(fringes.hidden);
  EXPECT_NEAR(std::sin(fringes.least_tilt_deg / 57.29578), 0.65628 / (2.0 * 19.6884), 1e-6);
  EXPECT_NEAR(std::tan(fringes.most_tilt_deg / 57.29578) * 3700.0, 2.0 * 0.65628 * 900.0, 1e-3);
  EXPECT_FALSE(fringes.at_odds());
  const Fringes tilted = fringes_of(fringes.least_tilt_deg, 30.0, 2.4, 7.4, 656.28);
  EXPECT_NEAR(*tilted.spacing_um, 19.6884, 1e-3);
  EXPECT_TRUE(tilted.hidden && tilted.sharp);
  EXPECT_FALSE(fringes_of(fringes.most_tilt_deg + 0.1, 30.0, 2.4, 7.4, 656.28).sharp);
}

TEST(Fringes, AreAtOddsOnALargeSensorInAFastBeam) {
  EXPECT_TRUE(fringes_of(0.0, 6.0, 3.76, 22.0, 656.28).at_odds());
}

TEST(FrameRate, IsBoundByRowsOrByTheCable) {
  Camera camera;  // 2048 x 1536 at 55 a second, 350 MB/s
  EXPECT_NEAR(frame_rate_hz(camera, 2048, 1536, 12), 55.0, 1e-9);  // 6.29 MB a frame
  EXPECT_NEAR(frame_rate_hz(camera, 2048, 768, 8), 110.0, 1e-9);
  camera.interface_mb_s = 40.0;
  EXPECT_NEAR(frame_rate_hz(camera, 2048, 1536, 12), 40e6 / (2048.0 * 1536.0 * 2.0), 1e-9);
  EXPECT_GT(frame_rate_hz(camera, 0, 0, 8), 0.0);
}

TEST(PassedShare, AgreesWithCountedPoints) {
  base::Random random{5};
  for (const auto& [bundle, offset, opening] :
       {std::tuple{2.0, 1.5, 2.5}, {1.0, 3.0, 3.2}, {4.0, 1.0, 2.0}, {2.0, 2.0, 2.0}}) {
    int inside = 0;
    int hit = 0;
    for (int i = 0; i < 400'000; ++i) {
      const double x = random.uniform(-bundle, bundle);
      const double y = random.uniform(-bundle, bundle);
      if (std::hypot(x, y) <= bundle) {
        ++inside;
        hit += std::hypot(x + offset, y) <= opening ? 1 : 0;
      }
    }
    EXPECT_NEAR(passed_share(bundle, offset, opening), static_cast<double>(hit) / inside, 0.004);
  }
}

TEST(PassedShare, HasItsLimits) {
  EXPECT_DOUBLE_EQ(passed_share(1.0, 0.0, 1.0), 1.0);
  EXPECT_DOUBLE_EQ(passed_share(1.0, 2.0, 1.0), 0.0);
  EXPECT_DOUBLE_EQ(passed_share(2.0, 0.0, 1.0), 0.25);
  EXPECT_DOUBLE_EQ(passed_share(0.0, 0.5, 1.0), 1.0);  // a point of light
  EXPECT_DOUBLE_EQ(passed_share(0.0, 1.5, 1.0), 0.0);
  EXPECT_DOUBLE_EQ(passed_share(1.0, 0.0, 0.0), 0.0);
}

}  // namespace
}  // namespace solarchon::optics
