// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <stop_token>

#include "solarchon/base/angle.h"
#include "solarchon/light/limb_darkening.h"
#include "solarchon/scene/picture.h"
#include "tests/support/support.h"

namespace solarchon::scene {
namespace {

using test::utc;

constexpr double kDay_s = 86400.0;

Grid whole_disc(double scale) { return {400, 400, 199.5, 199.5, scale, {0.0, false}}; }

Picture drawn(const std::vector<Spot>& spots, const sky::DiscView& view, const Grid& grid) {
  return draw({spots}, view, grid).value();
}

float at(const Picture& picture, const Grid& grid, int x, int y) {
  return picture[static_cast<std::size_t>(y) * static_cast<std::size_t>(grid.width) +
                 static_cast<std::size_t>(x)];
}

TEST(SyntheticSun, IsTheSameForTheSameSeedAndInstant) {
  const auto first = SyntheticSun(1).spots(test::morning());
  const auto again = SyntheticSun(1).spots(test::morning());
  ASSERT_FALSE(first.empty());
  ASSERT_EQ(first.size(), again.size());
  for (std::size_t i = 0; i < first.size(); ++i) {
    EXPECT_EQ(first[i].latitude_deg, again[i].latitude_deg);
    EXPECT_EQ(first[i].radius_deg, again[i].radius_deg);
  }
}

TEST(SyntheticSun, SpotsStayInTheActiveLatitudes) {
  for (int day = 0; day < 365; day += 5) {
    for (const Spot& spot : SyntheticSun(1).spots(utc("2027-01-01") + sky::seconds(day * kDay_s))) {
      EXPECT_LT(std::abs(spot.latitude_deg), 45.0);
      EXPECT_GE(spot.carrington_longitude_deg, 0.0);
      EXPECT_LT(spot.carrington_longitude_deg, 360.0);
      EXPECT_GT(spot.area_muh(), 1.0);
      EXPECT_LT(spot.area_muh(), 2000.0);
    }
  }
}

TEST(SyntheticSun, ChangesSlowly) {
  // Over an hour a spot drifts by at most 0.02 degree of Carrington longitude.
  const auto now = SyntheticSun(1).spots(test::morning());
  const auto later = SyntheticSun(1).spots(test::morning() + sky::seconds(3600.0));
  ASSERT_EQ(now.size(), later.size());
  for (std::size_t i = 0; i < now.size(); ++i) {
    EXPECT_LT(
        base::angle_between_deg(now[i].carrington_longitude_deg, later[i].carrington_longitude_deg),
        0.02);
    EXPECT_NEAR(now[i].area_muh(), later[i].area_muh(), 0.05 * now[i].area_muh() + 3.0);
  }
}

TEST(SyntheticSun, OtherSeedsAreOtherSuns) {
  const auto first = SyntheticSun(1).spots(test::morning());
  const auto other = SyntheticSun(2).spots(test::morning());
  EXPECT_FALSE(first.size() == other.size() &&
               first.front().latitude_deg == other.front().latitude_deg);
}

TEST(Draw, TheCentreIsOneAndTheSkyIsDark) {
  const sky::DiscView view = sky::disc_view(test::morning());
  const Grid grid = whole_disc(6.0);
  const Picture picture = drawn({}, view, grid);
  EXPECT_NEAR(at(picture, grid, 199, 199), 1.0, 0.005);
  EXPECT_LT(at(picture, grid, 2, 2), 0.002);
  EXPECT_GT(at(picture, grid, 2, 2), 0.0);
}

TEST(Draw, TheLightOfTheDiscIsItsAreaTimesTheMeanDarkening) {
  const sky::DiscView view = sky::disc_view(test::morning());
  const Grid grid = whole_disc(6.0);
  const Picture picture = drawn({}, view, grid);
  double sum = 0.0;
  for (const float value : picture) {
    sum += value > 0.1F ? static_cast<double>(value) : 0.0;
  }
  const double radius = sky::limb_radius_arcsec(view.distance_au) / grid.scale_arcsec_px;
  const double expected = base::kPi * radius * radius * light::LimbDarkening(540.0).mean();
  EXPECT_NEAR(sum / expected, 1.0, 0.004);
}

TEST(Draw, ASpotStandsWhereItsCoordinatesSay) {
  const sky::DiscView view = sky::disc_view(test::morning());
  Spot spot;
  spot.latitude_deg = 25.0;
  spot.carrington_longitude_deg = view.l0_deg + 35.0;
  spot.radius_deg = 2.0;
  for (const bool mirrored : {false, true}) {
    for (const double north : {0.0, 77.0, 200.0}) {
      Grid grid = whole_disc(3.0);
      grid.width = grid.height = 800;
      grid.centre_x_px = 390.25;
      grid.centre_y_px = 405.75;
      grid.solar = {north, mirrored};
      const Picture with = drawn({spot}, view, grid);
      const Picture without = drawn({}, view, grid);
      double weight = 0.0;
      double x = 0.0;
      double y = 0.0;
      for (int j = 0; j < grid.height; ++j) {
        for (int i = 0; i < grid.width; ++i) {
          const double missing =
              static_cast<double>(at(without, grid, i, j) - at(with, grid, i, j));
          weight += missing;
          x += missing * i;
          y += missing * j;
        }
      }
      ASSERT_GT(weight, 1.0);
      const auto place = sky::disc_place(spot.latitude_deg, spot.carrington_longitude_deg, view);
      const sky::PictureOffset offset = sky::to_picture(*place, grid.solar);
      EXPECT_NEAR(x / weight, grid.centre_x_px + offset.right / grid.scale_arcsec_px, 0.4);
      EXPECT_NEAR(y / weight, grid.centre_y_px - offset.up / grid.scale_arcsec_px, 0.4);
    }
  }
}

TEST(Draw, TheDarkAreaOfASpotIsItsArea) {
  const sky::DiscView view = sky::disc_view(test::morning());
  Spot spot;
  spot.latitude_deg = view.b0_deg;
  spot.carrington_longitude_deg = view.l0_deg;
  spot.radius_deg = 3.0;
  spot.wave = {0.08, 0.05, 0.03};
  Grid grid = whole_disc(1.0);
  const Picture picture = drawn({spot}, view, grid);
  const double half_way = 0.87;
  const auto dark = std::count_if(picture.begin(), picture.end(), [&](float value) {
    return static_cast<double>(value) < half_way;
  });
  const double radius = sky::limb_radius_arcsec(view.distance_au);
  const double area_muh = static_cast<double>(dark) * 1e6 / (2.0 * base::kPi * radius * radius);
  EXPECT_NEAR(area_muh / spot.area_muh(), 1.0, 0.03);
}

/// Brightness in a spot in the middle of the disc, by its distance in radii.
struct SpotLight {
  double umbra = 0.0;
  double penumbra = 0.0;
  double round = 0.0;   ///< deviation of the penumbra along circles
  double inward = 0.0;  ///< and along radii
};
SpotLight light_of(double radius_deg, double umbra_share) {
  const sky::DiscView view = sky::disc_view(test::morning());
  Spot spot;
  spot.latitude_deg = view.b0_deg;
  spot.carrington_longitude_deg = view.l0_deg;
  spot.radius_deg = radius_deg;
  spot.umbra_share = umbra_share;
  const Grid grid{400, 400, 200.0, 200.0, 0.15, {0.0, false}};
  const Picture picture = drawn({spot}, view, grid);
  const double radius_px =
      sky::limb_radius_arcsec(view.distance_au) * radius_deg * base::kRadPerDeg / 0.15;
  const auto value = [&](double share, double turn) {
    return static_cast<double>(at(picture, grid,
                                  static_cast<int>(200.0 + share * radius_px * std::cos(turn)),
                                  static_cast<int>(200.0 + share * radius_px * std::sin(turn))));
  };
  SpotLight light;
  light.umbra = value(0.0, 0.0);
  const double middle = 0.5 * (1.0 + umbra_share);
  constexpr int kTurns = 400;
  double before = value(middle, 0.0);
  for (int i = 1; i <= kTurns; ++i) {
    const double turn = 2.0 * base::kPi * i / kTurns;
    const double here = value(middle, turn);
    light.penumbra += here / kTurns;
    // Steps of the same length along the circle and inwards.
    light.round += std::abs(here - before) / kTurns;
    const double step = 2.0 * base::kPi * middle / kTurns;
    light.inward += std::abs(here - value(middle - step, turn)) / kTurns;
    before = here;
  }
  return light;
}

TEST(Draw, UmbraeAreDarkerTheLargerAndPenumbraeAreStreaked) {
  const SpotLight large = light_of(2.0, 0.42);
  const SpotLight small = light_of(0.5, 0.42);
  EXPECT_NEAR(large.umbra, 0.10, 0.02);
  EXPECT_GT(small.umbra, 0.2);
  EXPECT_LT(small.umbra, 0.32);
  EXPECT_NEAR(large.penumbra, 0.77, 0.04);
  EXPECT_NEAR(light_of(1.0, 0.42).penumbra, 0.77, 0.04);
  EXPECT_GT(large.round, 2.0 * large.inward);
}

TEST(Draw, SpotsOnTheFarSideAreNotSeen) {
  const sky::DiscView view = sky::disc_view(test::morning());
  Spot spot;
  spot.latitude_deg = 10.0;
  spot.carrington_longitude_deg = view.l0_deg + 180.0;
  spot.radius_deg = 2.0;
  const Grid grid = whole_disc(6.0);
  EXPECT_EQ(drawn({spot}, view, grid), drawn({}, view, grid));
}

TEST(Draw, StopsWhenAsked) {
  std::stop_source source;
  source.request_stop();
  const auto outcome =
      draw({}, sky::disc_view(test::morning()), whole_disc(6.0), {source.get_token()});
  EXPECT_THAT(outcome, test::FailsWith(base::ErrorCode::kCancelled, "picture"));
}

}  // namespace
}  // namespace solarchon::scene
