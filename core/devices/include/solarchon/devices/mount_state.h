// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/time.h"

namespace solarchon::devices {

/// What a mount follows.
enum class Tracking { kOff, kStars, kSun };
inline constexpr base::EnumWords<Tracking, 3> kTrackingWords{{"off", "stars", "sun"}};

/// What it is about.
enum class Duty {
  kStanding,  ///< still, or following
  kGoing,     ///< to where it was sent
  kMoving,    ///< as long as somebody holds an arrow
  kParked,    ///< takes no command but to leave the park
  kHeld       ///< at a limit, or by a cable: it goes back only
};
inline constexpr base::EnumWords<Duty, 5> kDutyWords{
    {"standing", "going", "moving", "parked", "held"}};

/// A mount as it believes to be: its clock and its place may be wrong, and its axis off the pole.
struct MountState {
  sky::UtcTime time;                 ///< of its own clock
  double right_ascension_deg = 0.0;  ///< of date, [0, 360)
  double declination_deg = 0.0;
  double azimuth_deg = 0.0;   ///< [0, 360)
  double altitude_deg = 0.0;  ///< -90 to 90
  Tracking tracking = Tracking::kOff;
  Duty duty = Duty::kStanding;
  bool synchronised = false;  ///< it was told where it looks
  bool operator==(const MountState&) const = default;
};

/// {time_utc, right_ascension_deg, declination_deg, azimuth_deg, altitude_deg, tracking, duty,
/// synchronised}
[[nodiscard]] base::Json to_json(const MountState& state);
/// Errors: as base::ObjectReader, below `path`: a device may say anything.
[[nodiscard]] base::Result<MountState> mount_state_from_json(const base::Json& json,
                                                             const std::string& path);

}  // namespace solarchon::devices
