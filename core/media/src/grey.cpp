// SPDX-License-Identifier: GPL-3.0-or-later
#include "grey.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/image/frame.h"

namespace solarchon::media {

Sixteen sixteen_bits_of(const std::vector<float>& values, std::optional<double> full) {
  std::vector<float> finite;
  finite.reserve(values.size());
  std::copy_if(values.begin(), values.end(), std::back_inserter(finite),
               [](float value) { return std::isfinite(value); });
  Sixteen sixteen;
  sixteen.pixels.assign(values.size(), 0);
  if (finite.empty()) {
    return sixteen;
  }
  const std::size_t few =
      std::min(std::max<std::size_t>(8, finite.size() / 100'000), (finite.size() - 1) / 2);
  const auto nth = [&](std::size_t place) {
    const auto at = finite.begin() + static_cast<std::ptrdiff_t>(place);
    std::nth_element(finite.begin(), at, finite.end());
    return static_cast<double>(*at);
  };
  const double usual_low = nth(few);
  const double usual_high = nth(finite.size() - 1 - few);
  const double width = usual_high - usual_low;
  double low = 0.0;
  double high = std::max(0.0, usual_high);
  for (const float value : finite) {
    const auto number = static_cast<double>(value);
    if (number >= usual_low - width && number <= usual_high + width) {
      low = std::min(low, number);
      high = std::max(high, number);
    }
  }
  if (high <= low) {
    return sixteen;
  }
  // A full pixel that is told is believed where numbers come near it.
  constexpr double kNear = 1e-3;
  if (full && *full >= high && high >= kNear * *full) {
    high = *full;
  } else if (high > 0.0) {
    high = std::exp2(std::ceil(std::log2(high)));
  }
  const double gain = 65535.0 / (high - low);
  std::transform(values.begin(), values.end(), sixteen.pixels.begin(), [&](float value) {
    const double number = std::isfinite(value) ? static_cast<double>(value) : low;
    return static_cast<std::uint16_t>(
        std::lround(std::clamp(number - low, 0.0, high - low) * gain));
  });
  if (low < 0.0) {
    sixteen.pedestal = -low * gain;
  }
  return sixteen;
}

int full_of_sixteen(const std::vector<std::uint16_t>& pixels) {
  constexpr int kSixteen = 65535;
  constexpr std::size_t kEight = 255;
  std::array<std::size_t, kEight + 1> counts{};
  for (const std::uint16_t value : pixels) {
    if (value > kEight) {
      return kSixteen;
    }
    ++counts.at(value);
  }
  // Noise alone, or the level of no light, spreads over a few numbers only.
  const auto value_below_which = [&](double share) {
    const auto wanted = static_cast<std::size_t>(share * static_cast<double>(pixels.size()));
    std::size_t value = 0;
    for (std::size_t below = counts[0]; below <= wanted && value < kEight;
         below += counts.at(value)) {
      ++value;
    }
    return value;
  };
  constexpr std::size_t kLeastSpread = 64;
  const bool picture = value_below_which(0.999) >= value_below_which(0.01) + kLeastSpread;
  return picture ? static_cast<int>(kEight) : kSixteen;
}

bool looks_like_mosaic(const image::Frame& frame) {
  // Blocks that are bright and not full; few suffice.
  std::array<double, 4> sums{};
  std::int64_t blocks = 0;
  const int step = 2 * std::max(1, std::max(frame.width, frame.height) / 600);
  int brightest = 0;
  for (int y = 0; y + 1 < frame.height; y += step) {
    for (int x = 0; x + 1 < frame.width; x += step) {
      brightest = std::max(brightest, static_cast<int>(frame.at(x, y)) + frame.at(x + 1, y) +
                                          frame.at(x, y + 1) + frame.at(x + 1, y + 1));
    }
  }
  for (int y = 0; y + 1 < frame.height; y += step) {
    for (int x = 0; x + 1 < frame.width; x += step) {
      const std::array<int, 4> four{frame.at(x, y), frame.at(x + 1, y), frame.at(x, y + 1),
                                    frame.at(x + 1, y + 1)};
      const int sum = four[0] + four[1] + four[2] + four[3];
      const bool full = *std::max_element(four.begin(), four.end()) >= frame.saturation;
      if (2 * sum > brightest && !full) {
        ++blocks;
        for (std::size_t i = 0; i < 4; ++i) {
          sums.at(i) += four.at(i);
        }
      }
    }
  }
  constexpr std::int64_t kLeastBlocks = 200;
  constexpr double kLeastRatio = 1.04;
  const auto [least, most] = std::minmax_element(sums.begin(), sums.end());
  return blocks >= kLeastBlocks && *least > 0.0 && *most > kLeastRatio * *least;
}

std::string bayer_from_below(const std::string& pattern, int height) {
  constexpr std::array<std::string_view, 4> kPatterns{"RGGB", "GRBG", "GBRG", "BGGR"};
  if (std::find(kPatterns.begin(), kPatterns.end(), pattern) == kPatterns.end()) {
    return {};
  }
  return height % 2 == 0 ? pattern.substr(2) + pattern.substr(0, 2) : pattern;
}

void average_mosaic(image::Frame& frame) {
  const auto width = static_cast<std::size_t>(frame.width);
  const std::vector<std::uint16_t> raw = frame.pixels;
  // Beyond the edge the mosaic is continued by its mirror image, which keeps its colours.
  const auto mirrored = [](int place, int size) {
    if (size < 2) {
      return 0;
    }
    return place < 0 ? -place : place >= size ? 2 * size - 2 - place : place;
  };
  for (int y = 0; y < frame.height; ++y) {
    for (int x = 0; x < frame.width; ++x) {
      unsigned sum = 0;
      for (int dy = -1; dy <= 1; ++dy) {
        for (int dx = -1; dx <= 1; ++dx) {
          const auto row = static_cast<std::size_t>(mirrored(y + dy, frame.height));
          const auto column = static_cast<std::size_t>(mirrored(x + dx, frame.width));
          sum += static_cast<unsigned>((2 - std::abs(dx)) * (2 - std::abs(dy))) *
                 raw[row * width + column];
        }
      }
      frame.pixels[static_cast<std::size_t>(y) * width + static_cast<std::size_t>(x)] =
          static_cast<std::uint16_t>((sum + 8) / 16);
    }
  }
  frame.info.mosaic = true;
  frame.info.bayer.clear();
}

}  // namespace solarchon::media
