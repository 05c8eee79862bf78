// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <filesystem>
#include <optional>
#include <string_view>
#include <vector>

#include "solarchon/align/find.h"
#include "solarchon/align/north.h"
#include "solarchon/align/seen_drift.h"
#include "solarchon/align/track.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/match/target.h"
#include "solarchon/optics/rig.h"
#include "solarchon/paper/sheets.h"
#include "solarchon/plan/day_plan.h"
#include "solarchon/plan/mount.h"
#include "solarchon/plan/wishes.h"
#include "solarchon/safety/safety.h"
#include "solarchon/sky/dew.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/site.h"

namespace solarchon::workspace {

using match::kTargetWords;
using match::Target;

/// How full the brightest part of a frame is to be, against full well.
inline constexpr double kUsualLevel = 0.70;

/// What the observer says of the sky and wants of the frame.
struct Conditions {
  std::optional<double> pressure_hpa;  ///< none: what is usual at the site's height
  double temperature_c = 15.0;
  double seeing_arcsec = sky::kUsualSeeingArcsec;
  double target_level = kUsualLevel;  ///< brightest part of a frame against full well
  double dut1_s = 0.0;
  std::optional<double> humidity_percent = {};  ///< none: not known
  bool operator==(const Conditions&) const = default;
};

inline constexpr base::Range kSeeingRange{0.3, 15.0};
inline constexpr base::Range kTargetLevelRange{0.05, 1.0};

inline constexpr std::size_t kMostDriftRuns = 100;

/// What is measured at the telescope, for finding north and the Sun.
struct Outside {
  double plumb_mm = align::kUsualPlumbMm;      ///< height of the bead on the plumb line
  double feet_apart_mm = align::kUsualFeetMm;  ///< of the tripod
  std::optional<double> tube_mm;               ///< none: what is usual for the telescope
  // Of the axis.
  align::Rate rate = align::Rate::kSolar;   ///< that the mount was driven at
  std::vector<align::DriftRun> runs;        ///< at most kMostDriftRuns
  std::optional<double> altitude_knob_deg;  ///< of the axis for a turn; none: not known
  double periodic_error_arcsec = 0.0;       ///< half of the whole swing
  double worm_period_s = 480.0;
  double step_arcsec = 1.0;                ///< of each axis of an alt-azimuth mount
  std::optional<double> azimuth_knob_deg;  ///< the same
  // At the table.
  std::optional<double> tube_outer_mm;  ///< at the front; none: what is usual for the aperture
  std::optional<double> film_clear_mm;  ///< of a front film's cell; none: the aperture
  std::optional<double> mask_hole_mm;   ///< of an aperture mask; none: half of the aperture
  std::optional<double> storage_c;      ///< where the telescope was kept; none: not known
  bool operator==(const Outside&) const = default;
};

/// The three choices that decide everything, and the conditions. Plain data.
struct Workspace {
  sky::Site site;
  optics::Rig rig;
  Target target = Target::kWholeDisc;
  /// Where on the disc that is, when somebody has pointed at it; none: where the largest is.
  std::optional<sky::DiscPlace> aim = {};
  Conditions conditions;
  safety::Practice practice = {};
  plan::Mount mount = {};
  plan::Wishes wishes = {};
  Outside outside = {};
  std::optional<optics::Rig> compared = {};  ///< a second light path, laid beside the first
  bool operator==(const Workspace&) const = default;
};

/// Who looks: with the given pressure, or the standard one of the site's height.
[[nodiscard]] sky::Observer observer_of(const Workspace& workspace);
/// What plans of all days are made from.
[[nodiscard]] plan::Outlook outlook_of(const Workspace& workspace, plan::Experience experience,
                                       double least_altitude_deg = plan::kWindowDeg);
/// Everything of a day.
[[nodiscard]] plan::Day day_of(const Workspace& workspace, const sky::CivilDate& date,
                               plan::Experience experience,
                               double least_altitude_deg = plan::kWindowDeg);

[[nodiscard]] base::Json to_json(const Workspace& workspace);
/// Errors: as base::ObjectReader, with the member's path.
[[nodiscard]] base::Result<Workspace> workspace_from_json(const base::Json& json);

/// The same with what no file could hold brought within the limits that files, fields and importers
/// share: names and notes cut to base::kMostTextBytes, parts to optics::kMostElements, runs to
/// plan::kMostRuns and to the years that the program answers for.
[[nodiscard]] Workspace within_limits(Workspace workspace);

/// Files that hold one; at most 2 MiB. What could not be read again is not written (kTooLarge, or
/// the reader's error). Errors: as base::read_file, base::write_file and above.
[[nodiscard]] base::Result<Workspace> read_workspace(const std::filesystem::path& path);
[[nodiscard]] base::Result<void> write_workspace(const Workspace& workspace,
                                                 const std::filesystem::path& path);

/// The data folder's files.
[[nodiscard]] std::filesystem::path workspace_file(const std::filesystem::path& data);
[[nodiscard]] std::filesystem::path log_file(const std::filesystem::path& data);
/// Removes half files that killed writers left in a data folder that this process holds, and in its
/// folders of frames, clips and products by day (base::sweep_half_files).
/// @return  their names
std::vector<std::filesystem::path> sweep_data_folder(const std::filesystem::path& data);
/// $XDG_DATA_HOME/solarchon, or ~/.local/share/solarchon.
[[nodiscard]] std::filesystem::path default_data_folder();

}  // namespace solarchon::workspace
