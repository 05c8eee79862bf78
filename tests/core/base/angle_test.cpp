// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/angle.h"

#include <gtest/gtest.h>

#include <cmath>
#include <limits>

namespace solarchon::base {
namespace {

TEST(Wrap360, KeepsAnglesThatLieInside) {
  EXPECT_DOUBLE_EQ(wrap_360(0.0), 0.0);
  EXPECT_DOUBLE_EQ(wrap_360(359.5), 359.5);
}

TEST(Wrap360, BringsAnglesBackFromBothSides) {
  EXPECT_DOUBLE_EQ(wrap_360(-10.0), 350.0);
  EXPECT_DOUBLE_EQ(wrap_360(730.0), 10.0);
  EXPECT_DOUBLE_EQ(wrap_360(360.0), 0.0);
}

TEST(Wrap360, NeverGives360ForATinyNegativeAngle) {
  EXPECT_LT(wrap_360(-1e-15), 360.0);
  EXPECT_GE(wrap_360(-1e-15), 0.0);
}

TEST(Wrap360, LeavesNanAsNan) {
  EXPECT_TRUE(std::isnan(wrap_360(std::numeric_limits<double>::quiet_NaN())));
}

TEST(Wrap180, IsHalfOpenAtTheSeam) {
  EXPECT_DOUBLE_EQ(wrap_180(180.0), -180.0);
  EXPECT_DOUBLE_EQ(wrap_180(-180.0), -180.0);
  EXPECT_DOUBLE_EQ(wrap_180(190.0), -170.0);
  EXPECT_DOUBLE_EQ(wrap_180(-190.0), 170.0);
}

TEST(AngleBetween, TakesTheShortWayAcrossTheSeam) {
  EXPECT_DOUBLE_EQ(angle_between_deg(350.0, 10.0), 20.0);
  EXPECT_DOUBLE_EQ(angle_between_deg(10.0, 350.0), 20.0);
  EXPECT_DOUBLE_EQ(angle_between_deg(0.0, 180.0), 180.0);
}

}  // namespace
}  // namespace solarchon::base
