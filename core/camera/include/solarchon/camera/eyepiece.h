// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/image/frame.h"

namespace solarchon::camera {

/// How bright the disc is for an eye.
enum class Glare { kDim, kEasy, kDazzling };

/// What an eye sees in an eyepiece.
struct EyeSight {
  image::Frame frame;  ///< square, brightness in proportion; black beyond the round field
  optics::Look look;
  double luminance_cd_m2 = 0.0;    ///< of the disc's centre as the eye has it, with the Sun high
  Glare glare = Glare::kEasy;      ///< dim below 100 cd/m2, dazzling above 30 000
  std::array<double, 3> colour{};  ///< of its light: red, green, blue, the strongest 1
  bool shadow_seen = false;        ///< of a secondary, a third of the pupil or more across
};

/// The field of the last eyepiece behind a telescope that no camera ends, in true proportion: the
/// aperture's diffraction, seeing of a long exposure, and an eye that resolves 75 arcsec. Where the
/// shadow of a secondary is seen it darkens the middle of the field.
/// @param shot     its exposure and camera count for nothing
/// @param side_px  of the frame, 64 to 4000
/// Errors: kMissing (field `rig`) without telescope and eyepiece, kOutOfRange, kCancelled.
/// Accuracy: of the luminance a factor of 2; where and how deep the shadow is depends on the eye's
/// place and is drawn by a rule of our own. Source: luminance of the Sun 1.6e9 cd/m2; the eye's
/// pupil by day, optics::kDaylightPupilMm.
[[nodiscard]] base::Result<EyeSight> look_through(const Shot& shot, int side_px,
                                                  const base::Task& task = {});

/// By how much a phone or compact camera that looks into an eyepiece must zoom in so that the edge
/// of the round field leaves its picture; 1 where it is outside already. None without both.
[[nodiscard]] std::optional<double> zoom_that_fills(const optics::Rig& rig,
                                                    const optics::Train& train);

/// How narrow light of a wavelength looks: red, green, blue, the strongest 1; white where the band
/// is wide or not said. Accuracy: for showing, not for measuring.
[[nodiscard]] std::array<double, 3> colour_of(const optics::Band& band);

}  // namespace solarchon::camera
