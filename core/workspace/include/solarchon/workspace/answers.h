// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <functional>
#include <optional>

#include "solarchon/advise/advise.h"
#include "solarchon/align/drift.h"
#include "solarchon/base/enum_words.h"
#include "solarchon/light/exposure.h"
#include "solarchon/optics/train.h"
#include "solarchon/safety/safety.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/moon_cover.h"
#include "solarchon/sky/sun.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::workspace {

/// What limits the finest detail, each as a length on the sky (arcsec).
enum class Limit { kDiffraction, kSampling, kAir, kMotion };
inline constexpr base::EnumWords<Limit, 4> kLimitWords{
    {"diffraction", "sampling", "air", "motion"}};
struct Limits {
  double diffraction_arcsec = 0.0;  ///< lambda / D
  double sampling_arcsec = 0.0;     ///< two pixels
  double air_arcsec = 0.0;          ///< seeing
  double motion_arcsec = 0.0;       ///< how far the mount drifts within an exposure
  Limit ruling = Limit::kAir;       ///< the largest
  /// The finest detail that can be had: the largest of them.
  [[nodiscard]] double finest_arcsec() const {
    return std::max({diffraction_arcsec, sampling_arcsec, air_arcsec, motion_arcsec});
  }
};

/// Everything that follows from a workspace at an instant.
struct Answers {
  sky::UtcTime time;
  sky::GeocentricSun sun;
  sky::LocalSun local;
  sky::DiscView disc;
  /// The Moon in front of the Sun. Pictures and exposures are those of an uncovered Sun all the
  /// same.
  std::optional<sky::MoonCover> moon;
  optics::Train train;
  safety::Assessment safety;
  std::optional<light::DiscExposure> exposure;  ///< none without camera, or with the Sun down
  std::optional<Limits> limits;                 ///< none without telescope and camera
  std::vector<advise::Misfit> misfits;          ///< what does not fit, though it harms nobody
  double tube_up_deg = 0.0;                     ///< position angle of the tube's up (plan/mount.h)
  sky::PictureOrientation celestial;            ///< of the picture on the sensor
  sky::PictureOrientation solar;
};

/// How fast the mount lets the Sun wander in the field at most (arcsec/s): by the rate that it is
/// driven at, and its worm. Its axis counts as true.
[[nodiscard]] double wander_arcsec_s(const Workspace& workspace, double declination_deg);

/// What the drift runs of a workspace say of the mount's axis, through the air of the site.
[[nodiscard]] align::PoleFit axis_of(const Workspace& workspace);

/// The minutes in which the workspace's mount turns over on the day of an instant, as its runs have
/// it; none for a mount that does not turn, or where they leave no time.
[[nodiscard]] std::optional<sky::Window> turning_about(const Workspace& workspace,
                                                       sky::UtcTime time,
                                                       const sky::LocalSun& local);

/// How the sky lies in the picture at the end of a light path, on the mount of a workspace, at an
/// instant at which the tube's up lies there.
/// @param tube_up_deg  as Answers has it
[[nodiscard]] sky::PictureOrientation celestial_orientation(const optics::Rig& rig,
                                                            const optics::Train& train,
                                                            double tube_up_deg);

/// How the Sun lies in pictures that are taken with a workspace, from instant to instant: to be
/// asked for every frame. Not from two threads at once.
[[nodiscard]] std::function<sky::PictureOrientation(sky::UtcTime)> solar_orientation_of(
    const Workspace& workspace, const Answers& answers);

/// What a workspace's rig is judged against at an instant.
[[nodiscard]] advise::Situation situation_of(const Workspace& workspace, sky::UtcTime time,
                                             double semidiameter_arcsec,
                                             std::optional<double> airmass);

/// Works everything out at once; pure, quick enough for every step of a drag (see bench/).
/// @param sun  the Sun at that time, exact or from a SunEphemeris
/// @param correction_stops  what exposures that were found right with this light path asked for
[[nodiscard]] Answers answer(const Workspace& workspace, sky::UtcTime time,
                             const sky::GeocentricSun& sun, double correction_stops = 0.0);
/// The same with the exact Sun, by the clock of the workspace's observer.
[[nodiscard]] Answers answer(const Workspace& workspace, sky::UtcTime time);

}  // namespace solarchon::workspace
