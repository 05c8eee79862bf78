// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

#include "solarchon/align/track.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"
#include "solarchon/camera/stream.h"
#include "solarchon/image/frame.h"
#include "solarchon/live/setting.h"
#include "solarchon/match/clip.h"
#include "solarchon/optics/parts.h"
#include "solarchon/seeing/cloud.h"
#include "solarchon/sky/site.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::workspace {

/// How a mount lets the picture of the Sun go on the sensor: its way in the field, and the turning
/// of the field, as the picture shows them.
/// @param duration_s  0 to 50 000
/// @param celestial   of the picture at the start
/// Accuracy: as align::track, every second, or every thousandth of the duration where that is more.
[[nodiscard]] std::vector<camera::Wander> wander_of(const sky::Observer& observer,
                                                    sky::UtcTime start, double duration_s,
                                                    const align::Driving& driving,
                                                    const sky::PictureOrientation& celestial);

/// By how much later a sensor reads each row than the one above (us); 0 for a global shutter.
[[nodiscard]] double row_delay_us(const optics::Camera& camera);

/// How a workspace's mount drives: its kind, what was set of worm and steps, and the axis' error
/// as its drift runs tell it.
[[nodiscard]] align::Driving driving_of(const Workspace& workspace);

/// What moves the target's detail in a clip of a minute from now: the Sun's rotation, its own
/// changes, the mount's wandering, and the turning of its field.
/// @param place  of the target
/// Errors: kMissing (field `rig`) without telescope and camera.
[[nodiscard]] base::Result<match::ClipMotion> clip_motion_of(const Workspace& workspace,
                                                             const Answers& answers,
                                                             const sky::DiscPlace& place);

/// What a camera behind a workspace's light path sees, frame after frame: the synthetic Sun through
/// the air of the workspace's seeing, on its mount, for up to an hour.
/// @param exposure_ms  none: as suggested
/// Errors: as shot_for.
[[nodiscard]] base::Result<camera::StreamPlan> stream_plan(const Workspace& workspace,
                                                           const Answers& answers,
                                                           std::optional<double> exposure_ms,
                                                           std::uint32_t seed);

/// The cloud that a simulated camera meets where the forecast says per cent, which tell no stops: a
/// full veil takes half a stop, a full cover four; between gaps it is uneven. None without a
/// forecast for that instant.
[[nodiscard]] seeing::Cloud cloud_of(const Workspace& workspace, sky::UtcTime time,
                                     std::uint32_t seed);

/// What is worth knowing of a clip later: site, light path, target, weather, where the Sun stood,
/// how the picture hangs.
[[nodiscard]] base::Json clip_facts(const Workspace& workspace, const Answers& answers);

/// What is known of the frames of a workspace's camera before they are there.
[[nodiscard]] image::FrameInfo frame_info(const Workspace& workspace, const Answers& answers);

/// What the meters need to know of a workspace's picture. Where less than three quarters of the
/// light for the limb arrives, no clear level is told: cloud could not be told from it.
/// @param exposure_ms  of the frames; none: as suggested
/// @param black_level  of full scale, without light
/// Errors: kMissing (field `rig`) without telescope and camera.
[[nodiscard]] base::Result<live::Setting> live_setting(const Workspace& workspace,
                                                       const Answers& answers,
                                                       std::optional<double> exposure_ms,
                                                       double black_level);

/// The same of frames that were taken with a light path at another time, of whose exposure and sky
/// nothing is known: a clip or a picture from the disk.
[[nodiscard]] base::Result<live::Setting> setting_of_frames(const Workspace& workspace,
                                                            const optics::Rig& rig,
                                                            sky::UtcTime time, double black_level);

/// What a focuser's way does at the sensor.
struct FocuserScale {
  /// How far the image goes for the drawtube's way: the square of what the parts behind it lengthen
  /// the focal length by.
  double sensor_per_focuser = 1.0;
  double depth_um = 0.0;  ///< half of the depth of focus, of the drawtube
};
/// Errors: as live_setting.
/// Source: longitudinal magnification is the square of the lateral one.
[[nodiscard]] base::Result<FocuserScale> focuser_scale(const Workspace& workspace,
                                                       const Answers& answers);

/// The shot that camera::look_through wants of a workspace.
/// Errors: kOutOfRange (field `time`) with the Sun down.
[[nodiscard]] base::Result<camera::Shot> eye_shot(const Workspace& workspace,
                                                  const Answers& answers);

}  // namespace solarchon::workspace
