// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/light/exposure.h"
#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"

namespace solarchon::light {

/// How the camera is set: what amplifies, before the shutter.
struct Amplification {
  std::optional<double> iso = {};      ///< of a photographic camera; none: as its part says
  std::optional<double> gain_db = {};  ///< of a video camera, 0 to 60; none: 0
};
/// The light path with the camera set so. A gain makes the well as much smaller.
/// Errors: kOutOfRange (`iso`, `gain`), kUnknownValue where the camera has no such setting.
[[nodiscard]] base::Result<optics::Rig> amplified(optics::Rig rig, const Amplification& wanted);

/// One place of the table that people otherwise try out.
struct ExposureCell {
  double iso = 0.0;      ///< of a photographic camera; 0: see gain_db
  double gain_db = 0.0;  ///< of a video camera
  double shutter_s = 0.0;
  double level = 0.0;  ///< brightest part against full; above 1 it is cut off
};

/// What is most of a stop: brightness of prominences against the disc, in one passband.
inline constexpr double kProminenceShare = 1.0 / 6.0;
inline constexpr double kPenumbraShare = 0.76;

/// Exposures for what is to be seen, and the whole table.
struct ExposurePlan {
  DiscExposure disc;
  std::optional<double> prominence_ms;  ///< in hydrogen alpha: the disc is then cut off
  double spot_ms = 0.0;                 ///< penumbrae at the level that the disc was to have
  ShutterLimit prominence_limit = ShutterLimit::kNone;
  /// Whole stops: rows of rising ISO or gain, in each the shutter from short to long within the
  /// camera's limits.
  std::vector<ExposureCell> table;
};

/// @return  none where disc_exposure gives none
/// Accuracy: as disc_exposure; the levels of the table scale exactly.
[[nodiscard]] std::optional<ExposurePlan> exposure_plan(const optics::Rig& rig,
                                                        const optics::Train& train,
                                                        const LightConditions& conditions);

/// What exposures that were found right say of the prediction.
struct Correction {
  double stops = 0.0;   ///< median: positive, more light was needed
  double spread = 0.0;  ///< half of the width that holds the middle two thirds (stops)
  int count = 0;
};
/// @param ratios  exposure that was right over the one predicted, each above 0; others are left out
[[nodiscard]] Correction correction_of(const std::vector<double>& ratios);

}  // namespace solarchon::light
