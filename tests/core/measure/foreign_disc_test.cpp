// SPDX-License-Identifier: GPL-3.0-or-later
// Discs that our simulator did not draw: a darkened disc softened exactly, by an integral over
// rings.
#include <algorithm>
#include <cmath>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/light/limb_darkening.h"
#include "solarchon/measure/disc.h"
#include "tests/support/support.h"

namespace solarchon::measure {
namespace {

using image::Frame;

/// The exponentially scaled Bessel function of the first kind and order 0. Source: Abramowitz and
/// Stegun, 9.8.1 and 9.8.2.
double scaled_bessel(double x) {
  if (x < 3.75) {
    const double t = x / 3.75 * x / 3.75;
    return std::exp(-x) *
           (1.0 + t * (3.5156229 +
                       t * (3.0899424 +
                            t * (1.2067492 + t * (0.2659732 + t * (0.0360768 + t * 0.0045813))))));
  }
  const double t = 3.75 / x;
  return (0.39894228 +
          t * (0.01328592 +
               t * (0.00225319 +
                    t * (-0.00157565 +
                         t * (0.00916281 +
                              t * (-0.02057706 +
                                   t * (0.02635537 + t * (-0.01647633 + t * 0.00392377)))))))) /
         std::sqrt(x);
}

/// Brightness at a distance from the centre of a disc softened by a round Gaussian.
double softened(double distance, double radius, double sigma,
                const light::LimbDarkening& darkening) {
  // Far inside, softness changes nothing that counts; the rings below are too few there.
  if (distance < 0.7 * radius) {
    return darkening.at(std::sqrt(1.0 - distance * distance / (radius * radius)));
  }
  // Rings, fine and equal in the cosine at the limb, where the brightness has a root in it.
  constexpr int kRings = 3000;
  const auto cosine_at = [&](double ring) {
    return std::sqrt(std::max(0.0, 1.0 - ring * ring / (radius * radius)));
  };
  const int first = static_cast<int>(kRings * cosine_at(std::min(radius, distance + 8.0 * sigma)));
  const int last = static_cast<int>(kRings * cosine_at(std::max(0.0, distance - 8.0 * sigma)));
  double sum = 0.0;
  for (int i = first; i < std::min(kRings, last + 1); ++i) {
    const double mu = (i + 0.5) / kRings;
    const double ring = radius * std::sqrt(1.0 - mu * mu);
    const double width = radius * radius * mu / kRings;  // ring times its breadth
    const double apart = (distance - ring) / sigma;
    if (std::abs(apart) < 8.0) {
      sum += darkening.at(mu) * width * std::exp(-0.5 * apart * apart) *
             scaled_bessel(distance * ring / (sigma * sigma));
    }
  }
  return sum / (sigma * sigma);
}

Frame disc(double x, double y, double radius, double sigma, double wavelength_nm) {
  const light::LimbDarkening darkening(wavelength_nm);
  const double reach = radius + 8.0 * sigma + 4.0;
  constexpr double kStep = 0.25;
  std::vector<double> profile;
  for (double distance = 0.0; distance < reach + 1.0; distance += kStep) {
    profile.push_back(softened(distance, radius, sigma, darkening));
  }
  Frame frame;
  frame.width = static_cast<int>(2.0 * reach) + 12;
  frame.height = frame.width - 5;
  frame.saturation = 65535;
  frame.info.wavelength_nm = wavelength_nm;
  base::Random random{17};
  for (int row = 0; row < frame.height; ++row) {
    for (int column = 0; column < frame.width; ++column) {
      const double place = std::hypot(column - x, row - y) / kStep;
      const auto left = static_cast<std::size_t>(place);
      double value = 0.0;
      if (left + 1 < profile.size()) {
        const double part = place - static_cast<double>(left);
        value = profile[left] * (1.0 - part) + profile[left + 1] * part;
      }
      frame.pixels.push_back(static_cast<std::uint16_t>(
          std::clamp(500.0 + 40000.0 * value + 60.0 * random.normal(), 0.0, 65535.0)));
    }
  }
  return frame;
}

TEST(ForeignDisc, SoftnessUpToSixPixelsCostsLessThanATwentiethOfOne) {
  constexpr double kTolerance_px = 0.05;
  for (const double radius : {180.0, 330.5}) {
    for (const double sigma : {0.8, 1.5, 2.5, 4.0, 6.0}) {
      const double middle = radius + 8.0 * sigma + 8.0;
      const Frame frame = disc(middle + 0.31, middle - 1.17, radius, sigma, 540.0);
      const disc::LimbFit limb = disc::fit_limb(frame).value();
      EXPECT_NEAR(limb.radius_px, radius, kTolerance_px) << radius << ' ' << sigma;
      EXPECT_NEAR(limb.centre_x_px, middle + 0.31, kTolerance_px) << radius << ' ' << sigma;
      EXPECT_NEAR(limb.centre_y_px, middle - 1.17, kTolerance_px) << radius << ' ' << sigma;
      EXPECT_NEAR(limb.blur_px, sigma, 0.1 + 0.05 * sigma) << radius << ' ' << sigma;
    }
  }
}

TEST(ForeignDisc, IsCorrectedByTheLawOfItsOwnColour) {
  for (const double wavelength_nm : {422.0, 540.0, 656.28, 850.0}) {
    const Frame frame = disc(260.2, 258.8, 220.0, 3.0, wavelength_nm);
    EXPECT_NEAR(disc::fit_limb(frame).value().radius_px, 220.0, 0.05) << wavelength_nm;
  }
}

TEST(ForeignDisc, HotAndDeadPixelsAreNoSpots) {
  Frame frame = disc(260.0, 258.0, 220.0, 1.5, 540.0);
  base::Random random{3};
  for (int i = 0; i < 300; ++i) {
    frame.pixels[random.below(frame.pixels.size())] = i % 2 == 0 ? 65535 : 0;
  }
  const DiscMeasurement measured = measure_disc(frame).value();
  for (const SpotMeasurement& spot : measured.spots) {
    ADD_FAILURE() << spot.x_px << ' ' << spot.y_px << ' ' << spot.area_muh << ' ' << spot.contrast;
  }
  EXPECT_NEAR(measured.limb.radius_px, 220.0, 0.05);
}

/// Noise of a grain of some pixels, as no cell of ours looks: white noise softened by a Gaussian.
TEST(ForeignDisc, GrainsOfTheSurfaceAreNoSpotsAndAPoreAmongThemIs) {
  constexpr double kGrain = 2.0;  // px
  constexpr double kContrast = 0.06;
  Frame frame = disc(330.0, 328.0, 300.0, 1.5, 540.0);
  const auto width = static_cast<std::size_t>(frame.width);
  const auto height = static_cast<std::size_t>(frame.height);
  base::Random random{23};
  std::vector<double> grain(width * height);
  for (double& value : grain) {
    value = random.normal();
  }
  const auto soften = [&](std::size_t step, std::size_t length) {
    std::vector<double> soft(grain.size());
    for (std::size_t i = 0; i < grain.size(); ++i) {
      for (int d = -6; d <= 6; ++d) {
        const std::int64_t along = static_cast<std::int64_t>(i / step % length) + d;
        if (along >= 0 && along < static_cast<std::int64_t>(length)) {
          soft[i] += std::exp(-0.5 * d * d / kGrain / kGrain) *
                     grain[i + static_cast<std::size_t>(d) * step];
        }
      }
    }
    grain = std::move(soft);
  };
  soften(1, width);
  soften(width, height);
  double squares = 0.0;
  for (const double value : grain) {
    squares += value * value;
  }
  const double deviation = std::sqrt(squares / static_cast<double>(grain.size()));
  for (std::size_t i = 0; i < grain.size(); ++i) {
    const double far =
        std::hypot(static_cast<double>(i % width) - 400.0, static_cast<double>(i / width) - 290.0);
    const double pore = 1.0 - 0.6 * std::exp(-std::pow(far / 5.0, 4));
    frame.pixels[i] = static_cast<std::uint16_t>(
        500.0 + (frame.pixels[i] - 500.0) * pore * (1.0 + kContrast * grain[i] / deviation));
  }
  const DiscMeasurement measured = measure_disc(frame).value();
  ASSERT_EQ(measured.spots.size(), 1U);
  EXPECT_NEAR(measured.spots[0].x_px, 400.0, 0.7);
  EXPECT_NEAR(measured.spots[0].y_px, 290.0, 0.7);
}

TEST(ForeignDisc, ThatIsTooDimOrFullSaysSo) {
  Frame frame = disc(120.0, 118.0, 100.0, 1.5, 540.0);
  Frame dim = frame;
  for (std::uint16_t& value : dim.pixels) {
    value = static_cast<std::uint16_t>(value / 100);
  }
  Frame full = frame;
  std::fill(full.pixels.begin(), full.pixels.end(), std::uint16_t{65535});
  EXPECT_EQ(disc::fit_limb(dim).error().reason.id, "picture-too-dim");
  EXPECT_EQ(disc::fit_limb(full).error().reason.id, "picture-too-bright");
  EXPECT_TRUE(disc::fit_limb(frame));
}

TEST(Simulate, WritesTheWavelengthOfItsLightPath) {
  const auto recorded_nm = [](const optics::Part& filter) {
    optics::Rig rig = test::with_part(test::quick_rig(), filter, 0.0);
    camera::Shot shot = test::morning_shot(rig);
    return camera::simulate(shot).value().frame.info.wavelength_nm.value();
  };
  EXPECT_DOUBLE_EQ(recorded_nm(optics::Extension{}), 540.0);
  EXPECT_DOUBLE_EQ(recorded_nm(optics::BandFilter{656.28, 10.0}), 656.28);
  EXPECT_DOUBLE_EQ(recorded_nm(optics::BandFilter{395.0, 8.0}), 395.0);
}

}  // namespace
}  // namespace solarchon::measure
