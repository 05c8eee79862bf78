// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

#include "setup.h"

namespace solarchon::camera {

/// How a sensor counts.
struct Counting {
  Scale scale;
  float electrons = 1.0F;  ///< in a pixel of brightness 1
  float scattered = 0.0F;  ///< brightness that lies over all pixels
  float read_noise_e = 0.0F;
};

/// Numbers for a row of brightnesses, with the noise of photons and of reading as one normal
/// deviate from a table of 65 536, entered elsewhere in each row.
/// @param marks  what the sensor makes of even light; nullptr: all even
/// @param entry  of the table, any number
void count_row(const Counting& counting, const float* light, const float* marks, int width,
               std::uint64_t entry, std::uint16_t* out);

/// Mixes three numbers well (splitmix64's finaliser, Steele, Lea and Flood 2014).
[[nodiscard]] std::uint64_t mixed(std::uint64_t a, std::uint64_t b, std::uint64_t c);

}  // namespace solarchon::camera
