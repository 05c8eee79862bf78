// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include "solarchon/light/exposure.h"
#include "solarchon/light/limb_darkening.h"
#include "tests/support/support.h"

namespace solarchon::light {
namespace {

using test::starter_rig;

DiscExposure expose(const optics::Rig& rig, const LightConditions& conditions = {}) {
  return disc_exposure(rig, optics::follow_light(rig, 959.63), conditions).value();
}

TEST(LimbDarkening, IsOneAtTheCentre) {
  for (const double nm : {422.0, 540.0, 656.0, 1100.0}) {
    EXPECT_NEAR(LimbDarkening(nm).at(1.0), 1.0, 0.001) << nm;
  }
}

TEST(LimbDarkening, HasThePublishedMeans) {
  // REFERENCE: mean over disc against centre about 0.80 at 540 nm and 0.83 at 656 nm.
  EXPECT_NEAR(LimbDarkening(540.0).mean(), 0.80, 0.005);
  EXPECT_NEAR(LimbDarkening(656.0).mean(), 0.83, 0.01);
}

TEST(LimbDarkening, MeanIsTheIntegralOverTheDisc) {
  const LimbDarkening law(540.0);
  double sum = 0.0;
  constexpr int kSteps = 20'000;
  for (int i = 0; i < kSteps; ++i) {
    const double radius_square = (i + 0.5) / kSteps;  // rings of equal area
    sum += law.at(std::sqrt(1.0 - radius_square));
  }
  EXPECT_NEAR(sum / kSteps, law.mean(), 1e-5);
}

TEST(LimbDarkening, FallsToTheLimbAndFallsMoreInTheBlue) {
  const LimbDarkening green(540.0);
  for (double mu = 0.05; mu <= 1.0; mu += 0.05) {
    EXPECT_GT(green.at(mu), green.at(mu - 0.05));
  }
  EXPECT_LT(LimbDarkening(430.0).at(0.3), LimbDarkening(900.0).at(0.3));
}

TEST(DiscExposure, IsOfTheOrderThatPractitionersUse) {
  // An 80 mm f/6 with OD 5 film and a 3.45 um, 10 ke camera: some tenths of a millisecond.
  const DiscExposure exposure = expose(starter_rig());
  EXPECT_GT(exposure.exposure_ms, 0.05);
  EXPECT_LT(exposure.exposure_ms, 1.0);
  EXPECT_NEAR(exposure.level, kTargetLevel, 1e-9);
  EXPECT_EQ(exposure.limit, ShutterLimit::kNone);
}

TEST(DiscExposure, AgreesWithPhotometryOfTheSameScene) {
  // Independent road: luminance 1.6e9 cd/m2 through OD 5 and 0.98 of glass at f/6 gives
  // pi L T / (4 N^2) lux. Sunlight has about 95 lm/W; three quarters of its power lies where
  // silicon sees, at a mean of 650 nm (3.06e-19 J), with two thirds of the peak efficiency.
  const double lux = 3.14159 * 1.6e9 * 1e-5 * 0.98 / (4.0 * 36.0);
  const double lumens_per_pixel = lux * 3.45e-6 * 3.45e-6;
  const double electrons_per_lumen_s = 0.75 / 95.0 / 3.06e-19 * 0.65 * 0.65;
  const double electrons_per_ms = lumens_per_pixel * electrons_per_lumen_s / 1000.0;
  EXPECT_NEAR(expose(starter_rig()).electrons_per_ms / electrons_per_ms, 1.0, 0.3);
}

TEST(DiscExposure, GoesWithTheSquareOfTheFocalRatio) {
  optics::Rig slower = starter_rig();
  std::get<optics::Telescope>(slower.elements[1].part).focal_length_mm = 960.0;
  EXPECT_NEAR(expose(slower).exposure_ms / expose(starter_rig()).exposure_ms, 4.0, 1e-6);
}

TEST(DiscExposure, GoesWithTheDensity) {
  optics::Rig brighter = starter_rig();
  std::get<optics::FrontFilm>(brighter.elements[0].part).optical_density = 4.0;
  EXPECT_NEAR(expose(starter_rig()).wanted_ms / expose(brighter).wanted_ms, 10.0, 1e-6);
}

TEST(DiscExposure, GrowsWithTheAirAndFallsWithTheHeightOfTheSite) {
  const double high_sun = expose(starter_rig(), {1.0, 0.0, 0.7}).exposure_ms;
  const double low_sun = expose(starter_rig(), {5.0, 0.0, 0.7}).exposure_ms;
  const double mountain = expose(starter_rig(), {5.0, 3000.0, 0.7}).exposure_ms;
  EXPECT_GT(low_sun, 1.3 * high_sun);
  EXPECT_LT(mountain, low_sun);
}

TEST(DiscExposure, StopsAtTheShutter) {
  optics::Rig rig = starter_rig();
  auto& camera = std::get<optics::Camera>(rig.elements[2].part);
  camera.shortest_exposure_ms = 1.0;
  EXPECT_EQ(expose(rig).limit, ShutterLimit::kTooBright);
  EXPECT_DOUBLE_EQ(expose(rig).exposure_ms, 1.0);
  EXPECT_GT(expose(rig).level, 1.0);
  camera.shortest_exposure_ms = 0.001;
  camera.longest_exposure_ms = 0.01;
  EXPECT_EQ(expose(rig).limit, ShutterLimit::kTooDim);
  EXPECT_LT(expose(rig).level, kTargetLevel);
}

TEST(DiscExposure, NeedsTelescopeAndCamera) {
  optics::Rig rig = starter_rig();
  rig.elements[2].fitted = false;
  EXPECT_FALSE(disc_exposure(rig, optics::follow_light(rig, 959.63), {}));
  EXPECT_FALSE(disc_exposure({}, {}, {}));
}

}  // namespace
}  // namespace solarchon::light
