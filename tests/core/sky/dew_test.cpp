// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/dew.h"

#include <cmath>

#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

/// Saturation pressure over water (hPa): Goff and Gratch (1946), which is not what is tested.
double saturation_hpa(double celsius) {
  const double kelvin = celsius + 273.16;
  const double steam = 373.16;
  return std::pow(10.0, -7.90298 * (steam / kelvin - 1.0) + 5.02808 * std::log10(steam / kelvin) -
                            1.3816e-7 * (std::pow(10.0, 11.344 * (1.0 - kelvin / steam)) - 1.0) +
                            8.1328e-3 * (std::pow(10.0, -3.49149 * (steam / kelvin - 1.0)) - 1.0) +
                            std::log10(1013.246));
}

TEST(DewPoint, AgreesWithAnotherFormulaOfThePressure) {
  for (const double air : {-20.0, -5.0, 0.0, 8.0, 15.0, 27.5, 40.0}) {
    for (const double humidity : {10.0, 35.0, 60.0, 85.0, 100.0}) {
      const double dew = dew_point_c(air, humidity);
      EXPECT_NEAR(saturation_hpa(dew) / saturation_hpa(air) * 100.0, humidity,
                  0.02 * humidity + 0.3)
          << air << ' ' << humidity;
    }
  }
  EXPECT_NEAR(dew_point_c(20.0, 100.0), 20.0, 1e-9);
}

TEST(Fog, ColdGlassFogsUntilItIsWarmerThanTheDewPoint) {
  const Fog fog = fog_of(2.0, 18.0, 70.0, 100.0);
  ASSERT_TRUE(fog.fogs && fog.clear_after_min);
  // At that minute the glass, by its own exponential, stands at the dew point.
  const double glass = 18.0 - 16.0 * std::exp(-*fog.clear_after_min / 20.0);
  EXPECT_NEAR(glass, fog.dew_point_c, 1e-9);
  EXPECT_GT(fog.at_air_after_min, *fog.clear_after_min);
}

TEST(Fog, WarmGlassStaysClearAndSaturatedAirKeepsItWet) {
  EXPECT_FALSE(fog_of(20.0, 18.0, 70.0, 100.0).fogs);
  EXPECT_FALSE(fog_of(18.0, 18.0, 99.0, 100.0).fogs);
  EXPECT_DOUBLE_EQ(fog_of(18.0, 18.0, 50.0, 100.0).at_air_after_min, 0.0);
  const Fog wet = fog_of(2.0, 18.0, 100.0, 100.0);
  EXPECT_TRUE(wet.fogs);
  EXPECT_FALSE(wet.clear_after_min && *wet.clear_after_min < 200.0);
}

TEST(Fog, LargerGlassTakesLonger) {
  EXPECT_NEAR(*fog_of(0.0, 20.0, 60.0, 200.0).clear_after_min,
              4.0 * *fog_of(0.0, 20.0, 60.0, 50.0).clear_after_min, 1e-9);
}

}  // namespace
}  // namespace solarchon::sky
