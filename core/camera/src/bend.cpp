// SPDX-License-Identifier: GPL-3.0-or-later
#include "bend.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <opencv2/core/hal/intrin.hpp>

#include "solarchon/image/interpolation.h"

namespace solarchon::camera {

namespace {

constexpr int kParts = 256;  // of a pixel, that weights are kept for

using Weights = std::array<std::array<float, 4>, kParts + 1>;
const Weights& weights() {
  static const Weights made = [] {
    Weights table;
    for (int i = 0; i <= kParts; ++i) {
      table.at(static_cast<std::size_t>(i)) = image::cubic_weights(static_cast<double>(i) / kParts);
    }
    return table;
  }();
  return made;
}

/// A value along a row between two points.
struct Slope {
  float at;
  float by_px;
};

/// The values of a bend's member at the points of one row of pixels.
class Along {
 public:
  Along(const std::vector<float>& points, int columns, int row) {
    const auto upper =
        static_cast<std::size_t>(row / kBendStep) * static_cast<std::size_t>(columns);
    part_ = static_cast<float>(row % kBendStep) / kBendStep;
    upper_ = points.data() + upper;
    lower_ = upper_ + columns;
  }
  [[nodiscard]] Slope from(int column) const {
    const float left = at(column);
    return {left, (at(column + 1) - left) / kBendStep};
  }

 private:
  [[nodiscard]] float at(int column) const {
    return upper_[column] + part_ * (lower_[column] - upper_[column]);
  }
  const float* upper_;
  const float* lower_;
  float part_;
};

/// Where a coordinate lies: the first of four pixels, and the weights of them.
struct NodePlace {
  int first;
  const float* weights;
};
NodePlace place_of(float coordinate, int size) {
  const float held = std::clamp(coordinate, 1.0F, static_cast<float>(size) - 3.0F);
  const int whole = static_cast<int>(held);
  const auto part =
      static_cast<std::size_t>(std::lround((held - static_cast<float>(whole)) * kParts));
  return {whole - 1, weights()[part].data()};
}

/// What four places lie past their whole pixels makes weights of four pixels each.
struct FourWeights {
  explicit FourWeights(cv::v_float32x4 part) {
    const cv::v_float32x4 half = cv::v_setall_f32(0.5F);
    const cv::v_float32x4 one_and_half = cv::v_setall_f32(1.5F);
    const cv::v_float32x4 square = part * part;
    w[3] = square * (half * part - half);
    w[0] = part * (part * (cv::v_setall_f32(1.0F) - half * part) - half);
    w[1] = square * (one_and_half * part - cv::v_setall_f32(2.5F)) + cv::v_setall_f32(1.0F);
    w[2] = part * (part * (cv::v_setall_f32(2.0F) - one_and_half * part) + half);
  }
  cv::v_float32x4 w[4];
};

/// Pixels of a row between two points of a bend.
struct Run {
  Slope x;
  Slope y;
  Slope share;  ///< of the sharper picture
  Slope light;
  const float* blurred;
  const float* sharper;
  int width;  ///< of the pictures
  int height;
  int count;
};

/// Anywhere, pixel by pixel.
void bend_slowly(const Run& run, float* out) {
  const std::ptrdiff_t stride = run.width;
  for (int i = 0; i < run.count; ++i) {
    const auto along = static_cast<float>(i);
    const NodePlace across = place_of(run.x.at + along * run.x.by_px, run.width);
    const NodePlace down = place_of(run.y.at + along * run.y.by_px, run.height);
    const cv::v_float32x4 share = cv::v_setall_f32(run.share.at + along * run.share.by_px);
    const std::ptrdiff_t first = down.first * stride + across.first;
    cv::v_float32x4 sum = cv::v_setzero_f32();
    for (int j = 0; j < 4; ++j) {
      const cv::v_float32x4 soft = cv::v_load(run.blurred + first + j * stride);
      const cv::v_float32x4 sharp = cv::v_load(run.sharper + first + j * stride);
      sum = cv::v_muladd(cv::v_setall_f32(down.weights[j]), cv::v_muladd(share, sharp - soft, soft),
                         sum);
    }
    out[i] = (run.light.at + along * run.light.by_px) *
             cv::v_reduce_sum(sum * cv::v_load(across.weights));
  }
}

constexpr int kColumns = kBendStep + 8;  // that a run may look at

/// Whether bend_quickly may be asked: the picture is neither stretched nor turned by more than a
/// few per cent there, and all that is looked at lies within it.
bool bends_quickly(const Run& run) {
  constexpr float kSteepest = 0.05F;
  const auto reach = static_cast<float>(kBendStep);
  const float end_y = run.y.at + reach * run.y.by_px;
  return run.count == kBendStep && std::abs(run.x.by_px - 1.0F) < kSteepest &&
         std::abs(run.y.by_px) < kSteepest && run.x.at >= 4.0F &&
         run.x.at + kColumns < static_cast<float>(run.width) && std::min(run.y.at, end_y) >= 4.0F &&
         std::max(run.y.at, end_y) + 4.0F < static_cast<float>(run.height);
}

/// Four pixels at once: first down each column that is looked at, where its own pixel looks, then
/// along the row. Pixels that share a group take the whole pixel of its middle; what they lie
/// beyond it by is some hundredths.
void bend_quickly(const Run& run, float* out) {
  const std::ptrdiff_t stride = run.width;
  const int first_column = static_cast<int>(run.x.at) - 2;
  const cv::v_float32x4 ramp(0.0F, 1.0F, 2.0F, 3.0F);
  constexpr float kMiddle = 1.5F;
  float columns[kColumns];
  for (int group = 0; group < kColumns; group += 4) {
    const float along = static_cast<float>(first_column + group) - run.x.at;
    const float middle_y = run.y.at + (along + kMiddle) * run.y.by_px;
    const int whole = static_cast<int>(middle_y);
    const cv::v_float32x4 place = cv::v_setall_f32(along) + ramp;
    const FourWeights weights(cv::v_muladd(place, cv::v_setall_f32(run.y.by_px),
                                           cv::v_setall_f32(run.y.at - static_cast<float>(whole))));
    const cv::v_float32x4 share =
        cv::v_muladd(place, cv::v_setall_f32(run.share.by_px), cv::v_setall_f32(run.share.at));
    const std::ptrdiff_t first = (whole - 1) * stride + first_column + group;
    cv::v_float32x4 sum = cv::v_setzero_f32();
    for (int j = 0; j < 4; ++j) {
      const cv::v_float32x4 soft = cv::v_load(run.blurred + first + j * stride);
      const cv::v_float32x4 sharp = cv::v_load(run.sharper + first + j * stride);
      sum = cv::v_muladd(weights.w[j], cv::v_muladd(share, sharp - soft, soft), sum);
    }
    cv::v_store(columns + group, sum);
  }
  for (int group = 0; group < kBendStep; group += 4) {
    const auto along = static_cast<float>(group);
    const float middle_x = run.x.at + (along + kMiddle) * run.x.by_px;
    // The whole pixel of the first of them, were the picture not stretched.
    const auto whole = static_cast<float>(static_cast<int>(middle_x - kMiddle));
    const cv::v_float32x4 place = cv::v_setall_f32(along) + ramp;
    const FourWeights weights(
        cv::v_muladd(place, cv::v_setall_f32(run.x.by_px), cv::v_setall_f32(run.x.at - whole)) -
        ramp);
    const float* from = columns + (static_cast<int>(whole) - 1 - first_column);
    cv::v_float32x4 sum = cv::v_setzero_f32();
    for (int k = 0; k < 4; ++k) {
      sum = cv::v_muladd(weights.w[k], cv::v_load(from + k), sum);
    }
    const cv::v_float32x4 light =
        cv::v_muladd(place, cv::v_setall_f32(run.light.by_px), cv::v_setall_f32(run.light.at));
    cv::v_store(out + group, sum * light);
  }
}

}  // namespace

Bend::Bend(int frame_width, int frame_height)
    : columns((frame_width + kBendStep - 1) / kBendStep + 1),
      rows((frame_height + kBendStep - 1) / kBendStep + 1),
      x(static_cast<std::size_t>(columns) * static_cast<std::size_t>(rows)),
      y(x.size()),
      step(x.size()),
      light(x.size(), 1.0F) {}

void bend_row(const Bend& bend, const Ladder& ladder, int row, int frame_width, float* out) {
  const Along x(bend.x, bend.columns, row);
  const Along y(bend.y, bend.columns, row);
  const Along steps(bend.step, bend.columns, row);
  const Along light(bend.light, bend.columns, row);
  const int last = static_cast<int>(ladder.pictures.size()) - 1;
  for (int from = 0; from < frame_width; from += kBendStep) {
    const int column = from / kBendStep;
    Slope share = steps.from(column);
    const float middle = share.at + 0.5F * kBendStep * share.by_px;
    const int below = std::clamp(static_cast<int>(middle), 0, std::max(0, last - 1));
    share.at -= static_cast<float>(below);
    const Run run{x.from(column),
                  y.from(column),
                  share,
                  light.from(column),
                  ladder.pictures[static_cast<std::size_t>(below)],
                  ladder.pictures[static_cast<std::size_t>(std::min(last, below + 1))],
                  ladder.width,
                  ladder.height,
                  std::min(kBendStep, frame_width - from)};
    if (bends_quickly(run)) {
      bend_quickly(run, out + from);
    } else {
      bend_slowly(run, out + from);
    }
  }
}

}  // namespace solarchon::camera
