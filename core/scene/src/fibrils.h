// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <vector>

#include "solarchon/scene/magnetism.h"

namespace solarchon::scene {

/// Streaks along the horizontal field: noise on the surface, averaged along the field's lines.
/// Source: Cabral and Leedom, Imaging vector fields using line integral convolution, 1993.
class FibrilNoise {
 public:
  /// The noise of an instant: each of its values comes and goes within 10 to 20 minutes.
  FibrilNoise(std::uint32_t seed, double seconds);

  /// Two independent values, mean 0 and deviation about 1.
  struct Pair {
    double first = 0.0;
    double second = 0.0;
  };
  /// The same noise along a long and a short piece of the line.
  struct Streaks {
    Pair full;
    Pair brief;
  };
  /// @param latitude_rad, longitude_rad  Carrington
  /// @param stride  1: every grain on the line is asked; 2, 3: every second, every third
  [[nodiscard]] Streaks along(const Magnetism& magnetism, double latitude_rad, double longitude_rad,
                              std::size_t stride) const;

 private:
  struct Value {
    float first;
    float second;
  };
  [[nodiscard]] Pair at(double latitude_rad, double longitude_rad) const;

  static constexpr std::size_t kTable = 1U << 16U;
  std::uint64_t seed_;
  std::vector<Value> table_;
  std::vector<int> columns_;  ///< of each row of the surface
};

}  // namespace solarchon::scene
