// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <vector>

#include "solarchon/seeing/turbulence.h"
#include "tests/support/support.h"

namespace solarchon::seeing {
namespace {

using base::ErrorCode;
using test::FailsWith;

Air calm(double r0_cm, double high_share = 0.3) {
  Air air;
  air.r0_cm = r0_cm;
  air.wander = 0.0;
  air.high_share = high_share;
  return air;
}

TEST(Air, HasTheWidthsOfTheTextbook) {
  // 0.98 x 500 nm / 5 cm is 9.8e-6 rad.
  EXPECT_NEAR(long_exposure_arcsec(5.0, 500.0), 2.0214, 1e-3);
  EXPECT_NEAR(r0_of(2.0214, 500.0), 5.0, 1e-3);
  EXPECT_NEAR(r0_at(5.0, 656.28), 5.0 * 1.3859, 1e-3);
  // Redder light is softened less: with the wavelength to the power of -1/5.
  EXPECT_NEAR(long_exposure_arcsec(5.0, 656.28) / long_exposure_arcsec(5.0, 500.0), 0.94705, 1e-4);
  // 0.170 (5e-7)^2 0.1^(-1/3) 0.05^(-5/3) = 1.3495e-11 rad^2.
  EXPECT_NEAR(image_motion_arcsec(5.0, 500.0, 100.0), 0.7577, 1e-3);
}

TEST(Air, AShortExposureKeepsMoreThanALongOne) {
  const auto at = [](double share, double r0_cm) {
    return short_exposure_transfer(share, r0_cm, 500.0, 100.0);
  };
  EXPECT_EQ(at(0.0, 5.0), 1.0);
  EXPECT_NEAR(at(1.0, 5.0), 1.0, 1e-12);  // the whole aperture tilts: all of it is motion
  // exp(-3.44 (0.25 x 0.1 / 0.05)^(5/3) (1 - 0.25^(1/3))) = exp(-3.44 x 0.31498 x 0.37004)
  EXPECT_NEAR(at(0.25, 5.0), std::exp(-0.40095), 1e-4);
  for (const double share : {0.1, 0.3, 0.6, 0.9}) {
    const double long_one = std::exp(-3.44 * std::pow(share * 0.1 / 0.05, 5.0 / 3.0));
    EXPECT_GT(at(share, 5.0), long_one);
    EXPECT_GT(at(share, 8.0), at(share, 5.0));
  }
}

TEST(Air, RefusesWhatNoAirIs) {
  Air air;
  EXPECT_TRUE(check(air));
  air.r0_cm = 0.1;
  EXPECT_THAT(check(air), FailsWith(ErrorCode::kOutOfRange, "r0_cm"));
  air = {};
  air.wind_m_s = -1.0;
  EXPECT_THAT(check(air), FailsWith(ErrorCode::kOutOfRange, "wind_m_s"));
  air = {};
  air.high_share = std::nan("");
  EXPECT_THAT(check(air), FailsWith(ErrorCode::kOutOfRange, "high_share"));
}

/// Root mean square of both axes at a place, over so many instants.
double motion_of(const Turbulence& turbulence, int frames, double step_s, double right_arcsec = 0) {
  double squares = 0.0;
  for (int i = 0; i < frames; ++i) {
    const Shift shift = turbulence.motion(i * step_s).at(right_arcsec, 0.0);
    squares += 0.5 * (shift.right * shift.right + shift.down * shift.down);
  }
  return std::sqrt(squares / frames);
}

TEST(Turbulence, MovesTheImageAsMuchAsItsR0Says) {
  for (const double r0_cm : {2.0, 5.0, 10.0}) {
    for (const double aperture_mm : {60.0, 150.0}) {
      for (const std::uint32_t seed : {1U, 2U, 3U}) {
        Air air = calm(r0_cm);
        air.seed = seed;
        const double expected = image_motion_arcsec(r0_cm, 540.0, aperture_mm);
        EXPECT_NEAR(motion_of(Turbulence(air, 540.0, aperture_mm), 500, 1.37), expected,
                    0.1 * expected)
            << r0_cm << " cm, " << aperture_mm << " mm, seed " << seed;
      }
    }
  }
}

/// Correlation of the shifts at two places and instants.
double correlation(const Turbulence& turbulence, double apart_arcsec, double apart_s) {
  double both = 0.0;
  double first = 0.0;
  double second = 0.0;
  for (int i = 0; i < 400; ++i) {
    const Shift here = turbulence.motion(i * 1.37).at(0.0, 0.0);
    const Shift there = turbulence.motion(i * 1.37 + apart_s).at(apart_arcsec, 0.0);
    both += here.right * there.right + here.down * there.down;
    first += here.right * here.right + here.down * here.down;
    second += there.right * there.right + there.down * there.down;
  }
  return both / std::sqrt(first * second);
}

TEST(Turbulence, NearTheGroundMovesHundredsOfArcsecondsTogetherAndHighUpSome) {
  const Turbulence ground(calm(4.0, 0.0), 540.0, 100.0);
  EXPECT_GT(correlation(ground, 200.0, 0.0), 0.85);
  const Turbulence high(calm(4.0, 1.0), 540.0, 100.0);
  EXPECT_GT(correlation(high, 0.5, 0.0), 0.85);
  EXPECT_LT(correlation(high, 200.0, 0.0), 0.5);
}

TEST(Turbulence, IsAlikeForAboutTheApertureOverTheWind) {
  const Turbulence turbulence(calm(4.0, 0.0), 540.0, 100.0);  // 25 ms in a wind of 4 m/s
  EXPECT_GT(correlation(turbulence, 0.0, 0.002), 0.97);
  EXPECT_LT(correlation(turbulence, 0.0, 0.05), 0.9);
  EXPECT_LT(std::abs(correlation(turbulence, 0.0, 7.9)), 0.35);
}

TEST(Turbulence, TheAirComesAndGoesWithinMinutes) {
  Air air = calm(4.0);
  air.wander = 0.25;
  const Turbulence turbulence(air, 540.0, 100.0);
  std::vector<double> logarithms;
  double fastest = 0.0;
  for (int i = 0; i < 3600; ++i) {
    logarithms.push_back(std::log(turbulence.r0_cm(i) / 4.0));
    fastest = std::max(fastest, i > 0 ? std::abs(logarithms[i] - logarithms[i - 1]) : 0.0);
  }
  double sum = 0.0;
  double squares = 0.0;
  for (const double value : logarithms) {
    sum += value / 3600.0;
    squares += value * value / 3600.0;
  }
  EXPECT_NEAR(sum, 0.0, 0.06);
  EXPECT_NEAR(std::sqrt(squares), 0.25, 0.06);
  EXPECT_LT(fastest, 0.2);
  // Where it is calm, the image moves less too.
  EXPECT_EQ(Turbulence(calm(4.0), 540.0, 100.0).r0_cm(77.0), 4.0);
}

TEST(Turbulence, IsTheSameForTheSameSeedAndInstant) {
  const Air air = calm(3.0);
  const double late_s = 1.8e9;  // of the clock of computers
  const Shift first = Turbulence(air, 540.0, 80.0).motion(late_s).at(12.0, -40.0);
  const Shift again = Turbulence(air, 540.0, 80.0).motion(late_s).at(12.0, -40.0);
  EXPECT_EQ(first.right, again.right);
  Air other = air;
  other.seed = 9;
  EXPECT_NE(first.right, Turbulence(other, 540.0, 80.0).motion(late_s).at(12.0, -40.0).right);
}

}  // namespace
}  // namespace solarchon::seeing
