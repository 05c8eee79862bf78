// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/dusk.h"

#include "solarchon/sky/sun.h"

namespace solarchon::workspace {

std::vector<DuskStep> dusk_steps(const sky::SunDay& day, bool evening,
                                 const sky::Observer& observer, const light::Ramp& ramp) {
  const auto through = evening ? day.sunset : day.sunrise;
  if (!through) {
    return {};
  }
  constexpr int kDayMinutes = 45;
  constexpr int kNightMinutes = 35;
  const int before = evening ? kDayMinutes : kNightMinutes;
  const int after = evening ? kNightMinutes : kDayMinutes;
  const sky::SunEphemeris ephemeris(*through, observer.dut1_s);
  std::vector<DuskStep> steps;
  for (int minute = -before; minute <= after; ++minute) {
    const sky::UtcTime time = *through + sky::minutes(minute);
    const double altitude_deg =
        sky::local_sun(ephemeris.at(time), observer.site, observer.weather).altitude_airless_deg;
    steps.push_back({time, altitude_deg, light::ramp_step(ramp, altitude_deg)});
  }
  return steps;
}

}  // namespace solarchon::workspace
