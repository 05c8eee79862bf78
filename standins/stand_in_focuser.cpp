// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/stand_in_focuser.h"

#include <algorithm>
#include <cmath>

namespace solarchon::standins {

StandInFocuser::StandInFocuser(const FocuserBuild& build)
    : build_(build),
      motor_um_(build.starts_um),
      target_um_(build.starts_um),
      drawtube_um_(build.starts_um - build.trails_um.value_or(0.5 * build.backlash_um)) {}

void StandInFocuser::advance(double by_s) {
  seconds_ += by_s;
  const double most = build_.speed_um_s * by_s;
  motor_um_ += std::clamp(target_um_ - motor_um_, -most, most);
  // The motor drags the tube only once the play is taken up: it trails by it either way.
  drawtube_um_ = std::clamp(drawtube_um_, motor_um_ - build_.backlash_um, motor_um_);
}

void StandInFocuser::go(double position_um) {
  target_um_ = std::clamp(position_um, 0.0, build_.travel_um);
}

double StandInFocuser::tube_c() const {
  constexpr double kSecondsPerMin = 60.0;
  return build_.air_c + build_.warmer_k * std::exp(-seconds_ / (kSecondsPerMin * build_.cools_min));
}

devices::FocuserState StandInFocuser::state() const {
  return {motor_um_, build_.travel_um, motor_um_ != target_um_, tube_c()};
}

double StandInFocuser::out_of_focus_um() const {
  return drawtube_um_ - (build_.best_um + build_.shift_um_k * (tube_c() - build_.air_c));
}

}  // namespace solarchon::standins
