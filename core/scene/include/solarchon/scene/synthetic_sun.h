// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <vector>

#include "solarchon/sky/time.h"

namespace solarchon::scene {

/// One drawn sunspot. Its penumbra is a circle on the surface with a wavy rim of the same area.
struct Spot {
  int group = 0;  ///< numbered within the moment, from 1
  double latitude_deg = 0.0;
  double carrington_longitude_deg = 0.0;
  double radius_deg = 1.0;       ///< of the penumbra, seen from the Sun's centre
  double umbra_share = 0.4;      ///< umbra's radius against the penumbra's; near 1: a pore
  std::array<double, 3> wave{};  ///< rim waves of 2, 3 and 4 periods, relative
  std::array<double, 3> phase_rad{};

  /// Area of the whole spot in millionths of the solar hemisphere.
  [[nodiscard]] double area_muh() const;
};

/// A made-up Sun whose spots are born, grow, drift with the surface and fade: the same for the
/// same seed and instant, whoever asks.
class SyntheticSun {
 public:
  explicit SyntheticSun(std::uint32_t seed = 1) : seed_(seed) {}

  /// All spots on the whole Sun at an instant, both hemispheres and the far side.
  [[nodiscard]] std::vector<Spot> spots(sky::UtcTime time) const;

 private:
  std::uint32_t seed_;
};

}  // namespace solarchon::scene
