// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/scene/convection.h"
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

/// What there is of the photosphere.
struct Photosphere {
  std::vector<Spot> spots;
  double wavelength_nm = 540.0;  ///< of the limb darkening and the contrasts
  /// None: a smooth surface between the spots, without faculae.
  std::shared_ptr<const Convection> convection = {};
};

/// Draws it before any blur: limb darkening, granulation, faculae round the spots and in the
/// network, spots with umbra, filaments of the penumbra and now and then a bridge of light. Pixels
/// at the limb and in spots are averaged over 16 samples, others taken at their centre. What a
/// pixel cannot show fades out, so that a coarse picture is as bright as a fine one.
/// @param task  asked for a stop at every row
/// Errors: kCancelled.
[[nodiscard]] base::Result<Picture> draw(const Photosphere& photosphere, const sky::DiscView& view,
                                         const Grid& grid, const base::Task& task = {});
/// Whether pixels of that size show granulation.
[[nodiscard]] bool shows_granules(double scale_arcsec_px);

}  // namespace solarchon::scene
