// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <functional>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip_writer.h"

namespace solarchon::test {

/// What the air and the camera do to one painted frame.
struct Glimpse {
  double right_px = 0.0;  ///< of the picture as a whole
  double down_px = 0.0;
  double bend_px = 0.0;  ///< and differently over it: waves of this height
  double bend_turn = 0.0;
  double blur_px = 0.8;  ///< deviation of a Gaussian
  double light = 1.0;
  double noise = 0.01;  ///< of full
};

/// Grains of Gaussian shape on an even ground: no simulator of ours draws them, and where each lies
/// in a frame that is bent and blurred is known exactly.
class Painting {
 public:
  Painting(int width, int height, int grains = 0, std::uint32_t seed = 5)
      : width_(width), height_(height) {
    base::Random random{seed};
    const int count = grains > 0 ? grains : width * height / 30;
    constexpr double kBeyond = 30.0;
    for (int i = 0; i < count; ++i) {
      grains_.push_back({random.uniform() * (width + 2.0 * kBeyond) - kBeyond,
                         random.uniform() * (height + 2.0 * kBeyond) - kBeyond,
                         random.uniform() < 0.5 ? -0.06 : 0.06});
    }
  }

  /// By how much what lies at a place of the painting is moved.
  [[nodiscard]] static std::pair<double, double> moved(const Glimpse& glimpse, double x, double y) {
    constexpr double kWave = 240.0;  // px
    const double turn = glimpse.bend_turn;
    return {glimpse.right_px + glimpse.bend_px * std::sin(6.2832 * y / kWave + turn),
            glimpse.down_px + glimpse.bend_px * std::cos(6.2832 * x / kWave + 1.7 * turn)};
  }

  /// Light before noise, of full.
  [[nodiscard]] std::vector<double> light(const Glimpse& glimpse) const {
    std::vector<double> picture(
        static_cast<std::size_t>(width_) * static_cast<std::size_t>(height_), 0.6);
    const double own = kGrain * kGrain;
    const double sigma = std::sqrt(own + glimpse.blur_px * glimpse.blur_px);
    const double height = own / (sigma * sigma);
    const int reach = static_cast<int>(std::ceil(4.0 * sigma));
    for (const Grain& grain : grains_) {
      const auto [right, down] = moved(glimpse, grain.x, grain.y);
      const double x = grain.x + right;
      const double y = grain.y + down;
      const int left = static_cast<int>(std::lround(x));
      const int top = static_cast<int>(std::lround(y));
      for (int j = std::max(0, top - reach); j <= std::min(height_ - 1, top + reach); ++j) {
        for (int i = std::max(0, left - reach); i <= std::min(width_ - 1, left + reach); ++i) {
          const double off = ((i - x) * (i - x) + (j - y) * (j - y)) / (2.0 * sigma * sigma);
          picture[static_cast<std::size_t>(j) * static_cast<std::size_t>(width_) +
                  static_cast<std::size_t>(i)] += grain.strength * height * std::exp(-off);
        }
      }
    }
    for (double& value : picture) {
      value *= glimpse.light;
    }
    return picture;
  }

  [[nodiscard]] image::Frame frame(const Glimpse& glimpse, base::Random& random,
                                   int saturation = 255) const {
    image::Frame frame;
    frame.width = width_;
    frame.height = height_;
    frame.saturation = saturation;
    for (const double value : light(glimpse)) {
      const double number = (value + glimpse.noise * random.normal()) * saturation;
      frame.pixels.push_back(static_cast<std::uint16_t>(
          std::clamp(std::lround(number), 0L, static_cast<long>(saturation))));
    }
    return frame;
  }

  [[nodiscard]] int width() const { return width_; }
  [[nodiscard]] int height() const { return height_; }
  static constexpr double kGrain = 1.8;  ///< deviation of a grain's shape (px)

 private:
  struct Grain {
    double x;
    double y;
    double strength;
  };
  int width_;
  int height_;
  std::vector<Grain> grains_;
};

/// Writes frames as a cube at 20 a second.
inline void write_clip(const std::filesystem::path& path, int count,
                       const std::function<image::Frame(int)>& frame_of) {
  const image::Frame first = frame_of(0);
  auto writer = media::ClipWriter::create(
      path, {first.width, first.height, first.saturation, 20.0, first.info});
  for (int i = 0; i < count; ++i) {
    if (!writer->add(i == 0 ? first : frame_of(i), i / 20.0)) {
      return;
    }
  }
  [[maybe_unused]] const auto closed = writer->close();
}

/// Air that comes and goes: frame i of a painted clip.
inline Glimpse glimpse_of(int i) {
  Glimpse glimpse;
  glimpse.right_px = 1.7 * std::sin(0.9 * i) + 0.04 * i;
  glimpse.down_px = 1.3 * std::cos(1.3 * i) - 0.02 * i;
  glimpse.bend_px = 0.8;
  glimpse.bend_turn = 0.7 * i;
  glimpse.blur_px = 1.3 + 0.9 * std::sin(0.21 * i);
  return glimpse;
}

}  // namespace solarchon::test
