// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include "solarchon/base/task.h"

namespace solarchon::reduce {

/// Of white noise of deviation 1, what each layer of the cubic spline has (Starck and Murtagh).
inline constexpr std::array<double, 4> kNoiseOfLayer{0.889, 0.200, 0.086, 0.041};

/// Detail of a plane by its size: four layers of about 1, 2, 4 and 8 px, and what is left; their
/// sum is the plane.
struct Layers {
  std::array<std::vector<float>, 4> detail;
  std::vector<float> rest;
};
/// @return  empty planes when it was stopped
[[nodiscard]] Layers layers_of(const std::vector<float>& plane, int width, int height,
                               const base::Task& task);
/// The deviation of a layer's noise, by the middle of its sizes.
[[nodiscard]] double deviation_of(const std::vector<float>& layer);

}  // namespace solarchon::reduce
