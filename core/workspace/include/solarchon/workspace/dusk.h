// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/light/dusk.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/site.h"

namespace solarchon::workspace {

/// A setting of the camera at a time.
struct DuskStep {
  sky::UtcTime time;
  double altitude_deg = 0.0;  ///< of the Sun, airless
  light::RampStep step;
};

/// The settings from three quarters of an hour on the day's side of sunset or sunrise to 35 minutes
/// on the night's, a minute apart; empty where the Sun does not go through the horizon that day.
/// @param ramp  as light::check accepts it
[[nodiscard]] std::vector<DuskStep> dusk_steps(const sky::SunDay& day, bool evening,
                                               const sky::Observer& observer,
                                               const light::Ramp& ramp);

}  // namespace solarchon::workspace
