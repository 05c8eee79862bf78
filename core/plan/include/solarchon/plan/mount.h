// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/sky/day.h"

namespace solarchon::plan {

enum class MountKind {
  kUnknown,          ///< nothing is said of it
  kEquatorialTurns,  ///< an equatorial that must turn over to the other side of its pier
  kEquatorialFree,   ///< an equatorial that follows the Sun through the meridian, as a fork does
  kAltAzimuth,
  kUndriven  ///< a tripod, or anything else that follows nothing
};
inline constexpr base::EnumWords<MountKind, 5> kMountWords{
    {"unknown", "equatorial-turns", "equatorial-free", "alt-azimuth", "undriven"}};
/// It stands level: its field turns with the sky, and its tube's up is the zenith.
[[nodiscard]] constexpr bool stands_level(MountKind mount) {
  return mount == MountKind::kAltAzimuth || mount == MountKind::kUndriven;
}

/// The mount, as far as a day's plan depends on it.
struct Mount {
  MountKind kind = MountKind::kUnknown;
  double past_meridian_deg = 5.0;  ///< hour angle that it can track past the meridian, or start
                                   ///< before it on the other side; then it turns or stops
  bool operator==(const Mount&) const = default;
};

inline constexpr base::Range kPastMeridianRange{0.0, 90.0};

[[nodiscard]] base::Json to_json(const Mount& mount);
/// Errors: as base::ObjectReader, below `path`.
[[nodiscard]] base::Result<Mount> mount_from_json(const base::Json& json, const std::string& path);

/// When an equatorial has to turn over. A degree of hour angle takes the Sun 240 s.
struct MeridianTurn {
  sky::UtcTime earliest;  ///< from here on it can stand on the new side
  sky::UtcTime meridian;
  sky::UtcTime latest;  ///< here it turns or stops by itself
};
/// @return  none for other mounts, and where the Sun does not transit within the day
[[nodiscard]] std::optional<MeridianTurn> meridian_turn(const Mount& mount, const sky::SunDay& day);

/// A turn of the mount takes that long, with finding the Sun again.
inline constexpr sky::Duration kTurnTakes = sky::minutes(5.0);

/// The minutes of the day's one turn: as near to the meridian as the runs leave kTurnTakes free,
/// begun within what the mount allows.
/// @param runs  of the day, in order of their start
/// @return      none where the runs leave no such minutes
[[nodiscard]] std::optional<sky::Window> turning_of_day(const MeridianTurn& turn,
                                                        const std::vector<sky::Window>& runs);

/// What the day's turn means for a run.
enum class TurnAdvice {
  kNone,          ///< the run does not meet it
  kTurnEarly,     ///< the mount turns before the run begins
  kTrackThrough,  ///< it turns after the run has ended
  kMove           ///< the run leaves no time for it
};
inline constexpr base::EnumWords<TurnAdvice, 4> kTurnWords{
    {"none", "turn-early", "track-through", "move"}};
struct TurnDecision {
  TurnAdvice advice = TurnAdvice::kNone;
  std::optional<sky::UtcTime> turn_at;  ///< when the turn begins
};
/// @param turning  as turning_of_day decides for all runs of the day
/// @param run      start and end, start first
[[nodiscard]] TurnDecision decide_turn(const MeridianTurn& turn,
                                       const std::optional<sky::Window>& turning,
                                       const sky::Window& run);

/// Where the tube's own up lies in the sky: its position angle from celestial north through east
/// (degree). On an equatorial mount it is north, after the turn south; on an alt-azimuth one or
/// a tripod the zenith. A mount of which nothing is known counts as an equatorial one before its
/// turn.
/// @param parallactic_angle_deg  of the Sun, positive west of the meridian
[[nodiscard]] double tube_up_deg(MountKind mount, bool turned, double parallactic_angle_deg);

/// Minutes in which an alt-azimuth mount chases the Sun near the zenith: its azimuth runs more than
/// `kFastAzimuth` times as fast as the sky.
inline constexpr double kFastAzimuth = 4.0;
[[nodiscard]] std::optional<sky::Window> fast_azimuth(const Mount& mount, const sky::SunDay& day);

}  // namespace solarchon::plan
