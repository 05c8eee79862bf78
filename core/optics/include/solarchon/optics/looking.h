// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/optics/parts.h"

namespace solarchon::optics {

/// Width of the eye's pupil by day (mm).
inline constexpr double kDaylightPupilMm = 2.5;

/// What an eyepiece gives.
struct Look {
  double magnification = 0.0;
  double exit_pupil_mm = 0.0;
  double true_field_deg = 0.0;
  double secondary_shadow_mm = 0.0;  ///< in the exit pupil; 0 without a secondary
  bool whole_disc_seen = false;
  bool operator==(const Look&) const = default;
};

/// @param focal_length_mm  of the telescope with its amplifiers and reducers, above 0
/// @param aperture_mm      above 0
/// @param obstruction      secondary over aperture, 0 to 0.9
/// @param semidiameter_arcsec  of the Sun
/// Source: elementary geometric optics; true field from the field stop where it is known, else the
/// apparent field over the magnification.
[[nodiscard]] Look through_eyepiece(const Eyepiece& eyepiece, double focal_length_mm,
                                    double aperture_mm, double obstruction,
                                    double semidiameter_arcsec);

/// Interference bands between a tilted sensor and the filters before it.
struct Fringes {
  std::optional<double> spacing_um;  ///< on the sensor; none without a tilt
  double least_tilt_deg = 0.0;       ///< from here on they are finer than what the sensor can show
  double most_tilt_deg = 0.0;  ///< up to here the sensor's edge stays within the depth of focus
  bool hidden = false;         ///< by the tilt that is there
  bool sharp = true;           ///< to the sensor's edge, with that tilt
  /// No tilt does both.
  [[nodiscard]] bool at_odds() const { return least_tilt_deg > most_tilt_deg; }
  bool operator==(const Fringes&) const = default;
};

/// @param tilt_deg       of the sensor, 0 to 15
/// @param focal_ratio    at the sensor, above 0
/// @param pixel_um       above 0
/// @param width_mm       longer side of the sensor, above 0
/// Bands hide when their spacing lambda / (2 sin tilt) is below the finest detail on the sensor,
/// the larger of two pixels and lambda N; the edge is sharp while (width/2) tan(tilt) stays within
/// 2 lambda N^2.
[[nodiscard]] Fringes fringes_of(double tilt_deg, double focal_ratio, double pixel_um,
                                 double width_mm, double wavelength_nm);

/// Frames a second that a region of a video camera's sensor can give.
/// @param width_px, height_px  of the region, 1 or more
/// @param bits                 8, or more for two bytes a pixel
/// The sensor's reading time goes with the rows; the cable carries so many bytes.
[[nodiscard]] double frame_rate_hz(const Camera& camera, int width_px, int height_px, int bits);

/// Share of a round bundle of light that a round opening passes, 0 to 1.
/// @param bundle_radius_mm  0 or more
/// @param offset_mm         between their centres
/// @param opening_radius_mm above 0
[[nodiscard]] double passed_share(double bundle_radius_mm, double offset_mm,
                                  double opening_radius_mm);

}  // namespace solarchon::optics
