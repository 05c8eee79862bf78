// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/light/exposure.h"
#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"

namespace solarchon::light {

/// What one other choice would do to the exposure.
struct ExposureMove {
  double value = 0.0;  ///< of the choice
  double stops = 0.0;  ///< longer than now; negative: shorter
};

/// How the usable exposures move with what can be changed, one thing at a time.
struct ExposureMoves {
  std::vector<ExposureMove> focal_ratio;  ///< of the same aperture, in whole stops of the series
  std::vector<ExposureMove> density;      ///< of the filter that dims; empty without one
  std::vector<ExposureMove> altitude_deg;
  std::vector<ExposureMove> cloud_stops;
};

/// A height of the Sun, and the air before it.
struct SunHeight {
  double altitude_deg = 0.0;
  double airmass = 1.0;
};

/// @param heights  to be compared with that of the conditions
/// @return         none where disc_exposure gives none
/// Accuracy: exact scaling but for the height, which is as disc_exposure.
[[nodiscard]] std::optional<ExposureMoves> exposure_moves(const optics::Rig& rig,
                                                          const optics::Train& train,
                                                          const LightConditions& conditions,
                                                          const std::vector<SunHeight>& heights);

}  // namespace solarchon::light
