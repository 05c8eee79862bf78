// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/restoring.h"

#include <gmock/gmock.h>

#include <cmath>
#include <numbers>

#include "solarchon/image/picture.h"
#include "solarchon/image/spectrum.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/seeing/air.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

using base::ErrorCode;
using test::FailsWith;

constexpr double kScale = 0.42;

RestoreWishes fine_wishes() {
  RestoreWishes wishes;
  wishes.imaging.aperture_mm = 120.0;
  wishes.imaging.wavelength_nm = 540.0;
  wishes.imaging.scale_arcsec_px = kScale;
  wishes.r0_cm = 6.0;
  wishes.noise = 0.0005;
  return wishes;
}

double cutoff_px(const RestoreWishes& wishes) {
  return 1e-6 * wishes.imaging.wavelength_nm / wishes.imaging.aperture_mm * 206264.806 /
         wishes.imaging.scale_arcsec_px;
}

/// A wave of known contrast after the blur of aperture, air and square pixels, as its transfer
/// leaves it.
image::Picture wave(double share, const RestoreWishes& wishes, double contrast, double angle,
                    base::Random& random) {
  image::Picture picture;
  picture.width = 256;
  picture.height = 224;
  const double cycles = share / cutoff_px(wishes);
  const auto gathered = [](double turn) { return turn == 0.0 ? 1.0 : std::sin(turn) / turn; };
  const double left =
      psf::pupil_transfer(share, wishes.imaging.obstruction, 0.0) *
      seeing::short_exposure_transfer(share, *wishes.r0_cm, wishes.imaging.wavelength_nm,
                                      wishes.imaging.aperture_mm) *
      gathered(std::numbers::pi * cycles * std::cos(angle)) *
      gathered(std::numbers::pi * cycles * std::sin(angle));
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      const double along = x * std::cos(angle) + y * std::sin(angle);
      picture.values.push_back(static_cast<float>(
          0.6 * (1.0 + contrast * left * std::sin(2.0 * std::numbers::pi * cycles * along)) +
          0.6 * wishes.noise * random.normal()));
    }
  }
  return picture;
}

/// Half of the swing of a picture's middle part, over the light.
double contrast_of(const image::Picture& picture) {
  double sum = 0.0;
  double squares = 0.0;
  int count = 0;
  for (int y = 40; y < picture.height - 40; ++y) {
    for (int x = 40; x < picture.width - 40; ++x) {
      const auto value = static_cast<double>(picture.at(x, y));
      sum += value;
      squares += value * value;
      ++count;
    }
  }
  const double mean = sum / count;
  return std::sqrt(2.0 * (squares / count - mean * mean)) / mean;
}

TEST(Restoring, BringsContrastBackUpToSixTenthsOfTheCutoff) {
  const RestoreWishes wishes = fine_wishes();
  base::Random random{1};
  for (const double share : {0.1, 0.2, 0.3, 0.4, 0.5, 0.6}) {
    for (const double angle : {0.3, 1.2}) {
      const image::Picture soft = wave(share, wishes, 0.10, angle, random);
      const auto restored = restore(soft, wishes);
      ASSERT_TRUE(restored);
      EXPECT_NEAR(contrast_of(restored->picture), 0.10, 0.02) << share << " " << angle;
      EXPECT_FALSE(restored->limb_overshoot);
    }
  }
}

TEST(Restoring, NoiseIsNotTakenForDetail) {
  RestoreWishes wishes = fine_wishes();
  wishes.noise = 0.01;
  base::Random random{2};
  image::Picture noise;
  noise.width = 256;
  noise.height = 224;
  for (int i = 0; i < 256 * 224; ++i) {
    noise.values.push_back(static_cast<float>(0.6 * (1.0 + 0.01 * random.normal())));
  }
  const double before = contrast_of(noise);
  const auto restored = restore(noise, wishes);
  ASSERT_TRUE(restored);
  EXPECT_LT(contrast_of(restored->picture), 1.2 * before);
}

/// A darkened disc whose edge is softened by a Gaussian, which no aperture draws: its blur is known
/// to the restorer only about. Without softening its edge cuts through pixels.
image::Picture disc(double radius, double sigma) {
  image::Picture picture;
  picture.width = 420;
  picture.height = 380;
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      const double far = std::hypot(x - 190.4, y - 196.7);
      const double share = std::min(1.0, far / radius);
      const double inside = 0.35 + 0.45 * std::sqrt(1.0 - share * share);
      const double edge = sigma > 0.0 ? 0.5 * std::erfc((far - radius) / (sigma * std::sqrt(2.0)))
                                      : std::clamp(radius - far + 0.5, 0.0, 1.0);
      picture.values.push_back(static_cast<float>(0.004 + inside * edge));
    }
  }
  return picture;
}

TEST(Restoring, TheLimbGetsSharperAndDoesNotRing) {
  RestoreWishes wishes = fine_wishes();
  wishes.r0_cm = 7.0;
  const image::Picture soft = disc(150.0, 1.3);
  const auto restored = restore(soft, wishes);
  ASSERT_TRUE(restored);
  ASSERT_TRUE(restored->limb_overshoot);
  EXPECT_LT(*restored->limb_overshoot, 0.03);
  // Along a radius: steeper than it was, and nowhere above the disc or below the sky.
  double steepest_before = 0.0;
  double steepest = 0.0;
  double highest = 0.0;
  double lowest = 1.0;
  for (int x = 300; x < 380; ++x) {
    const auto step = [&](const image::Picture& picture) {
      return static_cast<double>(picture.at(x, 197)) - static_cast<double>(picture.at(x + 1, 197));
    };
    steepest_before = std::max(steepest_before, step(soft));
    steepest = std::max(steepest, step(restored->picture));
    const double inside =
        0.354 + 0.45 * std::sqrt(std::max(0.0, 1.0 - std::pow((x - 190.4) / 150.0, 2.0)));
    highest = std::max(highest, static_cast<double>(restored->picture.at(x, 197)) - inside);
    lowest = std::min(lowest, static_cast<double>(restored->picture.at(x, 197)));
  }
  EXPECT_GT(steepest, 1.1 * steepest_before);
  EXPECT_LT(highest, 0.03 * 0.8);
  EXPECT_GT(lowest, -0.01);
}

TEST(Restoring, TheLimbTellsTheAir) {
  const RestoreWishes wishes = fine_wishes();
  for (const double r0_cm : {4.0, 8.0}) {
    image::Picture soft = disc(150.0, 0.0);
    psf::Blurring air;
    air.r0_cm = r0_cm;
    air.pixel = false;  // it is drawn as light over pixels
    const psf::Transfer transfer(wishes.imaging, air);
    soft.values =
        image::Spectrum(soft.values, soft.width, soft.height).filtered([&](double cycles) {
          return transfer.at_cycles(cycles);
        });
    const auto restored = restore(soft, wishes);
    ASSERT_TRUE(restored && restored->limb_r0_cm);
    EXPECT_NEAR(*restored->limb_r0_cm, r0_cm, 0.15 * r0_cm);
    EXPECT_LT(*restored->limb_overshoot, 0.03);
  }
}

TEST(Restoring, WithoutStrengthNothingChanges) {
  RestoreWishes wishes = fine_wishes();
  wishes.strength = 0.0;
  const image::Picture soft = disc(150.0, 1.3);
  const auto restored = restore(soft, wishes);
  ASSERT_TRUE(restored);
  for (std::size_t i = 0; i < soft.values.size(); i += 31) {
    ASSERT_NEAR(restored->picture.values[i], soft.values[i], 1e-4);
  }
}

TEST(Restoring, RefusesNonsense) {
  const image::Picture soft = disc(150.0, 1.3);
  RestoreWishes wishes = fine_wishes();
  wishes.imaging.aperture_mm = 0.0;
  EXPECT_THAT(restore(soft, wishes), FailsWith(ErrorCode::kOutOfRange, "aperture_mm"));
  wishes = fine_wishes();
  wishes.r0_cm = -1.0;
  EXPECT_THAT(restore(soft, wishes), FailsWith(ErrorCode::kOutOfRange, "r0_cm"));
  image::Picture tiny;
  tiny.width = 8;
  tiny.height = 8;
  tiny.values.assign(64, 0.5F);
  EXPECT_THAT(restore(tiny, fine_wishes()), FailsWith(ErrorCode::kMalformed, "picture"));
}

}  // namespace
}  // namespace solarchon::reduce
