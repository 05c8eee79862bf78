// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

// Pictures of a Sun that nothing of the program draws: grains, spots, limb, air and noise by laws
// of their own. None of the program's rooms is used here, which the build checks.
namespace solarchon::foreign {

/// By how much a picture is shifted from place to place: waves of air.
class Bends {
 public:
  /// @param rms_px       along either axis
  /// @param shortest_px  wave; the longest has 600 px
  Bends(double rms_px, double shortest_px, std::uint32_t seed);
  Bends() = default;

  struct Shift {
    double right_px = 0.0;
    double down_px = 0.0;
  };
  /// By how much what belongs at (x, y) lies off it.
  [[nodiscard]] Shift at(double x, double y) const;
  /// The same for a whole row of pixels.
  void row(int y, std::vector<Shift>& along) const;

 private:
  struct Wave {
    double x = 0.0;  ///< radians a pixel
    double y = 0.0;
    double phase = 0.0;
    double right_px = 0.0;
    double down_px = 0.0;
  };
  std::vector<Wave> waves_;
};

/// A dark spot with a rim of threads.
struct Spot {
  double x = 0.0;
  double y = 0.0;
  double radius_px = 20.0;
};

/// What is there to be seen, in the pixels of a frame without air.
struct Sun {
  int width = 512;
  int height = 384;
  double grain_px = 7.0;   ///< from one to the next
  double contrast = 0.12;  ///< of grains
  double radius_px = 0.0;  ///< of the disc; 0: it fills the frame
  double centre_x = 0.0;
  double centre_y = 0.0;
  std::vector<Spot> spots = {};
  std::uint32_t seed = 5;
};

/// How a frame sees it.
struct Look {
  double right_px = 0.0;  ///< by which all of it lies to the right
  double down_px = 0.0;
  double blur_px = 1.2;  ///< deviation
  const Bends* bends = nullptr;
};

/// Light, row by row: about 0.7 on the disc, 0 beside it.
[[nodiscard]] std::vector<double> light_of(const Sun& sun, const Look& look);

/// Numbers of a sensor: light times full, with noise of photons and of reading.
/// @param electrons  of a full pixel
[[nodiscard]] std::vector<std::uint16_t> exposed(const std::vector<double>& light, int full,
                                                 double electrons, std::uint32_t seed);

}  // namespace solarchon::foreign
