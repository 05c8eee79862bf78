// SPDX-License-Identifier: GPL-3.0-or-later
#include <gtest/gtest.h>

#include <cmath>
#include <numbers>
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
  for (const double magnitude : {0.03, 0.1, 0.3, 0.5, 0.7, 0.8, 0.9, 0.95}) {
    foreign::DrawnDisc disc;
    disc.x = 281.3;
    disc.y = 259.4;
    disc.spots = {{-0.3, 0.2, 150.0}, {0.2, -0.3, 60.0}};
    disc.moon = moon_over(disc, magnitude, 0.4 + 6.0 * magnitude);
    const auto measured = measure_disc(frame_of(disc));
    ASSERT_TRUE(measured) << magnitude;
    const disc::LimbFit& limb = measured->limb;
    printf("%.2f: c %.2f %.2f r %.2f moon %d", magnitude, limb.centre_x_px - disc.x, limb.centre_y_px - disc.y, limb.radius_px - disc.radius_px, limb.moon.has_value());
    if (limb.moon) printf(" %.2f %.2f r %.2f mag %.4f", limb.moon->centre_x_px - disc.moon->x, limb.moon->centre_y_px-disc.moon->y, limb.moon->radius_px - disc.moon->radius_px, limb.moon->magnitude);
    printf(" spots %zu: ", measured->spots.size());
    for (auto& s : measured->spots) printf("%.0f ", s.area_muh);
    printf("\n");
  }
}

}  // namespace
}  // namespace solarchon::measure
