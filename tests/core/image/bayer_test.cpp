// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/bayer.h"

#include <gtest/gtest.h>

#include <cmath>
#include <cstdint>
#include <string>

#include "solarchon/image/frame.h"

namespace solarchon::image {
namespace {

/// Each colour a plane of its own slope and level.
double plane_of(char colour, double x, double y) {
  return colour == 'R'   ? 10'000.0 + 40.0 * x - 20.0 * y
         : colour == 'G' ? 20'000.0 - 30.0 * x + 50.0 * y
                         : 2'000.0 + 10.0 * x + 10.0 * y;
}

Frame mosaic_of(const std::string& pattern, int width, int height) {
  Frame frame;
  frame.width = width;
  frame.height = height;
  frame.info.bayer = pattern;
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const char colour = pattern[static_cast<std::size_t>(2 * (y % 2) + x % 2)];
      frame.pixels.push_back(static_cast<std::uint16_t>(std::lround(plane_of(colour, x, y))));
    }
  }
  return frame;
}

TEST(Bayer, ColoursThatRiseEvenlyAreGivenExactlyInEveryPatternAndSize) {
  for (const std::string pattern : {"RGGB", "GRBG", "GBRG", "BGGR"}) {
    for (const int width : {40, 41}) {
      for (const int height : {32, 33}) {
        const Frame mosaic = mosaic_of(pattern, width, height);
        Frame plane;
        for (const BayerColour colour :
             {BayerColour::kRed, BayerColour::kGreen, BayerColour::kBlue}) {
          const char letter = "RGB"[static_cast<int>(colour)];
          take_bayer_colour(mosaic, colour, plane);
          for (int y = 1; y < height - 1; ++y) {
            for (int x = 1; x < width - 1; ++x) {
              ASSERT_NEAR(plane.at(x, y), plane_of(letter, x, y), 1.01) << pattern << letter;
            }
          }
        }
      }
    }
  }
}

TEST(Bayer, LightHoldsAQuarterAHalfAndAQuarterAndNoPattern) {
  for (const std::string pattern : {"RGGB", "GBRG"}) {
    Frame frame = mosaic_of(pattern, 41, 33);
    bayer_to_light(frame);
    for (int y = 1; y < 32; ++y) {
      for (int x = 1; x < 40; ++x) {
        ASSERT_NEAR(
            frame.at(x, y),
            0.25 * plane_of('R', x, y) + 0.5 * plane_of('G', x, y) + 0.25 * plane_of('B', x, y),
            1.01);
      }
    }
    EXPECT_TRUE(frame.info.mosaic);
    EXPECT_EQ(frame.info.bayer, "");
  }
}

TEST(Bayer, APartGivesTheSameLightAsTheWholeButForItsBorder) {
  const Frame whole = mosaic_of("RGGB", 40, 32);
  Frame part;
  part.width = 21;
  part.height = 15;
  for (int y = 0; y < part.height; ++y) {
    for (int x = 0; x < part.width; ++x) {
      part.pixels.push_back(whole.at(x + 7, y + 4));
    }
  }
  Frame light = whole;
  bayer_to_light(light);
  bayer_to_light(part);
  for (int y = 1; y < part.height - 1; ++y) {
    for (int x = 1; x < part.width - 1; ++x) {
      ASSERT_EQ(part.at(x, y), light.at(x + 7, y + 4));
    }
  }
}

TEST(Bayer, GreyFramesAndSliversStayAsTheyAre) {
  Frame grey = mosaic_of("RGGB", 8, 8);
  grey.info.bayer.clear();
  const Frame before = grey;
  to_grey(grey);
  EXPECT_EQ(grey.pixels, before.pixels);
  Frame sliver = mosaic_of("RGGB", 1, 9);
  bayer_to_light(sliver);
  EXPECT_EQ(sliver.pixels.size(), 9U);
  EXPECT_FALSE(is_bayer("RGBG"));
  EXPECT_FALSE(is_bayer(""));
}

TEST(FrameInfo, IsInHydrogenAlphaByWhatItTells) {
  FrameInfo info;
  EXPECT_FALSE(info.in_hydrogen_alpha());
  info.wavelength_nm = 656.28;
  EXPECT_TRUE(info.in_hydrogen_alpha());
  info.band_width_nm = 0.05;
  EXPECT_TRUE(info.in_hydrogen_alpha());
  info.band_width_nm = 30.0;  // a photographer's red filter
  EXPECT_FALSE(info.in_hydrogen_alpha());
  info = {};
  info.wavelength_nm = 540.0;
  EXPECT_FALSE(info.in_hydrogen_alpha());
}

}  // namespace
}  // namespace solarchon::image
