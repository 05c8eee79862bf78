// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <optional>

#include "solarchon/advise/advise.h"
#include "solarchon/align/drift.h"
#include "solarchon/light/exposure.h"
#include "solarchon/optics/train.h"
#include "solarchon/safety/safety.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/sun.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::workspace {

/// What limits the finest detail, each as a length on the sky (arcsec).
enum class Limit { kDiffraction, kSampling, kAir };
struct Limits {
  double diffraction_arcsec = 0.0;  ///< lambda / D
  double sampling_arcsec = 0.0;     ///< two pixels
  double air_arcsec = 0.0;          ///< seeing
  Limit ruling = Limit::kAir;       ///< the largest
  /// The finest detail that can be had: the largest of them.
  [[nodiscard]] double finest_arcsec() const {
    return std::max({diffraction_arcsec, sampling_arcsec, air_arcsec});
  }
};

/// Everything that follows from a workspace at an instant.
struct Answers {
  sky::UtcTime time;
  sky::GeocentricSun sun;
  sky::LocalSun local;
  sky::DiscView disc;
  optics::Train train;
  safety::Assessment safety;
  std::optional<light::DiscExposure> exposure;  ///< none without camera, or with the Sun down
  std::optional<Limits> limits;                 ///< none without telescope and camera
  std::vector<advise::Misfit> misfits;          ///< what does not fit, though it harms nobody
  sky::PictureOrientation celestial;            ///< of the picture on the sensor
  sky::PictureOrientation solar;
};

/// What the drift runs of a workspace say of the mount's axis, through the air of the site.
[[nodiscard]] align::PoleFit axis_of(const Workspace& workspace);

/// What a workspace's rig is judged against at an instant.
[[nodiscard]] advise::Situation situation_of(const Workspace& workspace, sky::UtcTime time,
                                             double semidiameter_arcsec,
                                             std::optional<double> airmass);

/// Works everything out at once; pure, quick enough for every step of a drag (see bench/).
/// @param sun  the Sun at that time, exact or from a SunEphemeris
[[nodiscard]] Answers answer(const Workspace& workspace, sky::UtcTime time,
                             const sky::GeocentricSun& sun);

}  // namespace solarchon::workspace
