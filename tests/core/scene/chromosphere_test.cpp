// SPDX-License-Identifier: GPL-3.0-or-later
// The Sun in hydrogen alpha: what the passband makes of its layers, where its gas lies, how it
// lives.
#include "solarchon/scene/chromosphere.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <vector>

#include "solarchon/base/angle.h"
#include "solarchon/scene/convection.h"
#include "tests/support/support.h"

namespace solarchon::scene {
namespace {

using test::utc;

constexpr double kDay_s = 86400.0;
constexpr double kAngstromPerKmS = 6562.8 / 299792.458;

sky::DiscView view_of(sky::UtcTime time) { return sky::disc_view(time); }

/// Passes of etalons and a blocking filter 6 angstrom wide, as any text has them.
LinePassband passband(double width_angstrom, double centre_angstrom = 0.0, int passes = 1) {
  LinePassband band;
  band.centre_angstrom = centre_angstrom;
  for (int i = -400; i <= 400; ++i) {
    const double offset = i * band.step_angstrom;
    const double halves = 2.0 * offset / width_angstrom;
    const double blocked = std::pow(offset / 3.0, 4.0);
    band.transmission.push_back(std::pow(1.0 + halves * halves, -passes) / (1.0 + blocked));
  }
  return band;
}

/// One pixel in the middle of the disc.
struct Cloud {
  double thickness = 0.0;
  double source = 0.1;
  double velocity_km_s = 0.0;
};
Layers one_pixel(const Cloud& cloud) {
  return {1,
          1,
          {1.0F},
          {1.0F},
          {static_cast<float>(cloud.thickness)},
          {static_cast<float>(cloud.source)},
          {static_cast<float>(cloud.velocity_km_s)}};
}
Grid at_disc(double west_arcsec, double scale = 1.0) {
  return {1, 1, -west_arcsec / scale, 0.0, scale, {0.0, false}};
}
double light_of(const Cloud& cloud, const LinePassband& band, double west_arcsec = 0.0) {
  return static_cast<double>(
      through(one_pixel(cloud), band, view_of(test::morning()), at_disc(west_arcsec)).front());
}

constexpr double kNarrow = 0.02;  // angstrom: hardly more than one wavelength

TEST(Line, TheQuietDiscIsOneOnTheLineAndBrighterBeside) {
  EXPECT_NEAR(light_of({}, passband(0.5)), 1.0, 0.003);
  // Residuals 0.16, 0.50, 0.80 as the literature has them.
  const double core = light_of({}, passband(kNarrow, 0.0));
  const double narrow_wings = 0.02;  // what a Lorentz profile lets in from beside
  EXPECT_NEAR(light_of({}, passband(kNarrow, 0.55)) / core, 0.50 / 0.16, 0.18 + narrow_wings);
  EXPECT_NEAR(light_of({}, passband(kNarrow, -1.0)) / core, 0.80 / 0.16, 0.40);
  EXPECT_NEAR(light_of({}, passband(kNarrow, 0.4)) / light_of({}, passband(kNarrow, -0.4)), 1.0,
              0.01);
}

TEST(Line, ACloudDimsAsItsEquationSays) {
  // Independent of the table: the equation at each wavelength, summed here.
  const auto expected = [](const Cloud& cloud, const LinePassband& band) {
    double sum = 0.0;
    double quiet = 0.0;
    const int half = static_cast<int>(band.transmission.size() / 2);
    for (int i = -half; i <= half; ++i) {
      const double at_rest = i * band.step_angstrom;
      const double offset = at_rest + band.centre_angstrom;
      const auto profile = [](double x) {
        return 1.0 - 0.84 * std::exp2(-2.07 * std::pow(std::abs(x), 1.7));
      };
      const double shifted = (offset - cloud.velocity_km_s * kAngstromPerKmS) / 0.4;
      const double passed = std::exp(-cloud.thickness * std::exp(-shifted * shifted));
      const double transmission = band.transmission[static_cast<std::size_t>(i + half)];
      sum += transmission * (profile(offset) * passed + cloud.source * (1.0 - passed));
      quiet += transmission * profile(at_rest);
    }
    return sum / quiet;
  };
  for (const Cloud& cloud : {Cloud{1.5, 0.08, 0.0}, Cloud{3.0, 0.07, 4.0}, Cloud{0.7, 0.3, -12.0},
                             Cloud{0.5, 0.09, 150.0}, Cloud{6.0, 1.0, 0.0}}) {
    for (const LinePassband& band :
         {passband(0.5), passband(0.3, 0.4), passband(0.7, -0.6), passband(0.5, 0.0, 2)}) {
      EXPECT_NEAR(light_of(cloud, band), expected(cloud, band), 0.02 * expected(cloud, band))
          << cloud.thickness << ' ' << cloud.velocity_km_s << ' ' << band.centre_angstrom;
    }
  }
}

TEST(Line, AFilamentIsDarkOnTheLineAndGoneBesideIt) {
  const Cloud filament{2.0, 0.08, 0.0};
  const auto contrast = [&](double detuned) {
    const LinePassband band = passband(0.3, detuned);
    return 1.0 - light_of(filament, band) / light_of({}, band);
  };
  EXPECT_GT(contrast(0.0), 0.15);
  EXPECT_LT(contrast(1.5), 0.2 * contrast(0.0));
  // One that comes at the observer stands in the blue.
  const Cloud rising{2.0, 0.08, -30.0};
  EXPECT_GT(light_of(rising, passband(0.3, 0.6)) / light_of(rising, passband(0.3, -0.6)), 1.3);
}

TEST(Line, TheEastLimbIsTunedBlueAndTheWestLimbRed) {
  const double radius = sky::limb_radius_arcsec(view_of(test::morning()).distance_au);
  const auto darkest = [&](double west) {
    double best = 0.0;
    double least = 1e9;
    for (double centre = -0.10; centre <= 0.1001; centre += 0.004) {
      const double light = light_of({}, passband(0.1, centre), west);
      if (light < least) {
        least = light;
        best = centre;
      }
    }
    return best;
  };
  EXPECT_NEAR(darkest(-0.99 * radius), -0.044, 0.006);
  EXPECT_NEAR(darkest(0.0), 0.0, 0.004);
  EXPECT_NEAR(darkest(0.99 * radius), 0.044, 0.006);
}

TEST(Line, TheEdgeOfTheFieldIsSeenBluer) {
  LinePassband band = passband(0.3);
  band.edge_shift_angstrom = -0.8;
  band.edge_px = 100.0;
  Layers layers = one_pixel({});
  const Grid grid = at_disc(0.0);
  const sky::DiscView view = view_of(test::morning());
  const float axis = through(layers, band, view, grid).front();
  band.middle_x_px = 100.0;
  const LinePassband detuned = passband(0.3, -0.8);
  EXPECT_NEAR(through(layers, band, view, grid).front(), light_of({}, detuned), 0.02);
  EXPECT_GT(through(layers, band, view, grid).front(), 2.0F * axis);
}

/// A piece of the Sun as it is laid out for hydrogen alpha.
struct Piece {
  sky::UtcTime time = test::morning();
  sky::DiscPlace middle;
  double scale = 1.0;
  int side = 300;
  std::uint32_t seed = 1;
};
Grid grid_of(const Piece& piece) {
  const double half = 0.5 * (piece.side - 1);
  return {piece.side,
          piece.side,
          half - piece.middle.west_arcsec / piece.scale,
          half + piece.middle.north_arcsec / piece.scale,
          piece.scale,
          {0.0, false}};
}
Layers laid(const Piece& piece) {
  const SyntheticSun sun(piece.seed);
  const auto spots = sun.spots(piece.time);
  return lay_out({spots, 656.28,
                  shows_granules(piece.scale) ? kept_convection(piece.seed, piece.time) : nullptr},
                 Chromosphere(sun, piece.time), view_of(piece.time), grid_of(piece))
      .value();
}
Picture seen(const Piece& piece, const LinePassband& band) {
  return through(laid(piece), band, view_of(piece.time), grid_of(piece));
}
struct Spread {
  double mean = 0.0;
  double deviation = 0.0;
};
Spread spread_of(const Picture& picture) {
  double sum = 0.0;
  double squares = 0.0;
  for (const float value : picture) {
    sum += static_cast<double>(value);
    squares += static_cast<double>(value) * static_cast<double>(value);
  }
  const auto count = static_cast<double>(picture.size());
  return {sum / count, std::sqrt(std::max(0.0, squares / count - sum * sum / count / count))};
}
double correlation(const Picture& a, const Picture& b) {
  const Spread first = spread_of(a);
  const Spread second = spread_of(b);
  double sum = 0.0;
  for (std::size_t i = 0; i < a.size(); ++i) {
    sum += (static_cast<double>(a[i]) - first.mean) * (static_cast<double>(b[i]) - second.mean);
  }
  return sum / static_cast<double>(a.size()) / first.deviation / second.deviation;
}

TEST(Chromosphere, IsTheSameForTheSameInstantAndLivesOn) {
  Piece piece;
  piece.side = 160;
  const LinePassband band = passband(0.5);
  const Picture now = seen(piece, band);
  EXPECT_EQ(now, seen(piece, band));
  Piece later = piece;
  later.time = piece.time + sky::seconds(60.0);
  EXPECT_GT(correlation(now, seen(later, band)), 0.85);
  later.time = piece.time + sky::seconds(3600.0);
  EXPECT_LT(correlation(now, seen(later, band)), 0.6);
  Piece other = piece;
  other.seed = 2;
  EXPECT_LT(std::abs(correlation(now, seen(other, band))), 0.3);
}

TEST(Chromosphere, ACoarsePictureIsAsBrightAsAFineOne) {
  const LinePassband band = passband(0.5);
  Piece fine;
  fine.scale = 0.5;
  fine.side = 640;
  Piece middle = fine;
  middle.scale = 2.0;
  middle.side = 160;
  Piece coarse = fine;
  coarse.scale = 4.0;
  coarse.side = 80;
  const double light = spread_of(seen(fine, band)).mean;
  EXPECT_NEAR(spread_of(seen(middle, band)).mean / light, 1.0, 0.01);
  EXPECT_NEAR(spread_of(seen(coarse, band)).mean / light, 1.0, 0.01);
}

TEST(Chromosphere, ADoubleStackDeepensTheContrastAndAWideBandLosesIt) {
  Piece piece;
  piece.middle = {0.0, 250.0};
  piece.scale = 0.7;
  const Layers layers = laid(piece);
  const auto contrast = [&](const LinePassband& band) {
    const Spread spread = spread_of(through(layers, band, view_of(piece.time), grid_of(piece)));
    return spread.deviation / spread.mean;
  };
  EXPECT_GT(contrast(passband(0.5, 0.0, 2)), 1.25 * contrast(passband(0.5)));
  EXPECT_GT(contrast(passband(0.5)), 1.3 * contrast(passband(1.0)));
}

/// Brightness by the height over the photosphere's limb, all round.
std::vector<double> over_limb(const LinePassband& band, double scale, double from_km,
                              double step_km, int steps) {
  const sky::UtcTime time = test::morning();
  const sky::DiscView view = view_of(time);
  const double radius = sky::limb_radius_arcsec(view.distance_au);
  std::vector<double> medians(static_cast<std::size_t>(steps));
  // Six pieces of the limb; a prominence in one is kept off by the median.
  std::vector<std::vector<double>> values(medians.size());
  for (const double turn : {20.0, 75.0, 110.0, 160.0, 250.0, 290.0}) {
    const double angle = turn * base::kRadPerDeg;
    Piece piece;
    piece.middle = {radius * std::cos(angle), radius * std::sin(angle)};
    piece.scale = scale;
    piece.side = 120;
    const Picture picture = seen(piece, band);
    const Grid grid = grid_of(piece);
    const double km_per_px = 695'700.0 * scale / radius;
    for (int y = 0; y < piece.side; ++y) {
      for (int x = 0; x < piece.side; ++x) {
        const double far = std::hypot(x - grid.centre_x_px, y - grid.centre_y_px);
        const double height = (far - radius / scale) * km_per_px;
        const double bin = (height - from_km) / step_km;
        if (bin >= 0.0 && bin < steps) {
          values[static_cast<std::size_t>(bin)].push_back(static_cast<double>(
              picture[static_cast<std::size_t>(y) * static_cast<std::size_t>(piece.side) +
                      static_cast<std::size_t>(x)]));
        }
      }
    }
  }
  for (std::size_t i = 0; i < values.size(); ++i) {
    auto middle = values[i].begin() + static_cast<std::ptrdiff_t>(values[i].size() / 2);
    std::nth_element(values[i].begin(), middle, values[i].end());
    medians[i] = *middle;
  }
  return medians;
}

TEST(Chromosphere, TheDiscIsLargerByFourToSixMegametres) {
  constexpr double kFrom = -6000.0;
  constexpr double kStep = 250.0;
  constexpr int kSteps = 80;
  const auto edge_of = [&](const LinePassband& band) {
    const std::vector<double> profile = over_limb(band, 0.4, kFrom, kStep, kSteps);
    const double sky = profile.back();
    // Where half of the light of the bright rim is lost.
    double inside = 0.0;
    for (std::size_t i = 26; i < 34; ++i) {
      inside += profile[i] / 8.0;
    }
    for (std::size_t i = 26; i < profile.size(); ++i) {
      if (profile[i] < sky + 0.5 * (inside - sky)) {
        return kFrom + (static_cast<double>(i) + 0.5) * kStep;
      }
    }
    return 1e9;
  };
  const double line = edge_of(passband(0.3));
  EXPECT_GT(line, 4000.0);
  EXPECT_LT(line, 6000.0);
}

TEST(Chromosphere, SpotsShowMoreBesideTheLine) {
  const sky::UtcTime time = test::morning();
  const sky::DiscView view = view_of(time);
  // The largest spot that is well on the disc.
  const auto spots = SyntheticSun(1).spots(time);
  const Spot* largest = nullptr;
  for (const Spot& spot : spots) {
    const auto place = sky::disc_place(spot.latitude_deg, spot.carrington_longitude_deg, view);
    if (place && std::hypot(place->west_arcsec, place->north_arcsec) < 700.0 &&
        (largest == nullptr || spot.radius_deg > largest->radius_deg)) {
      largest = &spot;
    }
  }
  ASSERT_NE(largest, nullptr);
  const auto place =
      sky::disc_place(largest->latitude_deg, largest->carrington_longitude_deg, view);
  Piece piece;
  piece.middle = *place;
  piece.scale = 0.5;
  piece.side = 121;
  const Layers layers = laid(piece);
  const auto left_in_umbra = [&](double detuned) {
    const Picture picture = through(layers, passband(0.3, detuned), view, grid_of(piece));
    return static_cast<double>(picture[60 * 121 + 60]) /
           static_cast<double>(*std::max_element(picture.begin(), picture.end()));
  };
  EXPECT_LT(left_in_umbra(2.5), 0.25);
  EXPECT_GT(left_in_umbra(0.0), 1.15 * left_in_umbra(2.5));
}

TEST(Filaments, LieBetweenOppositePolarities) {
  int tried = 0;
  int divided = 0;
  for (int day = 0; day < 60; day += 12) {
    const Magnetism magnetism(SyntheticSun(1), utc("2027-06-01") + sky::seconds(day * kDay_s));
    for (const Filament& filament : magnetism.filaments()) {
      // Those round the poles lie where the cycle left them.
      if (std::abs(filament.spine.front().latitude_rad) > 0.85) {
        continue;
      }
      for (std::size_t i = 1; i + 1 < filament.spine.size(); ++i) {
        const auto& a = filament.spine[i - 1];
        const auto& b = filament.spine[i + 1];
        const double cosine = std::cos(filament.spine[i].latitude_rad);
        const double north = (b.latitude_rad - a.latitude_rad);
        const double west = (b.longitude_rad - a.longitude_rad) * cosine;
        const double length = std::hypot(north, west);
        const double step = 25.0 / 695.7 / length;  // to either side
        const auto side = [&](double way) {
          return magnetism.far_up(filament.spine[i].latitude_rad + way * step * west,
                                  filament.spine[i].longitude_rad - way * step * north / cosine);
        };
        ++tried;
        divided += side(1.0) * side(-1.0) < 0.0 ? 1 : 0;
      }
    }
  }
  ASSERT_GT(tried, 200);
  EXPECT_GT(static_cast<double>(divided) / tried, 0.85);
}

TEST(Filaments, BecomeProminencesAtTheLimbAndComeBack) {
  Filament filament;
  filament.height_Mm = 40.0;
  filament.length_Mm = 40.0;
  const sky::DiscView view = view_of(test::morning());
  const auto at = [&](double from_centre_deg) {
    filament.spine.clear();
    for (const double latitude : {9.0, 10.0, 11.0}) {
      filament.spine.push_back(
          {latitude * base::kRadPerDeg, (view.l0_deg + from_centre_deg) * base::kRadPerDeg});
    }
    return seen_from(filament, view);
  };
  EXPECT_EQ(at(0.0)->height_km, 0.0);
  EXPECT_EQ(at(-60.0)->height_km, 0.0);
  EXPECT_NEAR(at(-90.0)->height_km, 40000.0, 1500.0);
  EXPECT_GT(at(-97.0)->height_km, 20000.0);
  EXPECT_FALSE(at(-130.0).has_value());
  EXPECT_LT(at(-90.0)->place.west_arcsec, -900.0);
  EXPECT_GT(at(90.0)->place.west_arcsec, 900.0);
}

TEST(Filaments, AreDarkOnTheDiscAndBrightOverTheLimb) {
  // Of all days in three months, those with a long filament well on the disc, or a high prominence.
  const LinePassband band = passband(0.5);
  std::vector<double> on_disc;
  std::vector<double> over;
  for (int day = 0; day < 90 && (on_disc.size() < 6 || over.size() < 6); day += 3) {
    Piece piece;
    piece.time = utc("2027-05-01") + sky::seconds(day * kDay_s);
    const sky::DiscView view = view_of(piece.time);
    const auto magnetism = kept_magnetism(SyntheticSun(1), piece.time);
    for (const Filament& filament : magnetism->filaments()) {
      const auto look = seen_from(filament, view);
      if (!look || filament.active || filament.strength < 1.0 || filament.lift_Mm > 0.0) {
        continue;
      }
      piece.middle = look->place;
      piece.side = 61;
      const double far = std::hypot(look->place.west_arcsec, look->place.north_arcsec);
      if (look->height_km == 0.0 && far < 500.0 && on_disc.size() < 6) {
        Picture picture = seen(piece, band);
        std::sort(picture.begin(), picture.end());
        on_disc.push_back(static_cast<double>(picture[picture.size() / 40]) /
                          static_cast<double>(picture[picture.size() / 2]));
      } else if (look->height_km > 30000.0 && over.size() < 6) {
        // The brightest of what stands well over the fringe.
        const Picture picture = seen(piece, band);
        const Grid grid = grid_of(piece);
        const double limb = sky::limb_radius_arcsec(view.distance_au);
        std::vector<float> gas;
        for (int y = 0; y < piece.side; ++y) {
          for (int x = 0; x < piece.side; ++x) {
            if (std::hypot(x - grid.centre_x_px, y - grid.centre_y_px) > limb + 16.0) {
              gas.push_back(
                  picture[static_cast<std::size_t>(y) * 61 + static_cast<std::size_t>(x)]);
            }
          }
        }
        if (gas.size() > 200) {
          std::sort(gas.begin(), gas.end());
          over.push_back(static_cast<double>(gas[gas.size() - 40]));
        }
      }
    }
  }
  ASSERT_GE(on_disc.size(), 4U);
  ASSERT_GE(over.size(), 4U);
  std::sort(on_disc.begin(), on_disc.end());
  std::sort(over.begin(), over.end());
  EXPECT_LT(on_disc[on_disc.size() / 2], 0.85);
  // A quiet prominence has a fifth to an eighth of the disc's light.
  EXPECT_GT(over[over.size() / 2], 1.0 / 8.0);
  EXPECT_LT(over[over.size() / 2], 1.0 / 5.0);
}

TEST(Flares, ComeInComplexRegionsOnlyRiseWithinMinutesAndFadeWithinTheHour) {
  const SyntheticSun sun(1, 1.0);
  int seen_ones = 0;
  for (int day = 0; day < 48; day += 8) {
    for (int hour = 0; hour < 12; hour += 6) {
      const sky::UtcTime time = utc("2027-05-01") + sky::seconds(day * kDay_s + hour * 3600.0);
      const auto regions = sun.regions(time);
      for (const FlareNow& flare : Chromosphere(sun, time).flares()) {
        ++seen_ones;
        EXPECT_LT(flare.age_s, 7200.0);
        EXPECT_LE(flare.brightness, 1.2);
        const bool in_complex =
            std::any_of(regions.begin(), regions.end(), [&](const Region& region) {
              return region.complex &&
                     base::angle_between_deg(region.carrington_longitude_deg,
                                             flare.carrington_longitude_deg) < 8.0 &&
                     std::abs(region.latitude_deg - flare.latitude_deg) < 5.0;
            });
        EXPECT_TRUE(in_complex);
      }
    }
  }
  EXPECT_GT(seen_ones, 1);
}

TEST(Chromosphere, StopsWhenAsked) {
  std::stop_source source;
  source.request_stop();
  const SyntheticSun sun(1);
  EXPECT_THAT(lay_out({}, Chromosphere(sun, test::morning()), view_of(test::morning()), grid_of({}),
                      {source.get_token()}),
              test::FailsWith(base::ErrorCode::kCancelled, "picture"));
}

}  // namespace
}  // namespace solarchon::scene
