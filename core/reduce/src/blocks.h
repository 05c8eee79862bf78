// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/image/point.h"
#include "solarchon/registration/shift_field.h"

namespace solarchon::reduce {

/// A frame as it is laid on the stack: its numbers become light by (number - black) gain.
struct Layer {
  const image::Frame* frame = nullptr;
  const registration::ShiftField* field = nullptr;
  double black = 0.0;
  double gain = 1.0;
  double weight = 1.0;
};

/// What values are held against, before they count: their mean, and how far off they may be.
struct Judge {
  std::vector<float> mean;   ///< by the index of the sums
  std::vector<float> limit;  ///< above 0
};

/// The camera's pixels that values count by: the nearer to one of them a value was taken, the more.
struct Sites {
  int step_px = 0;  ///< from one to the next along rows and columns; 0: values count alike
  int count = 1;    ///< of such lattices: two for green
  std::array<int, 2> column{};
  std::array<int, 2> row{};
};

/// Sums of what was laid on one another, block by block: the values of one lie together, so that
/// they stay close at hand while many layers are added to them.
class Sums {
 public:
  static constexpr int kWide = 32;
  static constexpr int kTall = 16;
  static constexpr std::size_t kBlock = static_cast<std::size_t>(kWide) * kTall;

  /// @param squares  whether the squares are summed as well
  Sums(int width, int height, bool squares);

  /// Lays layers on rows kTall * band and following, all on one block before the next, so that its
  /// sums stay close at hand. Bands may be done by several threads.
  /// @param judge   none: all values count
  /// @param phase   of the pixels against the camera's (px)
  /// @param sites   the camera's pixels that hold what is laid
  /// @return        how many values did not count
  std::int64_t lay(const std::vector<Layer>& layers, int band, const Judge* judge,
                   const image::Offset& phase, const Sites& sites);

  [[nodiscard]] int bands() const { return (height_ + kTall - 1) / kTall; }
  [[nodiscard]] int width() const { return width_; }
  [[nodiscard]] int height() const { return height_; }
  /// Where a pixel's values stand.
  [[nodiscard]] std::size_t index(int x, int y) const {
    const auto block = static_cast<std::size_t>(y / kTall) * static_cast<std::size_t>(across_) +
                       static_cast<std::size_t>(x / kWide);
    return block * kBlock + static_cast<std::size_t>(y % kTall) * kWide +
           static_cast<std::size_t>(x % kWide);
  }
  [[nodiscard]] const std::vector<float>& sums() const { return sums_; }
  [[nodiscard]] const std::vector<float>& weights() const { return weights_; }
  [[nodiscard]] const std::vector<float>& squares() const { return squares_; }

 private:
  double lay_block(const Layer& layer, int left, int top, const Judge* judge,
                   const image::Offset& phase, const Sites& sites);

  int width_;
  int height_;
  int across_;  ///< blocks in a row
  std::vector<float> sums_;
  std::vector<float> weights_;
  std::vector<float> squares_;
};

}  // namespace solarchon::reduce
