// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/frames/frame.h"

namespace solarchon::live {

/// The limb in one frame, at fixed angles.
struct LimbSeen {
  double centre_x_px = 0.0;
  double centre_y_px = 0.0;
  double radius_px = 0.0;
  double width_px = 0.0;    ///< of the edge: full width at half of its steepest slope
  double step = 0.0;        ///< brightness inside less that outside, in the frame's numbers
  double seen_share = 0.0;  ///< of the circle, with an edge that can be used
  /// Where the edge lies at each angle, from the frame's own circle outwards (px); not finite where
  /// there is none. Angle i is 2 pi i / size, from the right, clockwise.
  std::vector<double> off_px;
};

/// Follows the limb from frame to frame. The first frame, and one where it was lost, takes as long
/// as measure::fit_limb; the others about 1 ms.
class LimbWatch {
 public:
  /// @param expected_radius_px  that the circle has; above 0
  explicit LimbWatch(double expected_radius_px) : expected_radius_px_(expected_radius_px) {}

  /// The limb in the next frame; none where some fortieth of it is not in sight. A limb that is not
  /// there is looked for again only after some frames.
  /// Accuracy: edge points 0.1 px at usual noise; the centre 0.05 px where a third of the limb is
  /// in sight; the place along a short arc is not told by it.
  [[nodiscard]] std::optional<LimbSeen> look(const frames::Frame& frame);

  static constexpr int kAngles = 192;

 private:
  [[nodiscard]] std::optional<LimbSeen> near(const frames::Frame& frame) const;
  [[nodiscard]] bool find(const frames::Frame& frame);

  struct Circle {
    double x;
    double y;
    double radius;
    double reach;  ///< to both sides of it, in which the edge is looked for
    double width;  ///< of the edge, as it was seen last
    double share;  ///< of it that was seen last
  };
  double expected_radius_px_;
  std::optional<Circle> circle_;
  int wait_ = 0;  ///< frames until it is looked for again
};

}  // namespace solarchon::live
