// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/bayer.h"

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <string_view>
#include <vector>

#include "solarchon/base/wide.h"

namespace solarchon::image {

namespace {

/// A row with two pixels more at either end, mirrored.
SOLARCHON_WIDE void mirrored(const std::uint16_t* row, int width, std::uint16_t* into) {
  std::copy(row, row + width, into + 1);
  into[0] = row[1];
  into[width + 1] = row[width - 2];
}

SOLARCHON_WIDE void add_rows(const std::uint16_t* above, const std::uint16_t* row,
                             const std::uint16_t* below, int width, std::uint32_t* sums) {
#pragma omp simd
  for (int x = 0; x < width; ++x) {
    sums[x] = std::uint32_t{above[x]} + 2U * row[x] + below[x];
  }
}

SOLARCHON_WIDE void add_columns(const std::uint32_t* sums, int width, std::uint16_t* into) {
#pragma omp simd
  for (int x = 0; x < width; ++x) {
    into[x] = static_cast<std::uint16_t>((sums[x] + 2U * sums[x + 1] + sums[x + 2] + 8U) / 16U);
  }
}

/// Of a row that holds a colour at every other pixel: that, and between two the mean.
/// @param row  mirrored
SOLARCHON_WIDE void along_row(const std::uint16_t* row, int width, int first, std::uint16_t* into) {
#pragma omp simd
  for (int x = 0; x < width; ++x) {
    const auto between = static_cast<std::uint16_t>((row[x] + row[x + 2] + 1U) / 2U);
    into[x] = (x & 1) == first ? row[x + 1] : between;
  }
}

SOLARCHON_WIDE void between_rows(const std::uint16_t* above, const std::uint16_t* below, int width,
                                 std::uint16_t* into) {
#pragma omp simd
  for (int x = 0; x < width; ++x) {
    into[x] = static_cast<std::uint16_t>((above[x] + below[x] + 1U) / 2U);
  }
}

/// Green: at its own pixels that, else the mean of the four beside.
/// @param row  mirrored
SOLARCHON_WIDE void green_row(const std::uint16_t* row, const std::uint16_t* above,
                              const std::uint16_t* below, int width, int first,
                              std::uint16_t* into) {
#pragma omp simd
  for (int x = 0; x < width; ++x) {
    const auto four =
        static_cast<std::uint16_t>((row[x] + row[x + 2] + above[x] + below[x] + 2U) / 4U);
    into[x] = (x & 1) == first ? row[x + 1] : four;
  }
}

const std::uint16_t* row_of(const Frame& frame, int y) {
  const int row = y < 0 ? -y : y >= frame.height ? 2 * frame.height - 2 - y : y;
  return frame.pixels.data() + static_cast<std::ptrdiff_t>(row) * frame.width;
}

char letter_of(BayerColour colour) {
  return colour == BayerColour::kRed ? 'R' : colour == BayerColour::kGreen ? 'G' : 'B';
}

}  // namespace

bool is_bayer(const std::string& pattern) {
  constexpr std::array<std::string_view, 4> kPatterns{"RGGB", "GRBG", "GBRG", "BGGR"};
  return std::find(kPatterns.begin(), kPatterns.end(), pattern) != kPatterns.end();
}

bool looks_like_bayer(const Frame& frame) {
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

void bayer_to_light(Frame& frame) {
  if (frame.width < 2 || frame.height < 2) {
    return;
  }
  const int width = frame.width;
  const auto wide = static_cast<std::size_t>(width);
  // Rows are written over while the next still needs the one above it.
  std::vector<std::uint16_t> above(row_of(frame, 1), row_of(frame, 1) + width);
  std::vector<std::uint16_t> own(wide);
  std::vector<std::uint16_t> below(wide);
  std::vector<std::uint32_t> sums(wide + 2);
  for (int y = 0; y < frame.height; ++y) {
    std::uint16_t* row = frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * width;
    std::copy(row, row + width, own.begin());
    if (y + 1 < frame.height) {
      std::copy(row + width, row + 2 * static_cast<std::ptrdiff_t>(width), below.begin());
    } else {
      below = above;
    }
    add_rows(above.data(), own.data(), below.data(), width, sums.data() + 1);
    sums.front() = sums[2];
    sums.back() = sums[wide - 1];
    add_columns(sums.data(), width, row);
    above.swap(own);
  }
  frame.info.mosaic = true;
  frame.info.bayer.clear();
}

void to_grey(Frame& frame) {
  if (is_bayer(frame.info.bayer)) {
    bayer_to_light(frame);
  }
}

BayerSites sites_of(const std::string& pattern, BayerColour colour) {
  BayerSites sites;
  sites.count = 0;
  for (std::size_t i = 0; i < pattern.size() && i < 4; ++i) {
    if (pattern[i] == letter_of(colour) && sites.count < 2) {
      sites.column.at(static_cast<std::size_t>(sites.count)) = static_cast<int>(i % 2);
      sites.row.at(static_cast<std::size_t>(sites.count)) = static_cast<int>(i / 2);
      ++sites.count;
    }
  }
  return sites;
}

void take_bayer_colour(const Frame& mosaic, BayerColour colour, Frame& into) {
  into.width = mosaic.width;
  into.height = mosaic.height;
  into.saturation = mosaic.saturation;
  into.info = {};
  into.pixels.resize(mosaic.pixels.size());
  const int width = mosaic.width;
  const BayerSites sites = sites_of(mosaic.info.bayer, colour);
  std::vector<std::uint16_t> row(static_cast<std::size_t>(width) + 2);
  const auto to = [&](int y) {
    return into.pixels.data() + static_cast<std::ptrdiff_t>(y) * width;
  };
  if (sites.count == 2) {
    for (int y = 0; y < mosaic.height; ++y) {
      mirrored(row_of(mosaic, y), width, row.data());
      const int first = sites.column.at(sites.row[0] == y % 2 ? 0 : 1);
      green_row(row.data(), row_of(mosaic, y - 1), row_of(mosaic, y + 1), width, first, to(y));
    }
    return;
  }
  for (int y = sites.row[0]; y < mosaic.height; y += 2) {
    mirrored(row_of(mosaic, y), width, row.data());
    along_row(row.data(), width, sites.column[0], to(y));
  }
  for (int y = 1 - sites.row[0]; y < mosaic.height; y += 2) {
    between_rows(row_of(into, y - 1), row_of(into, y + 1), width, to(y));
  }
}

}  // namespace solarchon::image
