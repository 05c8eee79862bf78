// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "solarchon/image/picture.h"

namespace solarchon::image {

/// Weights of four pixels in a row for a place between the middle two.
/// @param part  of the way from the second to the third, 0 to 1
/// Source: Keys, IEEE Transactions on Acoustics, Speech and Signal Processing 29 (1981) 1153, with
/// a = -1/2.
[[nodiscard]] constexpr std::array<float, 4> cubic_weights(double part) {
  return {static_cast<float>(((-0.5 * part + 1.0) * part - 0.5) * part),
          static_cast<float>((1.5 * part - 2.5) * part * part + 1.0),
          static_cast<float>(((-1.5 * part + 2.0) * part + 0.5) * part),
          static_cast<float>((0.5 * part - 0.5) * part * part)};
}

/// Whether a place lies on a picture's pixels.
[[nodiscard]] inline bool lies_on(const Picture& picture, double x, double y) {
  return x >= -0.5 && y >= -0.5 && x <= picture.width - 0.5 && y <= picture.height - 0.5;
}

/// What a plane has between its pixels, by Keys' cubic; beyond the edge as at the edge.
[[nodiscard]] float sampled(const Picture& picture, int plane, double x, double y);

}  // namespace solarchon::image
