// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/image/frame.h"

namespace solarchon::media {

/// Real numbers in sixteen bits.
struct Sixteen {
  std::vector<std::uint16_t> pixels;
  std::optional<double> pedestal = {};  ///< where numbers below nothing were: what 0 became
};
/// Brings real numbers to 0..65535 so that 0 stays no light and pictures of one kind keep their
/// light against each other: a full pixel is the one that is told, or else the power of two from
/// which the highest is not far. Blank ones (not finite) become the least. A few wild values do
/// not count: what lies further from the rest than the rest is wide, when it is less than one pixel
/// in a hundred thousand (eight in any picture), is held at the ends.
/// @param full  value of a full pixel, as the file tells it
[[nodiscard]] Sixteen sixteen_bits_of(const std::vector<float>& values,
                                      std::optional<double> full = {});

/// Value of a full pixel of numbers that came in sixteen bits: 255 where only eight of them are in
/// use and a picture is in them, else 65535. What is dark all over (a frame with the cap on) is
/// taken at its word.
[[nodiscard]] int full_of_sixteen(const std::vector<std::uint16_t>& pixels);

/// The pattern of a mosaic's lowest two rows, upwards, from that of its top two, downwards, and the
/// other way; empty for what is none.
[[nodiscard]] std::string bayer_from_below(const std::string& pattern, int height);

}  // namespace solarchon::media
