// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

#include "solarchon/sky/disc.h"

namespace solarchon::scene {

/// Cool gas held over the line between two polarities: a dark filament on the disc, and the same
/// from the side a prominence over the limb.
struct Filament {
  /// A place of its spine.
  struct Node {
    double latitude_rad;
    double longitude_rad;  ///< Carrington
  };
  std::uint32_t seed = 0;
  std::vector<Node> spine;  ///< evenly spaced, two or more
  double length_Mm = 0.0;   ///< 10^6 m
  double width_Mm = 8.0;
  double height_Mm = 30.0;
  double strength = 1.0;  ///< 0 to 1: how much of it is there, at its birth and end
  double lift_Mm = 0.0;   ///< by which an eruption has raised it
  bool active = false;    ///< low and thin, inside a region
};

/// How a filament looks from where it is seen.
struct FilamentView {
  sky::DiscPlace place;    ///< of its middle, or of its highest point over the limb
  double height_km = 0.0;  ///< over the limb; 0: it lies on the disc
};
/// @return  none when nothing of it is seen
/// Accuracy: of the height 10 per cent: single threads stand out.
[[nodiscard]] std::optional<FilamentView> seen_from(const Filament& filament,
                                                    const sky::DiscView& view);

}  // namespace solarchon::scene
