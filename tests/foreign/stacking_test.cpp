// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/stacking.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/reduce/keep.h"
#include "tests/core/registration/painted.h"
#include "tests/foreign/compared.h"
#include "tests/foreign/drawn_sun.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

/// A clip of a drawn Sun under air of its own.
struct Clip {
  foreign::Sun sun;
  double bend_px = 0.8;
  double shortest_px = 90.0;
  int frames = 180;
  int full = 255;
  double electrons = 20'000.0;
};

/// Blurs come back after so many frames.
constexpr int kBlurs = 11;

double blur_of(int blur) { return 0.9 + 0.12 * blur; }

foreign::Look look_of(int i) {
  foreign::Look look;
  look.right_px = 2.3 * std::sin(0.31 * i);
  look.down_px = 1.9 * std::cos(0.23 * i);
  look.blur_px = blur_of(7 * i % kBlurs);
  return look;
}

image::Frame frame_of(const Clip& clip, int i) {
  const foreign::Bends bends(clip.bend_px, clip.shortest_px, static_cast<std::uint32_t>(100 + i));
  foreign::Look look = look_of(i);
  look.bends = &bends;
  image::Frame frame;
  frame.width = clip.sun.width;
  frame.height = clip.sun.height;
  frame.saturation = clip.full;
  frame.pixels = foreign::exposed(foreign::light_of(clip.sun, look), clip.full, clip.electrons,
                                  static_cast<std::uint32_t>(i + 1));
  return frame;
}

/// What was made of a clip, and the same frames laid perfectly: without bends and noise.
struct Made {
  int width = 0;
  int height = 0;
  std::vector<double> picture;
  std::vector<double> perfect;
  double misplaced_px = 0.0;  ///< RMS along either axis, about the mean
};

Made made_of(const Clip& clip) {
  const test::TempFolder folder;
  const auto file = folder / "clip.fits";
  test::write_clip(file, clip.frames, [&](int i) { return frame_of(clip, i); });
  const auto grading = grade_clip(file);
  if (!grading) {
    ADD_FAILURE() << "not graded";
    return {};
  }
  const auto places = kept(*grading, {.share = 0.2});
  const auto stacked = stack(file, *grading, places);
  if (!stacked) {
    ADD_FAILURE() << "not stacked";
    return {};
  }
  Made made;
  made.width = stacked->part.width_px;
  made.height = stacked->part.height_px;
  made.picture.assign(stacked->picture.values.begin(), stacked->picture.values.end());
  std::array<double, kBlurs> often{};
  for (const std::size_t place : places) {
    often.at(static_cast<std::size_t>(7 * grading->frames[place].frame % kBlurs)) +=
        1.0 / static_cast<double>(places.size());
  }
  foreign::Look rest = look_of(grading->reference);
  constexpr int kTurns = 3;  // until the truth lies where the stack does
  for (int turn = 0; turn < kTurns; ++turn) {
    made.perfect.assign(made.picture.size(), 0.0);
    for (std::size_t blur = 0; blur < often.size(); ++blur) {
      if (often[blur] <= 0.0) {
        continue;
      }
      rest.blur_px = blur_of(static_cast<int>(blur));
      const auto light = foreign::light_of(clip.sun, rest);
      for (int y = 0; y < made.height; ++y) {
        for (int x = 0; x < made.width; ++x) {
          made.perfect[static_cast<std::size_t>(y * made.width + x)] +=
              often[blur] *
              light[static_cast<std::size_t>((y + stacked->part.top_px) * clip.sun.width + x +
                                             stacked->part.left_px)];
        }
      }
    }
    constexpr int kApart_px = 24;
    const auto found =
        foreign::misplaced(made.picture, made.perfect, made.width, made.height, kApart_px);
    double right = 0.0;
    double down = 0.0;
    for (const auto& place : found) {
      right += place.right_px / static_cast<double>(found.size());
      down += place.down_px / static_cast<double>(found.size());
    }
    double squares = 0.0;
    for (const auto& place : found) {
      squares += std::pow(place.right_px - right, 2.0) + std::pow(place.down_px - down, 2.0);
    }
    made.misplaced_px = std::sqrt(squares / (2.0 * static_cast<double>(found.size())));
    rest.right_px += right;
    rest.down_px += down;
  }
  return made;
}

/// How much of the detail that the same frames hold is in the picture.
double contrast_left(const Made& made, double period_px) {
  constexpr int kMargin = 24;
  return foreign::contrast_at(made.picture, made.width, made.height, period_px, kMargin) /
         foreign::contrast_at(made.perfect, made.width, made.height, period_px, kMargin);
}

/// The highest step between neighbouring columns, or rows, along 80 px, of what differs from the
/// perfect picture.
double highest_step(const Made& made) {
  constexpr int kLong = 80;
  constexpr int kMargin = 8;
  std::vector<double> off(made.picture.size());
  for (std::size_t k = 0; k < off.size(); ++k) {
    off[k] = made.picture[k] - made.perfect[k];
  }
  double highest = 0.0;
  const auto seek = [&](int count, int step, int others, int other_step) {
    for (int i = kMargin; i < count - kMargin; ++i) {
      for (int from = kMargin; from + kLong < others - kMargin; from += kLong / 2) {
        double sum = 0.0;
        for (int k = from; k < from + kLong; ++k) {
          const auto at = static_cast<std::size_t>(i * step + k * other_step);
          sum += off[at] - off[at - static_cast<std::size_t>(step)];
        }
        highest = std::max(highest, std::abs(sum) / kLong);
      }
    }
  };
  seek(made.width, 1, made.height, made.width);
  seek(made.height, made.width, made.width, 1);
  return highest;
}

TEST(ForeignStack, EddiesOfNinetyPixelsLeaveATenthOfAPixelAndNearlyAllDetail) {
  const Made made = made_of({});
  // The bends of so many frames have a mean that nobody can know: 0.06 px.
  EXPECT_LT(made.misplaced_px, 0.1);
  EXPECT_GT(contrast_left(made, 4.5), 0.95);
  EXPECT_GT(contrast_left(made, 8.0), 0.97);
  EXPECT_LT(highest_step(made), 0.002);
}

TEST(ForeignStack, EddiesOfFortyPixelsTooInTwelveBits) {
  Clip clip;
  clip.shortest_px = 40.0;
  clip.full = 4095;
  const Made made = made_of(clip);
  EXPECT_LT(made.misplaced_px, 0.15);
  EXPECT_GT(contrast_left(made, 4.5), 0.95);
  EXPECT_LT(highest_step(made), 0.002);
}

TEST(ForeignStack, BesideSpotsNothingIsTorn) {
  Clip clip;
  clip.sun.spots = {{150.0, 150.0, 22.0}, {350.0, 240.0, 32.0}, {300.0, 80.0, 10.0}};
  const Made made = made_of(clip);
  EXPECT_LT(made.misplaced_px, 0.12);
  EXPECT_GT(contrast_left(made, 4.5), 0.95);
  EXPECT_LT(highest_step(made), 0.004) << "an umbra's edge is a hundred times as bright a step";
}

}  // namespace
}  // namespace solarchon::reduce
