// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

namespace solarchon::scene {

/// Cells of a pattern that repeats itself: how far apart, how long they live, how they look.
struct CellKind {
  double spacing_km = 1400.0;
  double life_s = 480.0;
  double drift_km_s = 0.5;
  double lane_share = 0.16;     ///< width of the lanes between them, against the spacing
  double weight_spread = 0.25;  ///< how unequal they are in size
  double bright_spread = 0.5;   ///< and in brightness
  int cells = 110;              ///< a side
  int side_px = 1024;           ///< of the tile
};

/// Two tiles of the same cells.
struct CellTiles {
  std::vector<float> bright;  ///< mean 0, deviation 1
  std::vector<float> lanes;   ///< 1 in the middle of a lane, 0 inside cells
};

/// The pattern at an instant. The same seed gives the same cells; from one second to the next they
/// move and grow, none jumps.
[[nodiscard]] CellTiles cell_tiles(const CellKind& kind, std::uint32_t seed, double seconds);

}  // namespace solarchon::scene
