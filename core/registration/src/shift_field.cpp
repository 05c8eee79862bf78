// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/registration/shift_field.h"

#include <algorithm>
#include <cmath>

#include "field_refiner.h"
#include "solarchon/base/middle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/base/wide.h"
#include "solarchon/image/binning.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/plane.h"
#include "solarchon/image/point.h"

namespace solarchon::registration {

namespace {

constexpr int kSide = PatchMatcher::kSide;
/// Every other row of a patch is compared: its detail is wider than that.
constexpr int kRows = kSide / 2;
constexpr std::size_t kArea = static_cast<std::size_t>(kSide) * kRows;

SOLARCHON_WIDE void add_pairs(const std::uint16_t* a, const std::uint16_t* b, float* to, int count,
                              float scale, float off) {
#pragma omp simd
  for (std::ptrdiff_t x = 0; x < count; ++x) {
    const int sum = static_cast<int>(a[2 * x]) + a[2 * x + 1] + b[2 * x] + b[2 * x + 1];
    to[x] = static_cast<float>(sum) * scale - off;
  }
}

/// A frame as light, of pairs of its pixels or of single ones.
void light_of(const image::Frame& frame, int bin, double black, image::Plane& small) {
  small.width = frame.width / bin;
  small.height = frame.height / bin;
  small.values.resize(static_cast<std::size_t>(small.width) *
                      static_cast<std::size_t>(small.height));
  const float share = 1.0F / static_cast<float>(bin * bin);
  const auto off = static_cast<float>(black);
  for (int y = 0; y < small.height; ++y) {
    const std::uint16_t* from =
        frame.pixels.data() + static_cast<std::ptrdiff_t>(y) * bin * frame.width;
    float* to = small.values.data() + static_cast<std::ptrdiff_t>(y) * small.width;
    if (bin == 2) {
      add_pairs(from, from + frame.width, to, small.width, share, off);
    } else {
      for (int x = 0; x < small.width; ++x) {
        to[x] = static_cast<float>(from[x]) - off;
      }
    }
  }
}

/// Sums over a patch of a picture, taken between its pixels.
struct Sums {
  float plain;
  float times_right;
  float times_down;
  float times_shape;
  float squares;
};

SOLARCHON_WIDE Sums sums_over(const float* __restrict picture, int stride, float right, float down,
                              const float* __restrict shape) {
  const float* __restrict slopes_right = shape + kArea;
  const float* __restrict slopes_down = slopes_right + kArea;
  const float a = (1.0F - right) * (1.0F - down);
  const float b = right * (1.0F - down);
  const float c = (1.0F - right) * down;
  const float d = right * down;
  // Values about a level near their own, so that sums of squares keep their digits.
  const float level = picture[(kSide / 2) * stride + kSide / 2];
  alignas(64) float values[kArea];
  for (int y = 0; y < kRows; ++y) {
    const float* above = picture + static_cast<std::ptrdiff_t>(2 * y) * stride;
    const float* below = above + stride;
    float* to = values + static_cast<std::ptrdiff_t>(y) * kSide;
#pragma omp simd
    for (int x = 0; x < kSide; ++x) {
      to[x] = a * above[x] + b * above[x + 1] + c * below[x] + d * below[x + 1] - level;
    }
  }
  float plain = 0.0F;
  float times_right = 0.0F;
  float times_down = 0.0F;
  float times_shape = 0.0F;
  float squares = 0.0F;
#pragma omp simd reduction(+ : plain, times_right, times_down, times_shape, squares)
  for (std::size_t i = 0; i < kArea; ++i) {
    const float value = values[i];
    plain += value;
    times_right += value * slopes_right[i];
    times_down += value * slopes_down[i];
    times_shape += value * shape[i];
    squares += value * value;
  }
  const auto area = static_cast<float>(kArea);
  // Sums of slopes and shape times the level are added by the caller, who knows them.
  return {plain + level * area, times_right, times_down, times_shape,
          squares - plain * plain / area};
}

}  // namespace

image::Offset ShiftField::at(double x, double y) const {
  const double across = std::clamp((x - origin_px) / spacing_px, 0.0, std::max(0.0, columns - 1.0));
  const double along = std::clamp((y - origin_px) / spacing_px, 0.0, std::max(0.0, rows - 1.0));
  const int i = std::min(static_cast<int>(across), std::max(0, columns - 2));
  const int j = std::min(static_cast<int>(along), std::max(0, rows - 2));
  const double u = across - i;
  const double v = along - j;
  const int right = std::min(i + 1, columns - 1);
  const int down = std::min(j + 1, rows - 1);
  const auto of = [&](int column, int row) -> const image::Offset& {
    return offsets[static_cast<std::size_t>(row) * static_cast<std::size_t>(columns) +
                   static_cast<std::size_t>(column)];
  };
  const auto mix = [&](double a, double b, double c, double d) {
    return (a * (1.0 - u) + b * u) * (1.0 - v) + (c * (1.0 - u) + d * u) * v;
  };
  return {
      mix(of(i, j).right_px, of(right, j).right_px, of(i, down).right_px, of(right, down).right_px),
      mix(of(i, j).down_px, of(right, j).down_px, of(i, down).down_px, of(right, down).down_px)};
}

bool ShiftField::sure_at(double x, double y) const {
  const auto nearest = [&](double along, int count) {
    return static_cast<std::size_t>(
        std::clamp(std::lround((along - origin_px) / spacing_px), 0L, count - 1L));
  };
  return !sure.empty() &&
         sure[nearest(y, rows) * static_cast<std::size_t>(columns) + nearest(x, columns)];
}

ShiftField even_field(int width, int height, const image::Offset& offset, double gain) {
  ShiftField field;
  field.columns = 1;
  field.rows = 1;
  field.spacing_px = std::max(width, height);
  field.offsets = {offset};
  field.gain = gain;
  return field;
}

int PatchMatcher::bin_for(int width, int height) { return std::min(width, height) >= 768 ? 2 : 1; }

/// Sums over its place in the reference.
void PatchMatcher::describe(Patch& patch, const image::Plane& reference) {
  patch.details.resize(3 * kArea);
  const int left = static_cast<int>(patch.x);
  const int top = static_cast<int>(patch.y);
  const auto at = [&](int x, int y) {
    return static_cast<double>(reference.values[static_cast<std::size_t>(top + y) *
                                                    static_cast<std::size_t>(reference.width) +
                                                static_cast<std::size_t>(left + x)]);
  };
  double sum = 0.0;
  for (int y = 0; y < kSide; y += 2) {
    for (int x = 0; x < kSide; ++x) {
      sum += at(x, y);
    }
  }
  patch.mean = sum / kArea;
  for (int y = 0; y < kSide; y += 2) {
    for (int x = 0; x < kSide; ++x) {
      const std::size_t k = static_cast<std::size_t>(y / 2) * kSide + static_cast<std::size_t>(x);
      const double shape = at(x, y) - patch.mean;
      const double right = 0.5 * (at(x + 1, y) - at(x - 1, y));
      const double down = 0.5 * (at(x, y + 1) - at(x, y - 1));
      patch.details[k] = static_cast<float>(shape);
      patch.details[kArea + k] = static_cast<float>(right);
      patch.details[2 * kArea + k] = static_cast<float>(down);
      patch.xx += right * right;
      patch.xy += right * down;
      patch.yy += down * down;
      patch.of_shape_x += right * shape;
      patch.of_shape_y += down * shape;
      patch.sum_x += right;
      patch.sum_y += down;
      patch.energy += shape * shape;
    }
  }
}

PatchMatcher::PatchMatcher(const image::Plane& reference)
    : width_(reference.width), height_(reference.height) {
  const int finest = bin_for(width_, height_);
  spacing_px_ = kSide * finest;
  columns_ = std::max(1, static_cast<int>(std::ceil(width_ / spacing_px_)));
  rows_ = std::max(1, static_cast<int>(std::ceil(height_ / spacing_px_)));
  std::vector<double> light;
  for (std::size_t i = 0; i < reference.values.size(); i += 97) {
    light.push_back(static_cast<double>(reference.values[i]));
  }
  std::sort(light.begin(), light.end());
  const double bright = light.empty() ? 0.0 : light[light.size() * 98 / 100];

  for (std::size_t l = 0; l < levels_.size(); ++l) {
    Level& level = levels_.at(l);
    level.bin = l == 0 ? 2 * finest : finest;
    image::Plane small;
    image::bin_down(reference, level.bin, small);
    if (level.bin == finest) {
      refiner_ = std::make_unique<FieldRefiner>(small, finest);
    }
    level.patches.resize(static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows_));
    base::each_row(rows_, {}, [&](int j) {
      for (int i = 0; i < columns_; ++i) {
        Patch& patch =
            level.patches[static_cast<std::size_t>(j) * static_cast<std::size_t>(columns_) +
                          static_cast<std::size_t>(i)];
        // At the edge it moves inwards, so that it is found when the frame has moved.
        constexpr double kRoom = 6.0;
        const auto place = [&](int node, int room) {
          const double middle = (node + 0.5) * spacing_px_ / level.bin - 0.5;
          return std::clamp(std::round(middle - (kSide - 1) / 2.0), kRoom, room - kSide - kRoom);
        };
        if (small.width < kSide + 2 * kRoom || small.height < kSide + 2 * kRoom) {
          continue;
        }
        patch.x = place(i, small.width);
        patch.y = place(j, small.height);
        describe(patch, small);
        // Coarse patches overlap: every other one tells as much.
        if (l == 0 && (i + j) % 2 == 1) {
          continue;
        }
        // Structure stands out of nothing by a slope of two thousandths of the light.
        constexpr double kLeastSlope = 0.002;
        patch.of_use =
            patch.mean > 0.0 && patch.xx + patch.yy > kArea * std::pow(kLeastSlope * bright, 2.0);
      }
    });
  }
}

PatchMatcher::~PatchMatcher() = default;

/// How a patch was met in a picture.
struct PatchMatcher::Met {
  image::Offset offset;  ///< in binned pixels
  double xx = 0.0;       ///< how sure it is: inverse of its covariance
  double xy = 0.0;
  double yy = 0.0;
  double light = 0.0;  ///< the picture's mean there
};

PatchMatcher::Met PatchMatcher::meet(const Patch& patch, const image::Plane& picture,
                                     const image::Offset& start) const {
  constexpr int kTurns = 3;
  constexpr double kFurthest = 3.0;
  constexpr double kDone = 0.03;
  Met met;
  met.offset = start;
  const double trace = patch.xx + patch.yy;
  const double firm = 0.01 * trace;
  const double xx = patch.xx + firm;
  const double yy = patch.yy + firm;
  const double determinant = xx * yy - patch.xy * patch.xy;
  Sums sums{};
  double gain = 1.0;
  for (int turn = 0; turn < kTurns; ++turn) {
    const double x = patch.x + met.offset.right_px;
    const double y = patch.y + met.offset.down_px;
    if (x < 0.0 || y < 0.0 || x + kSide + 1 > picture.width - 1 ||
        y + kSide + 1 > picture.height - 1) {
      return {start};
    }
    const int left = static_cast<int>(x);
    const int top = static_cast<int>(y);
    const float* at =
        picture.values.data() + static_cast<std::ptrdiff_t>(top) * picture.width + left;
    sums = sums_over(at, picture.width, static_cast<float>(x - left), static_cast<float>(y - top),
                     patch.details.data());
    const double level = static_cast<double>(at[(kSide / 2) * picture.width + kSide / 2]);
    const double mean = static_cast<double>(sums.plain) / kArea;
    if (mean <= 0.0) {
      return {start};
    }
    met.light = mean;
    gain = patch.mean / mean;
    // Sums were taken of values less `level`; they are wanted less their mean.
    const double off = mean - level;
    const double misfit_x =
        gain * (static_cast<double>(sums.times_right) - off * patch.sum_x) - patch.of_shape_x;
    const double misfit_y =
        gain * (static_cast<double>(sums.times_down) - off * patch.sum_y) - patch.of_shape_y;
    const double step_x = -(yy * misfit_x - patch.xy * misfit_y) / determinant;
    const double step_y = -(xx * misfit_y - patch.xy * misfit_x) / determinant;
    met.offset.right_px += std::clamp(step_x, -1.0, 1.0);
    met.offset.down_px += std::clamp(step_y, -1.0, 1.0);
    if (std::abs(met.offset.right_px - start.right_px) > kFurthest ||
        std::abs(met.offset.down_px - start.down_px) > kFurthest) {
      return {start};
    }
    if (std::hypot(step_x, step_y) < kDone) {
      break;
    }
  }
  const double likeness = static_cast<double>(sums.times_shape);
  const double own = std::max(1e-30, static_cast<double>(sums.squares));
  constexpr double kLeastLikeness = 0.3;
  if (likeness < kLeastLikeness * std::sqrt(own * patch.energy)) {
    return {start, 0.0, 0.0, 0.0, met.light};
  }
  const double rest = gain * gain * own - 2.0 * gain * likeness + patch.energy;
  const double variance = std::max(rest / kArea, 1e-6 * patch.energy / kArea + 1e-12);
  met.xx = patch.xx / variance;
  met.xy = patch.xy / variance;
  met.yy = patch.yy / variance;
  return met;
}

/// Has its details on their way from memory while another patch is worked on.
void PatchMatcher::fetch(const Patch& patch) {
  constexpr std::size_t kLine = 64 / sizeof(float);
  for (std::size_t i = 0; i < patch.details.size(); i += kLine) {
    __builtin_prefetch(patch.details.data() + i);
  }
}

void PatchMatcher::seek_level(const Level& level, const image::Plane& picture, ShiftField& field,
                              bool last) const {
  const std::size_t count = level.patches.size();
  std::vector<Met> met(count);
  double own_light = 0.0;
  double light = 0.0;
  double useful = 0.0;
  double sure = 0.0;
  for (std::size_t k = 0; k < count; ++k) {
    const Patch& patch = level.patches[k];
    const image::Offset& start = field.offsets[k];
    if (k + 1 < count && level.patches[k + 1].of_use) {
      fetch(level.patches[k + 1]);
    }
    met[k].offset = {start.right_px / level.bin, start.down_px / level.bin};
    if (!patch.of_use) {
      continue;
    }
    useful += 1.0;
    met[k] = meet(patch, picture, met[k].offset);
    if (met[k].xx > 0.0) {
      sure += 1.0;
      own_light += met[k].light;
      light += patch.mean;
    }
  }
  // Offsets in full pixels, as sure as each patch is, and near their neighbours'.
  constexpr double kApart = 0.5;  // px, by which neighbours differ
  constexpr double kNeighbour = 1.0 / (kApart * kApart);
  constexpr int kSweeps = 12;
  const double per_px = 1.0 / (level.bin * level.bin);
  for (std::size_t k = 0; k < count; ++k) {
    field.offsets[k] = {met[k].offset.right_px * level.bin, met[k].offset.down_px * level.bin};
  }
  const std::vector<image::Offset> measured = field.offsets;
  // Where nothing was found, what was found elsewhere is the best guess.
  if (sure > 0.0) {
    image::Offset mean;
    for (std::size_t k = 0; k < count; ++k) {
      if (met[k].xx > 0.0) {
        mean.right_px += measured[k].right_px / sure;
        mean.down_px += measured[k].down_px / sure;
      }
    }
    for (std::size_t k = 0; k < count; ++k) {
      if (met[k].xx <= 0.0) {
        field.offsets[k] = mean;
      }
    }
  }
  for (int sweep = 0; sweep < kSweeps; ++sweep) {
    for (int j = 0; j < rows_; ++j) {
      for (int i = 0; i < columns_; ++i) {
        const std::size_t k = static_cast<std::size_t>(j) * static_cast<std::size_t>(columns_) +
                              static_cast<std::size_t>(i);
        double xx = met[k].xx * per_px;
        double yy = met[k].yy * per_px;
        const double xy = met[k].xy * per_px;
        double x = xx * measured[k].right_px + xy * measured[k].down_px;
        double y = xy * measured[k].right_px + yy * measured[k].down_px;
        const auto lean_on = [&](int column, int row) {
          if (column < 0 || row < 0 || column >= columns_ || row >= rows_) {
            return;
          }
          const image::Offset& other =
              field.offsets[static_cast<std::size_t>(row) * static_cast<std::size_t>(columns_) +
                            static_cast<std::size_t>(column)];
          xx += kNeighbour;
          yy += kNeighbour;
          x += kNeighbour * other.right_px;
          y += kNeighbour * other.down_px;
        };
        lean_on(i - 1, j);
        lean_on(i + 1, j);
        lean_on(i, j - 1);
        lean_on(i, j + 1);
        const double determinant = xx * yy - xy * xy;
        if (determinant > 0.0) {
          field.offsets[k] = {(yy * x - xy * y) / determinant, (xx * y - xy * x) / determinant};
        }
      }
    }
  }
  if (!last) {
    return;
  }
  field.sure.resize(count);
  for (std::size_t k = 0; k < count; ++k) {
    field.sure[k] = met[k].xx > 0.0;
  }
  field.gain = own_light > 0.0 ? light / own_light : 0.0;
  field.sure_share = useful > 0.0 ? sure / useful : 0.0;
  image::Offset middle;
  double weight = 0.0;
  for (std::size_t k = 0; k < count; ++k) {
    if (met[k].xx > 0.0) {
      middle.right_px += field.offsets[k].right_px;
      middle.down_px += field.offsets[k].down_px;
      weight += 1.0;
    }
  }
  if (weight < 1.0) {
    return;
  }
  middle = {middle.right_px / weight, middle.down_px / weight};
  double spread = 0.0;
  for (std::size_t k = 0; k < count; ++k) {
    if (met[k].xx > 0.0) {
      spread += std::pow(field.offsets[k].right_px - middle.right_px, 2.0) +
                std::pow(field.offsets[k].down_px - middle.down_px, 2.0);
    }
  }
  field.local_px = std::sqrt(spread / weight);
}

ShiftField PatchMatcher::seek(const image::Frame& frame, double black, const image::Offset& about,
                              std::array<image::Plane, 2>& scratch) const {
  ShiftField field;
  field.columns = columns_;
  field.rows = rows_;
  field.spacing_px = spacing_px_;
  field.origin_px = 0.5 * spacing_px_ - 0.5;
  field.offsets.assign(static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows_), about);
  light_of(frame, levels_[1].bin, black, scratch[1]);
  image::bin_down(scratch[1], 2, scratch[0]);
  seek_level(levels_[0], scratch[0], field, false);
  seek_level(levels_[1], scratch[1], field, true);
  if (field.gain > 0.0) {
    refiner_->refine(scratch[1], field);
  }
  return field;
}

}  // namespace solarchon::registration
