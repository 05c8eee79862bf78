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

std::string bayer_from_below(const std::string& pattern, int height) {
  constexpr std::array<std::string_view, 4> kPatterns{"RGGB", "GRBG", "GBRG", "BGGR"};
  if (std::find(kPatterns.begin(), kPatterns.end(), pattern) == kPatterns.end()) {
    return {};
  }
  return height % 2 == 0 ? pattern.substr(2) + pattern.substr(0, 2) : pattern;
}

}  // namespace solarchon::media
