// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/binning.h"

#include <algorithm>
#include <cstdint>
#include <vector>

#include "solarchon/image/frame.h"

namespace solarchon::image {

void bin_down(const Frame& frame, int bin, Frame& into) {
  into.width = frame.width / bin;
  into.height = frame.height / bin;
  const auto pixels = static_cast<std::uint32_t>(bin * bin);
  const auto full = static_cast<std::uint32_t>(frame.saturation) * pixels;
  // Sums that do not fit are halved until they do.
  unsigned shift = 0;
  while ((full >> shift) > 65535U) {
    ++shift;
  }
  into.saturation = static_cast<int>(full >> shift);
  into.pixels.resize(static_cast<std::size_t>(into.width) * static_cast<std::size_t>(into.height));
  std::vector<std::uint32_t> sums(static_cast<std::size_t>(into.width));
  for (int y = 0; y < into.height; ++y) {
    std::fill(sums.begin(), sums.end(), 0U);
    for (int i = 0; i < bin; ++i) {
      const std::uint16_t* row =
          frame.pixels.data() + (static_cast<std::ptrdiff_t>(y) * bin + i) * frame.width;
      if (bin == 2) {
        for (std::size_t x = 0; x < sums.size(); ++x) {
          sums[x] += static_cast<std::uint32_t>(row[2 * x]) + row[2 * x + 1];
        }
        continue;
      }
      for (int x = 0; x < into.width; ++x) {
        std::uint32_t sum = 0;
        for (int k = 0; k < bin; ++k) {
          sum += row[x * bin + k];
        }
        sums[static_cast<std::size_t>(x)] += sum;
      }
    }
    std::uint16_t* to = into.pixels.data() + static_cast<std::ptrdiff_t>(y) * into.width;
    for (int x = 0; x < into.width; ++x) {
      to[x] = static_cast<std::uint16_t>(sums[static_cast<std::size_t>(x)] >> shift);
    }
  }
}

void bin_down(const Plane& picture, int bin, Plane& small) {
  small.width = picture.width / bin;
  small.height = picture.height / bin;
  small.values.assign(
      static_cast<std::size_t>(small.width) * static_cast<std::size_t>(small.height), 0.0F);
  const float share = 1.0F / static_cast<float>(bin * bin);
  for (int y = 0; y < small.height * bin; ++y) {
    const float* from = picture.values.data() + static_cast<std::ptrdiff_t>(y) * picture.width;
    float* to = small.values.data() + static_cast<std::ptrdiff_t>(y / bin) * small.width;
    for (int x = 0; x < small.width; ++x) {
      float sum = 0.0F;
      for (int k = 0; k < bin; ++k) {
        sum += from[x * bin + k];
      }
      to[x] += sum * share;
    }
  }
}

Picture binned(const Picture& picture, int bin) {
  Picture small;
  small.width = std::max(1, picture.width / bin);
  small.height = std::max(1, picture.height / bin);
  small.values.reserve(small.plane_size());
  const float share = 1.0F / static_cast<float>(bin * bin);
  for (int y = 0; y < small.height; ++y) {
    for (int x = 0; x < small.width; ++x) {
      float sum = 0.0F;
      for (int j = 0; j < bin; ++j) {
        for (int i = 0; i < bin; ++i) {
          sum += picture.at(std::min(x * bin + i, picture.width - 1),
                            std::min(y * bin + j, picture.height - 1));
        }
      }
      small.values.push_back(sum * share);
    }
  }
  return small;
}

}  // namespace solarchon::image
