// SPDX-License-Identifier: GPL-3.0-or-later
#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <numeric>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/stacking.h"
#include "tests/core/registration/painted.h"
#include "tests/foreign/compared.h"
#include "tests/foreign/drawn_sun.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

/// A clip of a colour sensor under bending air.
struct ColourClip {
  foreign::Sun sun = {320, 256};
  std::string bayer = "RGGB";
  std::array<double, 3> strengths{1.0, 1.0, 1.0};  ///< of red, green and blue
  std::array<double, 3> lower_px{0.0, 0.0, 0.0};   ///< by which air lays them below
  double electrons = 20'000.0;
  int frames = 120;
  bool tells_pattern = true;
  std::optional<double> wavelength_nm = {};
  std::optional<double> band_width_nm = {};
};

foreign::Look look_of(int i) {
  foreign::Look look;
  look.right_px = 2.3 * std::sin(0.31 * i);
  look.down_px = 1.9 * std::cos(0.23 * i);
  look.blur_px = 1.0 + 0.1 * (7 * i % 11);
  return look;
}

std::vector<double> light_of(const ColourClip& clip, const foreign::Look& look,
                             std::size_t colour) {
  foreign::Look own = look;
  own.down_px += clip.lower_px.at(colour);
  return foreign::light_of(clip.sun, own);
}

image::Frame frame_of(const ColourClip& clip, int i) {
  const foreign::Bends bends(0.6, 90.0, static_cast<std::uint32_t>(100 + i));
  foreign::Look look = look_of(i);
  look.bends = &bends;
  std::array<std::vector<double>, 3> colours;
  for (std::size_t colour = 0; colour < 3; ++colour) {
    colours.at(colour) = colour > 0 && clip.lower_px.at(colour) == clip.lower_px.at(colour - 1)
                             ? colours.at(colour - 1)
                             : light_of(clip, look, colour);
  }
  std::vector<double> raw(colours[0].size());
  for (std::size_t k = 0; k < raw.size(); ++k) {
    const auto x = k % static_cast<std::size_t>(clip.sun.width);
    const auto y = k / static_cast<std::size_t>(clip.sun.width);
    const char letter = clip.bayer[(y % 2) * 2 + x % 2];
    const std::size_t colour = letter == 'R' ? 0 : letter == 'G' ? 1 : 2;
    raw[k] = colours.at(colour)[k] * clip.strengths.at(colour);
  }
  image::Frame frame;
  frame.width = clip.sun.width;
  frame.height = clip.sun.height;
  frame.saturation = 4095;
  frame.pixels = foreign::exposed(raw, 4095, clip.electrons, static_cast<std::uint32_t>(i + 1));
  frame.info.bayer = clip.tells_pattern ? clip.bayer : "";
  frame.info.wavelength_nm = clip.wavelength_nm;
  frame.info.band_width_nm = clip.band_width_nm;
  return frame;
}

struct Made {
  Stacked stacked;
  image::Rectangle part;
  std::vector<std::vector<double>> planes;
  std::vector<double> brightness;  ///< mean of each plane
  std::vector<double> perfect;     ///< green's, where frames lie without bends
  std::vector<image::Offset> off;  ///< of each plane against that
};

double mean_of(const std::vector<double>& values) {
  return std::accumulate(values.begin(), values.end(), 0.0) / static_cast<double>(values.size());
}

Made made_of(const ColourClip& clip, const StackWishes& wishes = {}) {
  const test::TempFolder folder;
  const auto file = folder / "clip.fits";
  test::write_clip(file, clip.frames, [&](int i) { return frame_of(clip, i); });
  const auto grading = grade_clip(file);
  if (!grading) {
    ADD_FAILURE() << "not graded: " << testing::PrintToString(grading.error().field);
    return {};
  }
  const auto places = kept(*grading, {.share = 0.35});
  auto stacked = stack(file, *grading, places, wishes);
  if (!stacked) {
    ADD_FAILURE() << "not stacked";
    return {};
  }
  Made made;
  made.stacked = std::move(*stacked);
  made.part = made.stacked.part;
  const int width = made.part.width_px;
  const int height = made.part.height_px;
  const auto size = static_cast<std::size_t>(width) * static_cast<std::size_t>(height);
  const std::vector<float>& values = made.stacked.picture.values;
  for (std::size_t at = 0; at + size <= values.size(); at += size) {
    made.planes.emplace_back(values.begin() + static_cast<std::ptrdiff_t>(at),
                             values.begin() + static_cast<std::ptrdiff_t>(at + size));
  }
  std::array<double, 11> often{};
  for (const std::size_t place : places) {
    often.at(static_cast<std::size_t>(7 * grading->frames[place].frame % 11)) +=
        1.0 / static_cast<double>(places.size());
  }
  foreign::Look look = look_of(grading->reference);
  made.perfect.assign(size, 0.0);
  for (std::size_t blur = 0; blur < often.size(); ++blur) {
    look.blur_px = 1.0 + 0.1 * static_cast<double>(blur);
    const auto light = light_of(clip, look, 1);
    for (int y = 0; y < height; ++y) {
      for (int x = 0; x < width; ++x) {
        made.perfect[static_cast<std::size_t>(y * width + x)] +=
            often.at(blur) * light[static_cast<std::size_t>(
                                 (y + made.part.top_px) * clip.sun.width + x + made.part.left_px)];
      }
    }
  }
  const double light = mean_of(made.perfect);
  for (std::vector<double>& plane : made.planes) {
    made.brightness.push_back(mean_of(plane));
    for (double& value : plane) {
      value *= light / made.brightness.back();
    }
    image::Offset mean;
    const auto found = foreign::misplaced(plane, made.perfect, width, height, 24);
    for (const auto& place : found) {
      mean.right_px += place.right_px / static_cast<double>(found.size());
      mean.down_px += place.down_px / static_cast<double>(found.size());
    }
    made.off.push_back(mean);
  }
  return made;
}

double contrast_left(const Made& made, std::size_t plane, double period_px) {
  constexpr int kMargin = 24;
  return foreign::contrast_at(made.planes[plane], made.part.width_px, made.part.height_px,
                              period_px, kMargin) /
         foreign::contrast_at(made.perfect, made.part.width_px, made.part.height_px, period_px,
                              kMargin);
}

/// The furthest that two colours lie from one another.
double furthest_apart(const Made& made) {
  double furthest = 0.0;
  for (const image::Offset& one : made.off) {
    for (const image::Offset& other : made.off) {
      furthest = std::max(furthest,
                          std::hypot(one.right_px - other.right_px, one.down_px - other.down_px));
    }
  }
  return furthest;
}

TEST(ForeignColour, ChannelsOfAnyRatioLieOnOneAnotherAndKeepTheirDetail) {
  for (const std::array<double, 3> strengths : {std::array{0.9, 1.0, 0.9}, {1.0, 0.1, 0.05}}) {
    ColourClip clip;
    clip.strengths = strengths;
    const Made made = made_of(clip);
    ASSERT_EQ(made.planes.size(), 3U);
    EXPECT_LT(furthest_apart(made), 0.03);
    for (std::size_t plane = 0; plane < 3; ++plane) {
      // Interpolated from pixels two apart it would be 0.6 at 4.5 px.
      EXPECT_GT(contrast_left(made, plane, 4.5), 0.92) << plane;
      EXPECT_GT(contrast_left(made, plane, 8.0), 0.94) << plane;
      EXPECT_NEAR(made.brightness[plane] / made.brightness[0], strengths.at(plane) / strengths[0],
                  0.01 * strengths.at(plane));
    }
  }
}

TEST(ForeignColour, WhatAirSpreadsByColourIsToldAndTakenOut) {
  ColourClip clip;
  clip.bayer = "GBRG";
  clip.strengths = {0.7, 1.0, 0.5};
  clip.lower_px = {0.35, 0.0, -0.55};
  const Made made = made_of(clip);
  ASSERT_EQ(made.planes.size(), 3U);
  EXPECT_LT(furthest_apart(made), 0.03);
  ASSERT_EQ(made.stacked.colours_apart.size(), 3U);
  EXPECT_NEAR(made.stacked.colours_apart[0].down_px, 0.35, 0.03);
  EXPECT_NEAR(made.stacked.colours_apart[2].down_px, -0.55, 0.03);
  EXPECT_NEAR(made.stacked.colours_apart[2].right_px, 0.0, 0.03);
  EXPECT_GT(contrast_left(made, 2, 8.0), 0.94);
}

TEST(ForeignColour, HydrogenAlphaIsMadeOfTheRedPixelsAlone) {
  ColourClip clip;
  clip.strengths = {1.0, 0.1, 0.05};
  clip.frames = 60;
  clip.wavelength_nm = 656.28;
  clip.band_width_nm = 0.05;
  const Made made = made_of(clip);
  ASSERT_EQ(made.planes.size(), 1U);
  EXPECT_TRUE(made.stacked.red_alone);
  EXPECT_NEAR(made.brightness[0], 0.7, 0.02) << "red's light, not a mean of all";
  EXPECT_GT(contrast_left(made, 0, 8.0), 0.94);
  const Made all = made_of(clip, {.colours = ColourUse::kAll});
  EXPECT_EQ(all.planes.size(), 3U);
  EXPECT_FALSE(all.stacked.red_alone);
}

TEST(ForeignColour, AMosaicOfUnknownPatternGivesItsLight) {
  ColourClip clip;
  clip.strengths = {0.5, 1.0, 0.4};
  clip.frames = 60;
  clip.tells_pattern = false;
  const Made made = made_of(clip);
  ASSERT_EQ(made.planes.size(), 1U);
  EXPECT_NEAR(made.brightness[0], 0.7 * (0.25 * 0.5 + 0.5 + 0.25 * 0.4), 0.02);
  EXPECT_GT(contrast_left(made, 0, 12.0), 0.85);
}

}  // namespace
}  // namespace solarchon::reduce
