// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/circles.h"

#include <gtest/gtest.h>

#include <array>
#include <cmath>
#include <numbers>

namespace solarchon::base {
namespace {

TEST(SharedArea, OfTwoAlikeAtTheirRadiusIsTheVesica) {
  // Two unit circles through each other's middles: 2 pi / 3 - sqrt(3) / 2.
  EXPECT_NEAR(shared_area(1.0, 1.0, 1.0), 2.0 * std::numbers::pi / 3.0 - std::sqrt(3.0) / 2.0,
              1e-12);
}

TEST(SharedArea, IsAllOfTheSmallerWithinAndNothingApart) {
  EXPECT_NEAR(shared_area(3.0, 1.0, 1.5), std::numbers::pi, 1e-12);
  EXPECT_NEAR(shared_area(1.0, 3.0, 2.0), std::numbers::pi, 1e-12) << "touching from inside";
  EXPECT_EQ(shared_area(3.0, 1.0, 4.0), 0.0);
  EXPECT_EQ(shared_area(3.0, 0.0, 2.0), 0.0);
}

TEST(SharedArea, IsWhatCountingPointsGives) {
  for (const auto& [first, second, apart] :
       {std::array{2.0, 1.0, 1.7}, {1.0, 1.4, 2.1}, {5.0, 0.3, 4.9}}) {
    constexpr int kSide = 2000;
    int both = 0;
    const double half = std::min(first, second);
    const double middle = first < second ? 0.0 : apart;
    for (int j = 0; j < kSide; ++j) {
      for (int i = 0; i < kSide; ++i) {
        const double x = middle + half * (2.0 * (i + 0.5) / kSide - 1.0);
        const double y = half * (2.0 * (j + 0.5) / kSide - 1.0);
        both += std::hypot(x, y) < first && std::hypot(x - apart, y) < second ? 1 : 0;
      }
    }
    const double cell = 2.0 * half / kSide;
    EXPECT_NEAR(shared_area(first, second, apart), both * cell * cell, 1e-3 * half * half);
  }
}

TEST(CoveredShare, IsOfTheFirstCircle) {
  EXPECT_DOUBLE_EQ(covered_share(2.0, 1.0, 0.5), 0.25);
  EXPECT_DOUBLE_EQ(covered_share(1.0, 2.0, 0.5), 1.0);
  EXPECT_DOUBLE_EQ(covered_share(1.0, 1.0, 2.0), 0.0);
}

}  // namespace
}  // namespace solarchon::base
