// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/mount_state.h"

#include <cmath>

#include "solarchon/align/mount_axis.h"
#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"

namespace solarchon::devices {

bool MountDoubts::clock() const { return std::abs(clock_fast_s) > sky::in_seconds(kClockDoubt); }
bool MountDoubts::place() const { return place_off_deg > kPlaceDoubtDeg; }

MountDoubts doubts_of(const MountState& state, const sky::Observer& observer, sky::UtcTime now) {
  const double sidereal_deg =
      sky::geocentric_sun(now, observer.dut1_s).sidereal_time_deg + observer.site.longitude_deg;
  const align::Vector there =
      align::MountAxis({}, observer.site.latitude_deg)
          .direction_of(
              {base::wrap_180(sidereal_deg - state.right_ascension_deg), state.declination_deg});
  return {
      sky::in_seconds(state.time - now),
      align::angle_between_deg(there, align::direction_to(state.azimuth_deg, state.altitude_deg))};
}

}  // namespace solarchon::devices
