// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <memory>
#include <optional>
#include <vector>

namespace solarchon::psf {

/// The four figures by which a light path decides what detail reaches the sensor. Whoever blurs,
/// measures a blur or undoes one asks with these.
struct ImagingSetup {
  double aperture_mm = 80.0;     ///< above 0
  double obstruction = 0.0;      ///< diameter of the secondary over that of the aperture, below 1
  double wavelength_nm = 540.0;  ///< middle of the passband, above 0
  double scale_arcsec_px = 1.0;  ///< of a pixel on the sky, above 0
  bool operator==(const ImagingSetup&) const = default;

  /// The finest period that the aperture passes, lambda / D, in pixels.
  [[nodiscard]] double pixels_per_cutoff() const;
  /// The same on the sky: cycles per arcsec beyond which nothing is seen.
  [[nodiscard]] double cutoff_per_arcsec() const;
};

/// What softens the image besides the aperture.
struct Blurring {
  double defocus_waves = 0.0;  ///< at the rim of the pupil, in wavelengths: z / (8 N^2 lambda)
  /// Fried's parameter at 500 nm (cm), of exposures that are short against aperture over wind.
  std::optional<double> r0_cm = {};
  double seeing_px = 0.0;  ///< of a long exposure: full width at half maximum, a Gaussian
  /// By which details move on their own while they are laid on one another: deviation of a
  /// Gaussian.
  double smear_px = 0.0;
  bool pixel = true;  ///< a square one gathers what falls on it; false: points are looked at
};

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

/// What a square pixel leaves of a pattern along one of its sides: sin(pi f) / (pi f).
[[nodiscard]] double pixel_transfer(double cycles_per_px);

/// The one transfer function from the sky to the pixels: pupil with defocus, air, smear and pixel,
/// each taken as round. By it the simulator blurs, the meters read a limb's width, and Reduce
/// undoes a stack's blur.
/// @param share  of the cutoff, 0 or more
[[nodiscard]] double transfer(double share, const ImagingSetup& setup, const Blurring& blurring);

/// A pupil's transfer, ready to be looked up: it takes longer to work out than what the air leaves,
/// and changes more rarely.
class Pupil {
 public:
  Pupil(double obstruction, double defocus_waves);
  /// @param share  of the cutoff, 0 or more; straight between 4096 places
  [[nodiscard]] double at(double share) const;
  [[nodiscard]] bool is(double obstruction, double defocus_waves) const {
    return obstruction == obstruction_ && defocus_waves == defocus_waves_;
  }

 private:
  double obstruction_;
  double defocus_waves_;
  std::vector<float> table_;
};

/// The same for many frequencies, with the pupil looked up.
class Transfer {
 public:
  /// @param known  of the same obstruction and defocus is used again; none: made anew
  Transfer(const ImagingSetup& setup, const Blurring& blurring,
           std::shared_ptr<const Pupil> known = {});

  /// What is left of contrast. @param share  of the cutoff, 0 or more
  [[nodiscard]] double at(double share) const;
  /// The same at a frequency in cycles per pixel.
  [[nodiscard]] double at_cycles(double cycles_per_px) const {
    return at(cycles_per_px * pixels_per_cutoff_);
  }
  [[nodiscard]] double pixels_per_cutoff() const { return pixels_per_cutoff_; }
  [[nodiscard]] const std::shared_ptr<const Pupil>& pupil() const { return pupil_; }

 private:
  ImagingSetup setup_;
  Blurring blurring_;
  double pixels_per_cutoff_;
  std::shared_ptr<const Pupil> pupil_;
};

/// The size of detail that says most of sharpness: half of what the aperture resolves, in whole
/// pixels, 1 to 8.
[[nodiscard]] int detail_scale_px(const ImagingSetup& setup);

}  // namespace solarchon::psf
