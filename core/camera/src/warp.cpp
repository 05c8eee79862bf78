// SPDX-License-Identifier: GPL-3.0-or-later
#include "warp.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/parallel.h"

namespace solarchon::camera {

namespace {

constexpr int kStep = 16;  // pixels from one point of the field to the next

/// Weights of the four pixels about a place between the second and the third.
std::array<float, 4> cubic(double part) {
  const double square = part * part;
  const double cube = square * part;
  return {static_cast<float>(-0.5 * part + square - 0.5 * cube),
          static_cast<float>(1.0 - 2.5 * square + 1.5 * cube),
          static_cast<float>(0.5 * part + 2.0 * square - 1.5 * cube),
          static_cast<float>(-0.5 * square + 0.5 * cube)};
}

/// The field on a grid, in pixels.
class Coarse {
 public:
  Coarse(int width, int height, int left, int top, const seeing::MotionField& field,
         double scale_arcsec_px)
      : across_(width / kStep + 2) {
    const int rows = height / kStep + 2;
    points_.resize(static_cast<std::size_t>(across_) * static_cast<std::size_t>(rows));
    base::each_row(rows, {}, [&](int row) {
      for (int column = 0; column < across_; ++column) {
        const seeing::Shift shift = field.at((left + column * kStep) * scale_arcsec_px,
                                             (top + row * kStep) * scale_arcsec_px);
        points_[index(column, row)] = {shift.right / scale_arcsec_px, shift.down / scale_arcsec_px};
      }
    });
  }
  [[nodiscard]] seeing::Shift at(int x, int y) const {
    const int column = x / kStep;
    const int row = y / kStep;
    const double dx = static_cast<double>(x % kStep) / kStep;
    const double dy = static_cast<double>(y % kStep) / kStep;
    const auto mixed = [&](double seeing::Shift::*axis) {
      return (1.0 - dy) * ((1.0 - dx) * points_[index(column, row)].*axis +
                           dx * points_[index(column + 1, row)].*axis) +
             dy * ((1.0 - dx) * points_[index(column, row + 1)].*axis +
                   dx * points_[index(column + 1, row + 1)].*axis);
    };
    return {mixed(&seeing::Shift::right), mixed(&seeing::Shift::down)};
  }

 private:
  [[nodiscard]] std::size_t index(int column, int row) const {
    return static_cast<std::size_t>(row) * static_cast<std::size_t>(across_) +
           static_cast<std::size_t>(column);
  }
  int across_;
  std::vector<seeing::Shift> points_;
};

}  // namespace

std::vector<float> warped(const std::vector<float>& picture, int width, int height, int left,
                          int top, const seeing::MotionField& field, double scale_arcsec_px) {
  const Coarse coarse(width, height, left, top, field, scale_arcsec_px);
  std::vector<float> moved(picture.size());
  base::each_row(height, {}, [&](int y) {
    for (int x = 0; x < width; ++x) {
      const seeing::Shift shift = coarse.at(x, y);
      const double from_x = x - shift.right;
      const double from_y = y - shift.down;
      const double whole_x = std::floor(from_x);
      const double whole_y = std::floor(from_y);
      const auto across = cubic(from_x - whole_x);
      const auto along = cubic(from_y - whole_y);
      float sum = 0.0F;
      for (int j = 0; j < 4; ++j) {
        const int row = std::clamp(static_cast<int>(whole_y) + j - 1, 0, height - 1);
        const float* line =
            picture.data() + static_cast<std::size_t>(row) * static_cast<std::size_t>(width);
        float part = 0.0F;
        for (int i = 0; i < 4; ++i) {
          const int column = std::clamp(static_cast<int>(whole_x) + i - 1, 0, width - 1);
          part += across.at(static_cast<std::size_t>(i)) * line[column];
        }
        sum += along.at(static_cast<std::size_t>(j)) * part;
      }
      moved[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
            static_cast<std::size_t>(x)] = sum;
    }
  });
  return moved;
}

}  // namespace solarchon::camera
