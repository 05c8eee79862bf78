// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/picture.h"
#include "solarchon/sky/disc.h"

namespace solarchon::reduce {

/// How discs are made alike.
struct OrientWishes {
  /// How solar north lies in the picture; none: as the picture says.
  std::optional<sky::PictureOrientation> solar = {};
  /// Turns solar north up and east to the left; else the picture is only centred and scaled.
  bool north_up = true;
  std::optional<double> radius_px = {};  ///< of the disc, 8 to 5000; none: as it is
  double beyond = 1.12;                  ///< half a side of the picture, in radii: 1 to 3
  bool operator==(const OrientWishes&) const = default;
};

/// A disc in the middle of a square.
struct Oriented {
  image::Picture picture;
  disc::LimbFit limb;       ///< as it was found before
  double covered = 1.0;     ///< share of the square that the picture has; the rest is as its ground
  double turned_deg = 0.0;  ///< clockwise
};

/// Centres the disc by its limb, gives it the radius that is wished, and turns it.
/// Errors: as disc::fit_limb; kMissing (`orientation`) where north is to be up and nobody says
/// where it is; kOutOfRange (`radius_px`, `beyond`); kCancelled.
/// Accuracy: of the centre as disc::fit_limb; detail between pixels by a cubic (Keys 1981).
[[nodiscard]] base::Result<Oriented> orient(const image::Picture& picture,
                                            const OrientWishes& wishes = {},
                                            const base::Task& task = {});

}  // namespace solarchon::reduce
