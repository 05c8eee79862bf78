// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"

namespace solarchon::light {

/// Brightest part of a frame, against full well, that an exposure aims at.
inline constexpr double kTargetLevel = 0.70;

/// Width of continuum (nm) that gives as much light as hydrogen alpha does through a passband on
/// it.
[[nodiscard]] double line_width_nm(const optics::LineBand& line);

/// How the air stands between Sun and telescope.
struct LightConditions {
  double airmass = 1.0;
  double elevation_m = 0.0;            ///< of the site: less air above a mountain
  double target_level = kTargetLevel;  ///< 0.01 to 1
  double cloud_stops = 0.0;            ///< that thin cloud takes, 0 to 15
  double correction_stops = 0.0;       ///< what exposures found right asked for, more positive
};

enum class ShutterLimit { kNone, kTooBright, kTooDim };

/// The exposure that suits the disc.
struct DiscExposure {
  double exposure_ms = 0.0;  ///< what the target level asks, within the camera's shutter
  double wanted_ms = 0.0;    ///< the same before the shutter's limits
  ShutterLimit limit = ShutterLimit::kNone;
  double electrons_per_ms = 0.0;  ///< in a pixel at the disc's centre
  double level = 0.0;             ///< brightest part against full well at exposure_ms
};

/// Works out the exposure for the centre of the disc, in the colours that the train leaves: white,
/// a band, or hydrogen alpha.
/// @return  none without telescope and camera, or when none of the band's light arrives
/// Accuracy: 30 per cent for a neutral filter of the stated density under clear air; real films
/// scatter by more. What the user finds right corrects it.
/// Source: solar spectral irradiance 1.86 W m^-2 nm^-1 at 540 nm with the shape of a 5772 K black
/// body; hydrogen alpha with a core of 0.16 of the continuum and a width of 1.1 angstrom; air by
/// Rayleigh scattering (Hansen and Travis 1974) and haze of 0.10 at 550 nm.
[[nodiscard]] std::optional<DiscExposure> disc_exposure(const optics::Rig& rig,
                                                        const optics::Train& train,
                                                        const LightConditions& conditions);

}  // namespace solarchon::light
