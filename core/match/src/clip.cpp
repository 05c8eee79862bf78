// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/match/clip.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "solarchon/base/angle.h"

namespace solarchon::match {

namespace {

constexpr double kKmPerArcsec = 725.0;       // on the Sun, at one astronomical unit
constexpr double kRotationArcsecS = 0.0026;  // of the middle of the disc
constexpr double kSecondsPerHour = 3600.0;
constexpr double kMsPerSecond = 1000.0;
constexpr double kBytesPerMegabyte = 1e6;

}  // namespace

ClipBudget clip_budget(const ClipMotion& motion) {
  const double room = 0.5 * motion.resolution_arcsec;
  const double off = std::clamp(motion.from_centre, 0.0, 1.0);
  const std::array<double, 4> arcsec_s{
      kRotationArcsecS * std::sqrt(1.0 - off * off), motion.evolution_km_s / kKmPerArcsec,
      motion.turning_deg_min / 60.0 * base::kRadPerDeg * motion.corner_arcsec,
      motion.tracking_arcsec_min / 60.0};
  ClipBudget budget;
  std::size_t ruling = 0;
  for (std::size_t i = 0; i < arcsec_s.size(); ++i) {
    constexpr double kStill = 1e-9;
    budget.longest_s.at(i) =
        arcsec_s.at(i) > kStill ? room / arcsec_s.at(i) : std::numeric_limits<double>::infinity();
    if (budget.longest_s.at(i) < budget.longest_s.at(ruling)) {
      ruling = i;
    }
  }
  budget.ruling = static_cast<ClipLimit>(ruling);
  return budget;
}

FrameRate frame_rate(const optics::Camera& camera, const Region& region, double exposure_ms) {
  const int bin = std::max(1, region.binning);
  FrameRate rate;
  rate.bytes_a_frame = std::floor(static_cast<double>(region.width_px) / bin) *
                       std::floor(static_cast<double>(region.height_px) / bin) *
                       (camera.bits > 8 ? 2.0 : 1.0);
  constexpr double kBetween = 0.05;  // of the time of a whole frame, between any two
  const double rows = static_cast<double>(region.height_px) / std::max(1, camera.height_px);
  const double sensor_hz = camera.frame_rate_hz / (kBetween + (1.0 - kBetween) * rows);
  const double cable_hz =
      camera.interface_mb_s * kBytesPerMegabyte / std::max(1.0, rate.bytes_a_frame);
  const double exposure_hz = kMsPerSecond / std::max(1e-6, exposure_ms);
  rate.hz = std::min({sensor_hz, cable_hz, exposure_hz});
  rate.ruling = rate.hz == exposure_hz ? RateLimit::kExposure
                : rate.hz == cable_hz  ? RateLimit::kCable
                                       : RateLimit::kSensor;
  return rate;
}

double frame_noise(const optics::Camera& camera, double level) {
  const double full = camera.full_well_e;
  const double electrons = std::max(1.0, level * full);
  const double step = full / std::exp2(camera.bits);
  return std::sqrt(electrons + camera.read_noise_e * camera.read_noise_e + step * step / 12.0) /
         electrons;
}

namespace {

/// Contrast of the fine detail that a target is recorded for.
double contrast_of(Target target) {
  switch (target) {
    case Target::kGranulation:
      return 0.03;
    case Target::kWholeDisc:
    case Target::kFaculae:
    case Target::kLimb:
      return 0.05;
    case Target::kPlage:
      return 0.08;
    case Target::kLargestSpot:
    case Target::kProminence:
    case Target::kFilament:
      break;
  }
  return 0.10;
}

}  // namespace

EnoughFrames enough_frames(Target target, double noise, double share) {
  constexpr double kSharpening = 8.0;
  constexpr double kBelowDetail = 5.0;
  constexpr double kLeastKept = 20.0;
  constexpr double kMostRecorded = 100000.0;
  const double of_all = std::clamp(share, kKeptShareRange.low, kKeptShareRange.high);
  const double kept = std::max(
      kLeastKept, std::ceil(std::pow(kBelowDetail * kSharpening * noise / contrast_of(target), 2)));
  const double recorded = std::min(kMostRecorded, std::ceil(kept / of_all));
  return {static_cast<int>(std::min(kept, recorded)), static_cast<int>(recorded)};
}

base::Result<TimeLapseNeeds> needs_of(const TimeLapse& lapse, const FrameRate& rate) {
  return base::checked("interval_s", lapse.interval_s, kIntervalRange)
      .and_then([&](double) {
        return base::checked("count", static_cast<double>(lapse.count), kCountRange);
      })
      .and_then([&](double) {
        return base::checked("clip_s", lapse.clip_s, {0.0, lapse.interval_s});
      })
      .map([&](double) {
        TimeLapseNeeds needs;
        needs.duration_s = lapse.interval_s * (lapse.count - 1) + lapse.clip_s;
        needs.bytes =
            lapse.count * std::max(1.0, std::floor(lapse.clip_s * rate.hz)) * rate.bytes_a_frame;
        needs.watt_hours = lapse.power_w * needs.duration_s / kSecondsPerHour;
        needs.playback_s = lapse.count / lapse.playback_hz;
        return needs;
      });
}

}  // namespace solarchon::match
