// SPDX-License-Identifier: GPL-3.0-or-later
#include "fibrils.h"

#include <algorithm>
#include <cmath>

#include "geometry.h"
#include "solarchon/base/random.h"
#include "solarchon/scene/convection.h"

namespace solarchon::scene {

using base::kPi;

namespace {

constexpr double kGrainMm = 0.72;  // of the noise
constexpr double kGrainRad = kGrainMm / kSolarRadiusMm;
constexpr double kStepMm = 0.9;
constexpr int kSteps = 10;  // either way

constexpr int kBriefSteps = 3;

/// Weights along the line, so that what they give of independent grains has deviation 1.
std::array<double, kSteps + 1> weights(int steps) {
  std::array<double, kSteps + 1> weight{};
  double squares = 0.0;
  for (int i = 0; i <= steps; ++i) {
    weight.at(static_cast<std::size_t>(i)) = 0.5 + 0.5 * std::cos(kPi * i / (steps + 1.0));
    squares += (i == 0 ? 1.0 : 2.0) * weight.at(static_cast<std::size_t>(i)) *
               weight.at(static_cast<std::size_t>(i));
  }
  constexpr double kSmoothing = 1.45;  // what interpolation between grains takes away
  for (double& one : weight) {
    one *= kSmoothing / std::sqrt(squares);
  }
  return weight;
}

}  // namespace

FibrilNoise::FibrilNoise(std::uint32_t seed, double seconds) : seed_(seed), table_(kTable) {
  base::Random random{seed, 0xf1bU};
  for (Value& value : table_) {
    const auto wave = [&] {
      const double period_s = random.uniform(2400.0, 5400.0);
      const double phase = random.uniform(0.0, 2.0 * kPi);
      return static_cast<float>(
          std::sqrt(2.0) * std::sin(2.0 * kPi * std::fmod(seconds, period_s) / period_s + phase));
    };
    value.first = wave();
    value.second = wave();
  }
  const int rows = static_cast<int>(kPi / kGrainRad) + 2;
  for (int row = 0; row < rows; ++row) {
    const double latitude = (row + 0.5) * kGrainRad - 0.5 * kPi;
    columns_.push_back(
        std::max(1, static_cast<int>(2.0 * kPi * std::abs(std::cos(latitude)) / kGrainRad)));
  }
}

FibrilNoise::Pair FibrilNoise::at(double latitude_rad, double longitude_rad) const {
  const double y = std::max(0.0, (latitude_rad + 0.5 * kPi) * (1.0 / kGrainRad) - 0.5);
  const auto low = static_cast<std::size_t>(y);
  const double turns = longitude_rad * (0.5 / kPi);
  const double around = turns - static_cast<int>(turns) + (turns < 0.0 ? 1.0 : 0.0);
  const auto last = columns_.size() - 1;
  const auto in_row = [&](std::size_t row) {
    const int columns = columns_[row];
    const double x = around * columns;
    const int left = static_cast<int>(x);
    const double share = x - left;
    const auto value = [&](int column) -> const Value& {
      auto bits = (static_cast<std::uint64_t>(row) << 32U | static_cast<std::uint32_t>(column)) +
                  seed_ * 0x9e3779b97f4a7c15ULL;
      bits *= 0xbf58476d1ce4e5b9ULL;
      bits ^= bits >> 29U;
      bits *= 0x94d049bb133111ebULL;
      return table_[bits >> 48U];
    };
    const Value& a = value(left);
    const Value& b = value(left + 1 >= columns ? 0 : left + 1);
    return Pair{
        (1.0 - share) * static_cast<double>(a.first) + share * static_cast<double>(b.first),
        (1.0 - share) * static_cast<double>(a.second) + share * static_cast<double>(b.second)};
  };
  const double dy = y - static_cast<double>(low);
  const auto row = std::min(low, last);
  const Pair lower = in_row(row);
  const Pair upper = in_row(std::min(row + 1, last));
  return {(1.0 - dy) * lower.first + dy * upper.first,
          (1.0 - dy) * lower.second + dy * upper.second};
}

FibrilNoise::Streaks FibrilNoise::along(const Magnetism& magnetism, double latitude_rad,
                                        double longitude_rad, std::size_t stride) const {
  static const std::array<double, kSteps + 1> weight = weights(kSteps);
  static const std::array<double, kSteps + 1> brief = weights(kBriefSteps);
  const double cosine = std::max(0.02, std::cos(latitude_rad));
  const Pair here = at(latitude_rad, longitude_rad);
  Streaks sum{{weight[0] * here.first, weight[0] * here.second},
              {brief[0] * here.first, brief[0] * here.second}};
  const double length = static_cast<double>(stride) * kStepMm / kSolarRadiusMm;
  for (const double way : {1.0, -1.0}) {
    double latitude = latitude_rad;
    double longitude = longitude_rad;
    double to_north = 0.0;
    double to_west = 0.0;
    bool turn = true;
    for (std::size_t i = stride; i <= kSteps; i += stride) {
      if (turn || stride > 1) {  // the field turns little within two grains
        const Field field = magnetism.at(latitude, longitude);
        const double square = field.west * field.west + field.north * field.north;
        constexpr double kNone = 1e-18;
        if (square < kNone) {
          break;
        }
        const double step = way * length / std::sqrt(square);
        to_north = step * field.north;
        to_west = step * field.west / cosine;
      }
      turn = !turn;
      latitude += to_north;
      longitude += to_west;
      const Pair there = at(latitude, longitude);
      sum.full.first += weight.at(i) * there.first;
      sum.full.second += weight.at(i) * there.second;
      sum.brief.first += brief.at(i) * there.first;
      sum.brief.second += brief.at(i) * there.second;
    }
  }
  // Fewer grains were asked: what they give has the same deviation.
  const double scale = std::sqrt(static_cast<double>(stride));
  for (double* one : {&sum.full.first, &sum.full.second, &sum.brief.first, &sum.brief.second}) {
    *one *= scale;
  }
  return sum;
}

}  // namespace solarchon::scene
