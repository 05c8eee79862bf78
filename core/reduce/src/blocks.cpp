// SPDX-License-Identifier: GPL-3.0-or-later
#include "blocks.h"

#include <algorithm>
#include <array>
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
/// Pixels that are done at once: they lie between about the same pixels of the source.
constexpr int kLanes = 8;
constexpr int kGroups = kWide / kLanes;
/// Of a block, between places where its shift is told: straight between them.
constexpr int kPart = kWide / 2;
/// By how much the shift goes apart within a block, at most: far more than air does.
constexpr int kMostApart = 4;
constexpr int kSourceWide = kWide + 2 * kMostApart + 3;
constexpr int kSourceTall = kTall + 2 * kMostApart + 3;
/// How far along the rows is fetched ahead.
constexpr int kAhead = 2 * kWide;

/// Shifts of a block along one of the axes: at its left, middle and right, above and below.
struct Shifts {
  float above[3];
  float below[3];

  [[nodiscard]] float least() const {
    return std::min(*std::min_element(above, above + 3), *std::min_element(below, below + 3));
  }
  [[nodiscard]] float most() const {
    return std::max(*std::max_element(above, above + 3), *std::max_element(below, below + 3));
  }
};

/// How eight pixels of a row are shifted: the first of them, and from one to the next.
struct Run {
  float first;
  float per_px;
};

inline Run run_of(const Shifts& shifts, int group, float down) {
  const int part = group * kLanes / kPart;
  const float left = shifts.above[part] + down * (shifts.below[part] - shifts.above[part]);
  const float right =
      shifts.above[part + 1] + down * (shifts.below[part + 1] - shifts.above[part + 1]);
  const float per_px = (right - left) / static_cast<float>(kPart);
  return {left + per_px * static_cast<float>(group * kLanes % kPart), per_px};
}

inline int whole_of(const Run& run) {
  constexpr float kMiddle = 0.5F * (kLanes - 1);
  return static_cast<int>(std::floor(run.first + kMiddle * run.per_px));
}

/// Between the middle two of four values by Keys' cubic, as image::cubic_weights has it.
inline float between(float a, float b, float c, float d, float share) {
  return b + 0.5F * share *
                 (c - a +
                  share * (2.0F * a - 5.0F * b + 4.0F * c - d + share * (3.0F * (b - c) + d - a)));
}

/// What of a frame a block is taken from.
struct Source {
  int left;  ///< of the frame's pixels, the first that is there
  int top;
  int rows;
};

/// A block's values between the source's pixels, first along rows, then along columns: each place
/// where its own shift takes it.
SOLARCHON_WIDE void interpolate(const float* __restrict source, const Source& of, int left, int top,
                                const Shifts& across, const Shifts& along, float* __restrict into) {
  alignas(32) float rows[kSourceTall * kWide];
  const float middle = 0.5F * (along.least() + along.most());
  for (int y = 0; y < of.rows; ++y) {
    // Where the row comes to lie in the block.
    const float down = (static_cast<float>(of.top + y - top) - middle) / static_cast<float>(kTall);
    for (int group = 0; group < kGroups; ++group) {
      const Run run = run_of(across, group, std::clamp(down, 0.0F, 1.0F));
      const int whole = std::clamp(left + whole_of(run) - 1 - of.left, 0, 2 * kMostApart - 1);
      const float share = run.first - static_cast<float>(whole + 1 + of.left - left);
      const float per_px = run.per_px;
      const std::ptrdiff_t first = static_cast<std::ptrdiff_t>(group) * kLanes;
      const float* __restrict from =
          source + static_cast<std::ptrdiff_t>(y) * kSourceWide + first + whole;
      float* __restrict to = rows + static_cast<std::ptrdiff_t>(y) * kWide + first;
#pragma omp simd
      for (int x = 0; x < kLanes; ++x) {
        to[x] = between(from[x], from[x + 1], from[x + 2], from[x + 3],
                        share + per_px * static_cast<float>(x));
      }
    }
  }
  for (int y = 0; y < kTall; ++y) {
    const float down = static_cast<float>(y) / static_cast<float>(kTall);
    for (int group = 0; group < kGroups; ++group) {
      const Run run = run_of(along, group, down);
      const int whole = std::clamp(top + y + whole_of(run) - 1 - of.top, 0, of.rows - 4);
      const float share = run.first - static_cast<float>(whole + 1 + of.top - top - y);
      const float per_px = run.per_px;
      const std::ptrdiff_t first = static_cast<std::ptrdiff_t>(group) * kLanes;
      const float* __restrict from = rows + static_cast<std::ptrdiff_t>(whole) * kWide + first;
      float* __restrict to = into + static_cast<std::ptrdiff_t>(y) * kWide + first;
#pragma omp simd
      for (int x = 0; x < kLanes; ++x) {
        to[x] = between(from[x], from[x + kWide], from[x + 2 * kWide], from[x + 3 * kWide],
                        share + per_px * static_cast<float>(x));
      }
    }
  }
}

/// The same where all of a block is shifted alike.
SOLARCHON_WIDE void interpolate_even(const float* __restrict source, const Source& of, int left,
                                     int top, float right_px, float down_px,
                                     float* __restrict into) {
  alignas(32) float rows[(kTall + 3) * kWide];
  const auto whole_right = static_cast<int>(std::floor(right_px));
  const auto whole_down = static_cast<int>(std::floor(down_px));
  const std::array<float, 4> a =
      image::cubic_weights(static_cast<double>(right_px - static_cast<float>(whole_right)));
  const std::array<float, 4> b =
      image::cubic_weights(static_cast<double>(down_px - static_cast<float>(whole_down)));
  const float a0 = a[0];
  const float a1 = a[1];
  const float a2 = a[2];
  const float a3 = a[3];
  const float b0 = b[0];
  const float b1 = b[1];
  const float b2 = b[2];
  const float b3 = b[3];
  const float* first = source +
                       static_cast<std::ptrdiff_t>(top + whole_down - 1 - of.top) * kSourceWide +
                       (left + whole_right - 1 - of.left);
  for (int y = 0; y < kTall + 3; ++y) {
    const float* __restrict from = first + static_cast<std::ptrdiff_t>(y) * kSourceWide;
    float* __restrict to = rows + static_cast<std::ptrdiff_t>(y) * kWide;
#pragma omp simd
    for (int x = 0; x < kWide; ++x) {
      to[x] = a0 * from[x] + a1 * from[x + 1] + a2 * from[x + 2] + a3 * from[x + 3];
    }
  }
  for (int y = 0; y < kTall; ++y) {
    const float* __restrict from = rows + static_cast<std::ptrdiff_t>(y) * kWide;
    float* __restrict to = into + static_cast<std::ptrdiff_t>(y) * kWide;
#pragma omp simd
    for (int x = 0; x < kWide; ++x) {
      to[x] =
          b0 * from[x] + b1 * from[x + kWide] + b2 * from[x + 2 * kWide] + b3 * from[x + 3 * kWide];
    }
  }
}

/// A block's numbers, with those around it, as light.
SOLARCHON_WIDE void to_light(const std::uint16_t* __restrict from, std::ptrdiff_t stride, int rows,
                             float* __restrict to, float gain, float off) {
  for (int y = 0; y < rows; ++y) {
    const std::uint16_t* row = from + y * stride;
    float* into = to + static_cast<std::ptrdiff_t>(y) * kSourceWide;
#pragma omp simd
    for (int x = 0; x < kSourceWide; ++x) {
      into[x] = static_cast<float>(row[x]) * gain - off;
    }
  }
}

/// A block's place in the sums; `squares` may be none.
struct Into {
  float* sums;
  float* weights;
  float* squares;
};

/// Adds a block to the sums where the judge lets it; gives the shares that it did not let.
/// @param shares  how much each value counts
SOLARCHON_WIDE float add_judged(const float* __restrict values, const float* __restrict shares,
                                const float* __restrict mean, const float* __restrict limit,
                                const Into& into) {
  alignas(32) float out[kWide] = {};
  float* __restrict sums = into.sums;
  float* __restrict weights = into.weights;
  float* __restrict squares = into.squares;
  for (int y = 0; y < kTall; ++y) {
    const std::ptrdiff_t row = static_cast<std::ptrdiff_t>(y) * kWide;
#pragma omp simd
    for (int x = 0; x < kWide; ++x) {
      const std::ptrdiff_t at = row + x;
      const float value = values[at];
      const float all = shares[at];
      const float share = std::abs(value - mean[at]) <= limit[at] ? all : 0.0F;
      out[x] += all - share;
      sums[at] += share * value;
      weights[at] += share;
    }
    if (squares != nullptr) {
#pragma omp simd
      for (int x = 0; x < kWide; ++x) {
        const std::ptrdiff_t at = row + x;
        const float value = values[at];
        const float all = shares[at];
        const float share = std::abs(value - mean[at]) <= limit[at] ? all : 0.0F;
        squares[at] += share * value * value;
      }
    }
  }
  float all = 0.0F;
  for (const float of_column : out) {
    all += of_column;
  }
  return all;
}

SOLARCHON_WIDE void add_all(const float* __restrict values, const float* __restrict shares,
                            const Into& into) {
  constexpr int kBlock = kWide * kTall;
  float* __restrict sums = into.sums;
  float* __restrict weights = into.weights;
  float* __restrict squares = into.squares;
#pragma omp simd
  for (int at = 0; at < kBlock; ++at) {
    sums[at] += shares[at] * values[at];
    weights[at] += shares[at];
  }
  if (squares != nullptr) {
#pragma omp simd
    for (int at = 0; at < kBlock; ++at) {
      squares[at] += shares[at] * values[at] * values[at];
    }
  }
}

/// 1 on one of the sites, falling to 0 half way to the next.
inline float nearness(const Sites& sites, float column, float row) {
  const float per_px = 1.0F / static_cast<float>(sites.step_px);
  float near = 0.0F;
  for (std::size_t i = 0; i < static_cast<std::size_t>(sites.count); ++i) {
    const float across = (column - static_cast<float>(sites.column[i])) * per_px;
    const float along = (row - static_cast<float>(sites.row[i])) * per_px;
    near += (1.0F - 2.0F * std::abs(across - std::round(across))) *
            (1.0F - 2.0F * std::abs(along - std::round(along)));
  }
  return near;
}

/// Has a block's rows on their way from memory while others are worked on.
void fetch(const image::Frame& frame, int left, int top) {
  const int column = std::clamp(left, 0, frame.width - 1);
  for (int y = std::max(0, top); y < std::min(frame.height, top + kTall + 3); ++y) {
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
                       const image::Offset& phase, const Sites& sites) {
  double not_counted = 0.0;
  constexpr int kRun = 16 * kWide;  // far enough along rows to be fetched ahead
  for (int first = 0; first < width_; first += kRun) {
    for (const Layer& layer : layers) {
      for (int left = first; left < std::min(width_, first + kRun); left += kWide) {
        not_counted += lay_block(layer, left, band * kTall, judge, phase, sites);
      }
    }
  }
  return std::llround(not_counted);
}

double Sums::lay_block(const Layer& layer, int left, int top, const Judge* judge,
                       const image::Offset& phase, const Sites& sites) {
  const image::Frame& frame = *layer.frame;
  const auto gain = static_cast<float>(layer.gain);
  const auto off = static_cast<float>(layer.black * layer.gain);
  alignas(32) float source[kSourceTall * kSourceWide];
  alignas(32) float values[kBlock];
  alignas(32) float shares[kBlock];
  Shifts across{};
  Shifts along{};
  for (int i = 0; i < 3; ++i) {
    const image::Offset above = layer.field->at(left + i * kPart, top);
    const image::Offset below = layer.field->at(left + i * kPart, top + kTall);
    across.above[i] = static_cast<float>(above.right_px + phase.right_px);
    across.below[i] = static_cast<float>(below.right_px + phase.right_px);
    along.above[i] = static_cast<float>(above.down_px + phase.down_px);
    along.below[i] = static_cast<float>(below.down_px + phase.down_px);
  }
  const float least_right = across.least();
  const float least_down = along.least();
  if (across.most() - least_right > static_cast<float>(kMostApart) ||
      along.most() - least_down > static_cast<float>(kMostApart)) {
    return 0.0;  // nothing that air does
  }
  const Source of{left + static_cast<int>(std::floor(least_right)) - 2,
                  top + static_cast<int>(std::floor(least_down)) - 2,
                  kTall + static_cast<int>(std::floor(along.most()) - std::floor(least_down)) + 5};
  fetch(frame, of.left + kAhead, of.top);
  const bool inside = of.left >= 0 && of.top >= 0 && of.left + kSourceWide <= frame.width &&
                      of.top + of.rows <= frame.height;
  std::fill(shares, shares + kBlock, static_cast<float>(layer.weight));
  if (inside) {
    to_light(frame.pixels.data() + static_cast<std::ptrdiff_t>(of.top) * frame.width + of.left,
             frame.width, of.rows, source, gain, off);
  } else {
    if (of.left >= frame.width || of.top >= frame.height || of.left + kSourceWide <= 0 ||
        of.top + of.rows <= 0) {
      return 0.0;
    }
    for (int y = 0; y < of.rows; ++y) {
      const int row = std::clamp(of.top + y, 0, frame.height - 1);
      for (int x = 0; x < kSourceWide; ++x) {
        const int column = std::clamp(of.left + x, 0, frame.width - 1);
        source[y * kSourceWide + x] = static_cast<float>(frame.at(column, row)) * gain - off;
      }
    }
  }
  if (!inside || sites.step_px > 0) {
    // Pixel by pixel: what lies beyond the frame counts nothing, and on a finer grid what lies
    // near one of the camera's pixels that hold it counts most.
    for (int y = 0; y < kTall; ++y) {
      for (int group = 0; group < kGroups; ++group) {
        const float down = static_cast<float>(y) / static_cast<float>(kTall);
        const Run right_of = run_of(across, group, down);
        const Run down_of = run_of(along, group, down);
        for (int k = 0; k < kLanes; ++k) {
          const int x = group * kLanes + k;
          const float column = static_cast<float>(left + x) + right_of.first +
                               right_of.per_px * static_cast<float>(k);
          const float row =
              static_cast<float>(top + y) + down_of.first + down_of.per_px * static_cast<float>(k);
          float& share = shares[y * kWide + x];
          if (left + x >= width_ || column < 0.0F || row < 0.0F ||
              column > static_cast<float>(frame.width - 1) ||
              row > static_cast<float>(frame.height - 1)) {
            share = 0.0F;
          } else if (sites.step_px > 0) {
            constexpr float kFromBetween = 0.02F;
            share *= nearness(sites, column, row) + kFromBetween;
          }
        }
      }
    }
  }
  // Shifts that go apart by less are not told from even ones.
  constexpr float kEven_px = 0.08F;
  const float most_right = across.most();
  const float most_down = along.most();
  if (most_right - least_right < kEven_px && most_down - least_down < kEven_px) {
    interpolate_even(source, of, left, top, 0.5F * (least_right + most_right),
                     0.5F * (least_down + most_down), values);
  } else {
    interpolate(source, of, left, top, across, along, values);
  }
  const std::size_t place = index(left, top);
  const Into into{sums_.data() + place, weights_.data() + place,
                  squares_.empty() ? nullptr : squares_.data() + place};
  if (judge != nullptr) {
    const float refused =
        add_judged(values, shares, judge->mean.data() + place, judge->limit.data() + place, into);
    return static_cast<double>(refused) / layer.weight;
  }
  add_all(values, shares, into);
  return 0.0;
}

}  // namespace solarchon::reduce
