// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "geometry.h"
#include "solarchon/scene/magnetism.h"
#include "solarchon/scene/picture.h"
#include "solarchon/sky/time.h"

namespace solarchon::scene {

/// A straight thread of gas over the surface. Everything that stands over the chromosphere is made
/// of such: filaments, loops, surges, ribbons of flares, spicules.
struct Thread {
  Vector from;  ///< in solar radii, towards longitude 0; see on_sphere
  Vector to;
  double radius_km = 700.0;  ///< to where its optical thickness is down by e
  double thickness = 0.3;    ///< optical, through its middle, in the line's core
  double source = 0.08;      ///< its own light, in units of the continuum at the disc's centre
  Vector velocity_km_s{};
};

/// Appends what a filament is made of at an instant.
void add_threads(const Filament& filament, double seconds, std::vector<Thread>& threads);

/// A flare at an instant.
struct Flare {
  double latitude_rad = 0.0;
  double longitude_rad = 0.0;
  double age_s = 0.0;       ///< since it began
  double brightness = 0.0;  ///< of its ribbons, 0 to 1.2
};
/// Flares whose ribbons shine, or whose loops are still there.
[[nodiscard]] std::vector<Flare> flares_of(const std::vector<Region>& regions, double seconds,
                                           std::vector<Thread>* threads = nullptr);
/// Gas thrown out along a line and falling back.
void add_surges(const std::vector<Region>& regions, double seconds, std::vector<Thread>& threads);
/// The fringe at the limb, as it is seen from there, for pixels that can show single spicules.
void add_spicules(const sky::DiscView& view, std::uint32_t seed, double seconds,
                  std::vector<Thread>& threads);

/// What threads leave in a picture; row-major, like it.
struct Splashed {
  std::vector<float> thickness;
  std::vector<float> source;         ///< weighted with the thickness
  std::vector<float> velocity_km_s;  ///< the same; away from the observer
};
/// @param view  of the Sun; `grid` as in draw()
[[nodiscard]] base::Result<Splashed> splashed(const std::vector<Thread>& threads,
                                              const sky::DiscView& view, const Grid& grid,
                                              const base::Task& task);

}  // namespace solarchon::scene
