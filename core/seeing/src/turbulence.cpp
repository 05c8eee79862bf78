// SPDX-License-Identifier: GPL-3.0-or-later
// Tilts over an aperture D as a sum of waves of wave number K. Kolmogorov's phase has a power of
// K^(-11/3), a tilt that of K^2 times it, averaged over the aperture; waves even in log K then
// carry a variance of K^(1/3) below about 1/D each.
#include "solarchon/seeing/turbulence.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/random.h"
#include "wave_sums.h"

namespace solarchon::seeing {

namespace {

constexpr int kWaves = 64;  // of a layer
constexpr double kGroundM = 40.0;
constexpr double kHighM = 8000.0;
constexpr double kHighWindMS = 15.0;    // faster than near the ground
constexpr double kLongestWaveM = 20.0;  // about the outer scale by day
constexpr double kRadPerArcsec = base::kRadPerArcsec;

/// What an aperture leaves of a wave's tilt.
double averaged(double wave_number_per_m, double aperture_m) {
  const double across = 0.5 * wave_number_per_m * aperture_m;
  return std::exp(-0.25 * across * across);
}

/// Slow noise of mean 0 and deviation 1: periods from 20 seconds to ten minutes.
double wandering(std::uint32_t seed, double seconds) {
  constexpr int kPeriods = 9;
  constexpr double kShortestS = 20.0;
  constexpr double kRatio = 1.53;
  base::Random random{seed, 0x3a17U};
  double sum = 0.0;
  double period_s = kShortestS;
  for (int i = 0; i < kPeriods; ++i) {
    sum += std::sin(2.0 * base::kPi * (seconds / period_s + random.uniform()));
    period_s *= kRatio * random.uniform(0.95, 1.05);
  }
  return sum * std::sqrt(2.0 / kPeriods);
}

}  // namespace

Turbulence::Turbulence(const Air& air, double wavelength_nm, double aperture_mm)
    : air_(air), aperture_m_(0.001 * aperture_mm) {
  const double motion = image_motion_arcsec(air.r0_cm, wavelength_nm, aperture_mm);
  add_layer(kGroundM, air.wind_m_s, (1.0 - air.high_share) * motion * motion, 1);
  add_layer(kHighM, air.wind_m_s + kHighWindMS, air.high_share * motion * motion, 2);
  add_calm(air.seed);
}

void Turbulence::add_calm(std::uint32_t seed) {
  constexpr int kPatches = 8;
  constexpr double kFinestArcsec = 60.0;
  constexpr double kCoarsestArcsec = 240.0;
  constexpr double kOfWander = 0.4;
  // Carried by the wind of the layer that blurs most, some hundred metres up.
  constexpr double kBlurM = 300.0;
  base::Random random{seed, 0xca17U};
  for (int i = 0; i < kPatches; ++i) {
    const double length =
        kFinestArcsec * std::pow(kCoarsestArcsec / kFinestArcsec, random.uniform());
    const double way = random.uniform(0.0, 2.0 * base::kPi);
    const double wave_number = 2.0 * base::kPi / length;
    const double arcsec_s = air_.wind_m_s / kBlurM / kRadPerArcsec * std::cos(way);
    calm_.push_back({wave_number * std::cos(way), wave_number * std::sin(way),
                     wave_number * arcsec_s, random.uniform(0.0, 2.0 * base::kPi),
                     kOfWander * air_.wander * std::sqrt(2.0 / kPatches)});
  }
}

void Turbulence::add_layer(double height_m, double wind_m_s, double variance_arcsec2,
                           std::uint32_t layer) {
  base::Random random{air_.seed, layer, 0x51edU};
  const double blowing = random.uniform(0.0, 2.0 * base::kPi);
  const double first = std::log(2.0 * base::kPi / kLongestWaveM);
  const double last = std::log(2.0 * base::kPi / (0.5 * aperture_m_));
  std::vector<LayerWave> waves;
  double sum = 0.0;
  for (int i = 0; i < kWaves; ++i) {
    const double wave_number = std::exp(first + (last - first) * (i + random.uniform()) / kWaves);
    const double strength = std::pow(wave_number, 1.0 / 6.0) * averaged(wave_number, aperture_m_);
    // Directions by the golden angle: both axes are served alike.
    constexpr double kGoldenRad = 2.399963229728653;
    const double way = kGoldenRad * i + random.uniform(0.0, 0.3);
    waves.push_back({wave_number * std::cos(way), wave_number * std::sin(way),
                     random.uniform(0.0, 2.0 * base::kPi), strength * std::cos(way),
                     strength * std::sin(way), height_m, wind_m_s * std::cos(blowing),
                     wind_m_s * std::sin(blowing)});
    sum += 0.5 * strength * strength;  // mean square of the wave, both axes together
  }
  const double scale = std::sqrt(2.0 * variance_arcsec2 / sum);
  for (LayerWave& wave : waves) {
    wave.right_arcsec *= scale;
    wave.down_arcsec *= scale;
    waves_.push_back(wave);
  }
}

double Turbulence::r0_cm(double seconds) const {
  return air_.r0_cm * std::exp(air_.wander * wandering(air_.seed, seconds));
}

double Turbulence::strength(double seconds) const {
  // Weaker where the air is calm just now.
  return std::pow(r0_cm(seconds) / air_.r0_cm, -5.0 / 6.0);
}

MotionField Turbulence::motion(double seconds) const {
  MotionField field;
  field.waves_.reserve(waves_.size());
  const double scale = strength(seconds);
  for (const LayerWave& wave : waves_) {
    const double carried = wave.right_per_m * wave.wind_right_m_s * seconds +
                           wave.down_per_m * wave.wind_down_m_s * seconds;
    field.waves_.push_back({wave.right_per_m * wave.height_m * kRadPerArcsec,
                            wave.down_per_m * wave.height_m * kRadPerArcsec,
                            std::fmod(wave.phase_rad - carried, 2.0 * base::kPi),
                            scale * wave.right_arcsec, scale * wave.down_arcsec});
  }
  return field;
}

LatticeMotion Turbulence::motion_over(const Lattice& lattice, double seconds) const {
  const double scale = strength(seconds);
  WaveSums motion(lattice);
  for (const LayerWave& wave : waves_) {
    const double down_rad_arcsec = wave.down_per_m * wave.height_m * kRadPerArcsec;
    const double carried_rad_s =
        wave.right_per_m * wave.wind_right_m_s + wave.down_per_m * wave.wind_down_m_s;
    const double start = std::fmod(wave.phase_rad - carried_rad_s * seconds, 2.0 * base::kPi) +
                         down_rad_arcsec * lattice.top_arcsec;
    const double by_row =
        down_rad_arcsec * lattice.step_arcsec - carried_rad_s * lattice.row_delay_s;
    motion.add(wave.right_per_m * wave.height_m * kRadPerArcsec, scale * wave.right_arcsec,
               scale * wave.down_arcsec, [&](int row) { return start + by_row * row; });
  }
  WaveSums calm(lattice);
  for (const CalmWave& wave : calm_) {
    const double start = std::fmod(wave.phase_rad - wave.rad_s * seconds, 2.0 * base::kPi) +
                         wave.down_rad_arcsec * lattice.top_arcsec;
    calm.add(wave.right_rad_arcsec, wave.amplitude, 0.0,
             [&](int row) { return start + wave.down_rad_arcsec * lattice.step_arcsec * row; });
  }
  return {motion.first_by_rows(), motion.second_by_rows(), calm.first_by_rows()};
}

Shift MotionField::at(double right_arcsec, double down_arcsec) const {
  Shift shift;
  for (const Wave& wave : waves_) {
    const double now = std::cos(wave.right_rad_arcsec * right_arcsec +
                                wave.down_rad_arcsec * down_arcsec + wave.phase_rad);
    shift.right += wave.right_arcsec * now;
    shift.down += wave.down_arcsec * now;
  }
  return shift;
}

}  // namespace solarchon::seeing
