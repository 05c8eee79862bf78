// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/psf/transfer.h"

namespace solarchon::live {

/// What is known of a picture before one looks at it.
struct Setting {
  psf::ImagingSetup imaging;
  double focal_ratio = 6.0;          ///< at the sensor, above 0
  double sun_radius_arcsec = 960.0;  ///< of the limb that day
  bool line = false;                 ///< hydrogen alpha: the limb is a fringe, not an edge
  double target_level = 0.7;         ///< of full scale, that the exposure aims at
  /// Of full scale, at the middle of the disc under the learned clear sky at this height and
  /// exposure; none: cloud cannot be told.
  std::optional<double> clear_level = {};
  double darkening = 1.0;    ///< of the target's place against the middle of the disc, without limb
  double black_level = 0.0;  ///< of full scale, without light: 0 to below 1
  bool disc_may_clip = false;  ///< exposed for prominences
  double clip_s = 60.0;        ///< that a clip lasts: how long detail has to stay
  /// Contrast of the structure when the light path was last on its band; none: not known.
  std::optional<double> usual_structure = {};
  std::optional<double> usual_r0_cm = {};  ///< of the air then

  /// Of a pixel, as scale, aperture and focal ratio say it (um).
  [[nodiscard]] double pixel_um() const;
};

/// Brightness of the limb against the middle of the disc, in the middle of hydrogen alpha.
inline constexpr double kLineEdge = 0.85;

/// An estimate and how far it may be off (one standard deviation).
struct Estimate {
  double value = 0.0;
  double spread = 0.0;
};

}  // namespace solarchon::live
