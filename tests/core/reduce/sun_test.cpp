// SPDX-License-Identifier: GPL-3.0-or-later
// Stacks of the synthetic Sun, against what the simulator drew.
#include <gmock/gmock.h>

#include <cmath>
#include <numbers>
#include <opencv2/core.hpp>

#include "solarchon/camera/stream.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/restoring.h"
#include "solarchon/reduce/stacking.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

using test::TempFolder;
using test::write_clip;

constexpr int kSide = 256;

/// Granulation through 120 mm at critical sampling.
camera::Shot fine_shot() {
  optics::Rig rig = test::quick_rig();
  auto& telescope = std::get<optics::Telescope>(rig.elements[1].part);
  telescope.aperture_mm = 120.0;
  telescope.focal_length_mm = 1680.0;
  std::get<optics::FrontFilm>(rig.elements[0].part).clear_aperture_mm = 130.0;
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = kSide;
  camera.height_px = kSide;
  camera.pixel_um = 3.45;
  camera.bits = 12;
  camera.full_well_e = 30000.0;
  camera.read_noise_e = 3.0;
  camera::Shot shot = test::morning_shot(rig);
  shot.pointing_spread_px = 0.0;
  shot.target = {0.0, 0.0};
  return shot;
}

/// Amplitude of detail in a ring of frequencies, over the light, noise and all.
/// @param share  of the cutoff
double detail_at(const std::vector<double>& picture, int width, int height, double share,
                 double pixels_per_cutoff) {
  constexpr int kPart = 192;
  cv::Mat square(kPart, kPart, CV_64F);
  double mean = 0.0;
  for (int y = 0; y < kPart; ++y) {
    for (int x = 0; x < kPart; ++x) {
      const double value = picture[static_cast<std::size_t>(y + (height - kPart) / 2) *
                                       static_cast<std::size_t>(width) +
                                   static_cast<std::size_t>(x + (width - kPart) / 2)];
      square.at<double>(y, x) = value;
      mean += value / (kPart * kPart);
    }
  }
  for (int y = 0; y < kPart; ++y) {
    for (int x = 0; x < kPart; ++x) {
      const auto fade = [](int i) {
        return 0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * (i + 0.5) / kPart);
      };
      square.at<double>(y, x) = (square.at<double>(y, x) / mean - 1.0) * fade(x) * fade(y);
    }
  }
  cv::Mat spectrum;
  cv::dft(square, spectrum, cv::DFT_COMPLEX_OUTPUT);
  double power = 0.0;
  int count = 0;
  for (int y = 0; y < kPart; ++y) {
    for (int x = 0; x < kPart; ++x) {
      const double u = std::min(x, kPart - x) / static_cast<double>(kPart);
      const double v = std::min(y, kPart - y) / static_cast<double>(kPart);
      const double at = std::hypot(u, v) * pixels_per_cutoff;  // of the cutoff
      if (std::abs(at - share) < 0.05) {
        const auto value = spectrum.at<cv::Vec2d>(y, x);
        power += value[0] * value[0] + value[1] * value[1];
        ++count;
      }
    }
  }
  return std::sqrt(power / count);
}

std::vector<double> values_of(const image::Picture& picture) {
  return {picture.values.begin(), picture.values.end()};
}

TEST(SunStack, TheBestFifthHoldsMoreOfHalfTheCutoffThanAMean) {
  TempFolder folder;
  camera::StreamPlan plan;
  plan.shot = fine_shot();
  plan.shot.air = seeing::Air{};
  plan.shot.air->r0_cm = 4.0;
  plan.sun_step_s = 3600.0;  // the same Sun throughout
  auto stream = camera::Stream::open(plan);
  ASSERT_TRUE(stream) << stream.error().field << stream.error().value;
  constexpr int kFrames = 150;
  constexpr double kApart_s = 2.0;  // five minutes: the air comes and goes
  camera::Recording recording;
  write_clip(folder / "clip.fits", kFrames, [&](int i) {
    EXPECT_TRUE(stream->record(i * kApart_s, recording));
    return recording.frame;
  });
  const auto grading = grade_clip(folder / "clip.fits");
  ASSERT_TRUE(grading) << grading.error().reason.id;
  const auto best = stack(folder / "clip.fits", *grading, kept(*grading, {.share = 0.2}));
  const auto mean = stack(folder / "clip.fits", *grading, kept(*grading, {.rule = KeepRule::kAll}),
                          {.local = false});
  ASSERT_TRUE(best);
  ASSERT_TRUE(mean);
  const double cutoff_px = 540e-9 / 0.12 * 206264.8 / recording.truth.plate_scale_arcsec_px;
  const double of_best = detail_at(values_of(best->picture), best->picture.width,
                                   best->picture.height, 0.5, cutoff_px);
  const double of_mean = detail_at(values_of(mean->picture), mean->picture.width,
                                   mean->picture.height, 0.5, cutoff_px);
  EXPECT_GT(of_best, 1.6 * of_mean);
}

TEST(SunStack, RestoredItHasTheContrastOfTheSun) {
  TempFolder folder;
  camera::StreamPlan plan;
  plan.shot = fine_shot();
  plan.shot.air = seeing::Air{};
  plan.shot.air->r0_cm = 8.0;
  plan.shot.air->wander = 0.0;  // then it is known
  plan.sun_step_s = 3600.0;
  auto stream = camera::Stream::open(plan);
  ASSERT_TRUE(stream);
  camera::Recording recording;
  constexpr int kFrames = 120;
  write_clip(folder / "clip.fits", kFrames, [&](int i) {
    EXPECT_TRUE(stream->record(0.5 * i, recording));
    return recording.frame;
  });
  const auto grading = grade_clip(folder / "clip.fits");
  ASSERT_TRUE(grading);
  const auto stacked =
      stack(folder / "clip.fits", *grading, kept(*grading, {.rule = KeepRule::kAll}));
  ASSERT_TRUE(stacked);
  RestoreWishes wishes;
  wishes.imaging.aperture_mm = 120.0;
  wishes.imaging.scale_arcsec_px = recording.truth.plate_scale_arcsec_px;
  wishes.r0_cm = 8.0;
  wishes.noise = stacked->noise;
  const auto restored = restore(stacked->picture, wishes);
  ASSERT_TRUE(restored);
  // The same Sun through a far larger telescope above the air.
  camera::Shot truth_shot = fine_shot();
  std::get<optics::Telescope>(truth_shot.rig.elements[1].part).aperture_mm = 1200.0;
  std::get<optics::FrontFilm>(truth_shot.rig.elements[0].part).clear_aperture_mm = 1300.0;
  truth_shot.seeing_arcsec = 0.0;
  const auto truth = camera::simulate(truth_shot);
  ASSERT_TRUE(truth);
  const image::Picture sun = image::picture_of(truth->frame);
  const double cutoff_px = 540e-9 / 0.12 * 206264.8 / recording.truth.plate_scale_arcsec_px;
  for (const double share : {0.2, 0.3, 0.4, 0.5, 0.6}) {
    const double found = detail_at(values_of(restored->picture), restored->picture.width,
                                   restored->picture.height, share, cutoff_px);
    const double real = detail_at(values_of(sun), sun.width, sun.height, share, cutoff_px);
    EXPECT_NEAR(found / real, 1.0, 0.2) << share;
  }
}

TEST(SunStack, FramesLieWhereTheAirHasMovedThem) {
  TempFolder folder;
  camera::StreamPlan plan;
  plan.shot = fine_shot();
  plan.shot.air = seeing::Air{};
  plan.shot.air->r0_cm = 6.0;
  plan.shot.air->high_share = 0.0;  // then the whole frame moves about as one
  plan.sun_step_s = 3600.0;
  auto stream = camera::Stream::open(plan);
  ASSERT_TRUE(stream) << stream.error().field << stream.error().value;
  constexpr int kFrames = 40;
  std::vector<sky::PictureOffset> truth;
  camera::Recording recording;
  write_clip(folder / "clip.fits", kFrames, [&](int i) {
    EXPECT_TRUE(stream->record(0.5 * i, recording));
    truth.push_back(recording.truth.shift_px);
    return recording.frame;
  });
  const auto grading = grade_clip(folder / "clip.fits");
  ASSERT_TRUE(grading) << grading.error().reason.id;
  // Differences from the mean over all frames, as the reference frame's own place is air too.
  double right = 0.0;
  double down = 0.0;
  for (const GradedFrame& frame : grading->frames) {
    ASSERT_TRUE(frame.alike);
    const auto& there = truth[static_cast<std::size_t>(frame.frame)];
    right += (frame.right_px - there.right) / kFrames;
    down += (frame.down_px + there.up) / kFrames;
  }
  double squares = 0.0;
  for (const GradedFrame& frame : grading->frames) {
    const auto& there = truth[static_cast<std::size_t>(frame.frame)];
    squares += std::pow(frame.right_px - there.right - right, 2.0) +
               std::pow(frame.down_px + there.up - down, 2.0);
  }
  EXPECT_LT(std::sqrt(squares / kFrames / 2.0), 0.5);
}

}  // namespace
}  // namespace solarchon::reduce
