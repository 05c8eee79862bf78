// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

// Whole discs that nothing of the program draws: each point of a picture is a place on a sphere,
// and spots are caps of it, so that their areas are known exactly. None of the program's rooms is
// used here, which the build checks.
namespace solarchon::foreign {

/// A spot as a cap of the sphere, with a core.
struct DrawnSpot {
  double right = 0.0;  ///< of its middle from the disc's, in radii of the disc
  double down = 0.0;
  double area_muh = 100.0;  ///< millionths of the hemisphere
  double penumbra = 0.8;    ///< light of the photosphere
  double umbra = 0.25;
  double umbra_radius = 0.42;  ///< of its own; 1: a pore
  double ragged = 0.0;         ///< share by which its outline goes in and out
};

/// A dark disc in front, in pixels.
struct DrawnMoon {
  double x = 0.0;
  double y = 0.0;
  double radius_px = 0.0;
};

/// A thread that lies on the disc: a filament.
struct DrawnThread {
  double right = 0.0;
  double down = 0.0;
  double turn_rad = 0.0;
  double length = 0.2;  ///< in radii of the disc
  double width = 0.008;
  double light = 0.6;
};

struct DrawnDisc {
  int width = 560;
  int height = 520;
  double x = 280.0;
  double y = 260.0;
  double radius_px = 220.0;
  double flattening = 0.0;  ///< by which its height is less than its width
  double darkening = 0.6;   ///< 1 - u (1 - mu)
  double blur_px = 1.5;     ///< deviation
  std::vector<DrawnSpot> spots = {};
  std::vector<DrawnThread> threads = {};
  std::optional<DrawnMoon> moon = {};
  double cloud = 0.0;     ///< share of the light that a bank takes, right of a ragged line
  double cloud_at = 0.3;  ///< where that line lies, in radii to the right of the middle
  double vignette = 0.0;  ///< share of the light that is lost in the corners
  double sky = 0.01;      ///< over the disc's middle
  double halo = 0.0;      ///< light scattered about the disc, at its limb
  int prominences = 0;    ///< along the limb, as bright as the disc's limb
  double grain = 0.0;     ///< deviation of grains 3 px wide
  double level = 40'000.0;
  double noise = 60.0;
  std::uint32_t seed = 7;
};

/// Numbers of 16 bits, row by row; those of a full pixel are 65535.
[[nodiscard]] std::vector<std::uint16_t> drawn(const DrawnDisc& disc);

}  // namespace solarchon::foreign
