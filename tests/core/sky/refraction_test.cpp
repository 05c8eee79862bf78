// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include "solarchon/sky/sun.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

constexpr double kArcmin = 1.0 / 60.0;

TEST(Refraction, HasTheTextbookValues) {
  // Standard air (1010 hPa, 10 C): 34.5 arcmin at apparent altitude 0 (Bennett 1982), 5.3 at 10,
  // 1.0 at 45.
  const Weather standard{1010.0, 10.0};
  EXPECT_NEAR(refraction_deg(-34.5 * kArcmin, standard), 34.5 * kArcmin, 0.3 * kArcmin);
  EXPECT_NEAR(refraction_deg(10.0 - 5.3 * kArcmin, standard), 5.3 * kArcmin, 0.05 * kArcmin);
  EXPECT_NEAR(refraction_deg(45.0, standard), 0.98 * kArcmin, 0.03 * kArcmin);
  EXPECT_NEAR(refraction_deg(90.0, standard), 0.0, 1e-6);
}

TEST(Refraction, IsContinuousAndFallsWithHeight) {
  const Weather air;
  double last = refraction_deg(-1.0, air);
  for (double altitude = -1.0; altitude <= 90.0; altitude += 0.01) {
    const double now = refraction_deg(altitude, air);
    EXPECT_LE(now, last + 1e-9) << altitude;
    EXPECT_LT(last - now, 0.12 * kArcmin + 1e-9) << altitude;  // no step
    last = now;
  }
}

TEST(Refraction, FadesOutBelowTheHorizon) {
  EXPECT_GT(refraction_deg(-2.0, {}), 0.0);
  EXPECT_EQ(refraction_deg(-5.0, {}), 0.0);
  EXPECT_EQ(refraction_deg(-90.0, {}), 0.0);
}

TEST(Refraction, GrowsWithPressureAndFallsWithHeat) {
  for (const double altitude : {1.0, 7.0, 30.0}) {
    const double middle = refraction_deg(altitude, {1010.0, 15.0});
    EXPECT_GT(refraction_deg(altitude, {1040.0, 15.0}), middle);
    EXPECT_LT(refraction_deg(altitude, {1010.0, 35.0}), middle);
    EXPECT_EQ(refraction_deg(altitude, {0.0, 15.0}), 0.0);
  }
}

TEST(Airmass, HasTheTabulatedValues) {
  // Kasten and Young 1989, table II (gamma in degree).
  EXPECT_NEAR(airmass(90.0).value(), 1.0, 0.001);
  EXPECT_NEAR(airmass(30.0).value(), 1.994, 0.002);
  EXPECT_NEAR(airmass(10.0).value(), 5.585, 0.01);
  EXPECT_NEAR(airmass(0.0).value(), 38.0, 0.1);
  EXPECT_FALSE(airmass(-0.01));
  EXPECT_FALSE(airmass(std::nan("")));
}

}  // namespace
}  // namespace solarchon::sky
