// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/light/limb_darkening.h"

namespace solarchon::disc {

/// The limb in one frame, at fixed angles.
struct TrackedLimb {
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

/// Follows the limb from frame to frame: the same limb that fit_limb finds, from all pixels about
/// it instead of from rays. The first frame, and one where it was lost, takes as long
/// as fit_limb; the others about 1 ms.
class LimbTracker {
 public:
  /// @param expected_radius_px  that the circle has; above 0
  explicit LimbTracker(double expected_radius_px) : expected_radius_px_(expected_radius_px) {}

  /// The limb in the next frame; none where some fortieth of it is not in sight. A limb that is not
  /// there is looked for again only after some frames.
  /// Accuracy: edge points 0.1 px at usual noise; centre and radius 0.05 px where a third of the
  /// limb is in sight; the place along a short arc is not told by it. Of a whole disc with little
  /// noise centre and radius are those of fit_limb within 0.02 px.
  [[nodiscard]] std::optional<TrackedLimb> look(const image::Frame& frame);

  static constexpr int kAngles = 192;

 private:
  [[nodiscard]] std::optional<TrackedLimb> near(const image::Frame& frame);
  [[nodiscard]] bool find(const image::Frame& frame);
  /// After it was found: brings the circle to where the profiles have it.
  void learn_where(const image::Frame& frame);

  struct Circle {
    double x;
    double y;
    double radius;
    double reach;        ///< to both sides of it, in which the edge is looked for
    double width;        ///< of the edge, as it was seen last
    double share = 0.0;  ///< of it that was seen last
    /// By how much the light falls fastest inside the limb, as fit_limb has it (LimbBias).
    double inward_px = 0.0;
    double bias_px = 0.0;  ///< that was worked out for an edge of this half width
    double bias_half_width_px = 0.0;
  };
  /// How far inside the limb the light falls fastest, from all edges laid upon each other.
  /// @param left_px  by which they lie off the profile's middle still
  void learn_bias(const std::vector<double>& profile, double left_px,
                  const light::LimbDarkening& darkening);

  double expected_radius_px_;
  std::optional<Circle> circle_;
  int wait_ = 0;  ///< frames until it is looked for again
};

}  // namespace solarchon::disc
