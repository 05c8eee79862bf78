// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/json_fwd.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/log/log_book.h"
#include "solarchon/measure/disc.h"
#include "solarchon/plan/ahead.h"
#include "solarchon/plan/day_plan.h"
#include "solarchon/plan/mount.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/moon_cover.h"
#include "solarchon/sky/sun.h"

namespace solarchon::workspace {

// The answers of the core as JSON. Keys are a contract; docs/cli.md lists them. What is not known
// is null, never left out. Answers that speak in sentences are put together in cli/.

[[nodiscard]] base::Json sun_report(sky::UtcTime time, const sky::GeocentricSun& sun,
                                    const sky::LocalSun& local, const sky::DiscView& disc,
                                    std::optional<double> magnetic_declination_deg);

/// The Moon in front of the Sun; null without it.
[[nodiscard]] base::Json moon_report(const std::optional<sky::MoonCover>& moon);

[[nodiscard]] base::Json day_report(const sky::SunDay& day, const sky::SkylineDay& skyline,
                                    const plan::Mount& mount);

/// A day's plan: countdown, runs, conflicts with their cures, power and storage.
[[nodiscard]] base::Json plan_report(const plan::Day& day);

[[nodiscard]] base::Json year_report(const plan::YearAhead& ahead);
[[nodiscard]] base::Json windows_report(const std::vector<plan::BestWindow>& windows);

[[nodiscard]] base::Json measurement_report(const measure::DiscMeasurement& measured);

[[nodiscard]] base::Json truth_report(const camera::Truth& truth);

[[nodiscard]] base::Json log_report(const std::vector<log::SessionSummary>& sessions);
[[nodiscard]] base::Json shelves_report(const std::vector<log::KeptSite>& sites,
                                        const std::vector<log::KeptPath>& paths);

}  // namespace solarchon::workspace
