// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/plan/day_plan.h"

namespace solarchon::plan {

/// A place on the Sun that was measured once and is to be seen again.
struct Feature {
  double latitude_deg = 0.0;
  double carrington_longitude_deg = 0.0;
  sky::UtcTime seen;
};

/// How a feature stands to the observer at an instant.
struct FeatureView {
  double from_meridian_deg = 0.0;  ///< heliographic longitude from the disc's middle, west positive
  double foreshortening = 1.0;     ///< cosine of its angle from the disc's centre; below 0: behind
};
/// Spots drift by latitude: 14.522 - 2.84 sin^2 B degrees a day, sidereal. Accuracy:
/// some degrees after a rotation; spots also move of their own, and most do not live that long.
[[nodiscard]] FeatureView feature_at(const Feature& feature, sky::UtcTime time);

/// The stretch of a day that promises the finest detail.
struct BestWindow {
  sky::Window window;
  SeeingGuess seeing;  ///< at its middle
  double altitude_deg = 0.0;
  std::optional<ForecastHour> sky;
  std::optional<FeatureView> feature;
  double detail_km = 0.0;  ///< on the Sun, across the foreshortened direction
};

/// Air with 1 arcsec of seeing blurs so much on the Sun (km).
inline constexpr double kKmPerArcsec = 725.0;

/// Whether one window is to be preferred: overcast last, broken cloud before it, then finer detail.
[[nodiscard]] bool better(const BestWindow& one, const BestWindow& other);

/// Looks through the clear windows in steps of ten minutes.
/// @param minutes  that it has to last
/// @return         none where no clear window is that long, or the feature is behind the limb;
///                 overcast stretches only where there is nothing else
[[nodiscard]] std::optional<BestWindow> best_window(const Day& day, double minutes,
                                                    const std::optional<Feature>& feature = {});

/// A run to begin with, for a day: half an hour of short clips in its best window, or around noon
/// where it has none; after the runs that are planned already where it would meet one, and on a
/// whole minute. It has no name yet.
/// @param not_before  for a plan of today: now
[[nodiscard]] Run next_run(const Day& day, std::optional<sky::UtcTime> not_before = {});

/// The best window of each of the coming days that have one.
/// @param days  1 to 400
/// Errors: kCancelled.
[[nodiscard]] base::Result<std::vector<BestWindow>> coming_windows(
    const Outlook& outlook, sky::UtcTime from, int days, double minutes,
    const std::optional<Feature>& feature, const base::Task& task = {});

struct YearDay {
  sky::CivilDate date;
  sky::UtcTime noon;  ///< transit; local mean noon where there is none
  std::optional<sky::UtcTime> sunrise;
  std::optional<sky::UtcTime> sunset;
  sky::PolarState polar = sky::PolarState::kNone;
  double culmination_altitude_deg = 0.0;  ///< airless
  std::vector<sky::Window> clear;
  double clear_hours = 0.0;
  double p_deg = 0.0;   ///< at noon
  double b0_deg = 0.0;  ///< at noon
};
/// A Carrington rotation begins: its prime meridian passes the middle of the disc.
struct RotationStart {
  int rotation = 0;
  sky::UtcTime time;
};
struct YearAhead {
  int year = 2000;
  std::vector<YearDay> days;
  std::vector<RotationStart> rotations;
};
/// @param year  1973 to 2099
/// Accuracy: rotations to 2 minutes (L0 to 0.02 degree). Errors: kCancelled.
[[nodiscard]] base::Result<YearAhead> year_ahead(int year, const sky::Observer& observer,
                                                 double least_altitude_deg,
                                                 const base::Task& task = {});

}  // namespace solarchon::plan
