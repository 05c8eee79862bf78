// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/light/limb_darkening.h"
#include "solarchon/scene/synthetic_sun.h"
#include "solarchon/sky/disc.h"

namespace solarchon::scene {

/// Where a picture's pixels look.
struct Grid {
  int width = 0;
  int height = 0;
  double centre_x_px = 0.0;  ///< the disc's centre; pixel centres at whole numbers, row 0 on top
  double centre_y_px = 0.0;
  double scale_arcsec_px = 1.0;
  sky::PictureOrientation solar;  ///< of solar north
};

/// Brightness of each pixel against the disc's centre; row-major, top row first.
using Picture = std::vector<float>;

/// Light scattered by air and optics just outside the limb, against the disc's centre.
inline constexpr double kAureole = 0.0015;

/// Draws the photosphere with its spots, before any blur. Pixels at the limb and in spots are
/// averaged over 16 samples, others taken at their centre.
/// @param task  asked for a stop at every row
/// Errors: kCancelled.
[[nodiscard]] base::Result<Picture> draw(const std::vector<Spot>& spots, const sky::DiscView& view,
                                         const light::LimbDarkening& darkening, const Grid& grid,
                                         const base::Task& task = {});

}  // namespace solarchon::scene
