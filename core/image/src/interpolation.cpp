// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/interpolation.h"

#include <algorithm>
#include <cmath>
#include <cstddef>

namespace solarchon::image {

float sampled(const Picture& picture, int plane, double x, double y) {
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

}  // namespace solarchon::image
