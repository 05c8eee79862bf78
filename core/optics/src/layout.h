// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

#include "solarchon/optics/train.h"

namespace solarchon::optics {

/// How a train is laid out behind its telescope.
struct Layout {
  double focal_length_mm = 0.0;            ///< of the telescope with its amplifiers and reducers
  double telescope_focal_length_mm = 0.0;  ///< of it alone, as a moved mirror makes it
  double needed_back_mm = 0.0;  ///< from the drawtube's face to the telescope's own focus
  double image_mm = 0.0;        ///< where the image lies along the axis
  std::optional<std::size_t> impossible_spacing;  ///< place in the rig
};

/// Free width of a part behind the telescope; none when it does not limit the beam.
[[nodiscard]] std::optional<double> rear_opening_mm(const Part& part);

/// Fills in places, factors and beam widths of the parts behind the telescope.
/// @param aperture_mm  what front parts leave of the telescope's aperture
[[nodiscard]] Layout lay_out(const Rig& rig, std::size_t telescope, double aperture_mm,
                             double semidiameter_rad, std::vector<Passage>& passages);

}  // namespace solarchon::optics
