// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/scene/synthetic_sun.h"

#include <algorithm>
#include <cmath>

#include "geometry.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/random.h"

namespace solarchon::scene {

using base::kRadPerDeg;
using base::Random;

namespace {

constexpr int kEpochDays = 3;  // regions are born in bunches of three days
constexpr double kLongestLifeDays = 50.0;
/// So that the first Sun has groups, filaments and prominences to show in the July of the demo.
constexpr std::uint32_t kFirstSun = 51;
constexpr int kFieldDays = 75;  // for how long a region's field is told of
constexpr double kCarringtonDegPerDay = 14.1844;

/// Sidereal rotation of spots (degree a day): Snodgrass and Ulrich's form with spot values.
double rotation_deg_per_day(double latitude_deg) {
  const double sine = std::sin(latitude_deg * kRadPerDeg);
  return 14.522 - 2.84 * sine * sine;
}

/// A group's size over its life: quick rise, slow decay (0 to 1).
double growth(double share_of_life) {
  constexpr double kRise = 0.3;
  if (share_of_life <= 0.0 || share_of_life >= 1.0) {
    return 0.0;
  }
  return share_of_life < kRise ? std::sin(0.5 * base::kPi * share_of_life / kRise)
                               : std::cos(0.5 * base::kPi * (share_of_life - kRise) / (1 - kRise));
}

double radius_deg(double area_muh) { return std::acos(1.0 - 1e-6 * area_muh) * base::kDegPerRad; }

/// Adds the spots of one region, west positive along its axis.
class Peopled {
 public:
  Peopled(Region& region, Random& random) : region_(region), random_(random) {}

  /// @param along, across_deg  from the region's middle: along its axis, and towards the pole
  /// @param growth_now         of its area, 0 to 1
  void add(double along_deg, double across_deg, double area_muh, double growth_now,
           double umbra_share, int polarity) {
    const double tilt = region_.tilt_deg * kRadPerDeg;
    Spot spot;
    spot.radius_deg = radius_deg(area_muh) * growth_now;
    spot.umbra_share = umbra_share;
    spot.polarity = polarity;
    for (std::size_t i = 0; i < spot.wave.size(); ++i) {
      constexpr double kPore = 0.9;  // umbra's share: pores are the more ragged
      spot.wave.at(i) = random_.uniform(0.02, 0.10) * (umbra_share > kPore ? 2.0 : 1.0);
      spot.phase_rad.at(i) = random_.uniform(0.0, 2.0 * base::kPi);
    }
    const double west = along_deg * std::cos(tilt) + across_deg * std::sin(tilt);
    const double poleward = across_deg * std::cos(tilt) - along_deg * std::sin(tilt);
    spot.latitude_deg = region_.latitude_deg + region_.hemisphere() * poleward;
    spot.carrington_longitude_deg = base::wrap_360(
        region_.carrington_longitude_deg + west / std::cos(region_.latitude_deg * kRadPerDeg));
    constexpr double kSmallestDeg = 0.12;
    if (spot.radius_deg >= kSmallestDeg) {
      region_.spots.push_back(spot);
    }
  }

 private:
  Region& region_;
  Random& random_;
};

void add_spots(Region& region, Random& random) {
  const double share = region.age_days / region.life_days;
  constexpr double kFollowerLife = 0.75;  // against the leader's
  const double leading = growth(share);
  const double following = growth(share / kFollowerLife);
  const int leader = region.leader_polarity;
  const double area = region.largest_area_muh;
  const double half = 0.5 * region.spread_deg;
  Peopled spots(region, random);
  constexpr double kLeaderShare = 0.6;
  spots.add(half, 0.0, kLeaderShare * area, leading, random.uniform(0.40, 0.45), leader);
  const double divided = random.uniform(0.5, 0.8);
  const double follower_area = 0.3 * area;
  spots.add(-half, random.uniform(-0.4, 0.4), divided * follower_area, following,
            random.uniform(0.40, 0.45), -leader);
  spots.add(-half + random.uniform(0.8, 1.8), random.uniform(-1.6, 1.6),
            (1.0 - divided) * follower_area, following, random.uniform(0.40, 0.45), -leader);
  // In a complex region one of the other polarity stands close beside the leader.
  const double beside = radius_deg(kLeaderShare * area) + 0.6;
  const double turned = random.uniform(0.6, 1.4) * (random.uniform() < 0.5 ? -1.0 : 1.0);
  const double mixed = random.uniform(0.10, 0.25) * area;
  if (region.complex) {
    spots.add(half - beside * std::cos(turned), beside * std::sin(turned), mixed, leading, 0.43,
              -leader);
  }
  const auto pores = static_cast<int>(random.uniform(1.0, 3.0 + std::sqrt(area) / 5.0));
  constexpr double kPoreShare = 0.94;  // a pore is all umbra but for its rim
  for (int pore = 0; pore < pores; ++pore) {
    const double along = random.uniform(-0.75, 0.65) * half;
    const double size = random.uniform(0.16, 0.34);
    spots.add(along, random.uniform(-1.2, 1.2), 1e6 * (1.0 - std::cos(size * kRadPerDeg)),
              along > 0.0 ? leading : following, kPoreShare, along > 0.0 ? leader : -leader);
  }
}

}  // namespace

double Spot::area_muh() const { return 1e6 * (1.0 - std::cos(radius_deg * kRadPerDeg)); }

Activity activity_of(sky::UtcTime time) {
  constexpr double kCycleDays = 11.0 * 365.25;
  static const double first_day = 18231.0;  // 2019-12-01, from 1970
  const double day = static_cast<double>(time.unix_ms) / 1000.0 / kSecondsPerDay;
  const double cycles = (day - first_day) / kCycleDays;
  const double phase = cycles - std::floor(cycles);
  // Quick rise to the maximum in the fifth year, slow decay.
  const double risen = std::sin(base::kPi * std::pow(phase, 0.7));
  return {std::max(0.04, std::pow(std::max(0.0, risen), 1.3)), 30.0 - 23.0 * phase};
}

std::vector<Region> SyntheticSun::regions(sky::UtcTime time) const {
  const double day = static_cast<double>(time.unix_ms) / 1000.0 / kSecondsPerDay;
  const auto epoch_now = static_cast<int>(std::floor(day / kEpochDays));
  std::vector<Region> regions;
  for (int epoch = epoch_now - kFieldDays / kEpochDays; epoch <= epoch_now; ++epoch) {
    Random births{seed_ + kFirstSun, static_cast<std::uint32_t>(epoch)};
    const sky::UtcTime middle{
        static_cast<std::int64_t>((epoch + 0.5) * kEpochDays * kSecondsPerDay * 1000.0)};
    const Activity activity = activity_of(middle);
    constexpr double kMostBirths = 4.2;  // in an epoch, at level 1
    const auto count =
        static_cast<int>(births.poisson(kMostBirths * level_.value_or(activity.level)));
    for (int birth = 0; birth < count; ++birth) {
      Random random{seed_ + kFirstSun, static_cast<std::uint32_t>(epoch),
                    static_cast<std::uint32_t>(birth)};
      Region region;
      region.seed = static_cast<std::uint32_t>(random.below(0x7fffffff));
      region.age_days = day - (epoch + random.uniform()) * kEpochDays;
      constexpr double kMeanLifeDays = 11.0;
      region.life_days =
          std::min(kLongestLifeDays, 4.0 - kMeanLifeDays * std::log(1.0 - random.uniform()));
      constexpr double kLatitudeSpreadDeg = 5.0;
      region.latitude_deg = (random.uniform() < 0.5 ? -1.0 : 1.0) *
                            std::abs(activity.latitude_deg + kLatitudeSpreadDeg * random.normal());
      const double born_at = random.uniform(0.0, 360.0);
      region.carrington_longitude_deg = base::wrap_360(
          born_at +
          (rotation_deg_per_day(region.latitude_deg) - kCarringtonDegPerDay) * region.age_days);
      constexpr double kAreaPerDay = 10.0;
      region.largest_area_muh = kAreaPerDay * region.life_days * std::exp(0.25 * random.normal());
      region.spread_deg = 2.5 + 6.0 * std::sqrt(region.largest_area_muh / 500.0);
      constexpr double kJoyDeg = 32.0;
      region.tilt_deg =
          kJoyDeg * std::sin(std::abs(region.latitude_deg) * kRadPerDeg) + 6.0 * random.normal();
      const double cycles =
          std::floor((static_cast<double>(epoch) * kEpochDays - 18231.0) / 4017.75);
      const int even = std::fmod(std::abs(cycles), 2.0) < 0.5 ? 1 : -1;
      region.leader_polarity = even * (region.latitude_deg < 0.0 ? -1 : 1);
      constexpr double kLargeMuh = 150.0;
      region.complex = random.uniform() < 0.4 && region.largest_area_muh > kLargeMuh;
      if (region.age_days >= 0.0 && region.age_days < kFieldDays) {
        add_spots(region, random);
        regions.push_back(std::move(region));
      }
    }
  }
  return regions;
}

std::vector<Spot> SyntheticSun::spots(sky::UtcTime time) const {
  std::vector<Spot> spots;
  int group = 0;
  for (const Region& region : regions(time)) {
    group += region.spots.empty() ? 0 : 1;
    for (const Spot& spot : region.spots) {
      spots.push_back(spot);
      spots.back().group = group;
    }
  }
  return spots;
}

}  // namespace solarchon::scene
