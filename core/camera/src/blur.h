// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

namespace solarchon::camera {

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
};

/// Blurs a row-major picture in place by the transfer function of a clear circular aperture times
/// that of Gaussian seeing, or of a short exposure. The picture wraps round: callers leave a
/// margin. Source: Goodman, Introduction to Fourier Optics, equation 6-32 (incoherent circular
/// pupil).
void blur(std::vector<float>& picture, int width, int height, const Softness& softness);

/// A size at or above `size` that the transform handles quickly.
[[nodiscard]] int quick_size(int size);

}  // namespace solarchon::camera
