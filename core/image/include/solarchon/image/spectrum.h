// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <functional>
#include <vector>

namespace solarchon::image {

/// Cycles per pixel in the corner of a picture's spectrum.
inline constexpr double kMostCycles = 0.7071067811865476;

/// The waves that a row-major picture is made of. What lies beyond a border counts as the mirror
/// image of what lies within, so that no light comes round from the far border.
class Spectrum {
 public:
  /// @param width, height  above 0; quickest as quick_size makes them
  Spectrum(const std::vector<float>& picture, int width, int height);

  /// The picture with each of its waves passed by a factor.
  /// @param factor  of the frequency in cycles per pixel, 0 to kMostCycles: asked for at 4097 of
  ///                them, straight between
  [[nodiscard]] std::vector<float> filtered(const std::function<double(double)>& factor) const;

 private:
  int width_;
  int height_;
  int wide_;  ///< with what the transform wants beyond them
  int tall_;
  std::vector<float> waves_;
};

/// A size at or above `size` that the transform handles quickly; even.
[[nodiscard]] int quick_size(int size);

/// Power by frequency in rings of even width up to kMostCycles: of one value of the picture, as
/// noise of that power all over would have it. The mean is taken out, borders are faded out.
[[nodiscard]] std::vector<double> power_by_ring(const std::vector<float>& picture, int width,
                                                int height, std::size_t rings);

/// The weight of the i-th of `size` values in a window that fades out towards both ends (Hann).
[[nodiscard]] double hann(int i, int size);

}  // namespace solarchon::image
