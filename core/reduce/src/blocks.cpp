// SPDX-License-Identifier: GPL-3.0-or-later
#include "blocks.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "solarchon/base/wide.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/point.h"

namespace solarchon::reduce {

namespace {

constexpr int kWide = Sums::kWide;
constexpr int kTall = Sums::kTall;
constexpr int kSourceWide = kWide + 3;
constexpr int kSourceTall = kTall + 3;
/// How far along the rows is fetched ahead.
constexpr int kAhead = 2 * kWide;

/// A block's values between the source's pixels, first along rows, then along columns.
SOLARCHON_WIDE void interpolate(const float* __restrict source, const float* __restrict across,
                                const float* __restrict along, float* __restrict into) {
  alignas(32) float rows[kSourceTall * kWide];
  for (int y = 0; y < kSourceTall; ++y) {
    const float* from = source + static_cast<std::ptrdiff_t>(y) * kSourceWide;
    float* to = rows + static_cast<std::ptrdiff_t>(y) * kWide;
#pragma omp simd
    for (int x = 0; x < kWide; ++x) {
      to[x] = across[0] * from[x] + across[1] * from[x + 1] + across[2] * from[x + 2] +
              across[3] * from[x + 3];
    }
  }
  for (int y = 0; y < kTall; ++y) {
    const float* from = rows + static_cast<std::ptrdiff_t>(y) * kWide;
    float* to = into + static_cast<std::ptrdiff_t>(y) * kWide;
#pragma omp simd
    for (int x = 0; x < kWide; ++x) {
      to[x] = along[0] * from[x] + along[1] * from[x + kWide] + along[2] * from[x + 2 * kWide] +
              along[3] * from[x + 3 * kWide];
    }
  }
}

/// A block's numbers, with those around it, as light.
SOLARCHON_WIDE void to_light(const std::uint16_t* __restrict from, std::ptrdiff_t stride,
                             float* __restrict to, float gain, float off) {
  for (int y = 0; y < kSourceTall; ++y) {
    const std::uint16_t* row = from + y * stride;
    float* into = to + static_cast<std::ptrdiff_t>(y) * kSourceWide;
#pragma omp simd
    for (int x = 0; x < kSourceWide; ++x) {
      into[x] = static_cast<float>(row[x]) * gain - off;
    }
  }
}

/// Rows of a block that are added to the sums.
struct Rows {
  int from;
  int to;
};

/// A block's place in the sums; `squares` may be none.
struct Into {
  float* sums;
  float* weights;
  float* squares;
};

/// Adds a block to the sums where the judge lets it; gives how many values it did not let.
SOLARCHON_WIDE float add_judged(const float* __restrict values, const float* __restrict mask,
                                const float* __restrict mean, const float* __restrict limit,
                                float weight, const Rows& rows, const Into& into) {
  alignas(32) float let[kWide] = {};
  float* __restrict sums = into.sums;
  float* __restrict weights = into.weights;
  float* __restrict squares = into.squares;
  for (int y = rows.from; y < rows.to; ++y) {
    const std::ptrdiff_t row = static_cast<std::ptrdiff_t>(y) * kWide;
#pragma omp simd
    for (int x = 0; x < kWide; ++x) {
      const std::ptrdiff_t at = row + x;
      const float lets = std::abs(values[at] - mean[at]) <= limit[at] ? mask[x] * weight : 0.0F;
      let[x] += lets;
      sums[at] += lets * values[at];
      weights[at] += lets;
    }
    if (squares != nullptr) {
#pragma omp simd
      for (int x = 0; x < kWide; ++x) {
        const std::ptrdiff_t at = row + x;
        const float lets = std::abs(values[at] - mean[at]) <= limit[at] ? mask[x] * weight : 0.0F;
        squares[at] += lets * values[at] * values[at];
      }
    }
  }
  float out = 0.0F;
  for (int x = 0; x < kWide; ++x) {
    out += mask[x] * static_cast<float>(rows.to - rows.from) - let[x] / weight;
  }
  return out;
}

SOLARCHON_WIDE void add_all(const float* __restrict values, const float* __restrict mask,
                            float weight, const Rows& rows, const Into& into) {
  float* __restrict sums = into.sums;
  float* __restrict weights = into.weights;
  float* __restrict squares = into.squares;
  for (int y = rows.from; y < rows.to; ++y) {
    const std::ptrdiff_t row = static_cast<std::ptrdiff_t>(y) * kWide;
#pragma omp simd
    for (int x = 0; x < kWide; ++x) {
      const float share = mask[x] * weight;
      sums[row + x] += share * values[row + x];
      weights[row + x] += share;
    }
    if (squares != nullptr) {
#pragma omp simd
      for (int x = 0; x < kWide; ++x) {
        squares[row + x] += mask[x] * weight * values[row + x] * values[row + x];
      }
    }
  }
}

/// Has a block's rows on their way from memory while others are worked on.
void fetch(const image::Frame& frame, int left, int top) {
  const int column = std::clamp(left, 0, frame.width - 1);
  for (int y = std::max(0, top); y < std::min(frame.height, top + kSourceTall); ++y) {
    const std::uint16_t* at =
        frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * frame.width + column;
    __builtin_prefetch(at);
  }
}

}  // namespace

Sums::Sums(int width, int height, bool squares)
    : width_(width), height_(height), across_((width + kWide - 1) / kWide) {
  const std::size_t size =
      static_cast<std::size_t>(across_) * static_cast<std::size_t>(bands()) * kBlock;
  sums_.assign(size, 0.0F);
  weights_.assign(size, 0.0F);
  if (squares) {
    squares_.assign(size, 0.0F);
  }
}

std::int64_t Sums::lay(const std::vector<Layer>& layers, int band, const Judge* judge,
                       const image::Offset& phase, bool picky) {
  double not_counted = 0.0;
  constexpr int kRun = 16 * kWide;  // far enough along rows to be fetched ahead
  for (int first = 0; first < width_; first += kRun) {
    for (const Layer& layer : layers) {
      for (int left = first; left < std::min(width_, first + kRun); left += kWide) {
        not_counted += lay_block(layer, left, band * kTall, judge, phase, picky);
      }
    }
  }
  return std::llround(not_counted);
}

double Sums::lay_block(const Layer& layer, int left, int top, const Judge* judge,
                       const image::Offset& phase, bool picky) {
  const image::Frame& frame = *layer.frame;
  const auto gain = static_cast<float>(layer.gain);
  const auto off = static_cast<float>(layer.black * layer.gain);
  alignas(32) float source[kSourceTall * kSourceWide];
  alignas(32) float values[kTall * kWide];
  alignas(32) float mask[kWide];
  const image::Offset offset = layer.field->at(left + 0.5 * (kWide - 1), top + 0.5 * (kTall - 1));
  const double right_px = offset.right_px + phase.right_px;
  const double down_px = offset.down_px + phase.down_px;
  const int whole_right = static_cast<int>(std::floor(right_px));
  const int whole_down = static_cast<int>(std::floor(down_px));
  const double share_right = right_px - whole_right;
  const double share_down = down_px - whole_down;
  const int from_x = left + whole_right - 1;
  const int from_y = top + whole_down - 1;
  fetch(frame, from_x + kAhead, from_y);
  const bool inside = from_x >= 0 && from_y >= 0 && from_x + kSourceWide <= frame.width &&
                      from_y + kSourceTall <= frame.height;
  if (inside) {
    std::fill(mask, mask + kWide, 1.0F);
    to_light(frame.pixels.data() + static_cast<std::ptrdiff_t>(from_y) * frame.width + from_x,
             frame.width, source, gain, off);
  } else {
    bool any = false;
    for (int x = 0; x < kWide; ++x) {
      const double column = left + x + right_px;
      mask[x] = left + x < width_ && column >= 0.0 && column <= frame.width - 1.0 ? 1.0F : 0.0F;
      any = any || mask[x] > 0.0F;
    }
    if (!any) {
      return 0.0;
    }
    for (int y = 0; y < kSourceTall; ++y) {
      const int row = std::clamp(from_y + y, 0, frame.height - 1);
      for (int x = 0; x < kSourceWide; ++x) {
        const int column = std::clamp(from_x + x, 0, frame.width - 1);
        source[y * kSourceWide + x] = static_cast<float>(frame.at(column, row)) * gain - off;
      }
    }
  }
  interpolate(source, image::cubic_weights(share_right).data(),
              image::cubic_weights(share_down).data(), values);
  double weight = layer.weight;
  if (picky) {
    constexpr double kFromBetween = 0.02;
    weight *= std::max(0.0, 1.0 - 2.0 * std::min(share_right, 1.0 - share_right)) *
                  std::max(0.0, 1.0 - 2.0 * std::min(share_down, 1.0 - share_down)) +
              kFromBetween;
  }
  Rows rows{0, kTall};
  if (!inside) {
    rows.from = std::clamp(static_cast<int>(std::ceil(-down_px)) - top, 0, kTall);
    rows.to = std::clamp(static_cast<int>(std::floor(frame.height - 1 - down_px)) - top + 1,
                         rows.from, kTall);
  }
  const std::size_t place = index(left, top);
  const Into into{sums_.data() + place, weights_.data() + place,
                  squares_.empty() ? nullptr : squares_.data() + place};
  if (judge != nullptr) {
    return static_cast<double>(add_judged(values, mask, judge->mean.data() + place,
                                          judge->limit.data() + place, static_cast<float>(weight),
                                          rows, into));
  }
  add_all(values, mask, static_cast<float>(weight), rows, into);
  return 0.0;
}

}  // namespace solarchon::reduce
