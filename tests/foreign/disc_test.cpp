// SPDX-License-Identifier: GPL-3.0-or-later
#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <random>

#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/measure/disc.h"
#include "tests/foreign/drawn_disc.h"

namespace solarchon::measure {
namespace {

image::Frame frame_of(const foreign::DrawnDisc& disc) {
  image::Frame frame;
  frame.width = disc.width;
  frame.height = disc.height;
  frame.pixels = foreign::drawn(disc);
  return frame;
}

/// A Moon of the Sun's size or a little more that covers so much of its diameter.
foreign::DrawnMoon moon_over(const foreign::DrawnDisc& disc, double magnitude, double way_rad) {
  foreign::DrawnMoon moon;
  moon.radius_px = 1.03 * disc.radius_px;
  const double apart = disc.radius_px + moon.radius_px - 2.0 * magnitude * disc.radius_px;
  moon.x = disc.x + apart * std::cos(way_rad);
  moon.y = disc.y + apart * std::sin(way_rad);
  return moon;
}

TEST(ForeignMoon, IsFoundInFrontOfTheSunAndIsNoSpot) {
  for (const double magnitude : {0.1, 0.3, 0.5, 0.7, 0.8, 0.9, 0.95}) {
    SCOPED_TRACE(magnitude);
    foreign::DrawnDisc disc;
    disc.x = 281.3;
    disc.y = 259.4;
    disc.moon = moon_over(disc, magnitude, 0.4 + 6.0 * magnitude);
    const auto measured = measure_disc(frame_of(disc));
    ASSERT_TRUE(measured);
    const disc::LimbFit& limb = measured->limb;
    EXPECT_NEAR(limb.centre_x_px, disc.x, 0.05);
    EXPECT_NEAR(limb.centre_y_px, disc.y, 0.05);
    EXPECT_NEAR(limb.radius_px, disc.radius_px, 0.3);  // the law of darkening is another
    ASSERT_TRUE(limb.moon);
    // Of a small bite little of the edge is seen.
    const double within_px = magnitude < 0.2 ? 0.6 : 0.3;
    EXPECT_NEAR(limb.moon->centre_x_px, disc.moon->x, within_px);
    EXPECT_NEAR(limb.moon->centre_y_px, disc.moon->y, within_px);
    EXPECT_NEAR(limb.moon->radius_px, disc.moon->radius_px, within_px);
    EXPECT_NEAR(limb.moon->magnitude, magnitude, 0.002);
    EXPECT_TRUE(measured->spots.empty());
  }
}

TEST(ForeignMoon, OfAnAnnularEclipseLeavesARing) {
  foreign::DrawnDisc disc;
  disc.x = 281.3;
  disc.y = 259.4;
  disc.moon = foreign::DrawnMoon{284.5, 256.2, 0.95 * disc.radius_px};
  const auto measured = measure_disc(frame_of(disc));
  ASSERT_TRUE(measured);
  EXPECT_NEAR(measured->limb.centre_x_px, disc.x, 0.1);
  EXPECT_NEAR(measured->limb.centre_y_px, disc.y, 0.1);
  EXPECT_NEAR(measured->limb.radius_px, disc.radius_px, 0.3);
  ASSERT_TRUE(measured->limb.moon);
  EXPECT_NEAR(measured->limb.moon->centre_x_px, disc.moon->x, 0.3);
  EXPECT_NEAR(measured->limb.moon->radius_px, disc.moon->radius_px, 0.5);
  EXPECT_NEAR(measured->limb.moon->obscuration, 0.95 * 0.95, 0.005);
  EXPECT_TRUE(measured->spots.empty());
}

TEST(ForeignMoon, LeavesTheSpotsBesideIt) {
  foreign::DrawnDisc disc;
  disc.spots = {{-0.5, 0.2, 300.0}, {-0.3, -0.3, 150.0}};
  disc.moon = moon_over(disc, 0.4, 0.3);
  const auto measured = measure_disc(frame_of(disc));
  ASSERT_TRUE(measured);
  ASSERT_TRUE(measured->limb.moon);
  ASSERT_EQ(measured->spots.size(), 2U);
  EXPECT_NEAR(measured->spots[0].x_px, disc.x - 0.5 * disc.radius_px, 0.5);
  EXPECT_NEAR(measured->spots[1].y_px, disc.y - 0.3 * disc.radius_px, 0.5);
}

TEST(ForeignMoon, IsNotSeenWhereThereIsNone) {
  std::mt19937 random(3);
  std::uniform_real_distribution<double> uniform(-1.0, 1.0);
  for (int i = 0; i < 12; ++i) {
    SCOPED_TRACE(i);
    foreign::DrawnDisc disc;
    disc.seed = static_cast<std::uint32_t>(40 + i);
    disc.x += 3.0 * uniform(random);
    disc.prominences = i % 3;
    disc.halo = i % 2 == 0 ? 0.05 : 0.0;
    disc.vignette = i % 4 == 0 ? 0.15 : 0.0;
    disc.spots = {{0.6 * uniform(random), 0.6 * uniform(random), 800.0}};
    if (i % 3 == 0) {
      disc.cloud = 0.3 + 0.05 * i;
    }
    const auto limb = disc::fit_limb(frame_of(disc));
    ASSERT_TRUE(limb);
    EXPECT_FALSE(limb->moon);
    EXPECT_NEAR(limb->centre_x_px, disc.x, 0.3);
  }
}

/// Spots of some sizes spread over a disc, every one of them away from the limb.
foreign::DrawnDisc spotted(double umbra_radius, double umbra, double blur_px) {
  foreign::DrawnDisc disc;
  disc.width = 1060;
  disc.height = 1020;
  disc.x = 530.3;
  disc.y = 508.8;
  disc.radius_px = 440.0;
  disc.blur_px = blur_px;
  const std::array<double, 5> areas{30.0, 60.0, 120.0, 250.0, 600.0};
  constexpr double kApart = 0.27;
  for (int i = 0; i < 25; ++i) {
    foreign::DrawnSpot spot;
    spot.right = kApart * (i % 5 - 2);
    spot.down = kApart * (i / 5 - 2);
    spot.area_muh = areas.at(static_cast<std::size_t>((i + i / 5) % 5));
    spot.umbra_radius = umbra_radius;
    spot.umbra = umbra;
    disc.spots.push_back(spot);
  }
  return disc;
}

void expect_areas(const foreign::DrawnDisc& disc, double small_share, double large_share) {
  const auto measured = measure_disc(frame_of(disc));
  ASSERT_TRUE(measured);
  EXPECT_EQ(measured->spots.size(), disc.spots.size());
  for (const foreign::DrawnSpot& drawn : disc.spots) {
    const auto found = std::find_if(
        measured->spots.begin(), measured->spots.end(), [&](const SpotMeasurement& spot) {
          return std::hypot(spot.x_px - disc.x - drawn.right * disc.radius_px,
                            spot.y_px - disc.y - drawn.down * disc.radius_px) < 1.0;
        });
    ASSERT_NE(found, measured->spots.end()) << drawn.area_muh;
    constexpr double kLarge_muh = 200.0;
    const double share = drawn.area_muh > kLarge_muh ? large_share : small_share;
    EXPECT_NEAR(found->area_muh / drawn.area_muh, 1.0, share)
        << drawn.area_muh << " at " << drawn.right << ' ' << drawn.down;
  }
}

TEST(ForeignSpots, AreAsLargeAsTheyWereDrawn) { expect_areas(spotted(0.42, 0.25, 1.3), 0.2, 0.05); }

TEST(ForeignSpots, PoresAreAsLargeAsTheyWereDrawn) {
  expect_areas(spotted(1.0, 0.4, 1.3), 0.12, 0.05);
}

TEST(ForeignSpots, OfOtherLevelsAreAsLargeAsTheyWereDrawn) {
  foreign::DrawnDisc disc = spotted(0.45, 0.15, 2.0);
  for (foreign::DrawnSpot& spot : disc.spots) {
    spot.penumbra = 0.76;
    spot.ragged = 0.2;
    spot.area_muh *= 2.0;
  }
  expect_areas(disc, 0.25, 0.12);
}

TEST(ForeignLimb, WhatIsNoSunIsRefused) {
  // A bright square, an ellipse twice as wide as high, a garden of stripes.
  const auto painted = [](const std::function<double(double, double)>& light) {
    image::Frame frame;
    frame.width = 480;
    frame.height = 360;
    std::mt19937 random(5);
    std::normal_distribution<double> noise(0.0, 60.0);
    for (int y = 0; y < frame.height; ++y) {
      for (int x = 0; x < frame.width; ++x) {
        frame.pixels.push_back(static_cast<std::uint16_t>(std::clamp(
            600.0 + 40'000.0 * light(x - 240.0, y - 180.0) + noise(random), 0.0, 65535.0)));
      }
    }
    return frame;
  };
  EXPECT_FALSE(disc::fit_limb(painted(
      [](double x, double y) { return std::abs(x) < 120.0 && std::abs(y) < 120.0 ? 1.0 : 0.0; })));
  EXPECT_FALSE(disc::fit_limb(
      painted([](double x, double y) { return std::hypot(0.5 * x, y) < 100.0 ? 1.0 : 0.0; })));
  EXPECT_FALSE(disc::fit_limb(painted([](double x, double y) {
    return 0.5 + 0.3 * std::sin(0.13 * x + 0.5 * std::sin(0.04 * y)) * std::sin(0.09 * y);
  })));
  // The same means with a round disc.
  EXPECT_TRUE(disc::fit_limb(
      painted([](double x, double y) { return std::hypot(x, y) < 130.0 ? 1.0 : 0.0; })));
}

}  // namespace
}  // namespace solarchon::measure
