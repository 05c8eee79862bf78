// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/image/frame.h"
#include "solarchon/optics/parts.h"
#include "solarchon/optics/train.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/seeing/turbulence.h"

namespace solarchon::camera {

/// What a shot comes to before anything is drawn.
struct Setup {
  optics::Train train;
  optics::Camera camera;
  Truth truth;  ///< without what the air does
  std::optional<seeing::Turbulence> turbulence;
};
/// Errors: those of camera::simulate but kCancelled.
[[nodiscard]] base::Result<Setup> set_up(const Shot& shot);

/// The light path as it decides on detail. What is drawn of the Sun is light over pixels already.
[[nodiscard]] psf::ImagingSetup imaging_of(const Setup& setup);
/// @param r0_cm  of a short exposure; none: a long one, with the shot's seeing
[[nodiscard]] psf::Blurring blurring_of(const Shot& shot, const Setup& setup,
                                        std::optional<double> r0_cm);
/// Pixels round the frame that blur reaches into it from.
[[nodiscard]] int margin_px(const Shot& shot, const Setup& setup, std::optional<double> r0_cm);

/// Electrons in a pixel at the disc's centre, when nothing is detuned and no cloud is there.
[[nodiscard]] double signal_of(const Shot& shot, const optics::Train& train);

[[nodiscard]] image::FrameInfo info_of(const Shot& shot, const optics::Train& train,
                                       const optics::Camera& camera, const Truth& truth);

/// Numbers that a sensor gives for electrons.
struct Scale {
  double full_scale = 0.0;  ///< the largest number
  double black = 0.0;       ///< level of no light, so that noise is not cut
  double electrons_per_number = 1.0;
};
[[nodiscard]] Scale scale_of(const optics::Camera& camera);

}  // namespace solarchon::camera
