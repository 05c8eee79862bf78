// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/etalon.h"

#include <gtest/gtest.h>

#include <cmath>

#include "solarchon/sky/site.h"

namespace solarchon::optics {
namespace {

/// Transmission of one pass, written out anew.
double lorentz(double offset, double width) {
  return 1.0 / (1.0 + 4.0 * offset * offset / (width * width));
}

/// Full width at half maximum of any even profile, by bisection.
template <typename Profile>
double width_of(Profile profile, double most) {
  double low = 0.0;
  double high = most;
  for (int i = 0; i < 80; ++i) {
    const double middle = 0.5 * (low + high);
    (profile(middle) > 0.5 * profile(0.0) ? low : high) = middle;
  }
  return 2.0 * low;
}

TEST(StackedBandwidth, IsThatOfTheProductOfBothPasses) {
  EXPECT_NEAR(stacked_bandwidth_angstrom(0.7, 0.7) / 0.7, 0.644, 0.0005);  // as makers state it
  for (const auto& [one, other] : {std::pair{0.5, 0.7}, {0.3, 3.0}, {1.0, 1.0}}) {
    const double searched =
        width_of([&](double x) { return lorentz(x, one) * lorentz(x, other); }, 5.0);
    EXPECT_NEAR(stacked_bandwidth_angstrom(one, other), searched, 1e-9);
    EXPECT_DOUBLE_EQ(stacked_bandwidth_angstrom(one, other),
                     stacked_bandwidth_angstrom(other, one));
  }
}

TEST(ObliqueShift, FollowsTheSquareOfTheAngle) {
  // By hand: 6562.8 * 0.00465^2 / 2 = 0.07095 for the limb and an air gap.
  EXPECT_NEAR(oblique_shift_angstrom(0.00465, 1.0), -0.07095, 1e-5);
  EXPECT_NEAR(oblique_shift_angstrom(0.0093, 1.0), -0.2838, 1e-4);
  // Exact for a gap of index n: lambda (sqrt(1 - sin^2/n^2) - 1).
  const double exact = 6562.8 * (std::sqrt(1.0 - std::pow(std::sin(0.02) / 1.58, 2)) - 1.0);
  EXPECT_NEAR(oblique_shift_angstrom(0.02, 1.58), exact, 1e-3 * std::abs(exact));
  EXPECT_DOUBLE_EQ(oblique_shift_angstrom(0.0, 1.0), 0.0);
}

TEST(InCone, IsTheMeanOverTheConesRays) {
  // Every ray of an evenly filled cone, summed.
  const double width = 0.5;
  const double ratio = 20.0;
  const double index = 1.58;
  const ConePassband cone = in_cone(width, ratio, index);
  const auto summed = [&](double offset) {
    double sum = 0.0;
    constexpr int kRings = 4000;
    for (int ring = 0; ring < kRings; ++ring) {
      const double radius = std::sqrt((ring + 0.5) / kRings);  // rings of equal area
      const double shift = oblique_shift_angstrom(0.5 * radius / ratio, index);
      sum += lorentz(offset + cone.mean_shift_angstrom - shift, width);
    }
    return sum / kRings;
  };
  EXPECT_NEAR(cone.bandwidth_angstrom, width_of(summed, 5.0), 1e-4);
  EXPECT_NEAR(cone.peak_share, summed(0.0), 1e-4);
}

TEST(InCone, WidensWithFasterBeams) {
  // By hand at f/30, n 1.58: 6562.8 / (8 * 900 * 2.4964) = 0.3651; hypot(0.5, 0.3651) = 0.6191.
  EXPECT_NEAR(in_cone(0.5, 30.0, 1.58).bandwidth_angstrom, 0.6191, 1e-4);
  EXPECT_GT(in_cone(0.5, 10.0, 1.58).bandwidth_angstrom, 3.0);
  EXPECT_NEAR(in_cone(0.5, 1e6, 1.58).bandwidth_angstrom, 0.5, 1e-9);
  EXPECT_DOUBLE_EQ(in_cone(0.5, 1e6, 1.58).peak_share, 1.0);
}

TEST(PressureShift, IsAboutOneAndEightTenthsPerAtmosphere) {
  EXPECT_DOUBLE_EQ(pressure_shift_angstrom(sky::kSeaLevelHpa), 0.0);
  EXPECT_NEAR(pressure_shift_angstrom(2.0 * sky::kSeaLevelHpa), 1.8, 0.03);
  EXPECT_LT(pressure_shift_angstrom(sky::standard_pressure_hpa(2400.0)), -0.4);
}

TEST(StandardPressure, FollowsTheTableOfTheStandardAtmosphere) {
  // ICAO Doc 7488: 1013.25, 898.75, 794.95, 540.20 hPa.
  EXPECT_NEAR(sky::standard_pressure_hpa(0.0), 1013.25, 0.01);
  EXPECT_NEAR(sky::standard_pressure_hpa(1000.0), 898.75, 0.1);
  EXPECT_NEAR(sky::standard_pressure_hpa(2000.0), 794.95, 0.1);
  EXPECT_NEAR(sky::standard_pressure_hpa(5000.0), 540.20, 0.1);
  EXPECT_DOUBLE_EQ(sky::standard_pressure_hpa(1e9), sky::standard_pressure_hpa(11000.0));
}

}  // namespace
}  // namespace solarchon::optics
