// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/scene/magnetism.h"

#include <algorithm>
#include <cmath>
#include <mutex>

#include "geometry.h"
#include "neutral_lines.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/random.h"
#include "solarchon/scene/convection.h"

namespace solarchon::scene {

using base::kPi;
using base::kRadPerDeg;

namespace {

constexpr int kRows = 540;  // a third of a degree: 4 Mm
constexpr int kColumns = 2 * kRows;
constexpr double kCellRad = kPi / kRows;

/// A region's poles: each polarity is its spots and a handful of pieces round them, which spread
/// and weaken once the spots are gone.
void add_region(const Region& region, std::vector<Magnetism::Source>& sources) {
  base::Random random{region.seed, 0x3a6U};
  const double hemisphere = region.hemisphere();
  const double tilt = region.tilt_deg * kRadPerDeg;
  const double age = region.age_days;
  constexpr double kRiseDays = 3.0;
  constexpr double kFadeDays = 24.0;
  const double after = std::max(0.0, age - region.life_days);
  const double strength = std::min(1.0, age / kRiseDays) * std::exp(-after / kFadeDays);
  // The pieces walk at random: their spread grows with the root of the time.
  const double walked_Mm = 3.2 * std::sqrt(age) * std::sqrt(8.0);
  const double total_flux = 600.0 * region.largest_area_muh;
  constexpr int kPieces = 9;
  const double half_deg = 0.5 * region.spread_deg * std::min(1.0, 0.4 + 0.2 * age);
  for (const int side : {1, -1}) {
    for (int piece = 0; piece < kPieces; ++piece) {
      const double wide_Mm = (side > 0 ? 9.0 : 15.0) + (side > 0 ? 0.8 : 1.0) * walked_Mm;
      const double west_Mm = side * half_deg * kRadPerDeg * kSolarRadiusMm * std::cos(tilt) +
                             wide_Mm * random.normal();
      const double poleward_Mm = -side * half_deg * kRadPerDeg * kSolarRadiusMm * std::sin(tilt) +
                                 wide_Mm * random.normal();
      const double share = random.uniform(0.4, 1.6) / kPieces;
      const double latitude =
          region.latitude_deg * kRadPerDeg + hemisphere * poleward_Mm / kSolarRadiusMm;
      sources.push_back({latitude,
                         region.carrington_longitude_deg * kRadPerDeg +
                             west_Mm / kSolarRadiusMm / std::cos(latitude),
                         side * region.leader_polarity * share * strength * total_flux,
                         7.0 + 0.25 * walked_Mm, 190.0});
    }
  }
  for (const Spot& spot : region.spots) {
    const double radius_Mm = spot.radius_deg * kRadPerDeg * kSolarRadiusMm;
    const double depth_Mm = std::max(2.5, 0.9 * radius_Mm);
    constexpr double kSpotGauss = 2200.0;
    sources.push_back({spot.latitude_deg * kRadPerDeg, spot.carrington_longitude_deg * kRadPerDeg,
                       spot.polarity * kSpotGauss * depth_Mm * depth_Mm, depth_Mm, 150.0});
  }
}

/// Salt and pepper: poles at the corners of cells that live for a day.
void add_network(std::uint32_t seed, sky::UtcTime time, std::vector<Magnetism::Source>& sources) {
  constexpr double kSpacing = kNetworkKm / kSolarRadiusKm * 0.47;
  constexpr double kLifeS = 86400.0;
  const double seconds = static_cast<double>(time.unix_ms) / 1000.0;
  const auto bands = static_cast<std::int64_t>(kPi / kSpacing);
  for (std::int64_t band = 0; band < bands; ++band) {
    const double middle = -0.5 * kPi + (static_cast<double>(band) + 0.5) * kPi / bands;
    const auto places =
        std::max<std::int64_t>(1, std::llround(2.0 * kPi * std::cos(middle) / kSpacing));
    for (std::int64_t place = 0; place < places; ++place) {
      const Turn turn = turn_of(seconds, kLifeS, hashed_share(band, place, seed));
      const std::uint64_t life = seed + 77U * static_cast<std::uint64_t>(turn.count);
      const double east = hashed(band, place, life + 1);
      const double north = hashed(band, place, life + 2);
      const double latitude = middle + 0.5 * north * kSpacing;
      const double longitude =
          (static_cast<double>(place) + 0.5 + 0.5 * east) * 2.0 * kPi / static_cast<double>(places);
      const double sign = hashed(band, place, life + 3) > 0.0 ? 1.0 : -1.0;
      // Few are strong: their logarithms are spread evenly.
      // They crowd on the borders of larger cells.
      constexpr double kLarge = kSolarRadiusMm / 26.0;
      const Vector at = on_sphere(latitude, longitude);
      const double border =
          1.0 - 3.2 * std::abs(lumps({kLarge * at[0], kLarge * at[1], kLarge * at[2]}, seed));
      const double size = std::exp(1.3 * hashed(band, place, life + 4)) * std::max(0.16, border);
      constexpr double kFlux = 900.0;
      sources.push_back({std::clamp(latitude, -0.5 * kPi, 0.5 * kPi), longitude,
                         sign * size * kFlux * turn.seen(), 3.0, 42.0});
    }
  }
}

Field field_of(const Magnetism::Source& source, double west_Mm, double north_Mm, double extra_Mm) {
  const double depth = source.depth_Mm + extra_Mm;
  const double square = west_Mm * west_Mm + north_Mm * north_Mm + depth * depth;
  const double factor = source.flux / (square * std::sqrt(square));
  return {west_Mm * factor, north_Mm * factor, depth * factor};
}

double wrapped(double angle_rad) {
  return angle_rad - 2.0 * kPi * std::round(angle_rad / (2.0 * kPi));
}

}  // namespace

Magnetism::Magnetism(const SyntheticSun& sun, sky::UtcTime time)
    : regions_(sun.regions(time)), map_(static_cast<std::size_t>(kRows) * kColumns) {
  for (const Region& region : regions_) {
    add_region(region, large_);
  }
  filaments_ = over_neutral_lines(*this, sun.seed(), time);
  std::vector<Source> sources = large_;
  add_network(sun.seed(), time, sources);
  base::each_row(kRows, {}, [&](int row) {
    const double latitude = (row + 0.5) * kCellRad - 0.5 * kPi;
    const double cosine = std::cos(latitude);
    Cell* cells = map_.data() + static_cast<std::ptrdiff_t>(row) * kColumns;
    for (const Source& source : sources) {
      const double north_Mm = (latitude - source.latitude_rad) * kSolarRadiusMm;
      if (std::abs(north_Mm) > source.reach_Mm) {
        continue;
      }
      const double mm_per_column = kCellRad * cosine * kSolarRadiusMm;
      const int reach = static_cast<int>(
          std::min(0.5 * kColumns - 1.0, source.reach_Mm / std::max(1e-6, mm_per_column)));
      const int middle = static_cast<int>(std::floor(source.longitude_rad / kCellRad));
      for (int column = middle - reach; column <= middle + reach; ++column) {
        const double west_Mm =
            ((column + 0.5) * kCellRad - source.longitude_rad) * cosine * kSolarRadiusMm;
        Field field = field_of(source, west_Mm, north_Mm, 0.0);
        // Farther out the lines have closed over other poles.
        const double far =
            (west_Mm * west_Mm + north_Mm * north_Mm) / (source.reach_Mm * source.reach_Mm);
        const double fade = far < 1.0 ? (1.0 - far) * (1.0 - far) : 0.0;
        field = {fade * field.west, fade * field.north, fade * field.up};
        Cell& cell = cells[((column % kColumns) + kColumns) % kColumns];
        cell.west += static_cast<float>(field.west);
        cell.north += static_cast<float>(field.north);
        cell.up += static_cast<float>(field.up);
      }
    }
    for (int column = 0; column < kColumns; ++column) {
      Cell& cell = cells[column];
      // Fine poles that are not told one by one turn it here and there.
      constexpr double kUneven = 0.55;
      const double level =
          kUneven * std::hypot(static_cast<double>(cell.west), static_cast<double>(cell.north));
      cell.west += static_cast<float>(level * hashed(row, column, sun.seed() + 41U));
      cell.north += static_cast<float>(level * hashed(row, column, sun.seed() + 42U));
    }
  });
}

Field Magnetism::at(double latitude_rad, double longitude_rad) const {
  const double x = longitude_rad / kCellRad - 0.5;
  const double y = std::clamp((latitude_rad + 0.5 * kPi) / kCellRad - 0.5, 0.0, kRows - 1.001);
  const int left = static_cast<int>(x) - (x < 0.0 ? 1 : 0);
  const int low = static_cast<int>(y);
  const double dx = x - left;
  const double dy = y - low;
  int first = left;
  while (first < 0) {
    first += kColumns;
  }
  while (first >= kColumns) {
    first -= kColumns;
  }
  const int second = first + 1 == kColumns ? 0 : first + 1;
  const Cell* lower = map_.data() + static_cast<std::ptrdiff_t>(low) * kColumns;
  const Cell* upper = lower + kColumns;
  const double a = (1.0 - dx) * (1.0 - dy);
  const double b = dx * (1.0 - dy);
  const double c = (1.0 - dx) * dy;
  const double d = dx * dy;
  const auto mixed = [&](float Cell::*part) {
    return a * static_cast<double>(lower[first].*part) +
           b * static_cast<double>(lower[second].*part) +
           c * static_cast<double>(upper[first].*part) +
           d * static_cast<double>(upper[second].*part);
  };
  return {mixed(&Cell::west), mixed(&Cell::north), mixed(&Cell::up)};
}

double Magnetism::far_up(double latitude_rad, double longitude_rad) const {
  constexpr double kHighMm = 22.0;
  double up = 0.0;
  for (const Source& source : large_) {
    const double north_Mm = (latitude_rad - source.latitude_rad) * kSolarRadiusMm;
    const double west_Mm =
        wrapped(longitude_rad - source.longitude_rad) * std::cos(latitude_rad) * kSolarRadiusMm;
    up += field_of(source, west_Mm, north_Mm, kHighMm).up;
  }
  return up;
}

std::shared_ptr<const Magnetism> kept_magnetism(const SyntheticSun& sun, sky::UtcTime time) {
  constexpr std::int64_t kStepMs = 300'000;
  struct Kept {
    std::mutex guard;
    std::uint32_t seed = 0;
    std::optional<double> level;
    std::int64_t step = 0;
    std::shared_ptr<const Magnetism> magnetism;
  };
  static Kept kept;
  const auto step = static_cast<std::int64_t>(
      std::floor(static_cast<double>(time.unix_ms) / static_cast<double>(kStepMs)));
  const std::lock_guard<std::mutex> held(kept.guard);
  if (!kept.magnetism || kept.seed != sun.seed() || kept.level != sun.level() ||
      kept.step != step) {
    kept.magnetism = std::make_shared<const Magnetism>(sun, sky::UtcTime{step * kStepMs});
    kept.seed = sun.seed();
    kept.level = sun.level();
    kept.step = step;
  }
  return kept.magnetism;
}

}  // namespace solarchon::scene
