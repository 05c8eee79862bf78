// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <vector>

#include "solarchon/frames/frame.h"

namespace solarchon::reduce {

/// Real numbers of a grey picture, rows from the top.
struct Plane {
  int width = 0;
  int height = 0;
  std::vector<float> values;
};

struct Offset {
  double right_px = 0.0;
  double down_px = 0.0;
};

/// By how much detail of a frame lies off its place in the reference, over the picture.
struct Field {
  int columns = 0;
  int rows = 0;
  double spacing_px = 1.0;      ///< node (i, j) stands for the place ((i + 0.5), (j + 0.5)) spacing
  std::vector<Offset> offsets;  ///< row by row
  std::vector<bool> sure = {};  ///< whether detail was found there; empty: not sought
  double gain = 1.0;            ///< by which the frame's light reaches the reference's
  double local_px = 0.0;        ///< offsets about their mean where there is structure, RMS
  double sure_share = 0.0;      ///< of the patches with structure that were found

  /// Straight between nodes, and as at the nearest one beyond them.
  [[nodiscard]] Offset at(double x, double y) const;
};

/// A field that is the same all over.
[[nodiscard]] Field even_field(int width, int height, const Offset& offset, double gain);

/// Finds where the detail of frames lies against a reference, in patches all over it.
class FieldSeeker {
 public:
  /// @param reference  sharp and with little noise
  explicit FieldSeeker(const Plane& reference);

  /// @param frame  of the reference's size; its numbers are taken as they are
  /// @param black  that its numbers count without light
  /// @param about  where it lies as a whole, within some pixels
  /// @param scratch  its memory is used again
  [[nodiscard]] Field seek(const frames::Frame& frame, double black, const Offset& about,
                           std::array<Plane, 2>& scratch) const;

  static constexpr int kSide = 32;  ///< of a patch, in binned pixels
  /// By which pictures of that size are binned before they are compared.
  [[nodiscard]] static int bin_for(int width, int height);

 private:
  struct Patch {
    double x = 0.0;  ///< its first pixel, in binned pixels
    double y = 0.0;
    /// Its shape (the reference less its mean), then its slopes to the right, then those down.
    std::vector<float> details;
    double xx = 0.0;  ///< sums of their products
    double xy = 0.0;
    double yy = 0.0;
    double of_shape_x = 0.0;  ///< sums of slope times shape
    double of_shape_y = 0.0;
    double sum_x = 0.0;  ///< of the slopes
    double sum_y = 0.0;
    double energy = 0.0;  ///< of the shape
    double mean = 0.0;
    bool of_use = false;
  };
  struct Level {
    int bin = 1;
    std::vector<Patch> patches;
  };
  struct Met;
  [[nodiscard]] Met meet(const Patch& patch, const Plane& picture, const Offset& start) const;
  static void describe(Patch& patch, const Plane& reference);
  static void fetch(const Patch& patch);
  void seek_level(const Level& level, const Plane& picture, Field& field, bool last) const;

  int width_;
  int height_;
  int columns_;
  int rows_;
  double spacing_px_;
  std::array<Level, 2> levels_;
};

}  // namespace solarchon::reduce
