// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <vector>

#include "solarchon/base/task.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/picture.h"
#include "solarchon/psf/transfer.h"

namespace solarchon::disc {

/// A disc with its darkening, a hard edge, what is scattered around it, and the Moon where the limb
/// has one.
struct DiscModel {
  LimbFit limb;
  std::array<double, 3> darkening{};  ///< by powers of the cosine
  double around = 0.0;                ///< just beyond the limb
  double on_moon = 0.0;               ///< scattered over the Moon

  [[nodiscard]] double inside(double far) const {
    const double share = std::min(1.0, far / limb.radius_px);
    const double mu = std::sqrt(std::max(0.0, 1.0 - share * share));
    return darkening[0] + mu * (darkening[1] + mu * darkening[2]);
  }
  /// Light of the pixel there: the edge cuts through it.
  [[nodiscard]] double at(double far) const {
    const double share = std::clamp(limb.radius_px - far + 0.5, 0.0, 1.0);
    return share * inside(std::min(far, limb.radius_px)) + (1.0 - share) * around;
  }
  /// The same of the pixel at a place, with the Moon in front.
  [[nodiscard]] double at(double x, double y) const {
    const double light = at(std::hypot(x - limb.centre_x_px, y - limb.centre_y_px));
    if (!limb.moon) {
      return light;
    }
    const double out =
        std::hypot(x - limb.moon->centre_x_px, y - limb.moon->centre_y_px) - limb.moon->radius_px;
    const double share = std::clamp(0.5 - out, 0.0, 1.0);
    return light + share * (std::min(light, on_moon) - light);
  }
  /// Whether the Moon is at a place, or its edge nearer to it.
  [[nodiscard]] bool hidden(double x, double y, double margin_px) const {
    return limb.moon && limb.moon->hides(x, y, margin_px);
  }
};

/// Adds to a disc's light what a plane has of it, by the median along circles, off the edge.
/// @return  false when too little of it is in the picture
bool add_light(DiscModel& disc, const std::vector<float>& plane, const image::Picture& picture,
               double clear_px);
/// The disc in a picture; none without a limb.
/// @param clear_px  about the limb, that does not count for its light
[[nodiscard]] std::optional<DiscModel> disc_in(const image::Picture& picture,
                                               const std::vector<float>& plane, double clear_px,
                                               const base::Task& task);
[[nodiscard]] std::vector<float> drawn(const DiscModel& disc, int width, int height);
/// The air by which the edge of a plane within `reach_px` is as soft as it is seen (cm, at 500 nm);
/// the disc's radius is set to where the edge then lies.
[[nodiscard]] double nearest_air(DiscModel& disc, const std::vector<float>& plane, int width,
                                 double reach_px, const psf::ImagingSetup& imaging);
/// What a plane has in common all along the limb, and along the Moon's edge on the disc: the middle
/// of each ring about it, 0 elsewhere. A blur that is not quite the real one leaves such rings,
/// detail does not.
[[nodiscard]] std::vector<float> rings_of(const std::vector<float>& plane, int width,
                                          const DiscModel& disc, double reach_px);
/// By how much the rim inside the limb, or that beside the Moon, stands over how the disc goes on
/// to it, over its light.
[[nodiscard]] double overshoot(const std::vector<float>& plane, int width, int height,
                               const DiscModel& disc, double reach_px);

}  // namespace solarchon::disc
