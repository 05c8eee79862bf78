// SPDX-License-Identifier: GPL-3.0-or-later
#include "tests/foreign/drawn_disc.h"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <numbers>
#include <random>
#include <vector>

namespace solarchon::foreign {

namespace {

constexpr double kTurn = 2.0 * std::numbers::pi;

struct Normal {
  double x;
  double y;
  double z;
};

/// A spot, with what its pixels ask of it.
struct Cap {
  DrawnSpot spot;
  Normal middle;
  double radius_rad;
};

double light_of_spot(const Cap& cap, const Normal& at) {
  const double dot = at.x * cap.middle.x + at.y * cap.middle.y + at.z * cap.middle.z;
  const double far = std::acos(std::clamp(dot, -1.0, 1.0));
  if (far > cap.radius_rad * (1.0 + cap.spot.ragged) + 1e-9) {
    return 1.0;
  }
  const double way = std::atan2(at.y - cap.middle.y, at.x - cap.middle.x);
  // In and out by as much, so that the area stays.
  const double reach =
      cap.radius_rad *
      std::sqrt(1.0 + cap.spot.ragged * (std::sin(5.0 * way) + 0.6 * std::sin(11.0 * way)) / 1.6);
  if (far >= reach) {
    return 1.0;
  }
  return far < cap.spot.umbra_radius * reach ? cap.spot.umbra : cap.spot.penumbra;
}

class Painter {
 public:
  explicit Painter(const DrawnDisc& disc) : disc_(disc) {
    for (const DrawnSpot& spot : disc.spots) {
      const double z =
          std::sqrt(std::max(0.0, 1.0 - spot.right * spot.right - spot.down * spot.down));
      caps_.push_back({spot, {spot.right, spot.down, z}, std::acos(1.0 - spot.area_muh * 1e-6)});
    }
    std::mt19937 random(disc.seed);
    std::uniform_real_distribution<double> uniform(0.0, 1.0);
    for (int i = 0; i < disc.prominences; ++i) {
      prominences_.push_back(
          {kTurn * uniform(random), 0.03 + 0.06 * uniform(random), 0.02 + 0.08 * uniform(random)});
    }
  }

  /// Light of a point, over that of the disc's middle.
  [[nodiscard]] double at(double px, double py) const {
    const double x = (px - disc_.x) / disc_.radius_px;
    const double y = (py - disc_.y) / (disc_.radius_px * (1.0 - disc_.flattening));
    const double far = std::hypot(x, y);
    double light = disc_.sky;
    if (far < 1.0) {
      const Normal normal{x, y, std::sqrt(1.0 - far * far)};
      light += 1.0 - disc_.darkening * (1.0 - normal.z);
      double share = 1.0;
      for (const Cap& cap : caps_) {
        share *= light_of_spot(cap, normal);
      }
      for (const DrawnThread& thread : disc_.threads) {
        const double along = (x - thread.right) * std::cos(thread.turn_rad) +
                             (y - thread.down) * std::sin(thread.turn_rad);
        const double across = -(x - thread.right) * std::sin(thread.turn_rad) +
                              (y - thread.down) * std::cos(thread.turn_rad) -
                              0.1 * thread.length * std::sin(9.0 * along / thread.length);
        if (std::abs(along) < 0.5 * thread.length && std::abs(across) < 0.5 * thread.width) {
          share *= thread.light;
        }
      }
      light *= share;
    } else {
      light += disc_.halo * std::exp(-(far - 1.0) / 0.15);
      const double way = std::atan2(y, x);
      for (const Prominence& prominence : prominences_) {
        const double off = std::remainder(way - prominence.way, kTurn) / prominence.wide;
        if (std::abs(off) < 1.0 && far < 1.0 + prominence.high * (1.0 - off * off)) {
          light += 0.4 * (0.6 + 0.4 * std::sin(40.0 * way) * std::cos(60.0 * far));
        }
      }
    }
    if (disc_.moon && std::hypot(px - disc_.moon->x, py - disc_.moon->y) < disc_.moon->radius_px) {
      light = disc_.sky;
    }
    if (disc_.cloud > 0.0) {
      const double line =
          disc_.cloud_at + 0.12 * std::sin(4.0 * y) + 0.05 * std::sin(13.0 * y + 1.0);
      light *= 1.0 - disc_.cloud * 0.5 * (1.0 + std::tanh((x - line) / 0.04));
    }
    const double corner = std::hypot(px - 0.5 * disc_.width, py - 0.5 * disc_.height) /
                          std::hypot(0.5 * disc_.width, 0.5 * disc_.height);
    return light * (1.0 - disc_.vignette * corner * corner);
  }

 private:
  struct Prominence {
    double way;
    double wide;
    double high;
  };
  const DrawnDisc& disc_;
  std::vector<Cap> caps_;
  std::vector<Prominence> prominences_;
};

/// A Gaussian along rows, then along columns.
void soften(std::vector<double>& plane, int width, int height, double sigma) {
  if (sigma <= 0.0) {
    return;
  }
  const int reach = static_cast<int>(std::ceil(4.5 * sigma));
  std::vector<double> kernel;
  double all = 0.0;
  for (int i = -reach; i <= reach; ++i) {
    kernel.push_back(std::exp(-0.5 * i * i / (sigma * sigma)));
    all += kernel.back();
  }
  const auto pass = [&](int lines, int line_step, int count, int step) {
    std::vector<double> line(static_cast<std::size_t>(count));
    for (int l = 0; l < lines; ++l) {
      for (int i = 0; i < count; ++i) {
        double sum = 0.0;
        for (int k = -reach; k <= reach; ++k) {
          const int at = std::clamp(i + k, 0, count - 1);
          sum += kernel[static_cast<std::size_t>(k + reach)] *
                 plane[static_cast<std::size_t>(l * line_step + at * step)];
        }
        line[static_cast<std::size_t>(i)] = sum / all;
      }
      for (int i = 0; i < count; ++i) {
        plane[static_cast<std::size_t>(l * line_step + i * step)] =
            line[static_cast<std::size_t>(i)];
      }
    }
  };
  pass(height, width, width, 1);
  pass(width, 1, height, width);
}

}  // namespace

std::vector<std::uint16_t> drawn(const DrawnDisc& disc) {
  const Painter painter(disc);
  const auto size = static_cast<std::size_t>(disc.width) * static_cast<std::size_t>(disc.height);
  std::vector<double> light(size);
  constexpr int kWithin = 3;  // points of a pixel along a side
  for (int y = 0; y < disc.height; ++y) {
    for (int x = 0; x < disc.width; ++x) {
      double sum = 0.0;
      for (int j = 0; j < kWithin; ++j) {
        for (int i = 0; i < kWithin; ++i) {
          sum += painter.at(x + (i + 0.5) / kWithin - 0.5, y + (j + 0.5) / kWithin - 0.5);
        }
      }
      light[static_cast<std::size_t>(y) * static_cast<std::size_t>(disc.width) +
            static_cast<std::size_t>(x)] = sum / (kWithin * kWithin);
    }
  }
  std::mt19937 random(disc.seed + 1);
  std::normal_distribution<double> normal(0.0, 1.0);
  if (disc.grain > 0.0) {
    std::vector<double> grains(size);
    std::generate(grains.begin(), grains.end(), [&] { return normal(random); });
    constexpr double kGrain_px = 1.5;
    soften(grains, disc.width, disc.height, kGrain_px);
    double squares = 0.0;
    for (const double grain : grains) {
      squares += grain * grain;
    }
    const double scale = disc.grain / std::sqrt(squares / static_cast<double>(size));
    for (std::size_t i = 0; i < size; ++i) {
      light[i] *= 1.0 + scale * grains[i];
    }
  }
  soften(light, disc.width, disc.height, disc.blur_px);
  std::vector<std::uint16_t> numbers;
  numbers.reserve(size);
  for (const double value : light) {
    numbers.push_back(static_cast<std::uint16_t>(std::clamp(
        std::floor(500.0 + disc.level * value + disc.noise * normal(random) + 0.5), 0.0, 65535.0)));
  }
  return numbers;
}

}  // namespace solarchon::foreign
