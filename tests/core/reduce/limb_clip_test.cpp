// SPDX-License-Identifier: GPL-3.0-or-later
// Clips that show hardly more than an edge, and what else users may hand over.
#include <gmock/gmock.h>

#include <cmath>

#include "solarchon/image/binning.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/recipe.h"
#include "solarchon/reduce/stacking.h"
#include "solarchon/registration/follower.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::Glimpse;
using test::glimpse_of;
using test::Painting;
using test::TempFolder;
using test::write_clip;

constexpr double kRadius = 260.0;

/// A bare disc cut by the frame, its middle at a place; two small flames beyond its edge.
image::Frame edge_frame(double middle_x, double middle_y, base::Random& random) {
  image::Frame frame;
  frame.width = 320;
  frame.height = 280;
  frame.saturation = 4095;
  const auto flame = [&](double x, double y, double angle) {
    const double at_x = middle_x + (kRadius + 9.0) * std::cos(angle);
    const double at_y = middle_y + (kRadius + 9.0) * std::sin(angle);
    return 0.25 * std::exp(-(std::pow(x - at_x, 2.0) + std::pow(y - at_y, 2.0)) / 18.0);
  };
  for (int y = 0; y < frame.height; ++y) {
    for (int x = 0; x < frame.width; ++x) {
      const double far = std::hypot(x - middle_x, y - middle_y);
      const double share = std::min(1.0, far / kRadius);
      const double inside = 0.5 + 0.25 * std::sqrt(1.0 - share * share);
      const double light = inside * 0.5 * std::erfc((far - kRadius) / 1.8) + flame(x, y, -0.25) +
                           flame(x, y, 0.35) + 0.01 + 0.006 * random.normal();
      frame.pixels.push_back(static_cast<std::uint16_t>(std::clamp(light * 4095.0, 0.0, 4095.0)));
    }
  }
  return frame;
}

class EdgeClip : public testing::Test {
 protected:
  static constexpr int kFrames = 40;
  void SetUp() override {
    base::Random random{51};
    write_clip(clip_, kFrames,
               [&](int i) { return edge_frame(-60.0 + right(i), 140.0 + down(i), random); });
  }
  [[nodiscard]] static double right(int i) { return 2.3 * std::sin(0.8 * i) + 0.05 * i; }
  [[nodiscard]] static double down(int i) { return 1.4 * std::cos(1.1 * i); }
  TempFolder folder_;
  std::filesystem::path clip_ = folder_ / "edge.fits";
};

TEST_F(EdgeClip, IsFollowedByItsEdge) {
  const auto grading = grade_clip(clip_);
  ASSERT_TRUE(grading) << grading.error().reason.id;
  double squares = 0.0;
  int alike = 0;
  for (const GradedFrame& frame : grading->frames) {
    if (!frame.alike) {
      continue;
    }
    ++alike;
    // Across the edge, which here runs up and down.
    squares += std::pow(frame.right_px - (right(frame.frame) - right(grading->reference)), 2.0);
  }
  EXPECT_GT(alike, kFrames * 9 / 10);
  EXPECT_LT(std::sqrt(squares / alike), 0.5);
}

TEST_F(EdgeClip, KeepsItsFlamesWhenStacked) {
  const auto grading = grade_clip(clip_);
  ASSERT_TRUE(grading);
  const auto stacked = stack(clip_, *grading, kept(*grading, {.rule = KeepRule::kAll}));
  ASSERT_TRUE(stacked);
  // The brighter of the flames' tops: 0.25 where nothing was smeared.
  const double middle_x = -60.0 + right(grading->reference) - stacked->part.left_px;
  const double middle_y = 140.0 + down(grading->reference) - stacked->part.top_px;
  for (const double angle : {-0.25, 0.35}) {
    double top = 0.0;
    const int at_x = static_cast<int>(std::lround(middle_x + (kRadius + 9.0) * std::cos(angle)));
    const int at_y = static_cast<int>(std::lround(middle_y + (kRadius + 9.0) * std::sin(angle)));
    for (int y = at_y - 4; y <= at_y + 4; ++y) {
      for (int x = at_x - 3; x <= at_x + 4; ++x) {
        top = std::max(top, static_cast<double>(stacked->picture.at(x, y)));
      }
    }
    EXPECT_GT(top, 0.22) << angle;
    EXPECT_LT(top, 0.30) << angle;
  }
}

TEST(AlignmentSquare, FindsAFrameThatJumped) {
  const Painting painting(400, 360);
  base::Random random{52};
  const image::Frame reference = painting.frame({}, random);
  Glimpse jumped;
  jumped.right_px = 17.0;
  jumped.down_px = -11.5;
  const image::Frame other = painting.frame(jumped, random);
  registration::AlignmentSquare anchor(reference, {136, 116, 128, 128}, 1);
  const auto found = anchor.seek(
      [&](const image::Rectangle& part, image::Frame& into) {
        image::cut(other, part, into);
        return true;
      },
      400, 360, {});
  ASSERT_TRUE(found);
  EXPECT_NEAR(found->right_px, 17.0, 0.1);
  EXPECT_NEAR(found->down_px, -11.5, 0.1);
}

TEST(AlignmentSquare, SumsOfPixelsFitInSixteenBits) {
  image::Frame full;
  full.width = 16;
  full.height = 8;
  full.saturation = 65535;
  full.pixels.assign(128, 65535);
  for (const int bin : {1, 2, 4}) {
    image::Frame small;
    image::bin_down(full, bin, small);
    EXPECT_EQ(small.width, 16 / bin);
    EXPECT_EQ(small.height, 8 / bin);
    for (const std::uint16_t value : small.pixels) {
      EXPECT_NEAR(value, small.saturation, 1);
    }
  }
}

TEST(HandedOver, AClipOfOneFrameIsThatFrame) {
  const Painting painting(256, 200);
  TempFolder folder;
  base::Random random{53};
  write_clip(folder / "one.fits", 1, [&](int) { return painting.frame({}, random); });
  const auto grading = grade_clip(folder / "one.fits");
  ASSERT_TRUE(grading) << grading.error().reason.id;
  const auto stacked = stack(folder / "one.fits", *grading, kept(*grading, {}));
  ASSERT_TRUE(stacked);
  EXPECT_EQ(stacked->frames, 1);
  EXPECT_NEAR(static_cast<double>(stacked->picture.at(100, 100)), 0.6, 0.2);
}

TEST(HandedOver, SmallFramesAreStackedToo) {
  const Painting painting(140, 130);
  TempFolder folder;
  base::Random random{54};
  write_clip(folder / "small.fits", 30, [&](int i) {
    Glimpse glimpse = glimpse_of(i);
    glimpse.bend_px = 0.0;
    return painting.frame(glimpse, random);
  });
  const auto grading = grade_clip(folder / "small.fits");
  ASSERT_TRUE(grading) << grading.error().reason.id;
  const auto stacked =
      stack(folder / "small.fits", *grading, kept(*grading, {.rule = KeepRule::kAll}));
  ASSERT_TRUE(stacked);
  EXPECT_GT(stacked->frames, 25);
}

TEST(HandedOver, ASeriesOfPicturesIsAClipToo) {
  const Painting painting(200, 160);
  TempFolder folder;
  base::Random random{55};
  for (int i = 0; i < 24; ++i) {
    const std::string name = "sun-" + std::to_string(100 + i) + ".png";
    ASSERT_TRUE(media::write_png(painting.frame(glimpse_of(i), random), folder / name));
  }
  Recipe recipe;
  recipe.clip = folder / "sun-100.png";
  const auto product = Reducer().make(recipe);
  ASSERT_TRUE(product) << product.error().field;
  EXPECT_GE(product->frames, 8);
}

TEST(HandedOver, ADarkOfAnotherSizeIsNamed) {
  const Painting painting(200, 160);
  const Painting another(120, 100);
  TempFolder folder;
  base::Random random{56};
  write_clip(folder / "sun.fits", 24, [&](int i) { return painting.frame(glimpse_of(i), random); });
  write_clip(folder / "dark.fits", 4, [&](int) { return another.frame({}, random); });
  Recipe recipe;
  recipe.clip = folder / "sun.fits";
  recipe.dark = folder / "dark.fits";
  EXPECT_THAT(Reducer().make(recipe), FailsWith(ErrorCode::kMalformed, "dark"));
  recipe.dark = folder / "none.fits";
  EXPECT_FALSE(Reducer().make(recipe));
}

TEST(HandedOver, ADarkInARecipeIsFoundAgain) {
  const Painting painting(200, 160);
  TempFolder folder;
  base::Random random{57};
  write_clip(folder / "sun.fits", 24, [&](int i) { return painting.frame(glimpse_of(i), random); });
  write_clip(folder / "dark.fits", 6, [&](int) {
    image::Frame frame;
    frame.width = 200;
    frame.height = 160;
    frame.saturation = 255;
    for (int i = 0; i < 200 * 160; ++i) {
      frame.pixels.push_back(static_cast<std::uint16_t>(i % 997 == 5 ? 90 : 3));
    }
    return frame;
  });
  Recipe recipe;
  recipe.clip = folder / "sun.fits";
  recipe.dark = folder / "dark.fits";
  const auto product = Reducer().make(recipe);
  ASSERT_TRUE(product);
  ASSERT_TRUE(write_product(*product, folder / "stack.fits"));
  const auto again = read_recipe(folder / "stack.fits");
  ASSERT_TRUE(again);
  EXPECT_EQ(again->dark.lexically_normal(), recipe.dark.lexically_normal());
  double sum = 0.0;
  for (const float value : product->picture.values) {
    sum += static_cast<double>(value);
  }
  EXPECT_NEAR(sum / static_cast<double>(product->picture.values.size()), 0.6 - 3.0 / 255.0, 0.02);
}

}  // namespace
}  // namespace solarchon::reduce
