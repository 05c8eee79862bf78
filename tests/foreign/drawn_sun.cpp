// SPDX-License-Identifier: GPL-3.0-or-later
#include "tests/foreign/drawn_sun.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <random>
#include <thread>

namespace solarchon::foreign {

namespace {

constexpr double kTurn = 2.0 * std::numbers::pi;

/// A number of 0 to 1 that belongs to a cell of a grid and a purpose.
double drawn(std::uint32_t seed, int i, int j, std::uint32_t purpose) {
  std::uint64_t h = seed * 0x9E3779B97F4A7C15ULL + purpose * 0xC2B2AE3D27D4EB4FULL;
  h ^= static_cast<std::uint64_t>(static_cast<std::uint32_t>(i)) * 0x165667B19E3779F9ULL;
  h ^= static_cast<std::uint64_t>(static_cast<std::uint32_t>(j)) * 0x27D4EB2F165667C5ULL;
  h ^= h >> 29U;
  h *= 0xBF58476D1CE4E5B9ULL;
  h ^= h >> 32U;
  h *= 0x94D049BB133111EBULL;
  h ^= h >> 29U;
  return static_cast<double>(h >> 11U) * 0x1.0p-53;
}

struct Grain {
  double x = 0.0;
  double y = 0.0;
  double height = 0.0;
  double over = 0.0;  ///< one over twice the square of its width
};

/// One grain to a cell, somewhere in it, blurred as the frame is.
class Grains {
 public:
  Grains(const Sun& sun, double blur_px) : pitch_(sun.grain_px) {
    constexpr int kMargin = 8;
    first_ = -kMargin;
    across_ = static_cast<int>(std::ceil(sun.width / pitch_)) + 2 * kMargin;
    const int along = static_cast<int>(std::ceil(sun.height / pitch_)) + 2 * kMargin;
    for (int j = 0; j < along; ++j) {
      for (int i = 0; i < across_; ++i) {
        const auto of = [&](std::uint32_t purpose) { return drawn(sun.seed, i, j, purpose); };
        const double width = pitch_ * (0.24 + 0.14 * of(1));
        const double widened = width * width + blur_px * blur_px;
        // Some are much brighter than most, and lanes between them are darker still.
        const double bright =
            std::exp(0.6 * (of(2) + of(3) + of(4) - 1.5)) * (of(5) < 0.7 ? 1 : -1.2);
        grains_.push_back({(i + first_ + of(6)) * pitch_, (j + first_ + of(7)) * pitch_,
                           sun.contrast * bright * width * width / widened, 0.5 / widened});
      }
    }
    for (std::size_t i = 0; i < falls_.size(); ++i) {
      falls_[i] = std::exp(-kFurthest * static_cast<double>(i) / (kSteps - 1.0));
    }
  }

  [[nodiscard]] double at(double x, double y) const {
    const int i = static_cast<int>(std::floor(x / pitch_)) - first_;
    const int j = static_cast<int>(std::floor(y / pitch_)) - first_;
    const int rows = static_cast<int>(grains_.size()) / across_;
    double sum = 0.0;
    constexpr int kReach = 2;
    for (int b = std::max(0, j - kReach); b <= std::min(rows - 1, j + kReach); ++b) {
      for (int a = std::max(0, i - kReach); a <= std::min(across_ - 1, i + kReach); ++a) {
        const Grain& grain =
            grains_[static_cast<std::size_t>(b) * static_cast<std::size_t>(across_) +
                    static_cast<std::size_t>(a)];
        const double far =
            ((x - grain.x) * (x - grain.x) + (y - grain.y) * (y - grain.y)) * grain.over;
        if (far < kFurthest) {
          const double step = far / kFurthest * (kSteps - 1.0);
          const auto whole = static_cast<std::size_t>(step);
          const double share = step - static_cast<double>(whole);
          sum += grain.height * (falls_[whole] * (1.0 - share) + falls_[whole + 1] * share);
        }
      }
    }
    return sum;
  }

 private:
  static constexpr double kFurthest = 12.0;
  static constexpr int kSteps = 4000;
  double pitch_;
  int first_ = 0;
  int across_ = 0;
  std::vector<Grain> grains_;
  std::array<double, kSteps + 1> falls_{};
};

/// From 0 inside to 1 outside of an edge.
double past(double distance, double softness) {
  return 0.5 * std::erfc(-distance / (std::numbers::sqrt2 * softness));
}

double spot_at(const Spot& spot, double x, double y, double blur_px) {
  const double out = std::hypot(x - spot.x, y - spot.y);
  if (out > 2.2 * spot.radius_px + 8.0 * blur_px) {
    return 1.0;
  }
  const double way = std::atan2(y - spot.y, x - spot.x);
  const double soft = std::hypot(1.0, blur_px);
  const double ragged = spot.radius_px * (1.0 + 0.12 * std::sin(3.0 * way + spot.x) +
                                          0.06 * std::sin(7.0 * way + spot.y));
  const double umbra = 0.25 + 0.55 * past(out - ragged, soft);
  // Threads, as far as the blur leaves them.
  const double threads = 22.0;
  const double apart = kTurn * std::max(out, 1.0) / threads;
  const double left = std::exp(-0.5 * std::pow(kTurn * blur_px / apart, 2.0));
  const double rim = 0.06 * left * std::sin(threads * way) * past(out - ragged, soft) *
                     past(1.8 * ragged - out, soft);
  return umbra + rim + 0.2 * past(out - 1.8 * ragged, soft);
}

}  // namespace

Bends::Bends(double rms_px, double shortest_px, std::uint32_t seed) {
  constexpr int kWaves = 20;
  constexpr double kLongest_px = 600.0;
  std::mt19937 random(seed);
  std::uniform_real_distribution<double> uniform(0.0, 1.0);
  double power = 0.0;
  for (int i = 0; i < kWaves; ++i) {
    // Long ones are the stronger ones.
    const double length_px = shortest_px * std::pow(kLongest_px / shortest_px, (i + 0.5) / kWaves);
    const double way = kTurn * uniform(random);
    const double moves = kTurn * uniform(random);
    const double size = std::sqrt(length_px) * (0.5 + uniform(random));
    waves_.push_back({kTurn / length_px * std::cos(way), kTurn / length_px * std::sin(way),
                      kTurn * uniform(random), size * std::cos(moves), size * std::sin(moves)});
    power += 0.25 * size * size;
  }
  for (Wave& wave : waves_) {
    wave.right_px *= rms_px / std::sqrt(power);
    wave.down_px *= rms_px / std::sqrt(power);
  }
}

Bends::Shift Bends::at(double x, double y) const {
  Shift shift;
  for (const Wave& wave : waves_) {
    const double height = std::cos(wave.x * x + wave.y * y + wave.phase);
    shift.right_px += wave.right_px * height;
    shift.down_px += wave.down_px * height;
  }
  return shift;
}

void Bends::row(int y, std::vector<Shift>& along) const {
  std::fill(along.begin(), along.end(), Shift{});
  for (const Wave& wave : waves_) {
    // A rotation from pixel to pixel: cos and sin are taken once.
    double c = std::cos(wave.y * y + wave.phase);
    double s = std::sin(wave.y * y + wave.phase);
    const double c1 = std::cos(wave.x);
    const double s1 = std::sin(wave.x);
    for (Shift& shift : along) {
      shift.right_px += wave.right_px * c;
      shift.down_px += wave.down_px * c;
      const double next = c * c1 - s * s1;
      s = s * c1 + c * s1;
      c = next;
    }
  }
}

std::vector<double> light_of(const Sun& sun, const Look& look) {
  std::vector<double> light(static_cast<std::size_t>(sun.width) *
                            static_cast<std::size_t>(sun.height));
  const Grains grains(sun, look.blur_px);
  const auto draw = [&](int first, int step) {
    std::vector<Bends::Shift> bent(static_cast<std::size_t>(sun.width));
    for (int j = first; j < sun.height; j += step) {
      if (look.bends != nullptr) {
        look.bends->row(j, bent);
      }
      for (int i = 0; i < sun.width; ++i) {
        const Bends::Shift& shift = bent[static_cast<std::size_t>(i)];
        const double x = i - look.right_px - shift.right_px;
        const double y = j - look.down_px - shift.down_px;
        double value = 0.7 * (1.0 + grains.at(x, y));
        for (const Spot& spot : sun.spots) {
          value *= spot_at(spot, x, y, look.blur_px);
        }
        if (sun.radius_px > 0.0) {
          const double out = std::hypot(x - sun.centre_x, y - sun.centre_y);
          const double share = std::min(1.0, out / sun.radius_px);
          value *= (0.45 + 0.55 * std::sqrt(1.0 - share * share)) *
                   past(sun.radius_px - out, std::max(0.3, look.blur_px));
        }
        light[static_cast<std::size_t>(j) * static_cast<std::size_t>(sun.width) +
              static_cast<std::size_t>(i)] = value;
      }
    }
  };
  std::thread other(draw, 1, 2);
  draw(0, 2);
  other.join();
  return light;
}

std::vector<std::uint16_t> exposed(const std::vector<double>& light, int full, double electrons,
                                   std::uint32_t seed) {
  constexpr double kRead_e = 3.0;
  std::mt19937 random(seed);
  std::normal_distribution<double> normal(0.0, 1.0);
  std::vector<std::uint16_t> numbers;
  numbers.reserve(light.size());
  for (const double value : light) {
    const double got = std::max(0.0, value) * electrons;
    const double noisy = got + std::sqrt(got + kRead_e * kRead_e) * normal(random);
    numbers.push_back(static_cast<std::uint16_t>(
        std::clamp(std::floor(noisy / electrons * full + 0.5), 0.0, static_cast<double>(full))));
  }
  return numbers;
}

}  // namespace solarchon::foreign
