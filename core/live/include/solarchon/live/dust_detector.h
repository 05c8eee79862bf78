// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <optional>
#include <vector>

#include "solarchon/image/frame.h"

namespace solarchon::live {

/// The shadow of a mote on the glass before the sensor.
struct Speck {
  double x_px = 0.0;  ///< where it is deepest
  double y_px = 0.0;
  double across_px = 0.0;  ///< of a disc as large
  double depth = 0.0;      ///< of the light that is missing, 0 to 1
};

/// Looks for what stays on the sensor while the picture of the Sun moves over it. Until it has
/// moved by more than a shadow is wide, nothing tells one from a spot. Memory: eight pictures of a
/// sixteenth of a frame's pixels.
class DustDetector {
 public:
  /// Costs nothing unless the picture has moved by some pixels since it was last taken.
  /// @param right_px, down_px  where the picture stands, from anywhere
  void take(const image::Frame& frame, double right_px, double down_px);
  void forget() { kept_.clear(); }
  /// The deepest first; at most 40. None before the picture was seen in four places.
  /// Accuracy: shadows of 2 per cent and more that are 8 to 100 px across are found away from the
  /// disc's edge; their places within 8 px.
  [[nodiscard]] const std::optional<std::vector<Speck>>& specks() const { return found_; }

 private:
  /// The picture at one place, in blocks of pixels: each over the mean of its surroundings, less 1.
  struct Kept {
    double right_px;
    double down_px;
    std::vector<float> off;
  };
  [[nodiscard]] std::vector<float> residue(const image::Frame& frame) const;
  [[nodiscard]] std::vector<float> standing() const;
  [[nodiscard]] std::optional<double> about(const Kept& one, double x, double y) const;
  [[nodiscard]] bool stays(int x, int y, double depth) const;
  void look();

  int across_ = 0;  ///< blocks
  int down_ = 0;
  int width_px_ = 0;
  int height_px_ = 0;
  std::deque<Kept> kept_;
  std::optional<std::vector<Speck>> found_;
};

}  // namespace solarchon::live
