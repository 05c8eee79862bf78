// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/seeing/cloud.h"

#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/random.h"
#include "wave_sums.h"

namespace solarchon::seeing {

namespace {

constexpr int kCloudWaves = 120;
constexpr double kFinestArcsec = 60.0;
constexpr double kCoarsestArcsec = 10800.0;
constexpr double kArcsecPerArcmin = 60.0;

}  // namespace

base::Result<void> check(const Cloud& cloud) {
  return base::checked("cloud", cloud.stops, kCloudStopsRange)
      .and_then(
          [&](double) { return base::checked("unevenness", cloud.unevenness, kUnevennessRange); })
      .and_then([&](double) {
        return base::checked("drift_arcmin_s", cloud.drift_arcmin_s, kCloudDriftRange);
      })
      .map([](double) {});
}

CloudField::CloudField(const Cloud& cloud) : cloud_(cloud) {
  base::Random random{cloud.seed, 0xc10dU};
  const double blowing = random.uniform(0.0, 2.0 * base::kPi);
  double sum = 0.0;
  for (int i = 0; i < kCloudWaves; ++i) {
    const double length = kFinestArcsec * std::pow(kCoarsestArcsec / kFinestArcsec,
                                                   (i + random.uniform()) / kCloudWaves);
    const double wave_number = 2.0 * base::kPi / length;
    // Directions by the golden angle: lumps are as long as they are wide.
    constexpr double kGoldenRad = 2.399963229728653;
    const double way = kGoldenRad * i + random.uniform(0.0, 0.5);
    const double amplitude = std::cbrt(length);
    waves_.push_back(
        {wave_number * std::cos(way), wave_number * std::sin(way),
         wave_number * kArcsecPerArcmin * cloud.drift_arcmin_s * std::cos(way - blowing),
         random.uniform(0.0, 2.0 * base::kPi), amplitude});
    sum += 0.5 * amplitude * amplitude;
  }
  for (Wave& wave : waves_) {
    wave.amplitude *= cloud.unevenness / std::sqrt(sum);
  }
  half_variance_ = 0.5 * cloud.unevenness * cloud.unevenness;
}

double CloudField::stops(double right_arcsec, double down_arcsec, double seconds) const {
  if (cloud_.stops <= 0.0) {
    return 0.0;
  }
  double thickness = -half_variance_;
  for (const Wave& wave : waves_) {
    thickness +=
        wave.amplitude *
        std::cos(wave.right_rad_arcsec * right_arcsec + wave.down_rad_arcsec * down_arcsec +
                 std::fmod(wave.phase_rad - wave.rad_s * seconds, 2.0 * base::kPi));
  }
  return cloud_.stops * std::exp(thickness);
}

std::vector<float> CloudField::stops_over(const Lattice& lattice, double seconds) const {
  WaveSums thickness(lattice);
  for (const Wave& wave : waves_) {
    const double start = std::fmod(wave.phase_rad - wave.rad_s * seconds, 2.0 * base::kPi) +
                         wave.down_rad_arcsec * lattice.top_arcsec;
    const double by_row =
        wave.down_rad_arcsec * lattice.step_arcsec - wave.rad_s * lattice.row_delay_s;
    thickness.add(wave.right_rad_arcsec, wave.amplitude, 0.0,
                  [&](int row) { return start + by_row * row; });
  }
  std::vector<float> stops = thickness.first_by_rows();
  for (float& value : stops) {
    value = static_cast<float>(cloud_.stops) * std::exp(value - static_cast<float>(half_variance_));
  }
  return stops;
}

double scattered_share(double stops) {
  constexpr double kForward = 0.02;
  constexpr double kThrough = 0.25;  // of the cloud's stops: thick ones dim what they scatter
  return kForward * (1.0 - std::exp2(-stops)) * std::exp2(-kThrough * stops);
}

}  // namespace solarchon::seeing
