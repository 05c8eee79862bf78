// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/figure.h"
#include "solarchon/optics/rig.h"
#include "solarchon/plan/day_plan.h"
#include "solarchon/safety/safety.h"

namespace solarchon::plan {

/// What has to be seen to before a day.
enum class Chore {
  kOrder,     ///< a part of the light path is not in the kit
  kMend,      ///< an inspection found a defect
  kInspect,   ///< a filter whose last inspection will be too old, or is not on record
  kCharge,    ///< batteries
  kCarry,     ///< the batteries do not last: more are needed
  kMakeRoom,  ///< the disk is too small for the runs
  kRehearse   ///< this light path was not used lately
};

struct ReadyItem {
  Chore chore = Chore::kOrder;
  std::string name;       ///< of the part, the light path or the battery
  sky::CivilDate by;      ///< when it has to be done
  std::string last = {};  ///< date of the last time; empty: none on record
  bool done = false;
  std::string defect = {};                 ///< kMend: as its owner wrote it
  std::vector<base::Figure> figures = {};  ///< kCarry: what is missing; kMakeRoom: needed, free
};

/// What the list is made from.
struct Stock {
  std::vector<optics::Element> kit;               ///< what its owner has
  int inspection_days = safety::kInspectionDays;  ///< a filter wants a look after so many days
  std::optional<sky::UtcTime> last_use;           ///< of this light path, from the log
  std::optional<double> free_bytes;               ///< on the disk that records
  std::optional<double> write_mb_per_s;           ///< measured
};

/// Days before it that a part must be ordered, a rehearsal be held, a battery be charged.
inline constexpr int kOrderDays = 14;
inline constexpr int kRehearseDays = 3;
inline constexpr int kChargeDays = 1;
/// A light path that was used within so many days needs no rehearsal.
inline constexpr int kFreshDays = 30;

/// The list for a day, what is not done first, in order of time.
/// A part is in the kit when it carries the id of one of its parts, or the same name and kind.
[[nodiscard]] std::vector<ReadyItem> ready_list(const Day& day, const Stock& stock);

/// Whether runs fit on a disk; a tenth of it stays free, since full disks become slow.
[[nodiscard]] bool has_room(const StorageUse& use, double free_bytes);

/// Whether a run records faster than the disk takes in, with a fifth to spare.
[[nodiscard]] bool too_fast(const StorageUse& use, double write_mb_per_s);

}  // namespace solarchon::plan
