// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/live/setting.h"

namespace solarchon::live {

/// What was seen at one place of the focuser.
struct FocusPoint {
  double position_um = 0.0;  ///< of the focuser, from anywhere
  double width = 0.0;        ///< of the edge in any unit, or 1 / sqrt(Sharpness::detail): above 0
};

/// The place of best focus.
struct FocusFit {
  Estimate position_um;
  double width = 0.0;         ///< there; 0: too narrow for the places that were tried
  double um_per_width = 0.0;  ///< far from focus, by how much the focuser goes for one width more
  bool inside = false;        ///< the places tried lie on both sides of it
};

/// Fits the curve of a focus run, a hyperbola; points far off it count less.
/// @param points  five or more, at three places or more, in any order
/// Errors: kMissing (field `points`) for fewer; kNotFound when they show no valley: the places lie
/// too near each other, or all on one flank.
/// Accuracy: a quarter of the depth of focus where the places reach two depths to both sides and
/// widths scatter by 10 per cent.
/// Source: w^2 = w0^2 + ((z - z0) / k)^2, linear in its coefficients; Tukey's weights.
[[nodiscard]] base::Result<FocusFit> fit_focus(const std::vector<FocusPoint>& points);

/// What was seen at one step of a tuner.
struct TuningPoint {
  int step = 0;
  double structure = 0.0;  ///< contrast of detail, as Readings::structure
  double light = 0.0;      ///< of the disc, black taken out, in any unit; 0: full or not known
};

/// The best step of a tuner.
struct TuningFit {
  int step = 0;             ///< of those tried, the best
  double between = 0.0;     ///< where a curve through it and its neighbours is highest, in steps
  bool at_the_end = false;  ///< no step beyond it was tried on one side
};
/// @param points  of a run; several of one step are averaged
/// @return        none without three different steps, or when they differ by no more than they
///                scatter
[[nodiscard]] std::optional<TuningFit> best_step(const std::vector<TuningPoint>& points);

/// The step that is nearest to the middle of an absorption line: there the disc is darkest. Sharper
/// than the contrast, which is nearly flat over half of a passband and may rise on the line's
/// flanks, but only while the sky lets through the same.
/// @param points  of a run at one exposure
/// @return        none without three different steps with light, or when light does not rise
///                clearly to both sides
/// Accuracy: a fifth of a step where light scatters by less than a hundredth.
/// Source: the line's profile is even about its middle; a parabola through its logarithm.
[[nodiscard]] std::optional<TuningFit> darkest_step(const std::vector<TuningPoint>& points);

}  // namespace solarchon::live
