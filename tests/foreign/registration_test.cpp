// SPDX-License-Identifier: GPL-3.0-or-later
#include <gtest/gtest.h>

#include <array>
#include <cmath>

#include "solarchon/image/frame.h"
#include "solarchon/image/plane.h"
#include "solarchon/registration/shift_field.h"
#include "tests/foreign/drawn_sun.h"

namespace solarchon::registration {
namespace {

/// How far fields lie off the true bends, RMS along either axis.
struct Misses {
  double inside_px = 0.0;  ///< away from the limb
  double limb_px = 0.0;    ///< across it, within 6 px
};

struct Air {
  double bend_px = 0.8;
  double shortest_px = 90.0;
  double electrons = 20'000.0;
};

Misses misses_of(const foreign::Sun& sun, const Air& air) {
  foreign::Look rest;
  rest.blur_px = 1.1;
  const auto light = foreign::light_of(sun, rest);
  image::Plane reference;
  reference.width = sun.width;
  reference.height = sun.height;
  reference.values.assign(light.begin(), light.end());
  const PatchMatcher matcher(reference);
  std::array<image::Plane, 2> scratch;
  double squares = 0.0;
  double count = 0.0;
  double across_limb = 0.0;
  double at_limb = 0.0;
  constexpr int kFrames = 4;
  for (int i = 0; i < kFrames; ++i) {
    const foreign::Bends bends(air.bend_px, air.shortest_px, static_cast<std::uint32_t>(100 + i));
    foreign::Look look;
    look.right_px = 1.7 * std::sin(1.3 * i);
    look.down_px = 1.4 * std::cos(2.1 * i);
    look.blur_px = 1.1 + 0.3 * i;  // as sharp as the reference, and softer
    look.bends = &bends;
    image::Frame frame;
    frame.width = sun.width;
    frame.height = sun.height;
    frame.saturation = 255;
    frame.pixels = foreign::exposed(foreign::light_of(sun, look), 255, air.electrons,
                                    static_cast<std::uint32_t>(i + 7));
    const ShiftField field =
        matcher.seek(frame, 0.0, {look.right_px + 0.4, look.down_px - 0.3}, scratch);
    constexpr int kMargin = 24;
    constexpr int kStep = 3;
    for (int y = kMargin; y < sun.height - kMargin; y += kStep) {
      for (int x = kMargin; x < sun.width - kMargin; x += kStep) {
        const double to_limb_px =
            sun.radius_px > 0.0 ? sun.radius_px - std::hypot(x - sun.centre_x, y - sun.centre_y)
                                : 1e9;
        constexpr double kLimb_px = 6.0;
        if (to_limb_px < -2.0) {
          continue;
        }
        // What belongs here lies where the bends at that place say.
        foreign::Bends::Shift there{};
        for (int turn = 0; turn < 4; ++turn) {
          there = bends.at(x + look.right_px + there.right_px, y + look.down_px + there.down_px);
        }
        const image::Offset found = field.at(x, y);
        const double right = found.right_px - look.right_px - there.right_px;
        const double down = found.down_px - look.down_px - there.down_px;
        if (to_limb_px < kLimb_px) {
          const double across =
              (right * (x - sun.centre_x) + down * (y - sun.centre_y)) / sun.radius_px;
          across_limb += across * across;
          at_limb += 1.0;
        } else {
          squares += right * right + down * down;
          count += 2.0;
        }
      }
    }
  }
  return {std::sqrt(squares / count), at_limb > 0.0 ? std::sqrt(across_limb / at_limb) : 0.0};
}

TEST(ForeignRegistration, FollowsBendsOfAllLengths) {
  const foreign::Sun sun;
  EXPECT_LT(misses_of(sun, {}).inside_px, 0.05);
  EXPECT_LT(misses_of(sun, {0.8, 240.0}).inside_px, 0.05);
  EXPECT_LT(misses_of(sun, {0.8, 40.0}).inside_px, 0.08);
  EXPECT_LT(misses_of(sun, {0.6, 240.0, 4000.0}).inside_px, 0.08) << "noisy";
}

TEST(ForeignRegistration, DoesSoInPicturesThatAreBinnedFirst) {
  foreign::Sun sun;
  sun.width = 1280;
  sun.height = 960;
  sun.grain_px = 11.0;
  EXPECT_LT(misses_of(sun, {}).inside_px, 0.07);
  EXPECT_LT(misses_of(sun, {0.8, 40.0}).inside_px, 0.1);
}

TEST(ForeignRegistration, SpotsPullNothingAside) {
  foreign::Sun sun;
  sun.spots = {{150.0, 150.0, 22.0}, {350.0, 250.0, 35.0}, {300.0, 80.0, 12.0}};
  EXPECT_LT(misses_of(sun, {}).inside_px, 0.06);
}

TEST(ForeignRegistration, TheLimbIsFollowedWithinATwentiethOfAPixel) {
  foreign::Sun limb;
  limb.radius_px = 900.0;
  limb.centre_x = 200.0;
  limb.centre_y = -560.0;
  limb.contrast = 0.06;
  const Misses at_limb = misses_of(limb, {});
  EXPECT_LT(at_limb.inside_px, 0.08);
  EXPECT_LT(at_limb.limb_px, 0.05);
  foreign::Sun disc;
  disc.radius_px = 170.0;
  disc.centre_x = 256.0;
  disc.centre_y = 192.0;
  disc.contrast = 0.05;
  disc.grain_px = 5.0;
  const Misses of_disc = misses_of(disc, {});
  EXPECT_LT(of_disc.inside_px, 0.1);
  EXPECT_LT(of_disc.limb_px, 0.07);
}

}  // namespace
}  // namespace solarchon::registration
