// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/calibration.h"

#include <gmock/gmock.h>

#include <cmath>

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

using base::ErrorCode;
using test::FailsWith;

image::Picture even(int width, int height, float value) {
  image::Picture picture;
  picture.width = width;
  picture.height = height;
  picture.values.assign(picture.plane_size(), value);
  return picture;
}

TEST(Calibration, ADarkIsTheMeanOfItsFrames) {
  test::TempFolder folder;
  test::write_clip(folder / "dark.fits", 10, [](int i) {
    image::Frame frame;
    frame.width = 32;
    frame.height = 24;
    frame.saturation = 255;
    frame.pixels.assign(32U * 24U, static_cast<std::uint16_t>(i % 2 == 0 ? 10 : 12));
    return frame;
  });
  auto clip = media::ClipReader::open(folder / "dark.fits");
  ASSERT_TRUE(clip);
  const auto dark = mean_of(*clip);
  ASSERT_TRUE(dark);
  EXPECT_NEAR(dark->at(5, 5), 11.0 / 255.0, 1e-6);
}

TEST(Calibration, AFlatHasAMedianOfOne) {
  image::Picture mean = even(40, 30, 0.5F);
  mean.values[7] = 0.25F;
  mean.values[8] = 0.001F;
  const auto flat = flat_of(mean, even(40, 30, 0.1F));
  ASSERT_TRUE(flat);
  EXPECT_NEAR(flat->values[100], 1.0F, 1e-6F);
  EXPECT_NEAR(flat->values[7], 0.15F / 0.4F, 1e-6F);
  EXPECT_EQ(flat->values[8], 1.0F) << "nothing is known of a pixel without light";
  EXPECT_THAT(flat_of(mean, even(10, 10, 0.1F)), FailsWith(ErrorCode::kMalformed, "flat"));
  EXPECT_THAT(flat_of(even(40, 30, 0.0F), {}), FailsWith(ErrorCode::kMalformed, "flat"));
}

/// A disc with a dark spot, on a sensor whose light falls off to the corners, with motes of dust.
ShiftedPicture shifted(double right, double down, const std::vector<float>& sensor, int width,
                       int height) {
  ShiftedPicture made{even(width, height, 0.0F), right, down};
  base::Random random{static_cast<std::uint32_t>(100 + 3 * right + 7 * down)};
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const double from_x = x - right - width / 2.0;
      const double from_y = y - down - height / 2.0;
      const double out = std::hypot(from_x, from_y) / (0.42 * height);
      const double darkened = out < 1.0 ? 0.4 + 0.6 * std::sqrt(1.0 - out * out) : 0.0;
      const double spot =
          1.0 -
          0.6 * std::exp(-(std::pow(from_x - 20.0, 2.0) + std::pow(from_y + 12.0, 2.0)) / 50.0);
      const auto at = static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                      static_cast<std::size_t>(x);
      made.picture.values[at] = static_cast<float>(
          0.8 * darkened * spot * static_cast<double>(sensor[at]) + 0.0008 * random.normal());
    }
  }
  return made;
}

constexpr int kWidth = 280;
constexpr int kHeight = 256;

/// Darker towards its corners, with a mote of dust.
std::vector<float> vignetted_sensor() {
  std::vector<float> sensor;
  for (int y = 0; y < kHeight; ++y) {
    for (int x = 0; x < kWidth; ++x) {
      const double out = std::hypot(x - 140.0, y - 128.0) / 180.0;
      const double mote =
          0.08 * std::exp(-(std::pow(x - 160.0, 2.0) + std::pow(y - 90.0, 2.0)) / 60.0);
      sensor.push_back(static_cast<float>(1.0 - 0.15 * out * out - mote));
    }
  }
  return sensor;
}

constexpr std::array<std::pair<double, double>, 7> kMoves{{{0.0, 0.0},
                                                           {24.0, 3.5},
                                                           {-21.5, 6.0},
                                                           {4.0, 19.0},
                                                           {-3.0, -22.0},
                                                           {13.0, 15.5},
                                                           {-16.0, -11.0}}};

/// How far a flat is off the sensor, RMS: compared within the part that the disc covers in all
/// pictures, each over its own mean.
double error_of(const image::Picture& flat, const std::vector<float>& sensor) {
  const auto inside = [](int x, int y) { return std::hypot(x - 140.0, y - 128.0) < 75.0; };
  const auto sensor_at = [&](int x, int y) {
    return static_cast<double>(sensor[static_cast<std::size_t>(y * kWidth + x)]);
  };
  double of_sensor = 0.0;
  double of_flat = 0.0;
  int count = 0;
  for (int y = 0; y < kHeight; ++y) {
    for (int x = 0; x < kWidth; ++x) {
      if (inside(x, y)) {
        of_sensor += sensor_at(x, y);
        of_flat += static_cast<double>(flat.at(x, y));
        ++count;
      }
    }
  }
  double sum = 0.0;
  for (int y = 0; y < kHeight; ++y) {
    for (int x = 0; x < kWidth; ++x) {
      if (inside(x, y)) {
        const double found = static_cast<double>(flat.at(x, y)) / of_flat;
        sum += std::pow(found / (sensor_at(x, y) / of_sensor) - 1.0, 2.0);
      }
    }
  }
  return std::sqrt(sum / count);
}

TEST(Calibration, AFlatComesOutOfADiscThatWasMovedAbout) {
  const std::vector<float> sensor = vignetted_sensor();
  std::vector<ShiftedPicture> pictures;
  for (const auto& [right, down] : kMoves) {
    pictures.push_back(shifted(right, down, sensor, kWidth, kHeight));
  }
  const auto flat = flat_of_shifted(pictures);
  ASSERT_TRUE(flat);
  EXPECT_LT(error_of(*flat, sensor), 0.005);
  EXPECT_THAT(flat_of_shifted({pictures[0], pictures[1]}),
              FailsWith(ErrorCode::kMissing, "pictures"));
}

TEST(Calibration, AClipOfAMovedDiscIsAFlatWithoutBeingToldWhereItLies) {
  const test::TempFolder folder;
  const std::vector<float> sensor = vignetted_sensor();
  const auto clip = [&](const char* name, double across, double along) {
    test::write_clip(folder / name, kMoves.size(), [&](int i) {
      const auto& [right, down] = kMoves.at(static_cast<std::size_t>(i));
      return image::frame_of(
          shifted(across * right, along * down, sensor, kWidth, kHeight).picture);
    });
    return folder / name;
  };
  const auto flat = flat_from_file(clip("moved.fits", 1.0, 1.0), std::nullopt);
  ASSERT_TRUE(flat) << flat.error().field;
  EXPECT_LT(error_of(*flat, sensor), 0.006);
  EXPECT_LT(flat->at(160, 90), 0.96F) << "the mote";
  EXPECT_THAT(flat_from_file(clip("along.fits", 0.0, 1.0), std::nullopt),
              FailsWith(ErrorCode::kMalformed, "flat"));
  // Something evenly lit is that, as before.
  test::write_clip(folder / "even.fits", 3, [&](int) {
    image::Picture picture = even(kWidth, kHeight, 0.0F);
    picture.values = sensor;
    return image::frame_of(picture);
  });
  const auto lit = flat_from_file(folder / "even.fits", std::nullopt);
  ASSERT_TRUE(lit);
  EXPECT_LT(error_of(*lit, sensor), 0.001);
  EXPECT_THAT(flat_from_file(folder / "none.fits", std::nullopt),
              FailsWith(ErrorCode::kUnreadable, (folder / "none.fits").string()));
}

TEST(Calibration, FindsPixelsThatStandAlone) {
  test::Painting painting(200, 160);
  base::Random random{2};
  image::Picture mean = even(200, 160, 0.0F);
  const auto light = painting.light({});
  for (std::size_t i = 0; i < light.size(); ++i) {
    mean.values[i] = static_cast<float>(light[i] + 0.002 * random.normal());
  }
  for (const int at : {30 * 200 + 40, 77 * 200 + 120, 140 * 200 + 9}) {
    mean.values[static_cast<std::size_t>(at)] = at % 200 == 120 ? 0.1F : 0.95F;
  }
  const auto bad = bad_pixels(mean);
  EXPECT_THAT(bad, testing::IsSupersetOf({30 * 200 + 40, 77 * 200 + 120, 140 * 200 + 9}));
  EXPECT_LT(bad.size(), 40U);
}

TEST(Calibration, FillsABadPixelFromThoseAroundIt) {
  image::Frame frame;
  frame.width = 5;
  frame.height = 5;
  frame.saturation = 255;
  frame.pixels.assign(25, 100);
  frame.pixels[12] = 255;
  frame.pixels[0] = 3;
  Calibration calibration;
  calibration.bad = {12, 0};
  ASSERT_TRUE(calibrate(calibration, frame));
  EXPECT_EQ(frame.pixels[12], 100);
  EXPECT_EQ(frame.pixels[0], 100);
  EXPECT_EQ(frame.saturation, 255);
}

}  // namespace
}  // namespace solarchon::reduce
