// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/disc/limb.h"
#include "solarchon/image/picture.h"
#include "solarchon/sky/disc.h"

namespace solarchon::disc {

/// Where a place on the sky lies in a picture of the whole disc. Lengths on the sky are in radii of
/// the disc.
class DiscProjection {
 public:
  DiscProjection(const LimbFit& limb, const sky::PictureOrientation& solar)
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
  [[nodiscard]] const LimbFit& limb() const { return limb_; }

 private:
  LimbFit limb_;
  sky::PictureOrientation solar_;
};

/// The dark ground about a disc: the middle of what lies well beyond its limb; 0 without such.
[[nodiscard]] std::vector<float> ground_of(const image::Picture& picture, const LimbFit& limb);

}  // namespace solarchon::disc
