// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <initializer_list>
#include <random>

#include "solarchon/base/angle.h"

namespace solarchon::base {

/// Random numbers that are the same on every machine for the same seeds: the engine is fixed by
/// the C++ standard, and the distributions, which are not, are written here.
class Random {
 public:
  Random(std::initializer_list<std::uint32_t> seeds) {
    std::seed_seq sequence(seeds);
    engine_.seed(sequence);
  }

  /// Evenly from [low, high).
  [[nodiscard]] double uniform(double low = 0.0, double high = 1.0) {
    return low + (high - low) * static_cast<double>(engine_() >> 11U) * 0x1p-53;
  }

  /// Evenly from 0 to count - 1. @param count  1 or more
  [[nodiscard]] std::size_t below(std::size_t count) {
    return static_cast<std::size_t>(uniform(0.0, static_cast<double>(count)));
  }

  /// Normal with mean 0 and deviation 1 (Box and Muller 1958).
  [[nodiscard]] double normal() {
    if (has_spare_) {
      has_spare_ = false;
      return spare_;
    }
    const double radius = std::sqrt(-2.0 * std::log(1.0 - uniform()));
    const double angle = uniform(0.0, 2.0 * kPi);
    spare_ = radius * std::sin(angle);
    has_spare_ = true;
    return radius * std::cos(angle);
  }

  /// Counted events with this mean (>= 0): exact below 20, normal with the right spread above.
  [[nodiscard]] double poisson(double mean) {
    constexpr double kExactBelow = 20.0;
    if (mean >= kExactBelow) {
      return std::max(0.0, std::round(mean + std::sqrt(mean) * normal()));
    }
    const double limit = std::exp(-mean);
    int count = 0;
    for (double product = uniform(); product > limit; product *= uniform()) {
      ++count;
    }
    return count;
  }

 private:
  std::mt19937_64 engine_;
  double spare_ = 0.0;
  bool has_spare_ = false;
};

}  // namespace solarchon::base
