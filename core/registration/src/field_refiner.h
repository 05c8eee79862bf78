// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include "solarchon/image/plane.h"
#include "solarchon/registration/shift_field.h"

namespace solarchon::registration {

struct LaneSums;

/// Takes a rough field of shifts to a fine one: nodes close together, straight between them, that
/// explain a whole picture by the reference at once, so that no patch stands for itself.
///
/// Every pixel counts by the reference's slopes there, so that noise of the picture shifts nothing.
/// What is softer or sharper than the reference, or lit otherwise, is told apart from what is
/// shifted, in squares of some cells.
/// Source: Baker and Matthews, International Journal of Computer Vision 56 (2004) 221 (inverse
/// compositional); bilinear splines over a smoothness as in Szeliski and Coughlan, ibid. 22 (1997)
/// 199.
class FieldRefiner {
 public:
  /// @param reference  binned as the pictures are
  /// @param bin        of its pixels: 1 or 2
  FieldRefiner(const image::Plane& reference, int bin);

  /// @param picture  light, of the reference's size
  /// @param field    as found so far, within a pixel; its gain takes the picture's light to the
  ///                 reference's
  void refine(const image::Plane& picture, ShiftField& field) const;

 private:
  using Corners = std::array<float, 4>;
  /// What a cell of the reference tells: slopes by what else differs, by the cell's corners.
  struct Weights {
    Corners xx{};
    Corners xy{};
    Corners yy{};
    Corners soft_x{};  ///< slopes times the Laplacian
    Corners soft_y{};
    Corners light_x{};  ///< and times the light
    Corners light_y{};
    double soft = 0.0;   ///< squares of the Laplacian
    double both = 0.0;   ///< Laplacian times light
    double light = 0.0;  ///< squares of the light
  };
  /// What a picture tells in a cell: its misfit, laid as the nodes say.
  struct Cell {
    Corners x{};  ///< misfit times slopes
    Corners y{};
    double soft = 0.0;  ///< misfit times the Laplacian
    double light = 0.0;
    double squares = 0.0;
    bool seen = false;  ///< all of it lies within the picture
  };
  /// Softness and light of a picture about a cell, over the reference's.
  struct Differs {
    double soft = 0.0;
    double light = 0.0;
    double variance = 0.0;  ///< of what is left in the cell
  };
  /// Shifts in binned pixels.
  struct Nodes {
    std::vector<float> x;
    std::vector<float> y;
  };
  static void add_lanes(const LaneSums& sums, int first, int side, Cell& cell);
  void look(const image::Plane& picture, float gain, const Nodes& nodes,
            std::vector<Cell>& cells) const;
  [[nodiscard]] std::vector<Differs> tell_apart(const std::vector<Cell>& cells) const;
  /// @param tie  how firmly neighbouring nodes hold each other: one over the square of how far they
  ///             go apart
  void step(const std::vector<Cell>& cells, const std::vector<Differs>& differs, float tie,
            Nodes& nodes) const;
  /// Numbers of a cell: light, its slopes and its hollow, of each pixel.
  [[nodiscard]] std::size_t of_tile() const {
    return 4 * static_cast<std::size_t>(side_) * static_cast<std::size_t>(side_);
  }
  [[nodiscard]] std::size_t cell(int i, int j) const {
    return static_cast<std::size_t>(j) * static_cast<std::size_t>(across_) +
           static_cast<std::size_t>(i);
  }
  [[nodiscard]] std::size_t node(int i, int j) const {
    return static_cast<std::size_t>(j) * static_cast<std::size_t>(across_ + 1) +
           static_cast<std::size_t>(i);
  }

  int bin_;
  int side_;  ///< of a cell, in binned pixels: a multiple of 8
  int width_;
  int height_;
  int across_;  ///< whole cells in a row
  int along_;
  /// Of the reference, cell by cell, in each of them by columns of eight and row by row: light, its
  /// slopes to the right and down, and its Laplacian.
  std::vector<float> tiles_;
  std::vector<Weights> weights_;
};

}  // namespace solarchon::registration
