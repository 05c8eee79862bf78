// SPDX-License-Identifier: GPL-3.0-or-later
#include "judging.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

#include "solarchon/base/parallel.h"
#include "solarchon/image/plane.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::reduce {

image::Plane mean_of(const Sums& sums) {
  image::Plane plane;
  plane.width = sums.width();
  plane.height = sums.height();
  plane.values.resize(static_cast<std::size_t>(plane.width) *
                      static_cast<std::size_t>(plane.height));
  base::each_row(plane.height, {}, [&](int y) {
    float* to = plane.values.data() + static_cast<std::ptrdiff_t>(y) * plane.width;
    for (int x = 0; x < plane.width; ++x) {
      const std::size_t at = sums.index(x, y);
      to[x] = sums.weights()[at] > 0.0F ? sums.sums()[at] / sums.weights()[at] : 0.0F;
    }
  });
  return plane;
}

namespace {

/// By how much a value may differ because of how the frame is shifted and blurred there: where the
/// picture is steep or bent, as at the edges of spots, most frames differ, and all to one side.
float slack_at(const image::Plane& mean, int x, int y) {
  constexpr float kShift_px = 0.5F;
  constexpr float kSofter_px2 = 1.0F;
  const auto at = [&](int column, int row) {
    return mean.values[static_cast<std::size_t>(std::clamp(row, 0, mean.height - 1)) *
                           static_cast<std::size_t>(mean.width) +
                       static_cast<std::size_t>(std::clamp(column, 0, mean.width - 1))];
  };
  const float left = at(x - 1, y);
  const float right = at(x + 1, y);
  const float above = at(x, y - 1);
  const float below = at(x, y + 1);
  return kShift_px * 0.5F * std::hypot(right - left, below - above) +
         kSofter_px2 * std::abs(left + right + above + below - 4.0F * at(x, y));
}

}  // namespace

Judge judge_of(const Sums& sums, const Strictness& strictness) {
  const std::size_t size = sums.sums().size();
  Judge judge;
  judge.mean.resize(size, 0.0F);
  judge.limit.resize(size, std::numeric_limits<float>::max());
  const image::Plane picture = mean_of(sums);
  base::each_row(sums.height(), {}, [&](int y) {
    for (int x = 0; x < sums.width(); ++x) {
      const std::size_t i = sums.index(x, y);
      const float weight = sums.weights()[i];
      constexpr float kFewest = 3.0F;
      if (weight < kFewest) {
        continue;
      }
      const float mean = sums.sums()[i] / weight;
      judge.mean[i] = mean;
      if (strictness.deviations <= 0.0) {
        continue;
      }
      const double variance = static_cast<double>(
          std::max(0.0F, sums.squares()[i] / weight - mean * mean) * weight / (weight - 1.0F));
      // Photons make it: it goes with the light.
      const double share = std::clamp(static_cast<double>(mean) / strictness.light, 0.05, 4.0);
      judge.limit[i] =
          static_cast<float>(strictness.deviations *
                             std::sqrt(variance + strictness.noise * strictness.noise * share)) +
          slack_at(picture, x, y);
    }
  });
  return judge;
}

image::Rectangle covered(const Sums& sums) {
  const int width = sums.width();
  const int height = sums.height();
  std::vector<double> of_row(static_cast<std::size_t>(height), 0.0);
  std::vector<double> of_column(static_cast<std::size_t>(width), 0.0);
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const auto weight = static_cast<double>(sums.weights()[sums.index(x, y)]);
      of_row[static_cast<std::size_t>(y)] += weight / width;
      of_column[static_cast<std::size_t>(x)] += weight / height;
    }
  }
  const auto ends = [](const std::vector<double>& weights) {
    const double least = 0.5 * *std::max_element(weights.begin(), weights.end());
    int from = 0;
    int to = static_cast<int>(weights.size());
    while (from < to - 1 && weights[static_cast<std::size_t>(from)] < least) {
      ++from;
    }
    while (to > from + 1 && weights[static_cast<std::size_t>(to - 1)] < least) {
      --to;
    }
    return std::pair(from, to);
  };
  const auto [left, right] = ends(of_column);
  const auto [top, bottom] = ends(of_row);
  return {left, top, right - left, bottom - top};
}

}  // namespace solarchon::reduce
