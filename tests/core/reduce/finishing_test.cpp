// SPDX-License-Identifier: GPL-3.0-or-later
// Finishing, on a Sun that is painted by the test by formulas of its own.
#include "solarchon/reduce/finishing.h"

#include <gtest/gtest.h>

#include "painted_sun.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"

namespace solarchon::reduce {
namespace {

using base::ErrorCode;
using image::Picture;
using test::PaintedSun;
using test::SunPlace;

Picture quiet_sun(double noise = 0.001) {
  const PaintedSun sun(0);
  base::Random random{2};
  SunPlace place{160.3, 151.8, 120.0, 0.0, 1.0, noise, 1.2};
  return sun.picture(321, 305, place, random);
}

TEST(Finishing, TheLimbsDarkeningIsTakenOut) {
  const Picture picture = quiet_sun();
  FinishWishes wishes;
  wishes.flatten = 1.0;
  const auto made = finish(picture, wishes);
  ASSERT_TRUE(made) << made.error().field;
  for (int y = 0; y < picture.height; y += 3) {
    for (int x = 0; x < picture.width; x += 3) {
      if (std::hypot(x - 160.3, y - 151.8) < 0.95 * 120.0) {
        EXPECT_NEAR(made->picture.at(x, y) / 0.7F, 1.0F, 0.02F) << x << " " << y;
      }
    }
  }
  EXPECT_LT(made->picture.at(2, 2), 0.02F) << "the sky is not raised";
  wishes.flatten = 0.5;
  const auto half = finish(picture, wishes);
  EXPECT_NEAR(half->picture.at(160 + 100, 152),
              std::sqrt(made->picture.at(260, 152) * picture.at(260, 152)), 0.01F);
}

TEST(Finishing, WithoutALimbItCannotBeFlattenedAndSaysSo) {
  Picture even;
  even.width = 100;
  even.height = 100;
  even.values.assign(even.plane_size(), 0.5F);
  FinishWishes wishes;
  wishes.flatten = 1.0;
  EXPECT_EQ(finish(even, wishes).error().code, ErrorCode::kNotFound);
  EXPECT_TRUE(finish(even, {})) << "nothing is wished";
}

TEST(Finishing, DetailIsRaisedByItsSizeAndNoiseIsNot) {
  // Waves of 6 px on noise: the picture knows which is which.
  Picture picture;
  picture.width = 256;
  picture.height = 256;
  base::Random random{8};
  for (int y = 0; y < 256; ++y) {
    for (int x = 0; x < 256; ++x) {
      const double wave = x < 128 ? 0.05 * std::sin(2.0 * std::numbers::pi * x / 6.0) : 0.0;
      picture.values.push_back(static_cast<float>(0.5 + wave + 0.003 * random.normal()));
    }
  }
  const auto height_at = [](const Picture& of, int from, int to) {
    double sine = 0.0;
    double cosine = 0.0;
    double squares = 0.0;
    int count = 0;
    for (int y = 20; y < 236; ++y) {
      for (int x = from; x < to; ++x) {
        const double phase = 2.0 * std::numbers::pi * x / 6.0;
        const auto value = static_cast<double>(of.at(x, y)) - 0.5;
        sine += value * std::sin(phase);
        cosine += value * std::cos(phase);
        squares += value * value;
        ++count;
      }
    }
    return std::pair{2.0 * std::hypot(sine, cosine) / count, std::sqrt(squares / count)};
  };
  FinishWishes wishes;
  wishes.layers = {2.0, 2.0, 1.0, 1.0};
  const auto made = finish(picture, wishes);
  ASSERT_TRUE(made);
  const double before = height_at(picture, 20, 104).first;
  EXPECT_GT(height_at(made->picture, 20, 104).first / before, 1.6);
  EXPECT_LT(height_at(made->picture, 150, 234).second / height_at(picture, 150, 234).second, 1.25)
      << "where there is only noise it hardly grows";
  wishes.gate = 0.0;
  const auto open = finish(picture, wishes);
  EXPECT_GT(height_at(open->picture, 150, 234).second / height_at(picture, 150, 234).second, 1.7);
  EXPECT_NEAR(open->noise_gain, 2.0, 0.3);
  wishes.layers = {1.0, 1.0, 1.0, 1.0};
  EXPECT_EQ(finish(picture, wishes)->picture.values, picture.values) << "ones leave it";
}

/// Spots on a grainy ground.
Picture spotted(double blur_px) {
  PaintedSun sun(4000, 0.03);
  for (int i = 0; i < 8; ++i) {
    sun.blots.push_back({0.5 * std::cos(0.8 * i), 0.5 * std::sin(0.8 * i), -0.7, 6.0});
  }
  base::Random random{6};
  SunPlace place{180.0, 180.0, 160.0, 0.0, 1.0, 0.001, blur_px};
  return sun.picture(361, 361, place, random);
}

TEST(Finishing, RimsAboutSpotsAreMeasured) {
  const Picture soft = spotted(2.0);
  const Picture sharp = spotted(1.0);
  EXPECT_LT(rim_about_dark(soft, sharp), 0.01) << "a truly sharper picture has none";
  EXPECT_LT(rim_about_dark(soft, soft), 0.001);
  FinishWishes wishes;
  wishes.layers = {1.0, 1.0, 3.5, 3.5};
  const auto hard = finish(soft, wishes);
  ASSERT_TRUE(hard);
  EXPECT_GT(hard->rim, 0.03);
  wishes.layers = {1.3, 1.3, 1.0, 1.0};
  EXPECT_LT(finish(soft, wishes)->rim, 0.02);
}

TEST(Finishing, RimsOfAGivenHeightAreFoundAndNothingWithoutSpots) {
  const Picture before = spotted(1.2);
  Picture after = before;
  // A rim of 6 per cent, 2 to 5 px beyond what is dark, by the test's own way.
  for (int i = 0; i < 8; ++i) {
    const double x0 = 180.0 + 160.0 * 0.5 * std::cos(0.8 * i);
    const double y0 = 180.0 + 160.0 * 0.5 * std::sin(0.8 * i);
    for (int y = 0; y < after.height; ++y) {
      for (int x = 0; x < after.width; ++x) {
        const double far = std::hypot(x - x0, y - y0);
        if (far > 12.0 && far < 17.0) {
          after.values[static_cast<std::size_t>(y * after.width + x)] *= 1.06F;
        }
      }
    }
  }
  const double rim = rim_about_dark(before, after);
  EXPECT_GT(rim, 0.025);
  EXPECT_LT(rim, 0.07);
  EXPECT_EQ(rim_about_dark(quiet_sun(), quiet_sun(0.01)), 0.0);
}

TEST(Finishing, ProminencesAreLaidAboutTheDiscWithoutASeam) {
  PaintedSun sun(0);
  base::Random random{7};
  SunPlace at{200.2, 199.6, 150.0, 0.0, 1.0, 0.0005, 1.5};
  const Picture disc = sun.picture(401, 401, at, random);
  // Six times the exposure, moved a little: the disc is full, scattered light lies about it, and
  // one prominence stands at the right.
  SunPlace moved = at;
  moved.x_px += 3.3;
  moved.y_px -= 2.1;
  moved.light = 6.0;
  Picture longer = sun.picture(401, 401, moved, random);
  for (int y = 0; y < 401; ++y) {
    for (int x = 0; x < 401; ++x) {
      float& value = longer.values[static_cast<std::size_t>(y * 401 + x)];
      const double far = std::hypot(x - moved.x_px, y - moved.y_px) / 150.0;
      value += static_cast<float>(0.08 / (far * far * far));
      const double right = x - (moved.x_px + 168.0);
      const double down = y - moved.y_px;
      value += static_cast<float>(
          far > 1.0 ? 0.4 * std::exp(-(right * right + down * down) / (2.0 * 8.0 * 8.0)) : 0.0);
      value = std::min(1.0F, value);
    }
  }
  FinishWishes wishes;
  const auto made = finish(disc, wishes, &longer);
  ASSERT_TRUE(made) << made.error().field;
  // Away from the prominence the picture is the disc's, also across the limb.
  for (int out = -10; out < 40; ++out) {
    const int x = static_cast<int>(std::lround(at.x_px)) - 150 - out;
    EXPECT_NEAR(made->picture.at(x, 200), disc.at(x, 200), 0.012F) << out;
  }
  // It stands where it stood in its own picture, and as bright as the disc's edge.
  int best_x = 0;
  float best = 0.0F;
  for (int x = 352; x < 390; ++x) {
    if (made->picture.at(x, 200) > best) {
      best = made->picture.at(x, 200);
      best_x = x;
    }
  }
  EXPECT_NEAR(best_x, at.x_px + 168.0, 2.0);
  EXPECT_GT(best, 0.2F);
  wishes.prominence_gain = 1.0;
  Picture timed = disc;
  timed.info.exposure_ms = 1.0;
  longer.info.exposure_ms = 6.0;
  const auto as_it_is = finish(timed, wishes, &longer);
  EXPECT_NEAR(as_it_is->picture.at(best_x, 200), 0.4 / 6.0, 0.02);
  SunPlace small = at;
  small.radius_px = 120.0;
  const Picture another = sun.picture(401, 401, small, random);
  EXPECT_EQ(finish(disc, wishes, &another).error().field, "prominences");
}

TEST(Finishing, DiscsAreMadeAlike) {
  PaintedSun sun(0);
  sun.blots.push_back({0.3, -0.5, -0.6, 5.0});
  base::Random random{9};
  // North 37 degrees clockwise from up; and a mirrored picture of the same.
  SunPlace turned{151.7, 171.2, 110.0, 37.0, 1.0, 0.001, 1.2};
  Picture picture = sun.picture(330, 300, turned, random);
  picture.info.orientation = sky::PictureOrientation{37.0, false};
  picture.info.plate_scale_arcsec_px = 8.6;
  Picture mirrored = picture;
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      mirrored.values[static_cast<std::size_t>(y * picture.width + x)] =
          picture.at(picture.width - 1 - x, y);
    }
  }
  mirrored.info.orientation = sky::PictureOrientation{360.0 - 37.0, true};
  FinishWishes wishes;
  wishes.orient = OrientWishes{};
  wishes.orient->radius_px = 100.0;
  for (const Picture& one : {picture, mirrored}) {
    const auto made = finish(one, wishes);
    ASSERT_TRUE(made) << made.error().field;
    EXPECT_EQ(made->picture.width, made->picture.height);
    const auto limb = disc::fit_limb(image::frame_of(made->picture));
    ASSERT_TRUE(limb);
    EXPECT_NEAR(limb->radius_px, 100.0, 0.15);
    EXPECT_NEAR(limb->centre_x_px, (made->picture.width - 1) / 2.0, 0.1);
    EXPECT_NEAR(limb->centre_y_px, (made->picture.height - 1) / 2.0, 0.1);
    // The spot's weighted middle, as the painter has it: right 0.3, up 0.5.
    double sum = 0.0;
    double right = 0.0;
    double down = 0.0;
    for (int y = 40; y < 90; ++y) {
      for (int x = 120; x < 170; ++x) {
        const double dark = std::max(0.0, 0.5 - static_cast<double>(made->picture.at(x, y)));
        sum += dark;
        right += dark * x;
        down += dark * y;
      }
    }
    const double middle = (made->picture.width - 1) / 2.0;
    EXPECT_NEAR(right / sum, middle + 30.0, 0.3);
    EXPECT_NEAR(down / sum, middle - 50.0, 0.5);
    EXPECT_NEAR(*made->picture.info.plate_scale_arcsec_px, 8.6 * 1.1, 0.02);
    EXPECT_EQ(made->picture.info.orientation, (sky::PictureOrientation{0.0, false}));
  }
  picture.info.orientation.reset();
  EXPECT_EQ(finish(picture, wishes).error().field, "orientation");
  wishes.orient->north_up = false;
  EXPECT_TRUE(finish(picture, wishes)) << "centred all the same";
  wishes.orient->radius_px = 3.0;
  EXPECT_EQ(finish(picture, wishes).error().field, "radius_px");
}

TEST(Finishing, ColoursGrowWithLightAndGoByTheLine) {
  for (const Tint tint : {Tint::kNone, Tint::kWhiteLight, Tint::kHydrogenAlpha, Tint::kCalcium}) {
    std::array<float, 3> last{-1.0F, -1.0F, -1.0F};
    for (int i = 0; i <= 20; ++i) {
      const auto colour = tint_of(tint, static_cast<float>(i) / 20.0F);
      for (std::size_t plane = 0; plane < 3; ++plane) {
        EXPECT_GT(colour.at(plane), last.at(plane));
      }
      last = colour;
    }
  }
  const auto red = tint_of(Tint::kHydrogenAlpha, 0.5F);
  EXPECT_GT(red[0], red[1]);
  EXPECT_GT(red[1], red[2]);
  image::FrameInfo info;
  EXPECT_EQ(tint_for(info), Tint::kWhiteLight);
  info.wavelength_nm = 656.28;
  info.band_width_nm = 0.07;
  EXPECT_EQ(tint_for(info), Tint::kHydrogenAlpha);
  info.band_width_nm = 300.0;
  EXPECT_EQ(tint_for(info), Tint::kWhiteLight) << "all light, about the same middle";
  info = {};
  info.wavelength_nm = 393.4;
  EXPECT_EQ(tint_for(info), Tint::kCalcium);
  FinishWishes wishes;
  wishes.tint = Tint::kHydrogenAlpha;
  const auto made = finish(quiet_sun(), wishes);
  ASSERT_TRUE(made);
  EXPECT_EQ(made->picture.planes, 3);
  EXPECT_GT(made->picture.at(160, 152, 0), made->picture.at(160, 152, 2));
}

TEST(Finishing, WhatCannotBeIsSaid) {
  const Picture picture = quiet_sun();
  FinishWishes wishes;
  wishes.flatten = 1.5;
  EXPECT_EQ(finish(picture, wishes).error().field, "flatten");
  wishes = {};
  wishes.layers[2] = 11.0;
  EXPECT_EQ(finish(picture, wishes).error().field, "layers");
  wishes = {};
  wishes.gate = -1.0;
  EXPECT_EQ(finish(picture, wishes).error().field, "gate");
  wishes = {};
  wishes.prominence_gain = 0.0;
  EXPECT_EQ(finish(picture, wishes).error().field, "prominence_gain");
  std::stop_source stop;
  stop.request_stop();
  EXPECT_EQ(finish(picture, {}, nullptr, {stop.get_token(), {}}).error().code,
            ErrorCode::kCancelled);
}

}  // namespace
}  // namespace solarchon::reduce
