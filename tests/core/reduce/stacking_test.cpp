// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/stacking.h"

#include <gmock/gmock.h>

#include <cmath>

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/point.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/reduce/keep.h"
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

/// A clip of a painting under air that comes and goes, graded.
class StackingTest : public testing::Test {
 protected:
  static constexpr int kFrames = 80;
  void write(const std::function<image::Frame(int)>& frame_of) {
    write_clip(clip_, kFrames, frame_of);
    auto graded = grade_clip(clip_);
    ASSERT_TRUE(graded);
    grading_ = *graded;
  }
  void write() {
    write([&](int i) { return painting_.frame(glimpse_of(i), random_); });
  }

  /// How a stack differs from the painting at a blur, laid where it fits best, over the light: the
  /// least over blurs, after the mean offset of the reference frame is taken out.
  [[nodiscard]] double misfit(const image::Picture& picture, const image::Rectangle& part,
                              double blur_px, int finer = 1) const {
    const Glimpse of_reference = glimpse_of(grading_.reference);
    double least = 1e9;
    double best_right = 0.0;
    double best_down = 0.0;
    // Coarsely, then finely about the best.
    for (const double step : {0.4, 0.1}) {
      const double middle_right = best_right;
      const double middle_down = best_down;
      for (int j = -3; j <= 3; ++j) {
        for (int i = -3; i <= 3; ++i) {
          Glimpse seen;
          seen.right_px = of_reference.right_px + middle_right + i * step;
          seen.down_px = of_reference.down_px + middle_down + j * step;
          seen.blur_px = blur_px;
          const double now = misfit_at(picture, part, seen, finer);
          if (now < least) {
            least = now;
            best_right = middle_right + i * step;
            best_down = middle_down + j * step;
          }
        }
      }
    }
    return least;
  }
  [[nodiscard]] double misfit_at(const image::Picture& picture, const image::Rectangle& part,
                                 const Glimpse& seen, int finer) const {
    const std::vector<double> light = painting_.light(seen);
    double sum = 0.0;
    int count = 0;
    constexpr int kMargin = 24;
    for (int y = kMargin; y < part.height_px - kMargin; ++y) {
      for (int x = kMargin; x < part.width_px - kMargin; ++x) {
        double value = 0.0;
        for (int j = 0; j < finer; ++j) {
          for (int i = 0; i < finer; ++i) {
            value += static_cast<double>(picture.at(x * finer + i, y * finer + j)) / finer / finer;
          }
        }
        const double truth = light[static_cast<std::size_t>(part.top_px + y) *
                                       static_cast<std::size_t>(painting_.width()) +
                                   static_cast<std::size_t>(part.left_px + x)];
        sum += (value - truth) * (value - truth);
        ++count;
      }
    }
    return std::sqrt(sum / count);
  }

  TempFolder folder_;
  std::filesystem::path clip_ = folder_ / "clip.fits";
  Painting painting_{256, 224};
  base::Random random_{9};
  ClipGrading grading_;
};

TEST_F(StackingTest, FollowingDetailKeepsItAndMeanTakesNoiseAway) {
  write([&](int i) {
    Glimpse glimpse = glimpse_of(i);
    glimpse.bend_px = 1.4;
    return painting_.frame(glimpse, random_);
  });
  const auto places = kept(grading_, {.share = 0.4});
  const auto local = stack(clip_, grading_, places);
  const auto whole = stack(clip_, grading_, places, {.local = false});
  ASSERT_TRUE(local);
  ASSERT_TRUE(whole);
  EXPECT_EQ(local->frames, static_cast<int>(places.size()));
  // The best two fifths have a blur of 0.4 to 0.9 px; noise of a frame is 0.01, of 32 0.0018.
  const double of_local = misfit(local->picture, local->part, 0.7);
  const double of_whole = misfit(whole->picture, whole->part, 0.7);
  EXPECT_LT(of_local, 0.004);
  EXPECT_GT(of_whole, 2.0 * of_local);
  EXPECT_GT(local->local_motion_px, 0.5);
  EXPECT_NEAR(local->noise, grading_.noise / std::sqrt(static_cast<double>(places.size())), 1e-9);
}

TEST_F(StackingTest, WhatIsInOneFrameAloneDoesNotCount) {
  // A bird flies through the sharpest frames.
  write([&](int i) {
    image::Frame frame = painting_.frame(glimpse_of(i), random_);
    if (i % 9 == 2) {
      for (int y = 100; y < 112; ++y) {
        for (int x = 60 + i; x < 74 + i; ++x) {
          frame.pixels[static_cast<std::size_t>(y) * 256 + static_cast<std::size_t>(x)] = 5;
        }
      }
    }
    return frame;
  });
  const auto places = kept(grading_, {.rule = KeepRule::kAll});
  const auto clipped = stack(clip_, grading_, places);
  const auto all = stack(clip_, grading_, places, {.clip_sigma = 0.0});
  ASSERT_TRUE(clipped);
  ASSERT_TRUE(all);
  EXPECT_GT(clipped->clipped_share, 0.0);
  EXPECT_EQ(all->clipped_share, 0.0);
  // In the bird's way the plain mean is darker by up to a ninth of the light.
  const auto mean_along = [](const Stacked& stacked) {
    double sum = 0.0;
    for (int y = 103; y < 109; ++y) {
      for (int x = 70; x < 140; ++x) {
        sum += static_cast<double>(
            stacked.picture.at(x - stacked.part.left_px, y - stacked.part.top_px));
      }
    }
    return sum / (6 * 70);
  };
  EXPECT_GT(mean_along(*clipped) - mean_along(*all), 0.005);
}

TEST_F(StackingTest, LightOfCloudedFramesIsMadeGood) {
  write([&](int i) {
    Glimpse glimpse = glimpse_of(i);
    glimpse.light = 1.0 - 0.35 * (i % 3) / 2.0;
    return painting_.frame(glimpse, random_);
  });
  const auto stacked = stack(clip_, grading_, kept(grading_, {.share = 0.5}));
  ASSERT_TRUE(stacked);
  double sum = 0.0;
  for (const float value : stacked->picture.values) {
    sum += static_cast<double>(value);
  }
  // As bright as the reference of the light: some frame between dimmest and brightest.
  EXPECT_NEAR(sum / static_cast<double>(stacked->picture.values.size()), 0.5, 0.12);
}

TEST_F(StackingTest, DustAndDarkAreTakenOut) {
  image::Picture dark;
  dark.width = 256;
  dark.height = 224;
  dark.values.assign(dark.plane_size(), 0.0F);
  image::Picture flat = dark;
  for (int y = 0; y < 224; ++y) {
    for (int x = 0; x < 256; ++x) {
      const auto at = static_cast<std::size_t>(y) * 256 + static_cast<std::size_t>(x);
      dark.values[at] = 0.05F + (x % 7 == 0 ? 0.03F : 0.0F);
      const double mote = std::hypot(x - 120.0, y - 100.0);
      flat.values[at] = mote < 14.0 ? 0.8F : 1.0F;
    }
  }
  write([&](int i) {
    image::Frame frame = painting_.frame(glimpse_of(i), random_);
    for (std::size_t k = 0; k < frame.pixels.size(); ++k) {
      const double value = frame.pixels[k] / 255.0 * 0.9 * static_cast<double>(flat.values[k]) +
                           static_cast<double>(dark.values[k]);
      frame.pixels[k] = static_cast<std::uint16_t>(std::clamp(value * 255.0 + 0.5, 0.0, 255.0));
    }
    return frame;
  });
  StackWishes wishes;
  wishes.calibration.dark = dark;
  wishes.calibration.flat = flat;
  const auto places = kept(grading_, {.share = 0.4});
  const auto cleaned = stack(clip_, grading_, places, wishes);
  ASSERT_TRUE(cleaned);
  image::Picture brighter = cleaned->picture;
  for (float& value : brighter.values) {
    value /= 0.9F;
  }
  EXPECT_LT(misfit(brighter, cleaned->part, 0.8), 0.015);
}

TEST_F(StackingTest, AFinerGridKeepsPlaceAndLight) {
  write();
  const auto places = kept(grading_, {.share = 0.5});
  const auto finer = stack(clip_, grading_, places, {.finer = 2});
  ASSERT_TRUE(finer);
  EXPECT_EQ(finer->picture.width, 2 * finer->part.width_px);
  EXPECT_LT(misfit(finer->picture, finer->part, 0.9, 2), 0.012);
}

TEST_F(StackingTest, TheMiddleOfTheDiscGoesWithTheStack) {
  // Of each frame it is where the painting's own middle lies; the header tells that of the first.
  const auto middle_of = [](int i) {
    const Glimpse glimpse = glimpse_of(i);
    return image::Point{300.0 + glimpse.right_px, -40.0 + glimpse.down_px};
  };
  write([&](int i) {
    Glimpse glimpse = glimpse_of(i);
    glimpse.bend_px = 0.0;  // bent, a frame's middle is nowhere in particular
    image::Frame frame = painting_.frame(glimpse, random_);
    frame.info.centre_x_px = middle_of(i).x;
    frame.info.centre_y_px = middle_of(i).y;
    frame.info.plate_scale_arcsec_px = 1.5;
    frame.info.orientation = sky::PictureOrientation{20.0, false};
    return frame;
  });
  for (const int finer : {1, 2}) {
    const auto stacked = stack(clip_, grading_, kept(grading_, {.share = 0.5}), {.finer = finer});
    ASSERT_TRUE(stacked);
    const image::Point expected = middle_of(grading_.reference);
    const image::FrameInfo& info = stacked->picture.info;
    ASSERT_TRUE(info.centre_x_px);
    EXPECT_NEAR(*info.centre_x_px, (expected.x - stacked->part.left_px + 0.5) * finer - 0.5,
                0.3 * finer);
    EXPECT_NEAR(*info.centre_y_px, (expected.y - stacked->part.top_px + 0.5) * finer - 0.5,
                0.3 * finer);
  }
}

TEST_F(StackingTest, AMosaicGivesThreeColours) {
  write([&](int i) {
    image::Frame frame = painting_.frame(glimpse_of(i), random_);
    frame.info.bayer = "RGGB";
    for (int y = 0; y < frame.height; ++y) {
      for (int x = 0; x < frame.width; ++x) {
        const bool red = y % 2 == 0 && x % 2 == 0;
        const bool blue = y % 2 == 1 && x % 2 == 1;
        std::uint16_t& value =
            frame.pixels[static_cast<std::size_t>(y) * 256 + static_cast<std::size_t>(x)];
        value = static_cast<std::uint16_t>(value * (red ? 0.9 : (blue ? 0.3 : 0.6)));
      }
    }
    return frame;
  });
  const auto stacked = stack(clip_, grading_, kept(grading_, {.share = 0.5}));
  ASSERT_TRUE(stacked);
  const image::Picture& picture = stacked->picture;
  ASSERT_EQ(picture.planes, 3);
  std::array<double, 3> means{};
  for (int plane = 0; plane < 3; ++plane) {
    for (int y = 20; y < picture.height - 20; ++y) {
      for (int x = 20; x < picture.width - 20; ++x) {
        means.at(static_cast<std::size_t>(plane)) += static_cast<double>(picture.at(x, y, plane));
      }
    }
  }
  EXPECT_NEAR(means[0] / means[1], 1.5, 0.05);
  EXPECT_NEAR(means[2] / means[1], 0.5, 0.05);
  EXPECT_TRUE(picture.info.bayer.empty());
}

TEST_F(StackingTest, RefusesNonsenseAndStops) {
  write();
  const auto places = kept(grading_, {.share = 0.5});
  EXPECT_THAT(stack(clip_, grading_, {}), FailsWith(ErrorCode::kMissing, "frames"));
  EXPECT_THAT(stack(clip_, grading_, places, {.finer = 3}),
              FailsWith(ErrorCode::kOutOfRange, "finer"));
  StackWishes wishes;
  wishes.calibration.dark = image::Picture{10, 10, 1, std::vector<float>(100, 0.0F), {}, {}};
  EXPECT_THAT(stack(clip_, grading_, places, wishes), FailsWith(ErrorCode::kMalformed, "dark"));
  std::stop_source stop;
  double last = 0.0;
  const base::Task task{stop.get_token(), [&](double done) {
                          last = done;
                          if (done > 0.3) {
                            stop.request_stop();
                          }
                        }};
  const auto stopped = stack(clip_, grading_, places, {}, task);
  ASSERT_FALSE(stopped);
  EXPECT_EQ(stopped.error().code, ErrorCode::kCancelled);
  EXPECT_LT(last, 0.9);
}

}  // namespace
}  // namespace solarchon::reduce
