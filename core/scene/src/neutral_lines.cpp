// SPDX-License-Identifier: GPL-3.0-or-later
#include "neutral_lines.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "geometry.h"
#include "solarchon/base/random.h"
#include "solarchon/scene/convection.h"

namespace solarchon::scene {

using base::kPi;
using base::kRadPerDeg;

namespace {

constexpr double kNodeMm = 10.0;  // between the nodes of a spine

/// Where a filament would lie, before the neutral line is found.
struct Wish {
  double latitude_rad;
  double longitude_rad;
  double turned_rad;  ///< of its spine from west towards the pole of its hemisphere's east
  double length_Mm;
  double bend;  ///< of the spine, half a wave over its length, in shares of it
};

Filament::Node beside(const Filament::Node& from, double west_Mm, double north_Mm) {
  const double latitude =
      std::clamp(from.latitude_rad + north_Mm / kSolarRadiusMm, -0.49 * kPi, 0.49 * kPi);
  return {latitude, from.longitude_rad + west_Mm / kSolarRadiusMm / std::cos(from.latitude_rad)};
}

/// How far to the side the field changes its sign, nearest first.
std::optional<double> neutral_beside(const Magnetism& magnetism, const Filament::Node& node,
                                     double west, double north) {
  constexpr double kReachMm = 55.0;
  constexpr double kProbeMm = 11.0;
  const auto up = [&](double way_Mm) {
    const Filament::Node at = beside(node, way_Mm * west, way_Mm * north);
    return magnetism.far_up(at.latitude_rad, at.longitude_rad);
  };
  const double here = up(0.0);
  double left = here;
  double right = here;
  for (double way = kProbeMm; way <= kReachMm; way += kProbeMm) {
    const double further_left = up(-way);
    const double further_right = up(way);
    if (further_right * right <= 0.0) {
      return way - kProbeMm * std::abs(further_right) /
                       std::max(1e-12, std::abs(further_right) + std::abs(right));
    }
    if (further_left * left <= 0.0) {
      return -way + kProbeMm * std::abs(further_left) /
                        std::max(1e-12, std::abs(further_left) + std::abs(left));
    }
    left = further_left;
    right = further_right;
  }
  return std::nullopt;
}

/// Lays a spine along the neutral line; only the longest stretch on which there is one is kept.
std::vector<Filament::Node> spine_from(const Magnetism& magnetism, const Wish& wish) {
  const int count = std::max(3, static_cast<int>(wish.length_Mm / kNodeMm));
  std::vector<Filament::Node> nodes;
  std::vector<std::optional<double>> offsets;
  const double hemisphere = wish.latitude_rad < 0.0 ? -1.0 : 1.0;
  const double west = std::cos(wish.turned_rad);
  const double north = -hemisphere * std::sin(wish.turned_rad);
  for (int i = 0; i < count; ++i) {
    const double share = (i + 0.5) / count - 0.5;
    const double way = share * wish.length_Mm;
    const double side = wish.bend * wish.length_Mm * std::cos(kPi * share);
    nodes.push_back(beside({wish.latitude_rad, wish.longitude_rad}, way * west - side * north,
                           way * north + side * west));
    offsets.push_back(neutral_beside(magnetism, nodes.back(), -north, west));
  }
  int best = 0;
  int best_from = 0;
  for (int from = 0; from < count; ++from) {
    int to = from;
    while (to < count && offsets[static_cast<std::size_t>(to)]) {
      ++to;
    }
    if (to - from > best) {
      best = to - from;
      best_from = from;
    }
    from = std::max(from, to);
  }
  std::vector<double> way;
  for (int i = best_from; i < best_from + best; ++i) {
    way.push_back(*offsets[static_cast<std::size_t>(i)]);
  }
  constexpr int kSmoothed = 8;
  for (int round = 0; round < kSmoothed; ++round) {
    for (std::size_t i = 1; i + 1 < way.size(); ++i) {
      way[i] = 0.25 * way[i - 1] + 0.5 * way[i] + 0.25 * way[i + 1];
    }
  }
  std::vector<Filament::Node> spine;
  for (std::size_t i = 0; i < way.size(); ++i) {
    spine.push_back(
        beside(nodes[static_cast<std::size_t>(best_from) + i], -north * way[i], west * way[i]));
  }
  return spine;
}

/// Grows over a day, is gone within half a day, and may rise as it goes.
void live(Filament& filament, double age_days, double life_days, bool erupts) {
  const double left_days = life_days - age_days;
  constexpr double kGrowDays = 1.0;
  constexpr double kFadeDays = 0.5;
  constexpr double kEruptionDays = 50.0 / 1440.0;
  filament.strength = std::clamp(age_days / kGrowDays, 0.0, 1.0);
  if (!erupts) {
    filament.strength *= std::clamp(left_days / kFadeDays, 0.0, 1.0);
  } else if (left_days < kEruptionDays) {
    const double share = 1.0 - left_days / kEruptionDays;
    filament.lift_Mm = 250.0 * share * share * share;
    filament.strength *= 1.0 - 0.7 * share;
  }
}

std::optional<Filament> active_one(const Magnetism& magnetism, const Region& region) {
  base::Random random{region.seed, 0xac7U};
  constexpr double kShare = 0.55;
  const bool there = random.uniform() < kShare && region.largest_area_muh > 80.0;
  const double from = random.uniform(0.12, 0.4) * region.life_days;
  const double life = random.uniform(0.4, 0.9) * region.life_days;
  const double age = region.age_days - from;
  if (!there || age <= 0.0 || age >= life) {
    return std::nullopt;
  }
  Filament filament;
  filament.seed = region.seed ^ 0xac7U;
  filament.active = true;
  filament.width_Mm = random.uniform(3.5, 5.5);
  filament.height_Mm = random.uniform(9.0, 18.0);
  const double tilt = region.tilt_deg * kRadPerDeg;
  filament.spine = spine_from(
      magnetism, {region.latitude_deg * kRadPerDeg, region.carrington_longitude_deg * kRadPerDeg,
                  0.5 * kPi + tilt + random.uniform(-0.25, 0.25), random.uniform(50.0, 110.0),
                  random.uniform(-0.15, 0.15)});
  live(filament, age, life, random.uniform() < 0.5);
  return filament;
}

std::optional<Filament> quiet_one(const Magnetism& magnetism, const Region& region) {
  base::Random random{region.seed, 0x91eU};
  constexpr double kShare = 0.75;
  const bool there = random.uniform() < kShare;
  const double from = region.life_days + random.uniform(1.0, 8.0);
  const double life = random.uniform(8.0, 40.0);
  const double age = region.age_days - from;
  if (!there || age <= 0.0 || age >= life) {
    return std::nullopt;
  }
  Filament filament;
  filament.seed = region.seed ^ 0x91eU;
  filament.width_Mm = random.uniform(6.0, 10.0);
  filament.height_Mm = random.uniform(22.0, 55.0);
  const double tilt = region.tilt_deg * kRadPerDeg;
  // The equator runs ahead: with the weeks the spine is drawn out to the west.
  const double sheared = std::min(0.9, 0.022 * region.age_days);
  filament.spine = spine_from(
      magnetism,
      {region.latitude_deg * kRadPerDeg, region.carrington_longitude_deg * kRadPerDeg,
       0.5 * kPi + tilt - sheared, random.uniform(120.0, 420.0), random.uniform(-0.12, 0.12)});
  live(filament, age, life, random.uniform() < 0.6);
  return filament;
}

/// Round the poles: along the edge of the fields that the cycle has left there.
void add_crown(std::uint32_t seed, double day, std::vector<Filament>& filaments) {
  constexpr int kPlaces = 5;
  for (const int hemisphere : {-1, 1}) {
    for (int place = 0; place < kPlaces; ++place) {
      const double life = 25.0 + 10.0 * hashed(place, hemisphere, seed);
      const Turn turn =
          turn_of(day * kSecondsPerDay, life * kSecondsPerDay, hashed_share(place, hemisphere, 7));
      const auto own = static_cast<std::uint32_t>(
          hashed_bits(place, hemisphere, seed + 31U * static_cast<std::uint64_t>(turn.count)));
      base::Random random{own};
      if (random.uniform() < 0.35) {
        continue;
      }
      Filament filament;
      filament.seed = own;
      filament.width_Mm = random.uniform(6.0, 9.0);
      filament.height_Mm = random.uniform(25.0, 50.0);
      const double latitude = hemisphere * random.uniform(52.0, 66.0) * kRadPerDeg;
      const double length = random.uniform(70.0, 260.0);
      // Slower than the equator, by what the surface turns there.
      const double longitude = 2.0 * kPi * (place + random.uniform(-0.4, 0.4)) / kPlaces -
                               2.4 * kRadPerDeg * (turn.share - 0.5) * life;
      const int count = std::max(3, static_cast<int>(length / kNodeMm));
      const double bend = random.uniform(-0.06, 0.06);
      const double slope = random.uniform(-0.12, 0.12);
      for (int i = 0; i < count; ++i) {
        const double way = ((i + 0.5) / count - 0.5);
        filament.spine.push_back(beside({latitude, longitude}, way * length,
                                        length * (bend * std::cos(kPi * way) + slope * way)));
      }
      live(filament, turn.share * life, life, random.uniform() < 0.4);
      filaments.push_back(filament);
    }
  }
}

}  // namespace

std::vector<Filament> over_neutral_lines(const Magnetism& magnetism, std::uint32_t seed,
                                         sky::UtcTime time) {
  constexpr std::size_t kFewestNodes = 3;
  std::vector<Filament> filaments;
  const auto take = [&](std::optional<Filament> filament) {
    if (filament && filament->spine.size() >= kFewestNodes) {
      filaments.push_back(*std::move(filament));
    }
  };
  for (const Region& region : magnetism.regions()) {
    take(active_one(magnetism, region));
    take(quiet_one(magnetism, region));
  }
  add_crown(seed, static_cast<double>(time.unix_ms) / 1000.0 / kSecondsPerDay, filaments);
  for (Filament& filament : filaments) {
    filament.length_Mm = kNodeMm * static_cast<double>(filament.spine.size());
  }
  return filaments;
}

std::optional<FilamentView> seen_from(const Filament& filament, const sky::DiscView& view) {
  const double b0 = view.b0_deg * kRadPerDeg;
  const double radius = sky::limb_radius_arcsec(view.distance_au);
  FilamentView seen;
  double highest = 0.0;
  for (const Filament::Node& node : filament.spine) {
    const Vector at = on_sphere(node.latitude_rad, node.longitude_rad - view.l0_deg * kRadPerDeg);
    const double north = at[1] * std::cos(b0) - at[2] * std::sin(b0);
    const double towards = at[1] * std::sin(b0) + at[2] * std::cos(b0);
    const double raised = 1.0 + (filament.height_Mm + filament.lift_Mm) / kSolarRadiusMm;
    const double out = raised * std::hypot(at[0], north);
    const double height_km = (out - 1.0) * kSolarRadiusKm;
    constexpr double kSeenKm = 4000.0;  // over the fringe
    if (height_km > std::max(highest, kSeenKm) && std::abs(towards) < 0.5) {
      highest = height_km;
      seen = {{radius * raised * at[0], radius * raised * north}, height_km};
    }
  }
  if (highest > 0.0) {
    return seen;
  }
  const Filament::Node& middle = filament.spine[filament.spine.size() / 2];
  const auto place = sky::disc_place(middle.latitude_rad * base::kDegPerRad,
                                     middle.longitude_rad * base::kDegPerRad, view);
  return place ? std::optional(FilamentView{*place, 0.0}) : std::nullopt;
}

}  // namespace solarchon::scene
