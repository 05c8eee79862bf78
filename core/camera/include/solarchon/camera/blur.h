// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

namespace solarchon::camera {

/// What of a fine pattern's contrast a round pupil leaves.
/// @param share          of the cutoff frequency D / lambda, 0 or more; nothing beyond 1
/// @param obstruction    diameter of the secondary over that of the aperture, 0 to below 1
/// @param defocus_waves  at the rim of the pupil, in wavelengths: z / (8 N^2 lambda)
/// @return               1 at 0; below 0 where defocus turns bright into dark
/// Accuracy: exact in focus; out of focus the geometric blur with the correction that vanishes at
/// both ends, 0.03 for a clear pupil.
/// Source: Goodman, Introduction to Fourier Optics, equation 6-32; the annular pupil by O'Neill,
/// Journal of the Optical Society of America 46 (1956) 285, as correlations of two circles;
/// Stokseth, the same journal 59 (1969) 1314.
[[nodiscard]] double pupil_transfer(double share, double obstruction, double defocus_waves);

/// What softens the image on its way to the pixels.
struct Softness {
  double pixels_per_cutoff = 2.0;  ///< lambda / D in pixels
  double seeing_px = 1.0;          ///< full width at half maximum, of a long exposure
  /// Of a short exposure instead, which the air moves but blurs less.
  struct Short {
    double r0_cm;
    double wavelength_nm;
    double aperture_mm;
  };
  std::optional<Short> short_exposure = {};
  double obstruction = 0.0;
  double defocus_waves = 0.0;
};

/// The spectrum of a row-major picture, from which it is had at one softness after another.
class Spectrum {
 public:
  /// @param width, height  even, best as quick_size makes them
  Spectrum(const std::vector<float>& picture, int width, int height);
  /// The picture, blurred by the transfer function of the aperture times that of Gaussian seeing,
  /// or of a short exposure. What lies beyond a border counts as the mirror image of what lies
  /// within: callers leave a margin for what does not.
  [[nodiscard]] std::vector<float> softened(const Softness& softness) const;

 private:
  int width_;
  int height_;
  std::vector<float> waves_;  ///< of the cosine transform: no light comes round from the far border
};

/// Blurs a row-major picture of even sides in place, as Spectrum does.
void blur(std::vector<float>& picture, int width, int height, const Softness& softness);

/// A size at or above `size` that the transform handles quickly.
[[nodiscard]] int quick_size(int size);

}  // namespace solarchon::camera
