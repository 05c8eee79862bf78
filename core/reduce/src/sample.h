// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/frames/picture.h"

namespace solarchon::reduce {

/// Weights of the four pixels about a place, `part` of a pixel beyond the second (Keys 1981).
[[nodiscard]] inline std::array<float, 4> cubic_weights(double part) {
  const double t = part;
  return {static_cast<float>(((-0.5 * t + 1.0) * t - 0.5) * t),
          static_cast<float>((1.5 * t - 2.5) * t * t + 1.0),
          static_cast<float>(((-1.5 * t + 2.0) * t + 0.5) * t),
          static_cast<float>((0.5 * t - 0.5) * t * t)};
}

/// Whether a place lies on a picture's pixels.
[[nodiscard]] inline bool lies_on(const frames::Picture& picture, double x, double y) {
  return x >= -0.5 && y >= -0.5 && x <= picture.width - 0.5 && y <= picture.height - 0.5;
}

/// What a plane has between its pixels; beyond the edge as at the edge.
[[nodiscard]] inline float sampled(const frames::Picture& picture, int plane, double x, double y) {
  const double left = std::floor(x);
  const double top = std::floor(y);
  const std::array<float, 4> across = cubic_weights(x - left);
  const std::array<float, 4> down = cubic_weights(y - top);
  float sum = 0.0F;
  for (int j = 0; j < 4; ++j) {
    const int row = std::clamp(static_cast<int>(top) + j - 1, 0, picture.height - 1);
    float line = 0.0F;
    for (int i = 0; i < 4; ++i) {
      const int column = std::clamp(static_cast<int>(left) + i - 1, 0, picture.width - 1);
      line += across.at(static_cast<std::size_t>(i)) * picture.at(column, row, plane);
    }
    sum += down.at(static_cast<std::size_t>(j)) * line;
  }
  return sum;
}

/// The mean of a picture's planes.
[[nodiscard]] inline frames::Picture grey_of(const frames::Picture& picture) {
  if (picture.planes == 1) {
    return picture;
  }
  frames::Picture grey;
  grey.width = picture.width;
  grey.height = picture.height;
  grey.info = picture.info;
  grey.recipe = picture.recipe;
  const std::size_t size = picture.plane_size();
  grey.values.resize(size);
  for (int plane = 0; plane < picture.planes; ++plane) {
    for (std::size_t i = 0; i < size; ++i) {
      grey.values[i] += picture.values[static_cast<std::size_t>(plane) * size + i] /
                        static_cast<float>(picture.planes);
    }
  }
  return grey;
}

}  // namespace solarchon::reduce
