// SPDX-License-Identifier: GPL-3.0-or-later
#include "field_refiner.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "solarchon/base/parallel.h"
#include "solarchon/base/wide.h"

namespace solarchon::registration {

/// Pixels that are done at once.
constexpr int kLanes = 8;

/// Sums over the rows of eight columns.
struct LaneSums {
  alignas(32) float x[kLanes];
  alignas(32) float x_down[kLanes];
  alignas(32) float y[kLanes];
  alignas(32) float y_down[kLanes];
  alignas(32) float soft[kLanes];
  alignas(32) float light[kLanes];
  alignas(32) float squares[kLanes];
};

namespace {

/// Numbers of the reference for so many.
constexpr int kOfRow = 4 * kLanes;
/// Between nodes, in pixels of the camera.
constexpr int kApart_px = 16;
/// By which neighbouring nodes differ, as a rule: over how far the rough field goes apart, and in
/// calm and wild air (px).
constexpr double kUsualApart = 0.25;
constexpr double kLeastApart_px = 0.03;
constexpr double kMostApart_px = 0.3;

struct View {
  const float* light;
  int width;
  int height;
  float gain;
};

/// Misfits of eight columns of a cell: false where a part of it lies outside the picture.
/// @param tile      the reference's numbers for them
/// @param shifts_x  of the cell's corners: above left and right, below left and right
SOLARCHON_WIDE bool look_at_columns(const View& view, const float* __restrict tile, int left,
                                    int top, int first, int side, const float* shifts_x,
                                    const float* shifts_y, LaneSums& into) {
  const float per_side = 1.0F / static_cast<float>(side);
  constexpr float kMiddle = 0.5F * (kLanes - 1);
  const int width = view.width;
  const float gain = view.gain;
  LaneSums sums{};
  for (int row = 0; row < side; ++row) {
    const float v = static_cast<float>(row) * per_side;
    const float x_left = shifts_x[0] + v * (shifts_x[2] - shifts_x[0]);
    const float x_right = shifts_x[1] + v * (shifts_x[3] - shifts_x[1]);
    const float y_left = shifts_y[0] + v * (shifts_y[2] - shifts_y[0]);
    const float y_right = shifts_y[1] + v * (shifts_y[3] - shifts_y[1]);
    const float x_slope = (x_right - x_left) * per_side;
    const float y_slope = (y_right - y_left) * per_side;
    const float x0 = x_left + x_slope * static_cast<float>(first);
    const float y0 = y_left + y_slope * static_cast<float>(first);
    // All eight lie between about the same pixels: a little beyond them is as good.
    const auto whole_x = static_cast<int>(std::floor(x0 + kMiddle * x_slope));
    const auto whole_y = static_cast<int>(std::floor(y0 + kMiddle * y_slope));
    const int from_x = left + first + whole_x;
    const int from_y = top + row + whole_y;
    if (from_x < 0 || from_y < 0 || from_x + kLanes >= width || from_y + 1 >= view.height) {
      return false;
    }
    const float* __restrict above =
        view.light + static_cast<std::ptrdiff_t>(from_y) * width + from_x;
    const float* __restrict below = above + width;
    const float right0 = x0 - static_cast<float>(whole_x);
    const float down0 = y0 - static_cast<float>(whole_y);
    const float* __restrict light = tile + static_cast<std::ptrdiff_t>(row) * kOfRow;
    const float* __restrict slope_right = light + kLanes;
    const float* __restrict slope_down = slope_right + kLanes;
    const float* __restrict hollow = slope_down + kLanes;
#pragma omp simd
    for (int k = 0; k < kLanes; ++k) {
      const float right = right0 + x_slope * static_cast<float>(k);
      const float down = down0 + y_slope * static_cast<float>(k);
      const float upper = above[k] + right * (above[k + 1] - above[k]);
      const float lower = below[k] + right * (below[k + 1] - below[k]);
      const float misfit = gain * (upper + down * (lower - upper)) - light[k];
      const float of_x = misfit * slope_right[k];
      const float of_y = misfit * slope_down[k];
      sums.x[k] += of_x;
      sums.x_down[k] += v * of_x;
      sums.y[k] += of_y;
      sums.y_down[k] += v * of_y;
      sums.soft[k] += misfit * hollow[k];
      sums.light[k] += misfit * light[k];
      sums.squares[k] += misfit * misfit;
    }
  }
  into = sums;
  return true;
}

/// How much a place between four corners belongs to each.
std::array<float, 4> shares_of(float right, float down) {
  return {(1.0F - right) * (1.0F - down), right * (1.0F - down), (1.0F - right) * down,
          right * down};
}

/// Sums over squares of cells about each.
/// @param rows  its memory is used again
void sum_about(std::vector<float>& of_cell, int across, int along, std::vector<float>& rows) {
  constexpr int kReach = 2;
  const auto row_at = [&](std::vector<float>& cells, int j) {
    return cells.data() + static_cast<std::ptrdiff_t>(j) * across;
  };
  rows.assign(of_cell.size(), 0.0F);
  for (int j = 0; j < along; ++j) {
    const float* from = row_at(of_cell, j);
    float* to = row_at(rows, j);
    for (int i = 0; i < across; ++i) {
      float sum = 0.0F;
      for (int a = std::max(0, i - kReach); a <= std::min(across - 1, i + kReach); ++a) {
        sum += from[a];
      }
      to[i] = sum;
    }
  }
  for (int j = 0; j < along; ++j) {
    float* to = row_at(of_cell, j);
    std::fill(to, to + across, 0.0F);
    for (int b = std::max(0, j - kReach); b <= std::min(along - 1, j + kReach); ++b) {
      const float* from = row_at(rows, b);
      for (int i = 0; i < across; ++i) {
        to[i] += from[i];
      }
    }
  }
}

}  // namespace

FieldRefiner::FieldRefiner(const image::Plane& reference, int bin)
    : bin_(bin),
      side_(std::max(kLanes, kApart_px / bin)),
      width_(reference.width),
      height_(reference.height),
      across_(reference.width / side_),
      along_(reference.height / side_) {
  const auto light_at = [&](int x, int y) {
    return reference.values[static_cast<std::size_t>(std::clamp(y, 0, height_ - 1)) *
                                static_cast<std::size_t>(width_) +
                            static_cast<std::size_t>(std::clamp(x, 0, width_ - 1))];
  };
  weights_.resize(static_cast<std::size_t>(across_) * static_cast<std::size_t>(along_));
  tiles_.resize(weights_.size() * of_tile());
  base::each_row(along_, {}, [&](int j) {
    for (int i = 0; i < across_; ++i) {
      Weights& weights = weights_[cell(i, j)];
      float* tile = tiles_.data() + cell(i, j) * of_tile();
      for (int y = 0; y < side_; ++y) {
        for (int x = 0; x < side_; ++x) {
          const int column = i * side_ + x;
          const int row = j * side_ + y;
          const float light = light_at(column, row);
          const float left = light_at(column - 1, row);
          const float right = light_at(column + 1, row);
          const float above = light_at(column, row - 1);
          const float below = light_at(column, row + 1);
          const float slope_x = 0.5F * (right - left);
          const float slope_y = 0.5F * (below - above);
          const float hollow = left + right + above + below - 4.0F * light;
          float* to =
              tile + static_cast<std::ptrdiff_t>(x / kLanes * side_ + y) * kOfRow + x % kLanes;
          for (const float value : {light, slope_x, slope_y, hollow}) {
            *to = value;
            to += kLanes;
          }
          const Corners share = shares_of(static_cast<float>(x) / static_cast<float>(side_),
                                          static_cast<float>(y) / static_cast<float>(side_));
          for (std::size_t c = 0; c < share.size(); ++c) {
            weights.xx[c] += share[c] * slope_x * slope_x;
            weights.xy[c] += share[c] * slope_x * slope_y;
            weights.yy[c] += share[c] * slope_y * slope_y;
            weights.soft_x[c] += share[c] * slope_x * hollow;
            weights.soft_y[c] += share[c] * slope_y * hollow;
            weights.light_x[c] += share[c] * slope_x * light;
            weights.light_y[c] += share[c] * slope_y * light;
          }
          weights.soft += static_cast<double>(hollow * hollow);
          weights.both += static_cast<double>(hollow * light);
          weights.light += static_cast<double>(light * light);
        }
      }
    }
  });
}

/// What eight columns tell, by the corners of their cell.
void FieldRefiner::add_lanes(const LaneSums& sums, int first, int side, Cell& cell) {
  std::array<float, 11> all{};
  for (int k = 0; k < kLanes; ++k) {
    const float u = static_cast<float>(first + k) / static_cast<float>(side);
    all[0] += sums.x[k];
    all[1] += u * sums.x[k];
    all[2] += sums.x_down[k];
    all[3] += u * sums.x_down[k];
    all[4] += sums.y[k];
    all[5] += u * sums.y[k];
    all[6] += sums.y_down[k];
    all[7] += u * sums.y_down[k];
    all[8] += sums.soft[k];
    all[9] += sums.light[k];
    all[10] += sums.squares[k];
  }
  const auto spread = [&](std::size_t from, Corners& to) {
    const float below_right = all[from + 3];
    to[0] += all[from] - all[from + 1] - all[from + 2] + below_right;
    to[1] += all[from + 1] - below_right;
    to[2] += all[from + 2] - below_right;
    to[3] += below_right;
  };
  spread(0, cell.x);
  spread(4, cell.y);
  cell.soft += static_cast<double>(all[8]);
  cell.light += static_cast<double>(all[9]);
  cell.squares += static_cast<double>(all[10]);
}

void FieldRefiner::look(const image::Plane& picture, float gain, const Nodes& nodes,
                        std::vector<Cell>& cells) const {
  const View view{picture.values.data(), width_, height_, gain};
  for (int j = 0; j < along_; ++j) {
    for (int i = 0; i < across_; ++i) {
      const std::array<std::size_t, 4> corners{node(i, j), node(i + 1, j), node(i, j + 1),
                                               node(i + 1, j + 1)};
      Corners shifts_x{};
      Corners shifts_y{};
      for (std::size_t c = 0; c < corners.size(); ++c) {
        shifts_x[c] = nodes.x[corners[c]];
        shifts_y[c] = nodes.y[corners[c]];
      }
      Cell& now = cells[cell(i, j)] = {};
      const float* tile = tiles_.data() + cell(i, j) * of_tile();
      for (int first = 0; first < side_; first += kLanes) {
        LaneSums sums;
        now.seen =
            look_at_columns(view, tile + static_cast<std::ptrdiff_t>(first) * side_ * 4, i * side_,
                            j * side_, first, side_, shifts_x.data(), shifts_y.data(), sums);
        if (!now.seen) {
          break;
        }
        add_lanes(sums, first, side_, now);
      }
    }
  }
}

std::vector<FieldRefiner::Differs> FieldRefiner::tell_apart(const std::vector<Cell>& cells) const {
  // Over squares of cells: misfit by softness and light, and the products of these two.
  std::array<std::vector<float>, 5> sums;
  for (auto& sum : sums) {
    sum.assign(cells.size(), 0.0F);
  }
  for (std::size_t k = 0; k < cells.size(); ++k) {
    if (cells[k].seen) {
      sums[0][k] = static_cast<float>(cells[k].soft);
      sums[1][k] = static_cast<float>(cells[k].light);
      sums[2][k] = static_cast<float>(weights_[k].soft);
      sums[3][k] = static_cast<float>(weights_[k].both);
      sums[4][k] = static_cast<float>(weights_[k].light);
    }
  }
  std::vector<float> rows;
  for (auto& sum : sums) {
    sum_about(sum, across_, along_, rows);
  }
  std::vector<Differs> differs(cells.size());
  constexpr double kNothing = 1e-12;
  for (std::size_t k = 0; k < cells.size(); ++k) {
    if (!cells[k].seen) {
      continue;
    }
    // Where there is little to tell it by, neither differs.
    const std::array<double, 5> sum{
        static_cast<double>(sums[0][k]), static_cast<double>(sums[1][k]),
        static_cast<double>(sums[2][k]), static_cast<double>(sums[3][k]),
        static_cast<double>(sums[4][k])};
    const double soft = 1.02 * sum[2] + kNothing;
    const double light = 1.0001 * sum[4] + kNothing;
    const double determinant = soft * light - sum[3] * sum[3];
    Differs& now = differs[k];
    now.soft = (light * sum[0] - sum[3] * sum[1]) / determinant;
    now.light = (soft * sum[1] - sum[3] * sum[0]) / determinant;
    const Weights& weights = weights_[k];
    const double left = cells[k].squares - 2.0 * now.soft * cells[k].soft -
                        2.0 * now.light * cells[k].light + now.soft * now.soft * weights.soft +
                        2.0 * now.soft * now.light * weights.both +
                        now.light * now.light * weights.light;
    now.variance = std::max(0.0, left) / (side_ * side_);
  }
  return differs;
}

void FieldRefiner::step(const std::vector<Cell>& cells, const std::vector<Differs>& differs,
                        float tie, Nodes& nodes) const {
  std::vector<double> variances;
  for (std::size_t k = 0; k < cells.size(); ++k) {
    if (cells[k].seen) {
      variances.push_back(differs[k].variance);
    }
  }
  if (variances.empty()) {
    return;
  }
  const auto middle = variances.begin() + static_cast<std::ptrdiff_t>(variances.size() / 2);
  std::nth_element(variances.begin(), middle, variances.end());
  constexpr double kLeastVariance = 1e-12;
  const double usual = *middle + kLeastVariance;

  // How sure each node is of its place, and how its neighbourhood pulls.
  struct Held {
    float xx = 0.0F;
    float xy = 0.0F;
    float yy = 0.0F;
    float pull_x = 0.0F;
    float pull_y = 0.0F;
  };
  std::vector<Held> held(nodes.x.size());
  for (int j = 0; j < along_; ++j) {
    for (int i = 0; i < across_; ++i) {
      const std::size_t k = cell(i, j);
      const Cell& now = cells[k];
      if (!now.seen) {
        continue;
      }
      // What the reference does not explain counts for less, wherever it comes from.
      const auto weight = static_cast<float>(1.0 / std::max(0.5 * usual, differs[k].variance));
      const auto soft = static_cast<float>(differs[k].soft);
      const auto light = static_cast<float>(differs[k].light);
      const Weights& weights = weights_[k];
      const std::array<std::size_t, 4> corners{node(i, j), node(i + 1, j), node(i, j + 1),
                                               node(i + 1, j + 1)};
      for (std::size_t c = 0; c < corners.size(); ++c) {
        Held& at = held[corners[c]];
        at.xx += weight * weights.xx[c];
        at.xy += weight * weights.xy[c];
        at.yy += weight * weights.yy[c];
        at.pull_x += weight * (now.x[c] - soft * weights.soft_x[c] - light * weights.light_x[c]);
        at.pull_y += weight * (now.y[c] - soft * weights.soft_y[c] - light * weights.light_y[c]);
      }
    }
  }
  const int columns = across_ + 1;
  const int rows = along_ + 1;
  // From here on: what each node wants times how sure it is, and the inverse of how firmly it and
  // its neighbours hold it.
  for (int j = 0; j < rows; ++j) {
    for (int i = 0; i < columns; ++i) {
      Held& at = held[node(i, j)];
      const float firm = 0.01F * (at.xx + at.yy) + 1e-6F;
      const float xx = at.xx + firm;
      const float yy = at.yy + firm;
      const float sure = xx * yy - at.xy * at.xy;
      // Nodes share their cells, so that each by itself would go too short a way.
      constexpr float kFurther = 1.5F;
      const float x =
          nodes.x[node(i, j)] -
          kFurther * std::clamp((yy * at.pull_x - at.xy * at.pull_y) / sure, -1.0F, 1.0F);
      const float y =
          nodes.y[node(i, j)] -
          kFurther * std::clamp((xx * at.pull_y - at.xy * at.pull_x) / sure, -1.0F, 1.0F);
      const float ties = tie * static_cast<float>((i > 0 ? 1 : 0) + (i + 1 < columns ? 1 : 0) +
                                                  (j > 0 ? 1 : 0) + (j + 1 < rows ? 1 : 0));
      const float all = (xx + ties) * (yy + ties) - at.xy * at.xy;
      at = {(yy + ties) / all, -at.xy / all, (xx + ties) / all, xx * x + at.xy * y,
            at.xy * x + yy * y};
    }
  }
  constexpr int kSweeps = 2;
  for (int sweep = 0; sweep < kSweeps; ++sweep) {
    for (int j = 0; j < rows; ++j) {
      for (int i = 0; i < columns; ++i) {
        float x = 0.0F;
        float y = 0.0F;
        const auto lean_on = [&](int column, int row) {
          x += nodes.x[node(column, row)];
          y += nodes.y[node(column, row)];
        };
        if (i > 0) {
          lean_on(i - 1, j);
        }
        if (i + 1 < columns) {
          lean_on(i + 1, j);
        }
        if (j > 0) {
          lean_on(i, j - 1);
        }
        if (j + 1 < rows) {
          lean_on(i, j + 1);
        }
        const Held& at = held[node(i, j)];
        x = at.pull_x + tie * x;
        y = at.pull_y + tie * y;
        nodes.x[node(i, j)] = at.xx * x + at.xy * y;
        nodes.y[node(i, j)] = at.xy * x + at.yy * y;
      }
    }
  }
}

void FieldRefiner::refine(const image::Plane& picture, ShiftField& field) const {
  if (across_ < 1 || along_ < 1) {
    return;
  }
  const double spacing_px = side_ * bin_;
  const double origin_px = 0.5 * (bin_ - 1);
  Nodes nodes;
  std::vector<bool> sure;
  for (int j = 0; j <= along_; ++j) {
    for (int i = 0; i <= across_; ++i) {
      const double x = origin_px + i * spacing_px;
      const double y = origin_px + j * spacing_px;
      sure.push_back(field.sure_at(x, y));
      const image::Offset from = field.at(x, y);
      nodes.x.push_back(static_cast<float>(from.right_px / bin_));
      nodes.y.push_back(static_cast<float>(from.down_px / bin_));
    }
  }
  const double apart_px =
      std::clamp(kUsualApart * field.local_px, kLeastApart_px, kMostApart_px) / bin_;
  const auto tie = static_cast<float>(1.0 / (apart_px * apart_px));
  std::vector<Cell> cells(weights_.size());
  // In calm air the rough field is as good as right.
  constexpr double kCalm_px = 0.15;
  const int turns = field.local_px > kCalm_px ? 2 : 1;
  for (int turn = 0; turn < turns; ++turn) {
    look(picture, static_cast<float>(field.gain), nodes, cells);
    step(cells, tell_apart(cells), tie, nodes);
  }
  field.columns = across_ + 1;
  field.rows = along_ + 1;
  field.spacing_px = spacing_px;
  field.origin_px = origin_px;
  field.sure = std::move(sure);
  field.offsets.resize(nodes.x.size());
  for (std::size_t n = 0; n < nodes.x.size(); ++n) {
    field.offsets[n] = {static_cast<double>(nodes.x[n]) * bin_,
                        static_cast<double>(nodes.y[n]) * bin_};
  }
}

}  // namespace solarchon::registration
