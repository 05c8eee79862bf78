// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::devices {

/// What a mount follows.
enum class Tracking { kOff, kSidereal, kSun };
inline constexpr base::EnumWords<Tracking, 3> kTrackingWords{{"off", "stars", "sun"}};

/// What its first axis points to: the pole, or the zenith.
enum class MountAxes { kPole, kZenith };
inline constexpr base::EnumWords<MountAxes, 2> kMountAxesWords{{"pole", "zenith"}};

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

/// Where a telescope looks in truth, airless.
struct TrueLook {
  double azimuth_deg = 0.0;  ///< [0, 360)
  double altitude_deg = 0.0;
};

/// A move that nobody asks for again ends after this: a lost connection must not leave it running.
inline constexpr sky::Duration kMoveHeld = sky::seconds(1.0);
/// So fast a mount is moved at most, to each side.
inline constexpr base::Range kMoveRange{-10.0, 10.0};  // degree a second

/// {time_utc, right_ascension_deg, declination_deg, azimuth_deg, altitude_deg, tracking, duty,
/// synchronised}
[[nodiscard]] base::Json to_json(const MountState& state);
/// Errors: as base::ObjectReader, below `path`: a device may say anything.
[[nodiscard]] base::Result<MountState> mount_state_from_json(const base::Json& json,
                                                             const std::string& path);
/// {azimuth_deg, altitude_deg}
[[nodiscard]] base::Json to_json(const TrueLook& look);
/// Errors: as base::ObjectReader, below `path`.
[[nodiscard]] base::Result<TrueLook> true_look_from_json(const base::Json& json,
                                                         const std::string& path);

/// What of a mount's own account cannot be true.
struct MountDoubts {
  double clock_fast_s = 0.0;   ///< its clock minus the true time
  double place_off_deg = 0.0;  ///< between where its coordinates stand for this observer, and where
                               ///< it says that it looks over the horizon
  [[nodiscard]] bool clock() const;  ///< off by more than kClockDoubt
  [[nodiscard]] bool place() const;  ///< off by more than kPlaceDoubtDeg
};
inline constexpr sky::Duration kClockDoubt = sky::seconds(10.0);
inline constexpr double kPlaceDoubtDeg = 0.5;
/// Holds a state against the sky. A clock that is wrong puts the place off as well: 15 degrees an
/// hour.
[[nodiscard]] MountDoubts doubts_of(const MountState& state, const sky::Observer& observer,
                                    sky::UtcTime now);

}  // namespace solarchon::devices
