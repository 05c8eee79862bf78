// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/ahead.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/sky/disc.h"

namespace solarchon::plan {

namespace {

constexpr sky::Duration kStep = sky::minutes(10.0);
constexpr double kCarringtonPerDay = 14.1844;

double sine_deg(double degrees) { return std::sin(degrees * base::kRadPerDeg); }
double cosine_deg(double degrees) { return std::cos(degrees * base::kRadPerDeg); }

/// 2 overcast, 1 broken cloud, 0 what can be hoped for.
int cloudiness(const BestWindow& window) {
  const SkyState state = window.sky ? state_of(*window.sky) : SkyState::kClear;
  return state == SkyState::kOvercast ? 2 : state == SkyState::kBroken ? 1 : 0;
}

/// What a stretch of the day promises; none when the feature is behind the limb.
std::optional<BestWindow> promise(const Day& day, const sky::Window& window,
                                  const std::optional<Feature>& feature) {
  const sky::UtcTime middle = window.middle();
  BestWindow best;
  best.window = window;
  best.altitude_deg = sky::arc_at(day.sun, middle).altitude_deg;
  if (day.outlook.wishes.forecast) {
    best.sky = forecast_at(*day.outlook.wishes.forecast, middle);
  }
  best.seeing = expected_seeing(
      day.sun, middle, day.outlook.wishes.surroundings, day.outlook.experience.seeing,
      best.sky ? std::optional<double>(best.sky->wind_m_s) : std::nullopt);
  double foreshortening = 1.0;
  if (feature) {
    best.feature = feature_at(*feature, middle);
    foreshortening = best.feature->foreshortening;
    if (foreshortening <= 0.0) {
      return std::nullopt;
    }
  }
  constexpr double kAtTheLimb = 0.05;  // nothing is told apart any more
  best.detail_km = best.seeing.arcsec * kKmPerArcsec / std::max(foreshortening, kAtTheLimb);
  return best;
}

/// Whole Carrington rotations until an instant.
int rotation_at(sky::UtcTime time) {
  return static_cast<int>(std::floor(sky::disc_view(time).carrington_rotation));
}

}  // namespace

bool better(const BestWindow& one, const BestWindow& other) {
  const int first = cloudiness(one);
  const int second = cloudiness(other);
  return first != second ? first < second : one.detail_km < other.detail_km;
}

FeatureView feature_at(const Feature& feature, sky::UtcTime time) {
  const double sine = sine_deg(feature.latitude_deg);
  const double drift = 14.522 - 2.84 * sine * sine - kCarringtonPerDay;
  const double days = sky::in_days(time - feature.seen);
  const sky::DiscView disc = sky::disc_view(time);
  FeatureView view;
  view.from_meridian_deg =
      base::wrap_180(feature.carrington_longitude_deg + drift * days - disc.l0_deg);
  view.foreshortening = sine * sine_deg(disc.b0_deg) + cosine_deg(feature.latitude_deg) *
                                                           cosine_deg(disc.b0_deg) *
                                                           cosine_deg(view.from_meridian_deg);
  return view;
}

std::optional<BestWindow> best_window(const Day& day, double minutes,
                                      const std::optional<Feature>& feature) {
  const sky::Duration length = sky::minutes(minutes);
  std::optional<BestWindow> best;
  for (const sky::Window& clear : day.skyline.clear) {
    for (sky::UtcTime start = clear.start; start + length <= clear.end; start = start + kStep) {
      const auto found = promise(day, {start, start + length}, feature);
      if (found && (!best || better(*found, *best))) {
        best = found;
      }
    }
  }
  return best;
}

Run next_run(const Day& day, std::optional<sky::UtcTime> not_before) {
  constexpr double kMinutes = 30.0;
  constexpr double kClipS = 10.0;  // what a seeing-limited clip of the disc can use
  constexpr double kEveryS = 60.0;
  Run run;
  run.minutes = kMinutes;
  run.clip_s = kClipS;
  run.every_s = kEveryS;
  const auto best = best_window(day, run.minutes);
  run.start = best ? best->window.start
                   : day.sun.transit.value_or(sky::Window{day.sun.start, day.sun.end}.middle());
  if (not_before && day.sun.start <= *not_before && *not_before < day.sun.end) {
    run.start = std::max(run.start, *not_before);
  }
  constexpr std::int64_t kMinuteMs = 60'000;
  const auto on_a_minute = [&] {
    run.start.unix_ms = (run.start.unix_ms + kMinuteMs - 1) / kMinuteMs * kMinuteMs;
  };
  on_a_minute();
  // Each round leaves one run behind, in whatever order they stand.
  for (std::size_t round = 0; round < day.plan.runs.size(); ++round) {
    for (const PlannedRun& other : day.plan.runs) {
      const sky::Window own = window_of(run);
      if (own.start < other.window.end && other.window.start < own.end) {
        run.start = other.window.end;
        on_a_minute();
      }
    }
  }
  return run;
}

base::Result<std::vector<BestWindow>> coming_windows(const Outlook& outlook, sky::UtcTime from,
                                                     int days, double minutes,
                                                     const std::optional<Feature>& feature,
                                                     const base::Task& task) {
  std::vector<BestWindow> windows;
  for (int i = 0; i < days; ++i) {
    if (task.stopped()) {
      return base::fail(base::ErrorCode::kCancelled, "days");
    }
    const double longitude_deg = outlook.observer.site.longitude_deg;
    const auto best =
        best_window(day_of(sky::local_mean_date(from + sky::days(i), longitude_deg), outlook),
                    minutes, feature);
    if (best && best->window.end > from) {
      windows.push_back(*best);
    }
    task.report((i + 1.0) / days);
  }
  return windows;
}

base::Result<YearAhead> year_ahead(int year, const sky::Observer& observer,
                                   double least_altitude_deg, const base::Task& task) {
  YearAhead ahead;
  ahead.year = year;
  const sky::UtcTime first = sky::start_of({year, 1, 1});
  const int days =
      static_cast<int>(std::lround(sky::in_days(sky::start_of({year + 1, 1, 1}) - first)));
  ahead.days.reserve(static_cast<std::size_t>(days));
  for (int i = 0; i < days; ++i) {
    if (task.stopped()) {
      return base::fail(base::ErrorCode::kCancelled, "year");
    }
    const sky::CivilDate date = sky::utc_date(first + sky::days(i));
    const sky::SunDay day = sky::sun_day(date, observer);
    const sky::SkylineDay skyline = sky::over_skyline(day, observer.site, least_altitude_deg);
    const sky::UtcTime noon = day.transit.value_or(day.start + 0.5 * (day.end - day.start));
    const sky::DiscView disc = sky::disc_view(noon);
    ahead.days.push_back({date, noon, day.sunrise, day.sunset, day.polar,
                          day.culmination_altitude_deg, skyline.clear, skyline.hours, disc.p_deg,
                          disc.b0_deg});
    const sky::UtcTime start = first + sky::days(i);
    if (rotation_at(start) != rotation_at(start + sky::days(1.0))) {
      sky::UtcTime low = start;
      sky::UtcTime high = start + sky::days(1.0);
      while (high - low > sky::seconds(1.0)) {
        const sky::UtcTime middle = low + 0.5 * (high - low);
        (rotation_at(middle) == rotation_at(start) ? low : high) = middle;
      }
      ahead.rotations.push_back({rotation_at(high), high});
    }
    task.report((i + 1.0) / days);
  }
  return ahead;
}

}  // namespace solarchon::plan
