// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/disc.h"

#include <cmath>

#include "solarchon/base/angle.h"
#include "tests/reference/disc.h"
#include "tests/reference/rotation.h"
#include "tests/reference/sun.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using test::AngleNear;
using test::utc;

constexpr double kPoleTolerance = 0.01;  // docs/numbers.md: P and B0
constexpr double kL0Tolerance = 0.02;    // docs/numbers.md: L0

TEST(DiscView, BeginsRotationsWithAnotherLibrary) {
  // A rotation takes 27.3 days: 5e-5 of it are two minutes.
  for (const auto& row : reference::kRotationRows) {
    EXPECT_NEAR(disc_view(utc(row.start)).carrington_rotation, row.rotation, 5e-5) << row.start;
  }
}

TEST(DiscView, AgreesWithAnIndependentLibrary) {
  for (const auto& row : reference::kSunRows) {
    const DiscView view = disc_view(utc(row.time));
    EXPECT_THAT(view.p_deg, AngleNear(row.p_deg, kPoleTolerance)) << row.time;
    EXPECT_NEAR(view.b0_deg, row.b0_deg, kPoleTolerance) << row.time;
    EXPECT_THAT(view.l0_deg, AngleNear(row.l0_deg, kL0Tolerance)) << row.time;
    EXPECT_NEAR(view.carrington_rotation, row.carrington_rotation, 1e-3) << row.time;
  }
}

TEST(DiscView, RotationNumberGrowsThroughTheStepOfL0) {
  double last = disc_view(utc("2027-01-01")).carrington_rotation;
  for (int day = 1; day < 400; ++day) {
    const double now =
        disc_view(utc("2027-01-01") + sky::seconds(day * 86400.0)).carrington_rotation;
    EXPECT_NEAR(now - last, 1.0 / 27.2753, 0.002) << day;
    last = now;
  }
}

TEST(SurfacePoint, AgreesWithAnIndependentLibrary) {
  for (const auto& row : reference::kDiscRows) {
    const DiscView view = disc_view(utc(row.time));
    const auto point = surface_point({row.west_arcsec, row.north_arcsec}, view);
    ASSERT_TRUE(point) << row.time;
    // Near the limb a hundredth of an arcsecond moves the foot of the ray most.
    const double tolerance = 0.01 / std::max(0.05, point->cos_emergence);
    EXPECT_NEAR(point->latitude_deg, row.latitude_deg, tolerance) << row.time;
    const double along =
        std::remainder(point->carrington_longitude_deg - row.carrington_longitude_deg, 360.0);
    EXPECT_NEAR(along * std::cos(row.latitude_deg * base::kRadPerDeg), 0.0, 2.0 * tolerance)
        << row.time;
  }
}

TEST(SurfacePoint, TheMiddleOfTheDiscIsB0AndL0) {
  const DiscView view = disc_view(test::morning());
  const auto point = surface_point({0.0, 0.0}, view);
  EXPECT_NEAR(point->latitude_deg, view.b0_deg, 1e-12);
  EXPECT_THAT(point->carrington_longitude_deg, AngleNear(view.l0_deg, 1e-9));
  EXPECT_DOUBLE_EQ(point->cos_emergence, 1.0);
}

TEST(SurfacePoint, MissesTheSunOutsideTheLimb) {
  const DiscView view = disc_view(test::morning());
  const double limb = limb_radius_arcsec(view.distance_au);
  EXPECT_TRUE(surface_point({limb - 0.01, 0.0}, view));
  EXPECT_FALSE(surface_point({limb + 0.01, 0.0}, view));
  EXPECT_FALSE(surface_point({std::nan(""), 0.0}, view));
}

TEST(DiscPlaceOf, IsTheInverseOfSurfacePoint) {
  const DiscView view = disc_view(test::morning());
  for (double west = -900.0; west <= 900.0; west += 75.0) {
    for (double north = -900.0; north <= 900.0; north += 75.0) {
      const auto point = surface_point({west, north}, view);
      if (!point) {
        continue;
      }
      const auto place = disc_place(point->latitude_deg, point->carrington_longitude_deg, view);
      ASSERT_TRUE(place);
      EXPECT_NEAR(place->west_arcsec, west, 1e-6);
      EXPECT_NEAR(place->north_arcsec, north, 1e-6);
    }
  }
}

TEST(DiscPlaceOf, HidesTheFarSide) {
  const DiscView view = disc_view(test::morning());
  EXPECT_FALSE(disc_place(-view.b0_deg, view.l0_deg + 180.0, view));
  EXPECT_TRUE(disc_place(view.b0_deg, view.l0_deg + 80.0, view));
}

TEST(DiscPlaceOf, WestOfTheMeridianIsLargerLongitude) {
  const DiscView view = disc_view(test::morning());
  EXPECT_GT(disc_place(0.0, view.l0_deg + 30.0, view)->west_arcsec, 0.0);
  EXPECT_GT(disc_place(30.0, view.l0_deg, view)->north_arcsec, 0.0);
}

TEST(PictureOrientation, UprightPictureHasEastOnTheLeft) {
  const PictureOrientation upright;
  const DiscPlace right = to_disc({1.0, 0.0}, upright);
  EXPECT_DOUBLE_EQ(right.west_arcsec, 1.0);
  EXPECT_DOUBLE_EQ(to_disc({0.0, 1.0}, upright).north_arcsec, 1.0);
  const PictureOrientation mirrored{0.0, true};
  EXPECT_DOUBLE_EQ(to_disc({1.0, 0.0}, mirrored).west_arcsec, -1.0);
}

TEST(PictureOrientation, GoesThereAndBackForAllTurns) {
  for (const bool mirrored : {false, true}) {
    for (double north = 0.0; north < 360.0; north += 33.0) {
      const PictureOrientation orientation{north, mirrored};
      const PictureOffset back = to_picture(to_disc({3.0, -2.0}, orientation), orientation);
      EXPECT_NEAR(back.right, 3.0, 1e-12);
      EXPECT_NEAR(back.up, -2.0, 1e-12);
    }
  }
}

TEST(SolarOrientation, TurnsByPAgainstTheHandOfThePicture) {
  EXPECT_DOUBLE_EQ(solar_orientation({0.0, false}, 20.0).north_deg, 340.0);
  EXPECT_DOUBLE_EQ(solar_orientation({0.0, true}, 20.0).north_deg, 20.0);
  EXPECT_TRUE(solar_orientation({0.0, true}, 20.0).mirrored);
}

TEST(LimbRadius, IsTheSemidiameterOnTheTangentPlane) {
  EXPECT_NEAR(semidiameter_arcsec(1.0), 959.63, 1e-9);
  EXPECT_NEAR(limb_radius_arcsec(1.0), 959.63, 0.02);
  EXPECT_GT(limb_radius_arcsec(1.0), semidiameter_arcsec(1.0));
}

}  // namespace
}  // namespace solarchon::sky
