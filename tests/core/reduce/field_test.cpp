// SPDX-License-Identifier: GPL-3.0-or-later
#include "field.h"

#include <gtest/gtest.h>

#include <cmath>

#include "painted.h"

namespace solarchon::reduce {
namespace {

using test::Glimpse;
using test::Painting;

Plane reference_of(const Painting& painting) {
  Plane plane;
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
double misplaced(const Painting& painting, const Field& field, const Glimpse& glimpse) {
  double sum = 0.0;
  int count = 0;
  for (int y = 32; y < painting.height() - 32; y += 8) {
    for (int x = 32; x < painting.width() - 32; x += 8) {
      const auto [right, down] = Painting::moved(glimpse, x, y);
      const Offset found = field.at(x, y);
      sum += std::pow(found.right_px - right, 2.0) + std::pow(found.down_px - down, 2.0);
      ++count;
    }
  }
  // Of one axis.
  return std::sqrt(sum / count / 2.0);
}

TEST(FieldSeeker, FindsOffsetsOverTheFrameWithinATenthOfAPixel) {
  const Painting painting(400, 320);
  const FieldSeeker seeker(reference_of(painting));
  base::Random random{3};
  std::array<Plane, 2> scratch;
  for (const double bend : {0.0, 0.4, 0.8}) {
    for (const double blur : {0.8, 1.2, 2.0}) {
      Glimpse glimpse;
      glimpse.right_px = 1.37;
      glimpse.down_px = -2.21;
      glimpse.bend_px = bend;
      glimpse.bend_turn = 0.6;
      glimpse.blur_px = blur;
      glimpse.noise = 0.015;
      const frames::Frame frame = painting.frame(glimpse, random);
      const Field field = seeker.seek(frame, 0.0, {1.0, -2.0}, scratch);
      EXPECT_LT(misplaced(painting, field, glimpse), 0.1) << bend << " " << blur;
      EXPECT_GT(field.sure_share, 0.9);
    }
  }
}

TEST(FieldSeeker, TellsHowMuchLightIsMissing) {
  const Painting painting(256, 256);
  const FieldSeeker seeker(reference_of(painting));
  base::Random random{3};
  std::array<Plane, 2> scratch;
  Glimpse dim;
  dim.light = 0.4;
  const Field field = seeker.seek(painting.frame(dim, random), 0.0, {}, scratch);
  EXPECT_NEAR(field.gain, 1.0 / 0.4, 0.02);
  EXPECT_LT(misplaced(painting, field, dim), 0.1);
}

TEST(FieldSeeker, GoesWithItsNeighboursWhereThereIsNothingToSee) {
  // Grains in the left half alone.
  Painting painting(512, 256, 4000);
  base::Random random{4};
  const auto emptied = [](frames::Frame frame) {
    for (int y = 0; y < frame.height; ++y) {
      for (int x = frame.width / 2; x < frame.width; ++x) {
        frame.pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(frame.width) +
                     static_cast<std::size_t>(x)] = 153;
      }
    }
    return frame;
  };
  Plane reference = reference_of(painting);
  for (int y = 0; y < reference.height; ++y) {
    for (int x = reference.width / 2; x < reference.width; ++x) {
      reference.values[static_cast<std::size_t>(y) * static_cast<std::size_t>(reference.width) +
                       static_cast<std::size_t>(x)] = 153.0F;
    }
  }
  const FieldSeeker seeker(reference);
  std::array<Plane, 2> scratch;
  Glimpse glimpse;
  glimpse.right_px = 2.4;
  glimpse.down_px = 1.1;
  const Field field =
      seeker.seek(emptied(painting.frame(glimpse, random)), 0.0, {1.0, 1.0}, scratch);
  EXPECT_NEAR(field.at(100, 128).right_px, 2.4, 0.1);
  EXPECT_NEAR(field.at(480, 128).right_px, 2.4, 0.8);
  EXPECT_NEAR(field.at(480, 128).down_px, 1.1, 0.8);
}

TEST(FieldSeeker, AnEmptyFrameIsNowhereElse) {
  const Painting painting(256, 256);
  const FieldSeeker seeker(reference_of(painting));
  frames::Frame empty;
  empty.width = 256;
  empty.height = 256;
  empty.saturation = 255;
  empty.pixels.assign(256U * 256U, 0);
  std::array<Plane, 2> scratch;
  const Field field = seeker.seek(empty, 0.0, {0.5, -0.5}, scratch);
  EXPECT_EQ(field.gain, 0.0);
  EXPECT_NEAR(field.at(128, 128).right_px, 0.5, 1e-9);
}

}  // namespace
}  // namespace solarchon::reduce
