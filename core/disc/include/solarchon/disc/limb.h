// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/image/frame.h"

namespace solarchon::disc {

/// Wavelength that counts where a frame does not say its own (nm).
inline constexpr double kWhiteLightNm = 540.0;

/// The Moon in front of the Sun.
struct MoonDisc {
  double centre_x_px = 0.0;
  double centre_y_px = 0.0;
  double radius_px = 0.0;
  double magnitude = 0.0;    ///< share of the Sun's diameter, as sky::SolarEclipse counts it
  double obscuration = 0.0;  ///< share of the disc's area

  /// Whether a place is behind it, or nearer than so much to its edge.
  [[nodiscard]] bool hides(double x, double y, double margin_px) const {
    const double dx = x - centre_x_px;
    const double dy = y - centre_y_px;
    const double reach = radius_px + margin_px;
    return dx * dx + dy * dy < reach * reach;
  }
};

/// The edge of the Sun in a picture.
struct LimbFit {
  double centre_x_px = 0.0;  ///< pixel centres at whole numbers, row 0 on top
  double centre_y_px = 0.0;
  double radius_px = 0.0;
  double blur_px = 0.0;     ///< standard deviation of the edge's softness
  double scatter_px = 0.0;  ///< of single edge points about the circle
  double seen_share = 0.0;  ///< how much of the limb lies in the picture and was used, 0 to 1
  int points = 0;
  bool saturated = false;  ///< the disc is so full that the edge is not to be trusted
  std::optional<MoonDisc> moon = {};
};

/// Finds the limb of the Sun: edge points where the brightness falls fastest along radii, a robust
/// circle through them, and a correction for the limb darkening that pulls that point inward.
/// The disc may be cut by the frame, or bitten by the Moon, whose edge is found like the limb and
/// does not count for it; at least a tenth of the limb must be seen, and the light of the picture
/// must be that of such a disc.
/// Errors: kNotFound when there is no such edge; where the whole picture is the reason, the value
/// says so: `too dim`, `too bright`, `too small`. kCancelled.
/// Accuracy: 0.05 px in centre and radius for exposed, unsaturated discs of 100 px radius and more
/// with a third of the limb in the frame, softened by up to 6 px (standard deviation), where the
/// frame's wavelength is right; 0.3 px for a disc of which 0.9 are covered, and for the Moon.
/// Source: circle by Gauss-Newton with Tukey weights on radial distances (Huber, Robust Statistics,
/// chapter 7), started from a consensus of edge points (Fischler and Bolles 1981).
[[nodiscard]] base::Result<LimbFit> fit_limb(const image::Frame& frame,
                                             const base::Task& task = {});

}  // namespace solarchon::disc
