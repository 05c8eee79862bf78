// SPDX-License-Identifier: GPL-3.0-or-later
#include "colours.h"

#include <algorithm>

#include "solarchon/image/frame.h"

namespace solarchon::reduce {

using image::Frame;

std::array<Frame, 3> colours_of(const Frame& mosaic) {
  std::array<Frame, 3> planes;
  for (Frame& plane : planes) {
    plane.width = mosaic.width;
    plane.height = mosaic.height;
    plane.saturation = mosaic.saturation;
    plane.pixels.resize(mosaic.pixels.size());
  }
  const auto colour_at = [&](int x, int y) {
    const char colour = mosaic.info.bayer[static_cast<std::size_t>((y % 2) * 2 + x % 2)];
    return colour == 'R' ? 0U : (colour == 'G' ? 1U : 2U);
  };
  for (int y = 0; y < mosaic.height; ++y) {
    for (int x = 0; x < mosaic.width; ++x) {
      std::array<int, 3> sums{};
      std::array<int, 3> counts{};
      for (int j = std::max(0, y - 1); j <= std::min(mosaic.height - 1, y + 1); ++j) {
        for (int i = std::max(0, x - 1); i <= std::min(mosaic.width - 1, x + 1); ++i) {
          const std::size_t colour = colour_at(i, j);
          sums.at(colour) += mosaic.at(i, j);
          ++counts.at(colour);
        }
      }
      const std::size_t at = static_cast<std::size_t>(y) * static_cast<std::size_t>(mosaic.width) +
                             static_cast<std::size_t>(x);
      for (std::size_t colour = 0; colour < 3; ++colour) {
        const int count = std::max(1, counts.at(colour));
        planes.at(colour).pixels[at] =
            static_cast<std::uint16_t>((sums.at(colour) + count / 2) / count);
      }
      planes.at(colour_at(x, y)).pixels[at] = mosaic.at(x, y);
    }
  }
  return planes;
}

bool is_mosaic(const std::string& bayer) {
  return bayer.size() == 4 && bayer.find_first_not_of("RGB") == std::string::npos;
}

}  // namespace solarchon::reduce
