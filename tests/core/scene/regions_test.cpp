// SPDX-License-Identifier: GPL-3.0-or-later
// Active regions keep the laws that the literature has of them.
#include <cmath>
#include <map>
#include <vector>

#include "solarchon/base/angle.h"
#include "solarchon/scene/synthetic_sun.h"
#include "tests/support/support.h"

namespace solarchon::scene {
namespace {

using test::utc;

constexpr double kDay_s = 86400.0;

/// Regions of some years, each once.
std::vector<Region> many(const std::string& from, int days, std::optional<double> level = {}) {
  std::map<std::uint32_t, Region> all;
  for (int day = 0; day < days; day += 30) {
    for (const Region& region :
         SyntheticSun(1, level).regions(utc(from) + sky::seconds(day * kDay_s))) {
      all.emplace(region.seed, region);
    }
  }
  std::vector<Region> list;
  for (const auto& [seed, region] : all) {
    list.push_back(region);
  }
  return list;
}

TEST(Regions, AreTiltedByTheirLatitude) {
  // Joy's law: 32 degrees times the sine of the latitude, the leader nearer to the equator.
  double squares = 0.0;
  double products = 0.0;
  const auto regions = many("2023-01-01", 2000);
  ASSERT_GT(regions.size(), 300U);
  for (const Region& region : regions) {
    const double sine = std::sin(std::abs(region.latitude_deg) * base::kRadPerDeg);
    squares += sine * sine;
    products += sine * region.tilt_deg;
  }
  EXPECT_NEAR(products / squares, 32.0, 4.0);
}

TEST(Regions, TheLeaderStandsInTheWestAndNearerToTheEquator) {
  double nearer = 0.0;
  int seen = 0;
  for (const Region& region : many("2026-01-01", 700)) {
    const Spot* west = nullptr;
    const Spot* east = nullptr;
    for (const Spot& spot : region.spots) {
      if (spot.umbra_share > 0.9) {
        continue;
      }
      const double along =
          base::wrap_180(spot.carrington_longitude_deg - region.carrington_longitude_deg);
      constexpr double kClear = 1.0;  // degree from the middle
      if (std::abs(along) > kClear) {
        (along > 0.0 ? west : east) = &spot;
      }
    }
    if (west != nullptr && east != nullptr && !region.complex) {
      EXPECT_EQ(west->polarity, region.leader_polarity);
      EXPECT_EQ(east->polarity, -region.leader_polarity);
      nearer += std::abs(east->latitude_deg) - std::abs(west->latitude_deg);
      ++seen;
    }
  }
  ASSERT_GT(seen, 20);
  EXPECT_GT(nearer / seen, 0.2);
}

TEST(Regions, LiveADayForEachTenMillionths) {
  double ratio = 0.0;
  const auto regions = many("2023-01-01", 2000);
  for (const Region& region : regions) {
    ratio += std::log(region.largest_area_muh / region.life_days);
    EXPECT_GE(region.life_days, 4.0);
    EXPECT_LE(region.life_days, 50.0);
  }
  EXPECT_NEAR(std::exp(ratio / static_cast<double>(regions.size())), 10.0, 1.0);
}

TEST(Regions, ComeNearerToTheEquatorAsTheCycleGoesOnAndChangePolarityWithTheNext) {
  const auto mean_latitude = [](const std::vector<Region>& regions) {
    double sum = 0.0;
    for (const Region& region : regions) {
      sum += std::abs(region.latitude_deg) / static_cast<double>(regions.size());
    }
    return sum;
  };
  EXPECT_NEAR(mean_latitude(many("2021-06-01", 300)), 26.5, 2.5);
  EXPECT_NEAR(mean_latitude(many("2029-06-01", 300)), 10.0, 2.5);
  for (const Region& region : many("2025-01-01", 90)) {
    for (const Region& next : many("2035-01-01", 90)) {
      EXPECT_EQ(region.leader_polarity * (region.latitude_deg > 0.0 ? 1 : -1),
                -next.leader_polarity * (next.latitude_deg > 0.0 ? 1 : -1));
    }
  }
}

TEST(Regions, AreAsManyAsTheActivitySays) {
  const auto none = many("2026-01-01", 300, 0.0).size();
  const auto some = many("2026-01-01", 300, 0.5).size();
  const auto most = many("2026-01-01", 300, 1.0).size();
  EXPECT_EQ(none, 0U);
  EXPECT_NEAR(static_cast<double>(most) / static_cast<double>(some), 2.0, 0.4);
  EXPECT_GT(activity_of(utc("2024-12-01")).level, 0.9);
  EXPECT_LT(activity_of(utc("2030-11-01")).level, 0.1);
}

TEST(Regions, TurnWithTheSurfaceForDays) {
  // Over five days, against the published rate: the equator gains on the Carrington frame.
  const sky::UtcTime first = utc("2027-07-10");
  const sky::UtcTime last = first + sky::seconds(5.0 * kDay_s);
  int seen = 0;
  for (const Region& before : SyntheticSun(1).regions(first)) {
    for (const Region& after : SyntheticSun(1).regions(last)) {
      if (after.seed != before.seed || before.spots.empty() || after.spots.empty()) {
        continue;
      }
      const double sine = std::sin(before.latitude_deg * base::kRadPerDeg);
      const double expected = 5.0 * (14.522 - 2.84 * sine * sine - 14.1844);
      EXPECT_NEAR(base::wrap_180(after.carrington_longitude_deg - before.carrington_longitude_deg),
                  expected, 0.02);
      // The spots in it move with it: the leader is the first of them.
      EXPECT_NEAR(base::wrap_180(after.spots[0].carrington_longitude_deg -
                                 before.spots[0].carrington_longitude_deg),
                  expected, 0.2);
      ++seen;
    }
  }
  EXPECT_GT(seen, 3);
}

}  // namespace
}  // namespace solarchon::scene
