// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/frames/picture.h"
#include "solarchon/measure/limb.h"
#include "solarchon/sky/disc.h"

namespace solarchon::reduce {

/// Where a place on the sky lies in a picture of the whole disc. Lengths on the sky are in radii of
/// the disc.
class DiscSight {
 public:
  DiscSight(const measure::LimbFit& limb, const sky::PictureOrientation& solar)
      : limb_(limb), solar_(solar) {}

  struct Place {
    double x_px = 0.0;
    double y_px = 0.0;
  };
  /// @param west, north  from the disc's middle, towards solar west and north
  [[nodiscard]] Place at(double west, double north) const {
    const sky::PictureOffset offset = sky::to_picture({west, north}, solar_);
    return {limb_.centre_x_px + limb_.radius_px * offset.right,
            limb_.centre_y_px - limb_.radius_px * offset.up};
  }
  [[nodiscard]] const measure::LimbFit& limb() const { return limb_; }

 private:
  measure::LimbFit limb_;
  sky::PictureOrientation solar_;
};

/// The dark ground about a disc: the middle of what lies well beyond its limb; 0 without such.
[[nodiscard]] std::vector<float> ground_of(const frames::Picture& picture,
                                           const measure::LimbFit& limb);

}  // namespace solarchon::reduce
