// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/light/limb_darkening.h"

namespace solarchon::disc {

/// Spacing of samples across an edge (px).
inline constexpr double kEdgeStepPx = 0.5;

/// Where a profile from inside to outside falls fastest.
struct Edge {
  double place_px = 0.0;       ///< from the profile's first sample
  double slope_per_px = 0.0;   ///< how fast it falls there, above 0
  double half_width_px = 0.0;  ///< from there outward to half that slope
};

/// Finds the steepest fall of samples kEdgeStepPx apart, after a slight smoothing.
/// @return  none when nothing falls, or the steepest place touches an end
[[nodiscard]] std::optional<Edge> steepest_fall(const std::vector<double>& profile);

/// What softness does to the steepest point of a darkened limb.
struct LimbBias {
  double sigma_px = 0.0;   ///< softness that explains the half width
  double inward_px = 0.0;  ///< how far the steepest point lies inside the true limb
};

/// Works both out for a limb of that radius whose steepest fall has that half width.
[[nodiscard]] LimbBias limb_bias(double half_width_px, double radius_px,
                                 const light::LimbDarkening& darkening);

}  // namespace solarchon::disc
