// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/sharpness.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <vector>

#include "solarchon/image/frame.h"

namespace solarchon::image {

namespace {

constexpr double kLookedAt = 100'000.0;  ///< pixels, about
constexpr std::size_t kBins = 4096;

}  // namespace

Level level_of(const image::Frame& frame) {
  Level level;
  if (frame.width < 1 || frame.height < 1) {
    return level;
  }
  std::array<std::uint32_t, kBins> counts{};
  const int step = std::max(
      1, static_cast<int>(std::sqrt(static_cast<double>(frame.width) * frame.height / kLookedAt)));
  const double to_bin = static_cast<double>(kBins - 1) / std::max(1, frame.saturation);
  std::uint32_t all = 0;
  std::uint32_t full = 0;
  for (int y = 0; y < frame.height; y += step) {
    const std::uint16_t* row = frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * frame.width;
    for (int x = 0; x < frame.width; x += step) {
      const auto bin = static_cast<std::size_t>(row[x] * to_bin);
      ++counts.at(std::min(bin, kBins - 1));
      ++all;
      full += row[x] >= frame.saturation ? 1U : 0U;
    }
  }
  const auto below = [&](double share, std::size_t from) {
    std::uint32_t total = 0;
    for (std::size_t i = from; i < kBins; ++i) {
      total += counts.at(i);
    }
    double sum = 0.0;
    for (std::size_t i = from; i < kBins; ++i) {
      sum += counts.at(i);
      if (sum >= share * total) {
        return static_cast<double>(i) / (kBins - 1);
      }
    }
    return 1.0;
  };
  constexpr double kBright = 0.995;
  constexpr double kDark = 0.01;
  level.bright = below(kBright, 0);
  level.dark = below(kDark, 0);
  const double half = 0.5 * (level.bright + level.dark);
  level.disc = below(0.5, static_cast<std::size_t>(half * (kBins - 1)));
  level.clipped_share = static_cast<double>(full) / all;
  return level;
}

Sharpness sharpness_of(const image::Frame& frame, int scale_px, double black) {
  return sharpness_of(frame, scale_px, black, level_of(frame).bright);
}

Sharpness sharpness_of(const image::Frame& frame, int scale_px, double black, double bright) {
  constexpr double kMostLookedAt = 150'000.0;
  Sharpness sharpness;
  const int scale = std::clamp(scale_px, 1, 16);
  const int columns = frame.width / scale;
  if (columns < 3 || frame.height < 3 * scale) {
    return sharpness;
  }
  const double dark = black * frame.saturation;
  const double least = dark + 0.25 * (bright * frame.saturation - dark);
  if (bright <= black) {
    return sharpness;
  }
  // Stripes of three binned rows, evenly over the height.
  const int stripes_in_all = frame.height / (3 * scale);
  const double wanted = kMostLookedAt / (3.0 * scale * frame.width);
  const int stripes = std::clamp(static_cast<int>(wanted), 1, stripes_in_all);
  std::array<std::vector<double>, 3> rows;
  for (auto& row : rows) {
    row.resize(static_cast<std::size_t>(columns));
  }
  double slopes = 0.0;
  double light = 0.0;
  double count = 0.0;
  double noise = 0.0;
  double noise_count = 0.0;
  for (int stripe = 0; stripe < stripes; ++stripe) {
    const int top = static_cast<int>((stripe + 0.5) / stripes * (frame.height - 3 * scale));
    for (int r = 0; r < 3; ++r) {
      auto& row = rows.at(static_cast<std::size_t>(r));
      std::fill(row.begin(), row.end(), 0.0);
      for (int i = 0; i < scale; ++i) {
        const std::uint16_t* line =
            frame.pixels.data() + static_cast<std::ptrdiff_t>(top + r * scale + i) * frame.width;
        for (int x = 0; x < columns; ++x) {
          double sum = 0.0;
          for (int k = 0; k < scale; ++k) {
            sum += line[x * scale + k];
          }
          row[static_cast<std::size_t>(x)] += sum;
        }
      }
      for (double& value : row) {
        value /= scale * scale;
      }
    }
    // What single pixels differ by from their neighbours: a pattern that no optics draw.
    const std::uint16_t* a = frame.pixels.data() + static_cast<std::ptrdiff_t>(top) * frame.width;
    const std::uint16_t* b = a + frame.width;
    const std::uint16_t* c = b + frame.width;
    for (int x = 1; x + 1 < frame.width; ++x) {
      if (b[x] >= least && b[x] < frame.saturation) {
        const double rest = (a[x - 1] + a[x + 1] + c[x - 1] + c[x + 1]) -
                            2.0 * (a[x] + b[x - 1] + b[x + 1] + c[x]) + 4.0 * b[x];
        noise += rest * rest;
        noise_count += 1.0;
      }
    }
    for (std::size_t x = 1; x + 1 < static_cast<std::size_t>(columns); ++x) {
      if (rows[1][x] < least) {
        continue;
      }
      const double right = rows[1][x + 1] - rows[1][x - 1];
      const double down = rows[2][x] - rows[0][x];
      slopes += right * right + down * down;
      light += rows[1][x] - dark;
      count += 1.0;
    }
  }
  if (count < 1.0 || light <= 0.0) {
    return sharpness;
  }
  constexpr double kOfTheMask = 36.0;  // 4 of weight 1, 4 of 2, one of 4, squared
  const double variance = noise_count > 0.0 ? noise / noise_count / kOfTheMask : 0.0;
  const double of_noise = 4.0 * variance / (scale * scale);
  const double mean = light / count;
  sharpness.noise = std::sqrt(variance) / frame.saturation;
  sharpness.detail = std::max(0.0, slopes / count - of_noise) / (mean * mean);
  return sharpness;
}

}  // namespace solarchon::image
