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

/// A disc with its darkening, a hard edge, and what is scattered around it.
struct DiscModel {
  LimbFit limb;
  std::array<double, 3> darkening{};  ///< by powers of the cosine
  double around = 0.0;                ///< just beyond the limb

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
/// What a plane has in common all along the limb: the middle of each ring about it, 0 elsewhere. A
/// blur that is not quite the real one leaves such rings, detail does not.
[[nodiscard]] std::vector<float> rings_of(const std::vector<float>& plane, int width,
                                          const DiscModel& disc, double reach_px);
/// By how much the rim inside the limb stands over how the disc goes on to it, over its light.
[[nodiscard]] double overshoot(const std::vector<float>& plane, int width, int height,
                               const DiscModel& disc, double reach_px);

}  // namespace solarchon::disc
