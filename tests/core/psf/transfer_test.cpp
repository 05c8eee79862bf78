// SPDX-License-Identifier: GPL-3.0-or-later
// The image of a point, against what optics texts tabulate.
#include "solarchon/psf/transfer.h"

#include <cmath>
#include <vector>

#include "solarchon/base/angle.h"
#include "solarchon/image/spectrum.h"
#include "solarchon/seeing/air.h"
#include "tests/support/support.h"

namespace solarchon::psf {
namespace {

constexpr int kSide = 512;
constexpr double kPerCutoff = 12.0;  // pixels for lambda / D

/// An aperture whose finest period is so many pixels wide.
ImagingSetup setup_of(double pixels_per_cutoff, double obstruction) {
  ImagingSetup setup;
  setup.obstruction = obstruction;
  setup.scale_arcsec_px *= setup.pixels_per_cutoff() / pixels_per_cutoff;
  return setup;
}

std::vector<float> blurred(const std::vector<float>& picture, int width, int height,
                           const ImagingSetup& setup, Blurring blurring) {
  blurring.pixel = false;
  const Transfer transfer(setup, blurring);
  return image::Spectrum(picture, width, height).filtered([&](double cycles) {
    return transfer.at_cycles(cycles);
  });
}

/// Share of a point's light inside a circle.
/// @param radius  in units of lambda / D
double encircled(double obstruction, double radius) {
  std::vector<float> picture(static_cast<std::size_t>(kSide) * kSide);
  picture[(kSide / 2) * kSide + kSide / 2] = 1.0F;
  picture = blurred(picture, kSide, kSide, setup_of(kPerCutoff, obstruction), {});
  double inside = 0.0;
  double all = 0.0;
  for (int y = 0; y < kSide; ++y) {
    for (int x = 0; x < kSide; ++x) {
      const auto value = static_cast<double>(
          picture[static_cast<std::size_t>(y) * kSide + static_cast<std::size_t>(x)]);
      all += value;
      // A pixel on the rim counts by its share.
      const double far = std::hypot(x - kSide / 2, y - kSide / 2);
      inside += value * std::clamp(radius * kPerCutoff - far + 0.5, 0.0, 1.0);
    }
  }
  return inside / all;
}

TEST(Diffraction, TheFirstDarkRingHoldsWhatTheTextsSay) {
  // Schroeder, Astronomical Optics, table of annular apertures: radius of the first dark ring, and
  // the light inside.
  EXPECT_NEAR(encircled(0.0, 1.220), 0.838, 0.01);
  EXPECT_NEAR(encircled(0.20, 1.167), 0.764, 0.01);
  EXPECT_NEAR(encircled(0.33, 1.098), 0.654, 0.012);
  EXPECT_NEAR(encircled(0.50, 1.000), 0.479, 0.012);
}

TEST(Diffraction, NoLightComesRoundFromTheFarBorder) {
  // A Sun that fills the left, forty times over full scale, and sky on the right, which has the
  // light of diffraction alone. Far from a straight edge that is 2 c / (pi^3 x): from the corner
  // 1 - (4 / pi) c f that the transfer of a round pupil has at 0, by Fourier's integral.
  constexpr int kRows = 32;
  const auto sky_at_the_right = [](int width, int from) {
    std::vector<float> picture(static_cast<std::size_t>(width) * kRows);
    for (int y = 0; y < kRows; ++y) {
      for (int x = 0; x < from + 256; ++x) {
        picture[static_cast<std::size_t>(y) * width + x] = 40.0F;
      }
    }
    Blurring seeing;
    seeing.seeing_px = 2.0;
    picture = blurred(picture, width, kRows, setup_of(4.0, 0.0), seeing);
    return static_cast<double>(picture[static_cast<std::size_t>(kRows / 2) * width + from + 511]);
  };
  const double truth = 40.0 * 2.0 * 4.0 / (std::pow(base::kPi, 3) * 256.0);
  EXPECT_NEAR(sky_at_the_right(2048, 512), truth, 0.1 * truth);
  // At the border itself the mirror image doubles it at most.
  EXPECT_GT(sky_at_the_right(512, 0), 0.9 * truth);
  EXPECT_LT(sky_at_the_right(512, 0), 2.1 * truth);
}

TEST(Diffraction, NothingPassesBeyondTheCutoff) {
  EXPECT_EQ(pupil_transfer(1.0, 0.0, 0.0), 0.0);
  EXPECT_EQ(pupil_transfer(1.3, 0.4, 2.0), 0.0);
  EXPECT_NEAR(pupil_transfer(0.0, 0.0, 0.0), 1.0, 1e-12);
  EXPECT_NEAR(pupil_transfer(0.0, 0.4, 3.0), 1.0, 1e-12);
  EXPECT_NEAR(pupil_transfer(0.5, 0.0, 0.0), 0.391,
              0.001);  // Goodman, figure of the circular pupil
  // A secondary takes from the middle and leaves the fine patterns.
  EXPECT_LT(pupil_transfer(0.4, 0.4, 0.0), pupil_transfer(0.4, 0.0, 0.0));
  EXPECT_GT(pupil_transfer(0.9, 0.4, 0.0), pupil_transfer(0.9, 0.0, 0.0));
}

TEST(Defocus, IsTheGeometricDiscWhenItIsLarge) {
  // A disc of light z / N wide: its transfer is first nothing at 1.22 cycles over its width. In
  // shares of the cutoff that is 1.22 / (8 W), W the waves at the rim.
  constexpr double kWaves = 12.0;
  const double zero = 1.22 / (8.0 * kWaves);
  EXPECT_GT(pupil_transfer(0.9 * zero, 0.0, kWaves), 0.02);
  EXPECT_NEAR(pupil_transfer(zero, 0.0, kWaves), 0.0, 0.02);
  EXPECT_LT(pupil_transfer(1.3 * zero, 0.0, kWaves), -0.05);
  EXPECT_EQ(pupil_transfer(0.3, 0.0, 2.0), pupil_transfer(0.3, 0.0, -2.0));
}

TEST(Defocus, AQuarterOfAWaveCostsAFifthOfThePeak) {
  // Rayleigh's limit: the peak falls to 0.81.
  const auto peak = [](double waves) {
    double sum = 0.0;
    for (double share = 0.0005; share < 1.0; share += 0.001) {
      sum += share * pupil_transfer(share, 0.0, waves);
    }
    return sum;
  };
  EXPECT_NEAR(peak(0.25) / peak(0.0), 0.81, 0.03);
}

TEST(Transfer, IsTheProductOfItsParts) {
  // Every factor from its own formula.
  const ImagingSetup setup{120.0, 0.3, 656.28, 0.4};
  EXPECT_NEAR(setup.pixels_per_cutoff(), 656.28e-6 / 120.0 * 206264.806 / 0.4, 1e-6);
  EXPECT_NEAR(setup.cutoff_per_arcsec() * setup.pixels_per_cutoff() * 0.4, 1.0, 1e-9);
  Blurring blurring;
  blurring.defocus_waves = 0.2;
  blurring.r0_cm = 5.0;
  blurring.smear_px = 0.6;
  const Transfer transfer(setup, blurring);
  for (const double share : {0.0, 0.1, 0.37, 0.6, 0.93}) {
    const double cycles = share / setup.pixels_per_cutoff();
    const double turn = base::kPi * cycles;
    const double expected = pupil_transfer(share, 0.3, 0.2) *
                            seeing::short_exposure_transfer(share, 5.0, 656.28, 120.0) *
                            std::exp(-2.0 * std::pow(base::kPi * 0.6 * cycles, 2.0)) *
                            (turn > 0.0 ? std::sin(turn) / turn : 1.0);
    EXPECT_NEAR(psf::transfer(share, setup, blurring), expected, 1e-12);
    EXPECT_NEAR(transfer.at(share), expected, 2e-6);
    EXPECT_NEAR(transfer.at_cycles(cycles), expected, 2e-6);
  }
  EXPECT_EQ(transfer.at(1.2), 0.0);
}

TEST(Transfer, APupilThatIsKnownIsUsedAgain) {
  const ImagingSetup setup;
  Blurring soft;
  soft.r0_cm = 3.0;
  const Transfer first(setup, {});
  EXPECT_EQ(Transfer(setup, soft, first.pupil()).pupil(), first.pupil());
  soft.defocus_waves = 1.0;
  EXPECT_NE(Transfer(setup, soft, first.pupil()).pupil(), first.pupil());
}

TEST(Pixels, GatherLightOverASquare) {
  EXPECT_EQ(pixel_transfer(0.0), 1.0);
  EXPECT_NEAR(pixel_transfer(0.5), 2.0 / base::kPi, 1e-12);
  EXPECT_NEAR(pixel_transfer(1.0), 0.0, 1e-12);
}

}  // namespace
}  // namespace solarchon::psf
