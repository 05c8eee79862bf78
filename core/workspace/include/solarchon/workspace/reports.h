// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/advise/advise.h"
#include "solarchon/base/json.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/light/exposure.h"
#include "solarchon/log/log_book.h"
#include "solarchon/measure/disc.h"
#include "solarchon/optics/train.h"
#include "solarchon/plan/ahead.h"
#include "solarchon/plan/day_plan.h"
#include "solarchon/plan/mount.h"
#include "solarchon/safety/safety.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/sun.h"

namespace solarchon::workspace {

// The answers of the core as JSON. Keys are a contract; docs/cli.md lists them. What is not known
// is null, never left out.

[[nodiscard]] base::Json sun_report(sky::UtcTime time, const sky::GeocentricSun& sun,
                                    const sky::LocalSun& local, const sky::DiscView& disc,
                                    std::optional<double> magnetic_declination_deg);

/// Lines that were not taken: [{line, field, value, accepted}].
[[nodiscard]] base::Json refused_report(const std::vector<base::RefusedLine>& refused);

/// @param refused  lines of the horizon's file that were not taken
[[nodiscard]] base::Json day_report(const sky::SunDay& day, const sky::SkylineDay& skyline,
                                    const plan::Mount& mount,
                                    const std::vector<base::RefusedLine>& refused);

/// A day's plan: countdown, runs, conflicts with their cures, power and storage.
[[nodiscard]] base::Json plan_report(const plan::Givens& givens, const plan::DayPlan& day);

[[nodiscard]] base::Json year_report(const plan::YearAhead& ahead);
[[nodiscard]] base::Json windows_report(const std::vector<plan::BestWindow>& windows);

/// A light path with everything that is said of it.
struct RigAnswer {
  const optics::Rig& rig;
  const optics::Train& train;
  const safety::Assessment& safety;
  const std::vector<advise::Misfit>& misfits;
  const std::vector<advise::Suggestion>& suggestions;
  const std::vector<optics::Element>& catalogue;  ///< that adapters are proposed from
  const std::optional<light::DiscExposure>& exposure;
};

[[nodiscard]] base::Json rig_report(const RigAnswer& answer);

/// Every safety rule, for reading.
[[nodiscard]] base::Json rules_report();

[[nodiscard]] base::Json measurement_report(const measure::DiscMeasurement& measured);

[[nodiscard]] base::Json truth_report(const camera::Truth& truth);

[[nodiscard]] base::Json log_report(const std::vector<log::SessionSummary>& sessions);

}  // namespace solarchon::workspace
