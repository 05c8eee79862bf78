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
  kAltAzimuth
};
inline constexpr base::EnumWords<MountKind, 4> kMountWords{
    {"unknown", "equatorial-turns", "equatorial-free", "alt-azimuth"}};

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

/// What to do about the turn, for a run without interruption.
enum class TurnAdvice {
  kNone,          ///< the run does not meet the turn
  kTurnEarly,     ///< before the run begins
  kTrackThrough,  ///< turn after the run has ended
  kMove           ///< neither helps: the run has to begin at another time
};
inline constexpr base::EnumWords<TurnAdvice, 4> kTurnWords{
    {"none", "turn-early", "track-through", "move"}};
struct TurnDecision {
  TurnAdvice advice = TurnAdvice::kNone;
  std::optional<sky::UtcTime> turn_at;      ///< when to turn
  std::optional<sky::UtcTime> start_later;  ///< where the run fits after an early turn
  std::optional<sky::UtcTime> end_sooner;   ///< by when it must end on the old side
};
/// @param run  start and end, start first
[[nodiscard]] TurnDecision decide_turn(const MeridianTurn& turn, const sky::Window& run);

/// Minutes in which an alt-azimuth mount chases the Sun near the zenith: its azimuth runs more than
/// `kFastAzimuth` times as fast as the sky.
inline constexpr double kFastAzimuth = 4.0;
[[nodiscard]] std::optional<sky::Window> fast_azimuth(const Mount& mount, const sky::SunDay& day);

}  // namespace solarchon::plan
