// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/capture/series.h"
#include "solarchon/match/clip.h"
#include "solarchon/plan/run.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::workspace {

/// What a series of clips is for.
enum class SeriesKind {
  kTimeLapse,  ///< the same, again and again
  kPairs,      ///< the disc, then what stands over its limb, longer exposed
  kPanels      ///< of a mosaic of the whole disc
};

/// A series as somebody asks for it.
struct SeriesOrder {
  SeriesKind kind = SeriesKind::kTimeLapse;
  double clip_s = 5.0;
  double every_s = 20.0;      ///< from the start of one round to that of the next
  int rounds = 180;           ///< of panels, one
  bool hold = true;           ///< the target on its pixel, where a guider is there
  bool follow_light = false;  ///< exposures follow the light, as at sunset
  bool operator==(const SeriesOrder&) const = default;
};
inline constexpr base::Range kSeriesClipRange{0.1, 3600.0};

/// What a camera has to do for it; folder and stem are left empty.
/// @param exposure_ms  in force; none: target_exposure_ms
/// Errors: kMissing (`rig`) without telescope and camera; kOutOfRange (`clip_s`, `every_s`,
/// `rounds`), kMissing (`line`) for pairs without a passband in which anything stands over the
/// limb; as match::mosaic_of.
[[nodiscard]] base::Result<capture::SeriesPlan> series_plan(const Workspace& workspace,
                                                            const Answers& answers,
                                                            const SeriesOrder& order,
                                                            std::optional<double> exposure_ms);

/// Time, room and length of the film; at once, where series_plan may have to look for the target.
/// @param exposure_ms  as above. Errors: as series_plan.
[[nodiscard]] base::Result<match::TimeLapseNeeds> series_needs(const Workspace& workspace,
                                                               const Answers& answers,
                                                               const SeriesOrder& order,
                                                               std::optional<double> exposure_ms);

/// A run of the plan as an order, from a moment within it on: what is left of it.
/// @return  none before its start, or where less than a round is left. A run without pauses is one
///          clip.
[[nodiscard]] std::optional<SeriesOrder> order_of(const plan::Run& run, sky::UtcTime from);

}  // namespace solarchon::workspace
