// SPDX-License-Identifier: GPL-3.0-or-later
#include <gtest/gtest.h>

#include <cmath>

#include "solarchon/image/frame.h"
#include "solarchon/image/plane.h"
#include "solarchon/image/point.h"
#include "solarchon/registration/shift_field.h"
#include "tests/core/registration/painted.h"

namespace solarchon::registration {
namespace {

using test::Glimpse;
using test::Painting;

image::Plane reference_of(const Painting& painting) {
  image::Plane plane;
  plane.width = painting.width();
  plane.height = painting.height();
  Glimpse calm;
  calm.blur_px = 1.2;
  for (const double value : painting.light(calm)) {
    plane.values.push_back(static_cast<float>(value * 255.0));
  }
  return plane;
}

/// RMS distance between found and painted offsets over the middle of the picture.
double misplaced(const Painting& painting, const ShiftField& field, const Glimpse& glimpse) {
  double sum = 0.0;
  int count = 0;
  for (int y = 32; y < painting.height() - 32; y += 8) {
    for (int x = 32; x < painting.width() - 32; x += 8) {
      const auto [right, down] = Painting::moved(glimpse, x, y);
      const image::Offset found = field.at(x, y);
      sum += std::pow(found.right_px - right, 2.0) + std::pow(found.down_px - down, 2.0);
      ++count;
    }
  }
  // Of one axis.
  return std::sqrt(sum / count / 2.0);
}

TEST(PatchMatcher, FindsOffsetsOverTheFrameWithinATenthOfAPixel) {
  const Painting painting(400, 320);
  const PatchMatcher seeker(reference_of(painting));
  base::Random random{3};
  std::array<image::Plane, 2> scratch;
  for (const double bend : {0.0, 0.4, 0.8}) {
    for (const double blur : {0.8, 1.2, 2.0}) {
      Glimpse glimpse;
      glimpse.right_px = 1.37;
      glimpse.down_px = -2.21;
      glimpse.bend_px = bend;
      glimpse.bend_turn = 0.6;
      glimpse.blur_px = blur;
      glimpse.noise = 0.015;
      const image::Frame frame = painting.frame(glimpse, random);
      const ShiftField field = seeker.seek(frame, 0.0, {1.0, -2.0}, scratch);
      EXPECT_LT(misplaced(painting, field, glimpse), 0.1) << bend << " " << blur;
      EXPECT_GT(field.sure_share, 0.9);
    }
  }
}

TEST(PatchMatcher, TellsHowMuchLightIsMissing) {
  const Painting painting(256, 256);
  const PatchMatcher seeker(reference_of(painting));
  base::Random random{3};
  std::array<image::Plane, 2> scratch;
  Glimpse dim;
  dim.light = 0.4;
  const ShiftField field = seeker.seek(painting.frame(dim, random), 0.0, {}, scratch);
  EXPECT_NEAR(field.gain, 1.0 / 0.4, 0.02);
  EXPECT_LT(misplaced(painting, field, dim), 0.1);
}

TEST(PatchMatcher, GoesWithItsNeighboursWhereThereIsNothingToSee) {
  // Grains in the left half alone.
  Painting painting(512, 256, 4000);
  base::Random random{4};
  const auto emptied = [](image::Frame frame) {
    for (int y = 0; y < frame.height; ++y) {
      for (int x = frame.width / 2; x < frame.width; ++x) {
        frame.pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(frame.width) +
                     static_cast<std::size_t>(x)] = 153;
      }
    }
    return frame;
  };
  image::Plane reference = reference_of(painting);
  for (int y = 0; y < reference.height; ++y) {
    for (int x = reference.width / 2; x < reference.width; ++x) {
      reference.values[static_cast<std::size_t>(y) * static_cast<std::size_t>(reference.width) +
                       static_cast<std::size_t>(x)] = 153.0F;
    }
  }
  const PatchMatcher seeker(reference);
  std::array<image::Plane, 2> scratch;
  Glimpse glimpse;
  glimpse.right_px = 2.4;
  glimpse.down_px = 1.1;
  const ShiftField field =
      seeker.seek(emptied(painting.frame(glimpse, random)), 0.0, {1.0, 1.0}, scratch);
  EXPECT_NEAR(field.at(100, 128).right_px, 2.4, 0.1);
  EXPECT_NEAR(field.at(480, 128).right_px, 2.4, 0.8);
  EXPECT_NEAR(field.at(480, 128).down_px, 1.1, 0.8);
}

TEST(PatchMatcher, AnEmptyFrameIsNowhereElse) {
  const Painting painting(256, 256);
  const PatchMatcher seeker(reference_of(painting));
  image::Frame empty;
  empty.width = 256;
  empty.height = 256;
  empty.saturation = 255;
  empty.pixels.assign(256U * 256U, 0);
  std::array<image::Plane, 2> scratch;
  const ShiftField field = seeker.seek(empty, 0.0, {0.5, -0.5}, scratch);
  EXPECT_EQ(field.gain, 0.0);
  EXPECT_NEAR(field.at(128, 128).right_px, 0.5, 1e-9);
}

}  // namespace
}  // namespace solarchon::registration
