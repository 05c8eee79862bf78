// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/scene/synthetic_sun.h"

#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/random.h"

namespace solarchon::scene {

using base::kRadPerDeg;
using base::Random;

namespace {

constexpr double kSecondsPerDay = 86400.0;
constexpr int kEpochDays = 3;  // groups are born in bunches of three days
constexpr int kLongestLifeDays = 24;
constexpr double kCarringtonDegPerDay = 14.1844;

/// Sidereal rotation of spots (degree a day): Snodgrass and Ulrich's form with spot values.
double rotation_deg_per_day(double latitude_deg) {
  const double sine = std::sin(latitude_deg * kRadPerDeg);
  return 14.522 - 2.84 * sine * sine;
}

/// A group's size over its life: quick rise, slow decay (0 to 1).
double growth(double share_of_life) {
  constexpr double kRise = 0.3;
  return share_of_life < kRise ? std::sin(0.5 * base::kPi * share_of_life / kRise)
                               : std::cos(0.5 * base::kPi * (share_of_life - kRise) / (1 - kRise));
}

Spot shaped(Random& random, double latitude_deg, double longitude_deg, double radius_deg,
            double umbra_share) {
  Spot spot;
  spot.latitude_deg = latitude_deg;
  spot.carrington_longitude_deg = longitude_deg;
  spot.radius_deg = radius_deg;
  spot.umbra_share = umbra_share;
  for (std::size_t i = 0; i < spot.wave.size(); ++i) {
    constexpr double kPore = 0.9;  // umbra's share: pores are the more ragged
    spot.wave.at(i) = random.uniform(0.02, 0.10) * (umbra_share > kPore ? 2.0 : 1.0);
    spot.phase_rad.at(i) = random.uniform(0.0, 2.0 * base::kPi);
  }
  return spot;
}

/// One group at an age: leader in the west, follower in the east, pores between them.
void add_group(Random random, double age_days, std::vector<Spot>& spots) {
  const double life_days = random.uniform(6.0, kLongestLifeDays);
  const double hemisphere = random.uniform() < 0.5 ? -1.0 : 1.0;
  const double latitude = hemisphere * std::abs(15.0 + 6.0 * random.normal());
  const double birth_longitude = random.uniform(0.0, 360.0);
  const double peak_radius = random.uniform(0.9, 2.2);
  const double spread = random.uniform(3.5, 8.0);
  const int pores = static_cast<int>(random.uniform(1.0, 5.0));
  if (age_days < 0.0 || age_days >= life_days || std::abs(latitude) > 40.0) {
    return;
  }
  const double size = growth(age_days / life_days);
  const double longitude =
      birth_longitude + (rotation_deg_per_day(latitude) - kCarringtonDegPerDay) * age_days;
  const int group = spots.empty() ? 1 : spots.back().group + 1;
  constexpr double kSmallestDeg = 0.12;
  constexpr double kPoreShare = 0.94;  // a pore is all umbra but for its rim
  const auto add = [&](double along, double across, double radius, double umbra_share) {
    const Spot spot = shaped(random, latitude + hemisphere * across, longitude + along,
                             radius * size, umbra_share);
    if (spot.radius_deg >= kSmallestDeg) {
      spots.push_back(spot);
      spots.back().group = group;
      spots.back().carrington_longitude_deg = base::wrap_360(spot.carrington_longitude_deg);
    }
  };
  add(0.5 * spread, -0.5, peak_radius, 0.42);
  add(-0.5 * spread, 0.5, peak_radius * random.uniform(0.45, 0.75), 0.38);
  for (int pore = 0; pore < pores; ++pore) {
    add(random.uniform(-0.3, 0.3) * spread, random.uniform(-1.2, 1.2), random.uniform(0.16, 0.34),
        kPoreShare);
  }
}

}  // namespace

double Spot::area_muh() const { return 1e6 * (1.0 - std::cos(radius_deg * kRadPerDeg)); }

std::vector<Spot> SyntheticSun::spots(sky::UtcTime time) const {
  const double day = static_cast<double>(time.unix_ms) / 1000.0 / kSecondsPerDay;
  const auto epoch_now = static_cast<int>(std::floor(day / kEpochDays));
  std::vector<Spot> spots;
  for (int epoch = epoch_now - kLongestLifeDays / kEpochDays; epoch <= epoch_now; ++epoch) {
    Random random{seed_, static_cast<std::uint32_t>(epoch)};
    const int births = 1 + static_cast<int>(random.uniform(0.0, 3.0));
    for (int birth = 0; birth < births; ++birth) {
      const double born_day = (epoch + random.uniform()) * kEpochDays;
      add_group(Random{seed_, static_cast<std::uint32_t>(epoch), static_cast<std::uint32_t>(birth)},
                day - born_day, spots);
    }
  }
  return spots;
}

}  // namespace solarchon::scene
