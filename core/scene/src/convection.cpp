// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/scene/convection.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <mutex>
#include <utility>

#include "cells.h"
#include "solarchon/base/angle.h"

namespace solarchon::scene {

namespace {

// Brightness forgets itself by e in eight minutes: the cells themselves last longer.
constexpr CellKind kGranuleCells{kGranuleKm, 1150.0, 0.25, 0.18, 0.38, 0.25, 110, 1024};
constexpr CellKind kNetworkCells{kNetworkKm, 86400.0, 0.02, 0.30, 0.4, 0.5, 32, 512};
/// Where the bright points of faculae crowd.
constexpr CellKind kClumpCells{6000.0, 7200.0, 0.1, 0.3, 0.5, 2.0, 64, 512};

double seconds_of(sky::UtcTime time) { return static_cast<double>(time.unix_ms) / 1000.0; }

double pixel_km(const CellKind& kind) {
  return kind.spacing_km * kind.cells / static_cast<double>(kind.side_px);
}

/// Where a place lies in a tile. The surface is laid out in strips of longitude, each flat about
/// its own middle, so that the pattern is nowhere drawn out. They meet along winding lines, which
/// are lost among the lanes.
struct Laid {
  double east_km;
  double north_km;
};
Laid laid(const Convection::Place& place, double period_km) {
  constexpr double kStrips = 12.0;
  constexpr double kWideRad = 2.0 * base::kPi / kStrips;
  constexpr double kGolden = 0.618033988749895;
  const auto zigzag = [](double x) { return std::abs(x - std::floor(x) - 0.5) - 0.25; };
  const double winding =
      0.2 * zigzag(4.0 * place.sin_latitude) + 0.1 * zigzag(11.0 * place.sin_latitude);
  const double turned = place.longitude_rad / kWideRad;
  const double strip = std::floor(turned + winding);
  const double index = strip - kStrips * std::floor(strip / kStrips);
  const double east_rad = (turned - strip - 0.5) * kWideRad;
  const double cos_latitude =
      std::sqrt(std::max(0.0, 1.0 - place.sin_latitude * place.sin_latitude));
  // Each strip begins elsewhere in the tile.
  return {kSolarRadiusKm * cos_latitude * east_rad + period_km * kGolden * (index + 1.0),
          kSolarRadiusKm * std::asin(std::clamp(place.sin_latitude, -1.0, 1.0)) +
              period_km * kGolden * kGolden * 7.0 * (index + 1.0)};
}

double asked(const Texture& texture, const Convection::Place& place) {
  const Laid at = laid(place, texture.period_km());
  return texture.at(at.east_km, at.north_km, place.footprint_km);
}

}  // namespace

Texture::Texture(std::vector<float> tile, double pixel_km) {
  const int side = static_cast<int>(std::lround(std::sqrt(static_cast<double>(tile.size()))));
  period_km_ = side * pixel_km;
  levels_.push_back({side, pixel_km, std::move(tile)});
  while (levels_.back().side > 1) {
    const Level& fine = levels_.back();
    const auto wide = static_cast<std::size_t>(fine.side);
    Level half{fine.side / 2, 2.0 * fine.pixel_km, {}};
    half.values.reserve(wide * wide / 4);
    for (std::size_t y = 0; y < wide; y += 2) {
      for (std::size_t x = 0; x < wide; x += 2) {
        const float* upper = fine.values.data() + y * wide + x;
        half.values.push_back(0.25F * (upper[0] + upper[1] + upper[wide] + upper[wide + 1]));
      }
    }
    levels_.push_back(std::move(half));
  }
}

double Texture::Level::at(double east_km, double north_km) const {
  const double x = east_km / pixel_km - 0.5;
  const double y = north_km / pixel_km - 0.5;
  const double whole_x = std::floor(x);
  const double whole_y = std::floor(y);
  const double dx = x - whole_x;
  const double dy = y - whole_y;
  // A power of two: the mask wraps, below zero too.
  const auto mask = static_cast<std::int64_t>(side) - 1;
  const std::int64_t left = static_cast<std::int64_t>(whole_x) & mask;
  const std::int64_t right = (left + 1) & mask;
  const std::int64_t top = (static_cast<std::int64_t>(whole_y) & mask) * side;
  const std::int64_t bottom = ((static_cast<std::int64_t>(whole_y) + 1) & mask) * side;
  const auto value = [&](std::int64_t column, std::int64_t row) {
    return static_cast<double>(values[static_cast<std::size_t>(row + column)]);
  };
  return (1.0 - dy) * ((1.0 - dx) * value(left, top) + dx * value(right, top)) +
         dy * ((1.0 - dx) * value(left, bottom) + dx * value(right, bottom));
}

double Texture::at(double east_km, double north_km, double footprint_km) const {
  const double level = std::log2(std::max(1.0, footprint_km / levels_.front().pixel_km));
  const auto last = levels_.size() - 1;
  const auto fine = std::min(static_cast<std::size_t>(level), last);
  const double sharp = levels_[fine].at(east_km, north_km);
  const double share = level - static_cast<double>(fine);
  if (fine == last || share <= 0.0) {
    return sharp;
  }
  return (1.0 - share) * sharp + share * levels_[fine + 1].at(east_km, north_km);
}

Convection::Convection(std::uint32_t seed, sky::UtcTime time)
    : Convection(cell_tiles(kGranuleCells, seed, seconds_of(time)),
                 cell_tiles(kNetworkCells, seed + 1, seconds_of(time)),
                 cell_tiles(kClumpCells, seed + 2, seconds_of(time))) {}

Convection::Convection(CellTiles granules, CellTiles network, CellTiles clumps)
    : granules_(std::move(granules.bright), pixel_km(kGranuleCells)),
      lanes_(std::move(granules.lanes), pixel_km(kGranuleCells)),
      network_(std::move(network.lanes), pixel_km(kNetworkCells)),
      clumps_(std::move(clumps.bright), pixel_km(kClumpCells)) {}

double Convection::granules(const Place& place) const { return asked(granules_, place); }

double Convection::network(const Place& place) const {
  constexpr double kCrowded = 0.45;  // of the clumps' deviation, about which they begin
  const double clump = std::clamp(kCrowded * asked(clumps_, place) + 0.25, 0.0, 1.0);
  constexpr double kBetween = 0.15;  // of the points, outside the lanes of granules
  return asked(network_, place) * clump * (kBetween + (1.0 - kBetween) * asked(lanes_, place));
}

std::shared_ptr<const Convection> kept_convection(std::uint32_t seed, sky::UtcTime time) {
  constexpr std::int64_t kStepMs = 2000;
  struct Kept {
    std::mutex guard;
    std::uint32_t seed = 0;
    std::int64_t step = 0;
    std::shared_ptr<const Convection> convection;
  };
  static Kept kept;
  const auto step = static_cast<std::int64_t>(
      std::floor(static_cast<double>(time.unix_ms) / static_cast<double>(kStepMs)));
  const std::lock_guard<std::mutex> held(kept.guard);
  if (!kept.convection || kept.seed != seed || kept.step != step) {
    kept.convection = std::make_shared<const Convection>(seed, sky::UtcTime{step * kStepMs});
    kept.seed = seed;
    kept.step = step;
  }
  return kept.convection;
}

double granule_contrast(double wavelength_nm, double cosine) {
  constexpr double kAt630 = 0.14;
  constexpr double kFall = 1.54;  // to 0.20 at 500 nm
  constexpr double kHalfAt = 0.3;
  const double share = 1.0 - 0.5 * (1.0 - std::clamp(cosine, 0.0, 1.0)) / (1.0 - kHalfAt);
  return kAt630 * std::pow(630.0 / wavelength_nm, kFall) * share;
}

double facula_contrast(double cosine) {
  constexpr double kMost = 0.13;
  constexpr double kPeak = 0.25;
  constexpr double kAtLimb = 0.4;
  return cosine > kPeak ? kMost * (1.0 - cosine) / (1.0 - kPeak)
                        : kMost * (kAtLimb + (1.0 - kAtLimb) * std::max(0.0, cosine) / kPeak);
}

}  // namespace solarchon::scene
