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
  // docs/numbers.md: mean over disc against centre about 0.80 at 540 nm and 0.83 at 656 nm.
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

/// A photographic camera behind film, with a lens of any focal ratio.
optics::Rig photo_rig(double iso, double focal_ratio, double density) {
  optics::Rig rig = starter_rig();
  std::get<optics::FrontFilm>(rig.elements[0].part).optical_density = density;
  std::get<optics::Telescope>(rig.elements[1].part).focal_length_mm = 80.0 * focal_ratio;
  rig.elements[2].part = optics::PhotoCamera{.iso = iso, .shortest_exposure_ms = 0.001};
  return rig;
}

TEST(DiscExposure, OfAPhotographicCameraFollowsThePublishedRule) {
  // Partial phases: t = N^2 / (ISO * 2^Q) seconds, Q = 8 for film of OD 5.0, 11 for OD 4.0.
  for (const double iso : {100.0, 200.0, 400.0, 800.0}) {
    for (const double ratio : {6.0, 8.0, 10.0, 12.0}) {
      for (const auto& [density, quotient] : {std::pair(5.0, 8.0), std::pair(4.0, 11.0)}) {
        const double rule_ms = 1000.0 * ratio * ratio / (iso * std::exp2(quotient));
        for (const double airmass : {1.0, 1.5}) {
          const double ours_ms = expose(photo_rig(iso, ratio, density), {airmass}).wanted_ms;
          EXPECT_LT(std::abs(std::log2(ours_ms / rule_ms)), 0.7)
              << "ISO " << iso << " f/" << ratio << " OD " << density;
        }
      }
    }
  }
}

TEST(DiscExposure, OfAPhotographicCameraDoesNotDependOnAGuessedWell) {
  const double usual_ms = expose(photo_rig(200.0, 8.0, 5.0)).wanted_ms;
  for (const double pixel_um : {1.3, 3.9, 8.0}) {
    for (const double efficiency : {0.3, 0.5, 0.8}) {
      optics::Rig rig = photo_rig(200.0, 8.0, 5.0);
      auto& camera = std::get<optics::PhotoCamera>(rig.elements[2].part);
      camera.pixel_um = pixel_um;
      camera.peak_quantum_efficiency = efficiency;
      EXPECT_NEAR(expose(rig).wanted_ms / usual_ms, 1.0, 1e-9);
    }
  }
  // A well that is known caps what the lowest ISO asks for.
  optics::Rig small = photo_rig(25.0, 8.0, 5.0);
  const double by_iso_ms = expose(small).wanted_ms;
  std::get<optics::PhotoCamera>(small.elements[2].part).full_well_e = 40'000.0;
  EXPECT_LT(expose(small).wanted_ms, 0.5 * by_iso_ms);
}

TEST(DiscExposure, SaturatesAtTheLuxSecondsOfTheStandard) {
  // Independent road: electrons that one lux second of sunlight at the ground gives, summed over
  // the colours with the eye's response by day (CIE 1924, every 20 nm from 400 to 700).
  constexpr double kEye[] = {0.0004, 0.0040, 0.0230, 0.0600, 0.1390, 0.3230, 0.7100, 0.9540,
                             0.9950, 0.8700, 0.6310, 0.3810, 0.1750, 0.0610, 0.0170, 0.0041};
  double lumens = 0.0;
  for (std::size_t i = 0; i < std::size(kEye); ++i) {
    const double nm = 400.0 + 20.0 * static_cast<double>(i);
    // Black body of 5772 K, 1.86 W m-2 nm-1 at 540 nm, and about 18 per cent lost to clear air.
    const double shape =
        std::pow(540.0 / nm, 5.0) * std::expm1(2492.68 / 540.0 * 1.0) / std::expm1(2492.68 / nm);
    lumens += 683.0 * 20.0 * kEye[i] * 1.86 * 0.82 * shape;
  }
  optics::Rig rig = photo_rig(100.0, 8.0, 5.0);
  const auto& camera = std::get<optics::PhotoCamera>(rig.elements[2].part);
  const double image_lux =
      lumens / 6.80e-5 / LimbDarkening(540.0).mean() * 1e-5 * 0.98 * 3.14159 / (4.0 * 64.0);
  EXPECT_EQ(camera.iso, 100.0);
  EXPECT_NEAR(expose(rig).wanted_ms / 1000.0, 0.7 * 0.78 / image_lux,
              0.08 * 0.7 * 0.78 / image_lux);
}

TEST(DiscExposure, BehindARearEtalonIsThatOfFieldPractice) {
  // f/24 to f/28, 0.3 to 0.6 angstrom, pixels of 5 to 6 um with about 30 000 electrons: some 5 to
  // 15 ms.
  for (const double focal_length_mm : {450.0, 480.0, 520.0}) {
    for (const double bandwidth_angstrom : {0.3, 0.5, 0.6}) {
      optics::Rig rig = test::usual_train(2);
      std::erase_if(rig.elements, [](const optics::Element& element) {
        return std::holds_alternative<optics::Reducer>(element.part);
      });
      for (optics::Element& element : rig.elements) {
        if (auto* tube = std::get_if<optics::Telescope>(&element.part)) {
          tube->focal_length_mm = focal_length_mm;
        } else if (auto* etalon = std::get_if<optics::RearEtalon>(&element.part)) {
          etalon->bandwidth_angstrom = bandwidth_angstrom;
        }
      }
      const double ms = expose(rig, {1.3}).wanted_ms;
      EXPECT_GT(ms, 4.7) << focal_length_mm << ' ' << bandwidth_angstrom;
      EXPECT_LT(ms, 15.0) << focal_length_mm << ' ' << bandwidth_angstrom;
    }
  }
}

TEST(DiscExposure, TakesAWellThatNobodyGaveFromThePixel) {
  optics::Rig rig = starter_rig();
  auto& camera = std::get<optics::Camera>(rig.elements[2].part);
  camera.full_well_e = 0.0;
  for (const double pixel_um : {1.3, 2.4, 3.45, 5.86}) {
    camera.pixel_um = pixel_um;
    EXPECT_DOUBLE_EQ(optics::sensor_of(rig)->camera.full_well_e, 840.0 * pixel_um * pixel_um);
  }
  camera.full_well_e = 15'000.0;
  EXPECT_DOUBLE_EQ(optics::sensor_of(rig)->camera.full_well_e, 15'000.0);
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
