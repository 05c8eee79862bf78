// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <vector>

#include "solarchon/scene/filament.h"
#include "solarchon/scene/synthetic_sun.h"
#include "solarchon/sky/time.h"

namespace solarchon::scene {

/// Field at a place of the surface (about gauss).
struct Field {
  double west = 0.0;
  double north = 0.0;
  double up = 0.0;
};

/// The magnetic field at the surface: the sum of what the polarities of the regions give, which
/// spread as they age, and of the salt and pepper of the network. Sources are poles below the
/// surface; their strengths are orders of magnitude, their pattern is what is drawn.
class Magnetism {
 public:
  /// Makes a map of the whole surface; takes some tenths of a second.
  Magnetism(const SyntheticSun& sun, sky::UtcTime time);

  /// From the map, between its places interpolated.
  /// @param latitude_rad   -pi/2 to pi/2
  /// @param longitude_rad  Carrington, any
  [[nodiscard]] Field at(double latitude_rad, double longitude_rad) const;
  /// Of the regions alone, as it is high above the surface: its sign divides the large areas.
  [[nodiscard]] double far_up(double latitude_rad, double longitude_rad) const;
  /// What it was made from.
  [[nodiscard]] const std::vector<Region>& regions() const { return regions_; }

  /// What hangs over the lines between large areas of opposite polarity.
  [[nodiscard]] const std::vector<Filament>& filaments() const { return filaments_; }

  /// A pole below the surface.
  struct Source {
    double latitude_rad;
    double longitude_rad;
    double flux;      ///< gauss Mm2, signed
    double depth_Mm;  ///< 10^6 m
    double reach_Mm;  ///< where it counts for nothing any more
  };

 private:
  struct Cell {
    float west;
    float north;
    float up;
  };
  std::vector<Region> regions_;
  std::vector<Source> large_;
  std::vector<Filament> filaments_;
  std::vector<Cell> map_;
};

/// The field at an instant, to the last whole five minutes; the last one that was asked for is
/// kept. May be called from any thread.
[[nodiscard]] std::shared_ptr<const Magnetism> kept_magnetism(const SyntheticSun& sun,
                                                              sky::UtcTime time);

}  // namespace solarchon::scene
