// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/moves.h"

#include <array>
#include <cmath>

namespace solarchon::light {

namespace {

constexpr double kFarthestStops = 5.0;
const double kStopsPerDensity = 1.0 / std::log10(2.0);

void add(std::vector<ExposureMove>& moves, double value, double stops) {
  if (std::abs(stops) <= kFarthestStops) {
    moves.push_back({value, stops});
  }
}

/// Other densities of the part that dims, as they are sold.
std::vector<ExposureMove> densities(const optics::Rig& rig) {
  std::vector<ExposureMove> moves;
  const auto from = [&](double now, std::initializer_list<double> sold) {
    for (const double density : sold) {
      add(moves, density, (density - now) * kStopsPerDensity);
    }
  };
  for (const optics::Element& element : rig.elements) {
    if (!element.fitted) {
      continue;
    }
    if (const auto* film = std::get_if<optics::FrontFilm>(&element.part)) {
      from(film->optical_density, {3.8, 4.0, 5.0});
      return moves;
    }
    if (const auto* dark = std::get_if<optics::NeutralDensity>(&element.part)) {
      from(dark->optical_density, {0.6, 0.9, 1.8, 3.0});
      return moves;
    }
  }
  return moves;
}

}  // namespace

std::optional<ExposureMoves> exposure_moves(const optics::Rig& rig, const optics::Train& train,
                                            const LightConditions& conditions,
                                            const std::vector<SunHeight>& heights) {
  const auto now = disc_exposure(rig, train, conditions);
  if (!now || !train.focal_ratio) {
    return std::nullopt;
  }
  ExposureMoves moves;
  constexpr std::array<double, 12> kRatios{4.0,  5.6,  8.0,  11.0, 16.0,  22.0,
                                           32.0, 45.0, 64.0, 90.0, 128.0, 180.0};
  for (const double ratio : kRatios) {
    add(moves.focal_ratio, ratio, 2.0 * std::log2(ratio / *train.focal_ratio));
  }
  moves.density = densities(rig);
  for (const SunHeight& height : heights) {
    LightConditions there = conditions;
    there.airmass = height.airmass;
    if (const auto other = disc_exposure(rig, train, there)) {
      add(moves.altitude_deg, height.altitude_deg, std::log2(other->wanted_ms / now->wanted_ms));
    }
  }
  for (const double stops : {0.0, 0.5, 1.0, 2.0, 3.0}) {
    add(moves.cloud_stops, stops, stops - conditions.cloud_stops);
  }
  return moves;
}

}  // namespace solarchon::light
