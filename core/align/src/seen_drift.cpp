// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/seen_drift.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "solarchon/base/angle.h"
#include "solarchon/sky/sun.h"

namespace solarchon::align {

namespace {

constexpr double kNoisePixels = 1.5;
constexpr double kNoiseDiameters = 0.05;
constexpr double kNoiseArcsec = 2.0;

/// Arcseconds in one of the unit, and the noise of a reading.
struct Scale {
  double arcsec = 1.0;
  double noise_arcsec = kNoiseArcsec;
};
std::optional<Scale> scale_of(DriftUnit unit, const SeenIn& in) {
  switch (unit) {
    case DriftUnit::kArcseconds:
      return Scale{};
    case DriftUnit::kPixels:
      return in.sampling_arcsec_px ? std::optional<Scale>({*in.sampling_arcsec_px,
                                                           kNoisePixels * *in.sampling_arcsec_px})
                                   : std::nullopt;
    case DriftUnit::kDiameters:
      break;
  }
  const double diameter_arcsec = 2.0 * in.semidiameter_arcsec;
  return Scale{diameter_arcsec, kNoiseDiameters * diameter_arcsec};
}

base::Result<void> complete(const SeenDrift& seen) {
  const bool both = seen.right_or_west && seen.up_or_north;
  if (!both && (seen.in_picture || !(seen.right_or_west || seen.up_or_north))) {
    return base::fail(
        base::ErrorCode::kMissing, "drift", {},
        seen.in_picture ? base::wants("drift-both-ways") : base::wants("a-drift-in-each-run"));
  }
  return {};
}

}  // namespace

base::Result<DriftRun> run_seen(const sky::Observer& observer, sky::UtcTime start,
                                double duration_s, const SeenDrift& seen, const SeenIn& in) {
  const auto scale = scale_of(seen.unit, in);
  if (!scale) {
    return base::fail(base::ErrorCode::kMissing, "pixels", {}, base::wants("camera-scale"));
  }
  const auto duration = base::checked("duration", duration_s, kRunSecondsRange);
  const auto whole = complete(seen);
  if (!duration || !whole) {
    return tl::make_unexpected(!duration ? duration.error() : whole.error());
  }
  const sky::GeocentricSun sun = sky::geocentric_sun(start, observer.dut1_s);
  DriftRun run;
  run.start = start;
  run.hour_angle_deg = sky::local_sun(sun, observer.site, observer.weather).hour_angle_deg;
  run.declination_deg = sun.declination_deg;
  run.duration_s = duration_s;
  run.noise_arcsec = scale->noise_arcsec;
  const double cos_declination = std::cos(sun.declination_deg * base::kRadPerDeg);
  const auto keep = [&](std::optional<double> west, std::optional<double> north) {
    if (west) {
      run.hour_angle_drift_arcsec = *west * scale->arcsec / cos_declination;
    }
    if (north) {
      run.declination_drift_arcsec = *north * scale->arcsec;
    }
  };
  if (seen.in_picture) {
    const sky::DiscPlace moved =
        sky::to_disc({*seen.right_or_west, *seen.up_or_north}, in.celestial);
    keep(moved.west_arcsec, moved.north_arcsec);
  } else {
    keep(seen.right_or_west, seen.up_or_north);
  }
  for (const auto& drift : {run.declination_drift_arcsec, run.hour_angle_drift_arcsec}) {
    if (const auto checked = base::checked("drift", drift.value_or(0.0), kDriftRange); !checked) {
      return tl::make_unexpected(checked.error());
    }
  }
  return run;
}

base::Result<DriftRun> run_of_frames(const sky::Observer& observer, std::vector<DiscSeen> discs,
                                     const sky::PictureOrientation& celestial) {
  constexpr std::size_t kFewest = 2;
  constexpr double kScaleSpread = 0.05;
  constexpr double kLeastScatterArcsec = 1.0;
  if (discs.size() < kFewest) {
    return base::fail(base::ErrorCode::kMissing, "frames", std::to_string(discs.size()),
                      base::wants("two-frames-of-a-run"));
  }
  std::sort(discs.begin(), discs.end(),
            [](const DiscSeen& a, const DiscSeen& b) { return a.time < b.time; });
  const auto [least, most] = std::minmax_element(
      discs.begin(), discs.end(),
      [](const DiscSeen& a, const DiscSeen& b) { return a.radius_px < b.radius_px; });
  if (!(least->radius_px > 0.0) || most->radius_px > (1.0 + kScaleSpread) * least->radius_px) {
    return base::fail(base::ErrorCode::kOutOfRange, "frames", {},
                      base::wants("frames-of-one-scale"));
  }
  // Straight lines x(t), y(t): means, then slopes about them.
  const auto count = static_cast<double>(discs.size());
  DiscSeen mean{discs.front().time};
  double mean_s = 0.0;
  for (const DiscSeen& disc : discs) {
    mean_s += sky::in_seconds(disc.time - mean.time) / count;
    mean.x_px += disc.x_px / count;
    mean.y_px += disc.y_px / count;
    mean.radius_px += disc.radius_px / count;
  }
  double spread_s2 = 0.0;
  double x_rate = 0.0;
  double y_rate = 0.0;
  const auto since = [&](const DiscSeen& disc) {
    return sky::in_seconds(disc.time - mean.time) - mean_s;
  };
  for (const DiscSeen& disc : discs) {
    spread_s2 += since(disc) * since(disc);
    x_rate += since(disc) * (disc.x_px - mean.x_px);
    y_rate += since(disc) * (disc.y_px - mean.y_px);
  }
  const double span_s = sky::in_seconds(discs.back().time - discs.front().time);
  if (const auto checked = base::checked("duration", span_s, kRunSecondsRange); !checked) {
    return tl::make_unexpected(checked.error());
  }
  x_rate /= spread_s2;
  y_rate /= spread_s2;
  double rest_px2 = 0.0;
  for (const DiscSeen& disc : discs) {
    rest_px2 += std::pow(disc.x_px - mean.x_px - x_rate * since(disc), 2) +
                std::pow(disc.y_px - mean.y_px - y_rate * since(disc), 2);
  }
  const double semidiameter =
      sky::geocentric_sun(discs.front().time, observer.dut1_s).semidiameter_arcsec();
  const double scale = semidiameter / mean.radius_px;
  // Two coordinates, two numbers of each line.
  const double freedom = 2.0 * (count - 2.0);
  const double scatter_arcsec =
      std::max(kLeastScatterArcsec, freedom > 0.0 ? scale * std::sqrt(rest_px2 / freedom) : 0.0);
  return run_seen(observer, discs.front().time, span_s,
                  {true, x_rate * span_s, -y_rate * span_s, DriftUnit::kPixels},
                  {celestial, scale, semidiameter})
      .map([&](DriftRun run) {
        run.noise_arcsec = std::clamp(scatter_arcsec * span_s / std::sqrt(spread_s2),
                                      kNoiseRange.low, kNoiseRange.high);
        return run;
      });
}

DriftLeft drift_left(const PoleError& error, const sky::Observer& observer, sky::UtcTime time,
                     Rate rate) {
  constexpr double kSeconds = 300.0;
  constexpr double kMinutes = kSeconds / 60.0;
  const sky::GeocentricSun sun = sky::geocentric_sun(time, observer.dut1_s);
  DriftRun run;
  run.start = time;
  run.hour_angle_deg = sky::local_sun(sun, observer.site, observer.weather).hour_angle_deg;
  run.declination_deg = sun.declination_deg;
  run.duration_s = kSeconds;
  const Drift drift = drift_of(error, observer.site.latitude_deg, run, rate, observer.weather);
  DriftLeft left;
  left.west_arcsec_min =
      drift.hour_angle_arcsec * std::cos(sun.declination_deg * base::kRadPerDeg) / kMinutes;
  left.north_arcsec_min = drift.declination_arcsec / kMinutes;
  left.arcsec_min = std::hypot(left.west_arcsec_min, left.north_arcsec_min);
  return left;
}

double room_arcsec(double field_arcmin, double semidiameter_arcsec) {
  constexpr double kArcsecPerArcmin = 60.0;
  const double half_arcsec = 0.5 * field_arcmin * kArcsecPerArcmin;
  return half_arcsec > semidiameter_arcsec ? half_arcsec - semidiameter_arcsec : 0.5 * half_arcsec;
}

Stay stay_of(const DriftLeft& left, std::optional<double> field_arcmin, double semidiameter_arcsec,
             std::optional<double> resolution_arcsec) {
  constexpr double kSecondsPerMinute = 60.0;
  Stay stay;
  if (left.arcsec_min <= 0.0) {
    return stay;
  }
  if (field_arcmin) {
    stay.in_field_min = room_arcsec(*field_arcmin, semidiameter_arcsec) / left.arcsec_min;
  }
  if (resolution_arcsec) {
    stay.clip_s = 0.5 * *resolution_arcsec / left.arcsec_min * kSecondsPerMinute;
  }
  return stay;
}

sky::UtcTime time_of_hour_angle(double hour_angle_deg, const sky::Observer& observer,
                                sky::UtcTime near) {
  const sky::GeocentricSun sun = sky::geocentric_sun(near, observer.dut1_s);
  const double now_deg = sky::local_sun(sun, observer.site, observer.weather).hour_angle_deg;
  return near + sky::hours(base::wrap_180(hour_angle_deg - now_deg) / base::kSunDegPerHour);
}

std::optional<double> turns_of(double error_deg, std::optional<double> deg_per_turn) {
  return deg_per_turn ? std::optional(std::abs(error_deg) / *deg_per_turn) : std::nullopt;
}

}  // namespace solarchon::align
