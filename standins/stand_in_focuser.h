// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/devices/telescope_state.h"

namespace solarchon::standins {

/// A drawtube with a motor, and its faults.
struct FocuserBuild {
  double travel_um = 50'000.0;
  double starts_um = 25'000.0;
  double best_um = 25'400.0;   ///< where the tube is in focus at the air's temperature
  double backlash_um = 120.0;  ///< the drawtube trails the motor by up to so much
  /// By which it trails at first; none: half of the play.
  std::optional<double> trails_um = {};
  double speed_um_s = 1'500.0;
  double air_c = 15.0;
  double warmer_k = 5.0;    ///< the tube than the air, at first
  double cools_min = 15.0;  ///< to the e-th part of that
  double shift_um_k = 0.0;  ///< of the best focus, outwards as the tube warms
};

/// The focuser at work, in seconds from its beginning.
class StandInFocuser {
 public:
  explicit StandInFocuser(const FocuserBuild& build);
  void advance(double by_s);
  /// Beyond its travel it goes to the end.
  void go(double position_um);
  void stop() { target_um_ = motor_um_; }
  [[nodiscard]] devices::FocuserState state() const;
  /// Of the drawtube from focus, outwards: what no motor knows.
  [[nodiscard]] double out_of_focus_um() const;

 private:
  [[nodiscard]] double tube_c() const;
  FocuserBuild build_;
  double motor_um_;
  double target_um_;
  double drawtube_um_;
  double seconds_ = 0.0;
};

}  // namespace solarchon::standins
