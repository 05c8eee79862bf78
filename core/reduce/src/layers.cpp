// SPDX-License-Identifier: GPL-3.0-or-later
#include "layers.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/middle.h"
#include "solarchon/base/parallel.h"

namespace solarchon::reduce {

namespace {

constexpr std::array<float, 5> kSpline{1.0F / 16.0F, 4.0F / 16.0F, 6.0F / 16.0F, 4.0F / 16.0F,
                                       1.0F / 16.0F};

/// As at the other side of the edge.
int folded(int at, int size) {
  if (size == 1) {
    return 0;
  }
  const int period = 2 * (size - 1);
  const int in = ((at % period) + period) % period;
  return in < size ? in : period - in;
}

/// Smoothed with the spline, whose points are `step` apart.
bool smooth(std::vector<float>& plane, int width, int height, int step, const base::Task& task) {
  std::vector<float> across(plane.size());
  const auto row_of = [width](int y) { return static_cast<std::ptrdiff_t>(y) * width; };
  const bool first = base::each_row(height, task, [&](int y) {
    const float* from = plane.data() + row_of(y);
    float* to = across.data() + row_of(y);
    for (int x = 0; x < width; ++x) {
      float sum = 0.0F;
      for (int k = 0; k < 5; ++k) {
        sum += kSpline.at(static_cast<std::size_t>(k)) * from[folded(x + (k - 2) * step, width)];
      }
      to[x] = sum;
    }
  });
  return first && base::each_row(height, task, [&](int y) {
           float* to = plane.data() + row_of(y);
           std::fill_n(to, width, 0.0F);
           for (int k = 0; k < 5; ++k) {
             const float* from = across.data() + row_of(folded(y + (k - 2) * step, height));
             for (int x = 0; x < width; ++x) {
               to[x] += kSpline.at(static_cast<std::size_t>(k)) * from[x];
             }
           }
         });
}

}  // namespace

Layers layers_of(const std::vector<float>& plane, int width, int height, const base::Task& task) {
  Layers layers;
  layers.rest = plane;
  int step = 1;
  for (std::vector<float>& detail : layers.detail) {
    detail = layers.rest;
    if (!smooth(layers.rest, width, height, step, {task.stop, {}})) {
      return {};
    }
    for (std::size_t i = 0; i < detail.size(); ++i) {
      detail[i] -= layers.rest[i];
    }
    step *= 2;
  }
  return layers;
}

double deviation_of(const std::vector<float>& layer) {
  constexpr std::size_t kMost = 200000;
  constexpr double kOfNormal = 0.6745;
  const std::size_t every = std::max<std::size_t>(1, layer.size() / kMost);
  std::vector<double> sizes;
  sizes.reserve(layer.size() / every + 1);
  for (std::size_t i = 0; i < layer.size(); i += every) {
    sizes.push_back(std::abs(static_cast<double>(layer[i])));
  }
  return base::middle_of(std::move(sizes)) / kOfNormal;
}

}  // namespace solarchon::reduce
