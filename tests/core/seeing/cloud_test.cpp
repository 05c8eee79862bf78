// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/seeing/cloud.h"

#include <algorithm>
#include <cmath>

#include "solarchon/seeing/turbulence.h"
#include "tests/support/support.h"

namespace solarchon::seeing {
namespace {

using base::ErrorCode;
using test::FailsWith;

Cloud lumpy(double unevenness, std::uint32_t seed = 1) {
  Cloud cloud;
  cloud.stops = 2.0;
  cloud.unevenness = unevenness;
  cloud.seed = seed;
  return cloud;
}

TEST(Cloud, AnEvenVeilTakesTheSameEverywhere) {
  const CloudField veil(lumpy(0.0));
  for (const double place : {-3000.0, 0.0, 777.0}) {
    EXPECT_NEAR(veil.stops(place, 2.0 * place, 55.0 * place), 2.0, 1e-9);
  }
  EXPECT_EQ(CloudField(Cloud{}).stops(1.0, 2.0, 3.0), 0.0);
}

TEST(Cloud, TakesOnTheAverageWhatItSays) {
  double sum = 0.0;
  double fewest = 100.0;
  double most = 0.0;
  constexpr int kSeeds = 40;
  constexpr int kInstants = 200;
  for (std::uint32_t seed = 1; seed <= kSeeds; ++seed) {
    const CloudField field(lumpy(0.6, seed));
    for (int i = 0; i < kInstants; ++i) {
      const double stops = field.stops(0.0, 0.0, 31.7 * i);
      sum += stops / kSeeds / kInstants;
      fewest = std::min(fewest, stops);
      most = std::max(most, stops);
    }
  }
  EXPECT_NEAR(sum, 2.0, 0.1);
  EXPECT_GE(fewest, 0.0);
  EXPECT_GT(most, 5.0);
}

TEST(Cloud, LumpsPassWithinSecondsAndAreWider) {
  const CloudField field(lumpy(1.0));
  double fastest = 0.0;
  for (int i = 0; i < 600; ++i) {
    fastest =
        std::max(fastest, std::abs(field.stops(0.0, 0.0, i + 2.0) - field.stops(0.0, 0.0, i)));
  }
  EXPECT_GT(fastest, 1.0);
  EXPECT_NEAR(field.stops(5.0, 0.0, 9.0), field.stops(0.0, 0.0, 9.0), 0.2);
}

TEST(Cloud, OverALatticeItIsTheSame) {
  const CloudField field(lumpy(1.0));
  const Lattice lattice{-300.0, 120.0, 9.6, 70, 40, 0.003};
  const std::vector<float> stops = field.stops_over(lattice, 1.8e9);
  ASSERT_EQ(stops.size(), 2800U);
  double worst = 0.0;
  for (int row = 0; row < lattice.rows; ++row) {
    for (int column = 0; column < lattice.columns; ++column) {
      const double expected =
          field.stops(-300.0 + 9.6 * column, 120.0 + 9.6 * row, 1.8e9 + lattice.row_delay_s * row);
      worst = std::max(
          worst, std::abs(static_cast<double>(
                              stops[static_cast<std::size_t>(row * lattice.columns + column)]) -
                          expected));
    }
  }
  EXPECT_LT(worst, 0.002);
}

TEST(Cloud, ScattersSomeOfWhatItTakes) {
  EXPECT_EQ(scattered_share(0.0), 0.0);
  EXPECT_GT(scattered_share(1.0), scattered_share(0.2));
  EXPECT_LT(scattered_share(14.0), scattered_share(2.0));
  for (double stops = 0.1; stops < 15.0; stops += 0.1) {
    // Never more than what is taken.
    EXPECT_LT(scattered_share(stops), 0.03 * (1.0 - std::exp2(-stops)));
  }
}

TEST(Cloud, RefusesWhatNoCloudIs) {
  Cloud cloud;
  EXPECT_TRUE(check(cloud));
  cloud.stops = 16.0;
  EXPECT_THAT(check(cloud), FailsWith(ErrorCode::kOutOfRange, "cloud"));
  cloud = {};
  cloud.unevenness = -0.1;
  EXPECT_THAT(check(cloud), FailsWith(ErrorCode::kOutOfRange, "unevenness"));
  cloud = {};
  cloud.drift_arcmin_s = std::nan("");
  EXPECT_THAT(check(cloud), FailsWith(ErrorCode::kOutOfRange, "drift_arcmin_s"));
}

TEST(Turbulence, OverALatticeItMovesAsPlaceByPlace) {
  Air air;
  air.r0_cm = 3.0;
  const Turbulence turbulence(air, 656.0, 90.0);
  const double deviation = image_motion_arcsec(3.0, 656.0, 90.0);
  const Lattice lattice{-250.0, 40.0, 9.0, 130, 97, 0.0};
  const LatticeMotion motion = turbulence.motion_over(lattice, 1.8e9);
  const MotionField field = turbulence.motion(1.8e9);
  double worst = 0.0;
  for (int row = 0; row < lattice.rows; row += 7) {
    for (int column = 0; column < lattice.columns; column += 3) {
      const Shift shift = field.at(-250.0 + 9.0 * column, 40.0 + 9.0 * row);
      const auto at = static_cast<std::size_t>(row * lattice.columns + column);
      worst = std::max({worst, std::abs(static_cast<double>(motion.right_arcsec[at]) - shift.right),
                        std::abs(static_cast<double>(motion.down_arcsec[at]) - shift.down)});
    }
  }
  EXPECT_LT(worst, 0.001 * deviation);
}

TEST(Turbulence, EachRowOfALatticeHasItsOwnInstant) {
  const Turbulence turbulence(Air{}, 656.0, 90.0);
  const Lattice lattice{0.0, 0.0, 5.0, 3, 50, 0.0004};
  const LatticeMotion motion = turbulence.motion_over(lattice, 100.0);
  // r0, and so the strength, is that of the first row: it wanders in minutes.
  const Shift last = turbulence.motion(100.0 + 49 * 0.0004).at(10.0, 49 * 5.0);
  EXPECT_NEAR(static_cast<double>(motion.right_arcsec[149]), last.right, 0.003);
}

TEST(Turbulence, TheBlurDiffersOverTheFieldAsTheAirWanders) {
  Air air;
  air.wander = 0.5;
  const Lattice wide{0.0, 0.0, 30.0, 120, 120, 0.0};
  double squares = 0.0;
  for (std::uint32_t seed = 1; seed <= 20; ++seed) {
    air.seed = seed;
    for (const float value : Turbulence(air, 540.0, 100.0).motion_over(wide, 7.0).log_r0) {
      squares += static_cast<double>(value) * static_cast<double>(value) / 14400.0 / 20.0;
    }
  }
  EXPECT_NEAR(std::sqrt(squares), 0.2, 0.02);
  air.wander = 0.0;
  const auto even = Turbulence(air, 540.0, 100.0).motion_over(wide, 7.0).log_r0;
  EXPECT_TRUE(std::all_of(even.begin(), even.end(), [](float value) { return value == 0.0F; }));
}

}  // namespace
}  // namespace solarchon::seeing
