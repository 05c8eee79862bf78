// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <memory>
#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/camera/stream.h"
#include "standins/mount_watch.h"
#include "standins/stand_in.h"
#include "standins/stand_in_camera.h"
#include "standins/stand_in_focuser.h"
#include "standins/stand_in_guider.h"
#include "standins/stand_in_heater.h"

namespace solarchon::standins {

/// A mount that is played by another process, with the telescope on it.
struct RidesOn {
  std::filesystem::path socket;
  sky::Observer observer;  ///< of both
  sky::PictureOffset aims =
      {};  ///< from the Sun's centre to the middle of the plan's sensor (arcsec)
};

/// What stands at the rear of a telescope that looks at the synthetic Sun.
struct TelescopeBuild {
  camera::StreamPlan stream;
  FocuserBuild focuser;
  /// By which the sensor goes out of focus for one that the drawtube does: the square of what an
  /// amplifier behind it lengthens.
  double sensor_per_focuser = 1.0;
  std::optional<HeaterBuild> heater = {};  ///< none: an etalon that is tuned by hand, or none
  GuiderBuild guider = {};
  std::optional<RidesOn> mount = {};       ///< none: it follows the Sun by itself
  sky::PictureOrientation celestial = {};  ///< of the picture: how a move of the guider shows
  double running_for_s = 0.0;              ///< it has cooled and heated for so long already
  double most_hz = 20.0;                   ///< frames, however fast the camera is
};

/// A camera, a focuser, a heater and a guider that are played. The camera has a thread of its own:
/// nothing that is asked waits for a frame.
class StandInTelescope : public StandIn {
 public:
  /// Draws the first Sun.
  /// @param frames  file of the ring in which frames are left
  /// Errors: as camera::Stream::open and FrameRing::make.
  [[nodiscard]] static base::Result<std::unique_ptr<StandInTelescope>> open(
      TelescopeBuild build, const std::filesystem::path& frames, sky::UtcTime now);
  ~StandInTelescope() override;
  StandInTelescope(const StandInTelescope&) = delete;
  StandInTelescope& operator=(const StandInTelescope&) = delete;
  StandInTelescope(StandInTelescope&&) = delete;
  StandInTelescope& operator=(StandInTelescope&&) = delete;

  void advance(sky::UtcTime now) override;
  [[nodiscard]] devices::Answer answer(const devices::Request& request) override;
  [[nodiscard]] std::vector<devices::Event> take_events() override;

  /// Of its drawtube from focus, outwards; what nobody at the other end is told.
  [[nodiscard]] double out_of_focus_um() const { return focuser_.out_of_focus_um(); }

 private:
  StandInTelescope(const TelescopeBuild& build, std::unique_ptr<StandInCamera> camera,
                   sky::UtcTime now);
  [[nodiscard]] devices::Answer hello(const devices::Request& request) const;
  void show_camera();
  /// By which the mount puts the picture off.
  [[nodiscard]] sky::PictureOffset put_off() const;

  TelescopeBuild build_;
  StandInFocuser focuser_;
  std::optional<StandInHeater> heater_;
  StandInGuider guider_;
  std::unique_ptr<StandInCamera> camera_;
  std::unique_ptr<MountWatch> mount_;
  sky::UtcTime now_;
  std::vector<devices::Event> events_;
  bool was_moving_ = false;
  bool was_guiding_ = false;
  bool was_on_band_ = false;
};

}  // namespace solarchon::standins
