// SPDX-License-Identifier: GPL-3.0-or-later
// The quiet surface: what the literature says of granules is measured on what was drawn.
#include "solarchon/scene/convection.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <vector>

#include "solarchon/base/angle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/scene/picture.h"
#include "tests/support/support.h"

namespace solarchon::scene {
namespace {

/// A square piece of the picture about a place of the disc (arcsec west and north of its middle).
Picture piece(const Photosphere& photosphere, const sky::DiscPlace& middle, double scale,
              int side) {
  const Grid grid{side,
                  side,
                  side / 2.0 - middle.west_arcsec / scale,
                  side / 2.0 + middle.north_arcsec / scale,
                  scale,
                  {0.0, false}};
  return draw(photosphere, sky::disc_view(test::morning()), grid).value();
}

Photosphere quiet(double wavelength_nm = 540.0) {
  return {{}, wavelength_nm, kept_convection(1, test::morning())};
}

double mean_of(const Picture& picture) {
  double sum = 0.0;
  for (const float value : picture) {
    sum += static_cast<double>(value);
  }
  return sum / static_cast<double>(picture.size());
}

/// Deviation over mean, against the same picture without granulation.
double contrast_of(const Picture& picture, const Picture& smooth) {
  double squares = 0.0;
  double sum = 0.0;
  for (std::size_t i = 0; i < picture.size(); ++i) {
    const double share = static_cast<double>(picture[i]) / static_cast<double>(smooth[i]);
    sum += share;
    squares += share * share;
  }
  const auto count = static_cast<double>(picture.size());
  return std::sqrt(squares / count - sum * sum / count / count) / (sum / count);
}

TEST(Granulation, HasItsContrastAtEachColourAndHalfOfItTowardsTheLimb) {
  constexpr double kScale = 0.1;  // arcsec: finer than the lanes
  const auto contrast = [&](double wavelength_nm, double from_middle) {
    const double radius = sky::limb_radius_arcsec(sky::disc_view(test::morning()).distance_au);
    const sky::DiscPlace at{-from_middle * radius, 0.0};
    Photosphere smooth = quiet(wavelength_nm);
    smooth.convection = nullptr;
    return contrast_of(piece(quiet(wavelength_nm), at, kScale, 500),
                       piece(smooth, at, kScale, 500));
  };
  EXPECT_NEAR(contrast(630.0, 0.0), 0.14, 0.012);
  EXPECT_NEAR(contrast(500.0, 0.0), 0.20, 0.017);
  // The cosine is 0.3 at 0.954 of the radius.
  EXPECT_NEAR(contrast(630.0, 0.954), 0.07, 0.012);
}

/// Power of a square picture against the number of waves along its side, summed over directions.
std::vector<double> radial_power(const std::vector<double>& values, int side) {
  const auto wide = static_cast<std::size_t>(side);
  std::vector<std::complex<double>> along(values.size());
  std::vector<std::complex<double>> turns(wide);
  for (std::size_t i = 0; i < wide; ++i) {
    turns[i] = std::polar(1.0, -2.0 * base::kPi * static_cast<double>(i) / side);
  }
  const std::size_t half = wide / 2;
  for (std::size_t y = 0; y < wide; ++y) {
    for (std::size_t k = 0; k < wide; ++k) {
      for (std::size_t x = 0; x < wide; ++x) {
        along[y * wide + k] += values[y * wide + x] * turns[k * x % wide];
      }
    }
  }
  std::vector<double> power(half, 0.0);
  for (std::size_t k = 0; k < wide; ++k) {
    for (std::size_t l = 0; l < wide; ++l) {
      std::complex<double> sum;
      for (std::size_t y = 0; y < wide; ++y) {
        sum += along[y * wide + k] * turns[l * y % wide];
      }
      const double waves =
          std::hypot(static_cast<double>(k < half ? k : wide - k), l < half ? l : wide - l);
      const auto ring = static_cast<std::size_t>(std::lround(waves));
      if (ring < half) {
        power[ring] += std::norm(sum);
      }
    }
  }
  return power;
}

/// The deviation of granulation on a square of the equator.
std::vector<double> square_of(const Convection& convection, double side_km, int side) {
  std::vector<double> values;
  for (int y = 0; y < side; ++y) {
    for (int x = 0; x < side; ++x) {
      const double step = side_km / side;
      values.push_back(convection.granules(
          {(y - side / 2.0) * step / kSolarRadiusKm, 2.9 + x * step / kSolarRadiusKm, step}));
    }
  }
  return values;
}

TEST(Granulation, CellsAreFourteenHundredKilometresApart) {
  constexpr int kSide = 144;
  constexpr double kSideKm = 36'000.0;
  const Convection convection(1, test::morning());
  const auto power = radial_power(square_of(convection, kSideKm, kSide), kSide);
  const auto crest = std::max_element(power.begin() + 3, power.end());
  EXPECT_NEAR(kSideKm / static_cast<double>(crest - power.begin()), kGranuleKm, 0.1 * kGranuleKm);
}

TEST(Granulation, CellsCoverMoreThanTheLanes) {
  const Convection convection(1, test::morning());
  const auto values = square_of(convection, 60'000.0, 400);
  const auto bright =
      std::count_if(values.begin(), values.end(), [](double value) { return value > 0.0; });
  const double share = static_cast<double>(bright) / static_cast<double>(values.size());
  EXPECT_GT(share, 0.53);
  EXPECT_LT(share, 0.62);
}

double correlation(const std::vector<double>& a, const std::vector<double>& b) {
  double both = 0.0;
  double first = 0.0;
  double second = 0.0;
  for (std::size_t i = 0; i < a.size(); ++i) {
    both += a[i] * b[i];
    first += a[i] * a[i];
    second += b[i] * b[i];
  }
  return both / std::sqrt(first * second);
}

TEST(Granulation, LivesForMinutesAndNeverJumps) {
  const auto at = [&](double seconds) {
    return square_of(Convection(1, test::morning() + sky::seconds(seconds)), 60'000.0, 200);
  };
  const auto now = at(0.0);
  EXPECT_GT(correlation(now, at(10.0)), 0.98);
  EXPECT_GT(correlation(now, at(60.0)), 0.75);
  const double life = correlation(now, at(480.0));
  EXPECT_NEAR(life, std::exp(-1.0), 0.12);
  EXPECT_LT(std::abs(correlation(now, at(3600.0))), 0.12);
  // Nothing pops up from one second to the next.
  const auto next = at(1.0);
  double largest = 0.0;
  for (std::size_t i = 0; i < now.size(); ++i) {
    largest = std::max(largest, std::abs(next[i] - now[i]));
  }
  EXPECT_LT(largest, 0.5);
}

TEST(Granulation, FadesOutBelowThePixelWithoutAChangeOfBrightness) {
  const sky::DiscPlace middle{-200.0, 100.0};
  const double fine = mean_of(piece(quiet(), middle, 0.3, 500));
  double contrast = 1.0;
  for (const double scale : {1.0, 2.0, 3.0}) {
    const int side = static_cast<int>(150.0 / scale);
    EXPECT_NEAR(mean_of(piece(quiet(), middle, scale, side)) / fine, 1.0, 0.01) << scale;
    Photosphere smooth = quiet();
    smooth.convection = nullptr;
    const double coarser =
        contrast_of(piece(quiet(), middle, scale, side), piece(smooth, middle, scale, side));
    EXPECT_LT(coarser, contrast);
    contrast = coarser;
  }
  EXPECT_LT(contrast, 1e-6);
}

TEST(Faculae, StandOutNearTheLimbAlone) {
  EXPECT_NEAR(facula_contrast(1.0), 0.0, 1e-12);
  EXPECT_GE(facula_contrast(0.25), 0.10);
  EXPECT_LE(facula_contrast(0.25), 0.15);
  EXPECT_LT(facula_contrast(0.05), facula_contrast(0.25));
  // Drawn round a spot: at 0.93 of the radius they are seen, in the middle of the disc not.
  const sky::DiscView view = sky::disc_view(test::morning());
  const auto gain = [&](double east_deg) {
    Spot spot;
    spot.latitude_deg = view.b0_deg;
    spot.carrington_longitude_deg = view.l0_deg - east_deg;
    spot.radius_deg = 1.4;
    Photosphere with = quiet();
    with.spots = {spot};
    const auto place = *sky::disc_place(spot.latitude_deg, spot.carrington_longitude_deg, view);
    // Beside the spot, five degrees further north.
    const sky::DiscPlace beside{place.west_arcsec, place.north_arcsec + 75.0};
    const Picture bright = piece(with, beside, 0.5, 100);
    return mean_of(bright) / mean_of(piece(quiet(), beside, 0.5, 100));
  };
  EXPECT_GT(gain(68.0), 1.005);
  EXPECT_LT(gain(68.0), 1.06);
  EXPECT_NEAR(gain(0.0), 1.0, 1e-4);
}

TEST(KeptConvection, IsSharedWithinTwoSecondsAndTheSameForEverybody) {
  const auto first = kept_convection(1, sky::UtcTime{10'000});
  EXPECT_EQ(first, kept_convection(1, sky::UtcTime{11'999}));
  EXPECT_NE(first, kept_convection(1, sky::UtcTime{12'000}));
  EXPECT_NE(kept_convection(1, sky::UtcTime{10'000}), kept_convection(2, sky::UtcTime{10'000}));
  const Convection again(1, sky::UtcTime{10'000});
  for (const double longitude : {-0.001, 0.0, 1.3, 6.283}) {
    EXPECT_EQ(first->granules({0.4, longitude, 300.0}), again.granules({0.4, longitude, 300.0}));
  }
  // A turn further it is the same place.
  EXPECT_NEAR(again.granules({0.4, 1.0, 300.0}),
              again.granules({0.4, 1.0 + 2.0 * base::kPi, 300.0}), 1e-6);
}

TEST(EachRow, DoesEveryRowOnceAndStops) {
  std::vector<int> done(1000, 0);
  EXPECT_TRUE(base::each_row(1000, {}, [&](int row) { ++done[static_cast<std::size_t>(row)]; }));
  EXPECT_EQ(std::count(done.begin(), done.end(), 1), 1000);
  EXPECT_TRUE(base::each_row(0, {}, [](int) { FAIL(); }));
  std::stop_source stop;
  stop.request_stop();
  EXPECT_FALSE(base::each_row(1000, {stop.get_token()}, [](int) { FAIL(); }));
}

}  // namespace
}  // namespace solarchon::scene
