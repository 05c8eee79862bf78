// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/grading.h"

#include <gmock/gmock.h>

#include <algorithm>
#include <cmath>
#include <fstream>

#include "solarchon/image/frame.h"
#include "solarchon/media/clip.h"
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

/// How well two rows of numbers go up and down together, -1 to 1.
double together(const std::vector<double>& a, const std::vector<double>& b) {
  const auto mean = [](const std::vector<double>& of) {
    double sum = 0.0;
    for (const double value : of) {
      sum += value / static_cast<double>(of.size());
    }
    return sum;
  };
  const double of_a = mean(a);
  const double of_b = mean(b);
  double ab = 0.0;
  double aa = 0.0;
  double bb = 0.0;
  for (std::size_t i = 0; i < a.size(); ++i) {
    ab += (a[i] - of_a) * (b[i] - of_b);
    aa += (a[i] - of_a) * (a[i] - of_a);
    bb += (b[i] - of_b) * (b[i] - of_b);
  }
  return ab / std::sqrt(aa * bb);
}

TEST(Grading, SharpnessFollowsBlurWhateverLightAndDriftDo) {
  const Painting painting(320, 280);
  TempFolder folder;
  base::Random random{1};
  constexpr int kFrames = 60;
  const auto glimpse = [](int i) {
    Glimpse seen = glimpse_of(i);
    seen.right_px += 0.5 * i;                     // drifts by 30 px
    seen.light = 1.0 - 0.4 * std::sin(0.11 * i);  // thin cloud comes and goes
    seen.noise = i % 2 == 0 ? 0.004 : 0.02;       // every other frame is noisy
    return seen;
  };
  write_clip(folder / "clip.fits", kFrames,
             [&](int i) { return painting.frame(glimpse(i), random); });
  const auto grading = grade_clip(folder / "clip.fits");
  ASSERT_TRUE(grading);
  ASSERT_EQ(grading->frames.size(), static_cast<std::size_t>(kFrames));
  std::vector<double> found;
  std::vector<double> painted;
  const Glimpse of_reference = glimpse(grading->reference);
  for (const GradedFrame& frame : grading->frames) {
    ASSERT_TRUE(frame.alike) << frame.frame;
    const Glimpse seen = glimpse(frame.frame);
    found.push_back(std::sqrt(frame.sharpness));
    painted.push_back(-seen.blur_px);
    // The bends of both frames go into where a square of them lies.
    EXPECT_NEAR(frame.right_px, seen.right_px - of_reference.right_px, 1.7) << frame.frame;
    EXPECT_NEAR(frame.down_px, seen.down_px - of_reference.down_px, 1.7) << frame.frame;
  }
  EXPECT_GT(together(found, painted), 0.97);
  EXPECT_GT(grading->noise, 0.004);
  EXPECT_LT(grading->noise, 0.05);
}

TEST(Grading, DoesNotDependOnTheKindOfFile) {
  const Painting painting(256, 200);
  TempFolder folder;
  base::Random random{2};
  std::vector<image::Frame> all;
  for (int i = 0; i < 24; ++i) {
    all.push_back(painting.frame(glimpse_of(i), random));
  }
  write_clip(folder / "clip.fits", 24, [&](int i) { return all[static_cast<std::size_t>(i)]; });
  ASSERT_TRUE(media::write_video(
      24, 20.0, [&](int i) { return base::Result<image::Frame>(all[static_cast<std::size_t>(i)]); },
      folder / "clip.mkv"));
  const auto cube = grade_clip(folder / "clip.fits");
  const auto video = grade_clip(folder / "clip.mkv");
  ASSERT_TRUE(cube);
  ASSERT_TRUE(video);
  ASSERT_EQ(cube->frames.size(), video->frames.size());
  for (std::size_t i = 0; i < cube->frames.size(); ++i) {
    EXPECT_NEAR(cube->frames[i].sharpness, video->frames[i].sharpness, 1e-6);
    EXPECT_NEAR(cube->frames[i].seconds, video->frames[i].seconds, 1e-3);
  }
}

TEST(Grading, SaysWhatNoStackCouldBeMadeOf) {
  TempFolder folder;
  base::Random random{3};
  const auto even = [&](double level, double noise) {
    return [&random, level, noise](int) {
      image::Frame frame;
      frame.width = 256;
      frame.height = 200;
      frame.saturation = 255;
      for (int i = 0; i < 256 * 200; ++i) {
        frame.pixels.push_back(static_cast<std::uint16_t>(
            std::clamp((level + noise * random.normal()) * 255.0, 0.0, 255.0)));
      }
      return frame;
    };
  };
  write_clip(folder / "cloud.fits", 20, even(0.4, 0.02));
  write_clip(folder / "cap.fits", 20, even(0.002, 0.001));
  write_clip(folder / "full.fits", 20, even(1.5, 0.0));
  const auto reason = [&](const std::string& name) {
    const auto grading = grade_clip(folder / name);
    return grading ? std::string("none") : std::string(grading.error().reason.id);
  };
  EXPECT_EQ(reason("cloud.fits"), "no-structure");
  EXPECT_EQ(reason("cap.fits"), "picture-too-dim");
  EXPECT_EQ(reason("full.fits"), "picture-too-bright");
}

TEST(Grading, GivesAllGoodFramesOfACutClip) {
  const Painting painting(256, 200);
  TempFolder folder;
  base::Random random{4};
  write_clip(folder / "clip.fits", 40,
             [&](int i) { return painting.frame(glimpse_of(i), random); });
  const auto bytes = std::filesystem::file_size(folder / "clip.fits");
  std::filesystem::resize_file(folder / "clip.fits", bytes * 3 / 4);
  const auto grading = grade_clip(folder / "clip.fits");
  ASSERT_TRUE(grading);
  EXPECT_NEAR(grading->cut_off, 10, 1);
  EXPECT_EQ(static_cast<int>(grading->frames.size()) + grading->cut_off, 40);
}

TEST(Grading, LeavesOutFramesOfSomethingElse) {
  const Painting painting(256, 200);
  const Painting another(256, 200, 0, 77);
  TempFolder folder;
  base::Random random{5};
  write_clip(folder / "clip.fits", 40, [&](int i) {
    return (i >= 10 && i < 15 ? another : painting).frame(glimpse_of(i), random);
  });
  const auto grading = grade_clip(folder / "clip.fits");
  ASSERT_TRUE(grading);
  for (const GradedFrame& frame : grading->frames) {
    EXPECT_EQ(frame.alike, frame.frame < 10 || frame.frame >= 15) << frame.frame;
  }
}

TEST(Grading, CanBeStoppedAndRefusesNonsense) {
  const Painting painting(256, 200);
  TempFolder folder;
  base::Random random{6};
  write_clip(folder / "clip.fits", 20,
             [&](int i) { return painting.frame(glimpse_of(i), random); });
  std::stop_source stop;
  stop.request_stop();
  const auto stopped = grade_clip(folder / "clip.fits", {}, {stop.get_token(), {}});
  ASSERT_FALSE(stopped);
  EXPECT_EQ(stopped.error().code, ErrorCode::kCancelled);
  EXPECT_THAT(grade_clip(folder / "clip.fits", {.scale_px = 0}),
              FailsWith(ErrorCode::kOutOfRange, "scale_px"));
  EXPECT_FALSE(grade_clip(folder / "none.fits"));
}

/// A grading with given sharpness, ten frames a second.
ClipGrading graded(const std::vector<double>& sharpness) {
  ClipGrading grading;
  grading.level = 0.6;
  grading.noise = 0.02;
  grading.contrast = 0.05;
  for (std::size_t i = 0; i < sharpness.size(); ++i) {
    grading.frames.push_back(
        {static_cast<int>(i), 0.1 * static_cast<double>(i), sharpness[i], 0.6, 0.0, 0.0, true});
  }
  return grading;
}

TEST(Keep, TakesTheBestInTheOrderOfTime) {
  const ClipGrading grading = graded({1.0, 3.0, 0.5, 2.0, 4.0});
  EXPECT_THAT(kept(grading, {.share = 0.4}), testing::ElementsAre(1, 4));
  EXPECT_THAT(kept(grading, {.share = 0.001}), testing::ElementsAre(4));
  EXPECT_THAT(kept(grading, {.rule = KeepRule::kAboveLevel, .level = 2.0}),
              testing::ElementsAre(1, 3, 4));
  EXPECT_THAT(kept(grading, {.rule = KeepRule::kAll}), testing::SizeIs(5));
}

TEST(Keep, NeverTakesWhatIsUnlikeOrLostItsLight) {
  ClipGrading grading = graded({1.0, 3.0, 0.5, 2.0, 4.0});
  grading.frames[4].alike = false;
  grading.frames[1].level = 0.2;
  EXPECT_THAT(kept(grading, {.share = 0.4}), testing::ElementsAre(3));
  EXPECT_THAT(kept(grading, {.rule = KeepRule::kAll}), testing::ElementsAre(0, 2, 3));
  for (GradedFrame& frame : grading.frames) {
    frame.alike = false;
  }
  EXPECT_THAT(kept(grading, {}), testing::IsEmpty());
}

TEST(Keep, ACalmStretchIsKeptWhole) {
  // Ten seconds, calm between the fourth and the seventh, with one sharp moment elsewhere.
  std::vector<double> sharpness;
  base::Random random{7};
  for (int i = 0; i < 100; ++i) {
    const bool calm = i >= 40 && i < 70;
    sharpness.push_back((calm ? 2.0 : 1.0) + 0.3 * random.normal());
  }
  sharpness[10] = 9.0;
  const auto places =
      kept(graded(sharpness), {.rule = KeepRule::kCalmStretches, .share = 0.25, .calm_s = 1.0});
  ASSERT_FALSE(places.empty());
  EXPECT_GE(places.front(), 38U);
  EXPECT_LE(places.back(), 71U);
  EXPECT_GT(places.size(), 18U);
}

TEST(Keep, ProposesFewOfChangingAirAndMostOfEvenAir) {
  base::Random random{8};
  std::vector<double> changing;
  std::vector<double> even;
  for (int i = 0; i < 1000; ++i) {
    changing.push_back(std::exp(0.8 * random.normal()));
    even.push_back(1.0 + 0.02 * random.normal());
  }
  const Proposal few = propose(graded(changing));
  const Proposal most = propose(graded(even));
  EXPECT_LT(few.gain.share, 0.3);
  EXPECT_GT(few.gain.share, 0.01);
  EXPECT_GT(few.gain.detail, 1.5);
  EXPECT_FALSE(few.even_air);
  EXPECT_TRUE(most.even_air);
  EXPECT_GT(most.gain.share, 0.5);
  // More noise wants more frames.
  ClipGrading noisy = graded(changing);
  noisy.noise = 0.2;
  EXPECT_GT(propose(noisy).gain.share, few.gain.share);
}

}  // namespace
}  // namespace solarchon::reduce
