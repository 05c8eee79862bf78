// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

#include "solarchon/optics/rig.h"
#include "solarchon/sky/disc.h"

namespace solarchon::optics {

/// Wavelength that stands for white light (nm): the eye's and silicon's middle.
inline constexpr double kWhiteLightNm = 540.0;
/// Sunlight on the aperture (W/m2): a clear day, the Sun high.
inline constexpr double kSunlightWM2 = 1000.0;

/// What one fitted part meets.
struct Passage {
  std::size_t element = 0;     ///< place in the rig
  double position_mm = 0.0;    ///< along the axis, 0 at the telescope's lens, to its front face
  double beam_width_mm = 0.0;  ///< light that heads for the image of the Sun, at its front face
  double arriving_w = 0.0;
  double passed_w = 0.0;
  double irradiance_w_cm2 = 0.0;  ///< arriving power over the width of the beam
};

/// What a train of parts does to sunlight. A figure is absent when the part it needs is absent.
struct Train {
  std::vector<Passage> passages;  ///< fitted parts, in order
  double transmission = 1.0;      ///< of all fitted parts, camera excepted
  double aperture_mm = 0.0;       ///< what film and lens leave; 0 without a telescope
  int mirrors = 0;
  bool half_turn = false;  ///< a refractor turns the image by 180 degrees
  std::optional<double> effective_focal_length_mm;
  std::optional<double> focal_ratio;
  std::optional<double> solar_image_mm;
  std::optional<double> diffraction_cutoff_arcsec;  ///< lambda / D
  std::optional<double> airy_radius_arcsec;         ///< 1.22 lambda / D
  std::optional<double> depth_of_focus_um;          ///< either way: 2 lambda N^2
  std::optional<double> sampling_arcsec_px;
  std::optional<double> sampling_px_per_cutoff;  ///< 2 is critical
  std::optional<double> critical_focal_ratio;    ///< 2 p / lambda
  std::optional<double> field_width_arcmin;
  std::optional<double> field_height_arcmin;
  std::optional<bool> disc_fits;  ///< the whole disc lies within the sensor when centred

  /// True when the picture is mirrored left to right against the sky.
  [[nodiscard]] bool mirrored() const { return mirrors % 2 == 1; }
};

/// Follows sunlight through the fitted parts of a rig.
/// @param semidiameter_arcsec  of the Sun, above 0
/// @param wavelength_nm        for the diffraction figures, above 0
/// Never fails: an incomplete rig gives an incomplete answer. Only the first telescope and the
/// first camera count.
/// Accuracy: geometric optics with thin lenses; heat with glass of 98 and mirrors of 95 per cent.
/// Source: focal length, sampling, diffraction and depth of focus as in any optics text (Born and
/// Wolf, Principles of Optics, 8.5.2 and 8.8.2); critical sampling is two pixels per lambda N.
[[nodiscard]] Train follow_light(const Rig& rig, double semidiameter_arcsec,
                                 double wavelength_nm = kWhiteLightNm);

/// Where celestial north lies in the picture on the sensor, for a camera on an equatorial mount
/// whose rotation of 0 has its top edge to the north.
[[nodiscard]] sky::PictureOrientation picture_orientation(const Rig& rig, const Train& train);

}  // namespace solarchon::optics
