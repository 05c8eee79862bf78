// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/optics/rig.h"
#include "solarchon/plan/mount.h"
#include "solarchon/sky/day.h"

namespace solarchon::plan {

/// A stretch of recording that is wanted at a certain time: one clip, or clips at an interval.
struct Run {
  std::string name;
  sky::UtcTime start;
  double minutes = 10.0;
  double frames_per_s = 30.0;  ///< while a clip is recorded
  double clip_s = 0.0;         ///< length of each clip; 0: recorded without a pause
  double every_s = 30.0;       ///< from the start of one clip to the next, when there are several
  bool fixed = false;          ///< an event that does not wait: the run cannot be moved
  bool operator==(const Run&) const = default;
};

inline constexpr base::Range kRunMinutesRange{0.1, 1440.0};
inline constexpr base::Range kFrameRateRange{0.001, 2000.0};
inline constexpr base::Range kClipRange{0.0, 86400.0};
inline constexpr base::Range kIntervalRange{0.1, 86400.0};
inline constexpr std::size_t kMostRuns = 500;

/// The same run, begun at another time.
[[nodiscard]] Run moved(Run run, sky::UtcTime start);
[[nodiscard]] sky::Window window_of(const Run& run);
/// Frames that it will record; clips longer than their interval run into each other.
[[nodiscard]] double frames_of(const Run& run);

[[nodiscard]] base::Json to_json(const Run& run);
/// Errors: as base::ObjectReader, below `path`.
[[nodiscard]] base::Result<Run> run_from_json(const base::Json& json, const std::string& path);

/// What a run can come up against, worst first.
enum class ConflictKind {
  kOverlap,       ///< two runs at once
  kMeridianTurn,  ///< the mount would turn or stop within it
  kHidden,        ///< the Sun is behind the skyline, too low or down
  kNearZenith,    ///< an alt-azimuth mount near the zenith
  kOvercast,      ///< by the forecast
  kDarkStep       ///< a step before it needs the Sun, which is not up yet
};
inline constexpr base::EnumWords<ConflictKind, 6> kConflictWords{
    {"overlap", "meridian-turn", "hidden", "near-zenith", "overcast", "dark-step"}};

/// A way out: the runs that would take the place of the one in conflict.
struct Cure {
  enum class Kind { kStartLater, kStartSooner, kEndSooner, kSplit };
  Kind kind = Kind::kStartLater;
  std::vector<Run> runs;
};

inline constexpr base::EnumWords<Cure::Kind, 4> kCureWords{
    {"start-later", "start-sooner", "end-sooner", "split"}};

struct Conflict {
  ConflictKind kind = ConflictKind::kOverlap;
  std::size_t run = 0;  ///< its place in the list of wishes
  sky::Window when;     ///< the part of the run (or step) that is hit
  std::vector<Cure> cures;
};

/// What could make room for the turn by changing one run; a fixed run is not moved, only split or
/// ended sooner. Runs that would become shorter than a minute are not offered. Whether there is
/// room then, turning_of_day says.
/// @param before  end of the run before it, @param after  start of the one after it
[[nodiscard]] std::vector<Cure> cures_of_turn(const MeridianTurn& turn, const Run& run,
                                              std::optional<sky::UtcTime> before = {},
                                              std::optional<sky::UtcTime> after = {});

/// The first stretch of a run that lies in none of the windows; none when it lies within one.
[[nodiscard]] std::optional<sky::Window> outside(const std::vector<sky::Window>& windows,
                                                 const sky::Window& run);

}  // namespace solarchon::plan
