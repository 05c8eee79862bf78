// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/looking.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/base/circles.h"

namespace solarchon::optics {

using base::kPi;

Look through_eyepiece(const Eyepiece& eyepiece, double focal_length_mm, double aperture_mm,
                      double obstruction, double semidiameter_arcsec) {
  Look look;
  look.magnification = focal_length_mm / eyepiece.focal_length_mm;
  look.exit_pupil_mm = aperture_mm / look.magnification;
  look.true_field_deg = eyepiece.field_stop_mm > 0.0
                            ? eyepiece.field_stop_mm / focal_length_mm * base::kDegPerRad
                            : eyepiece.apparent_field_deg / look.magnification;
  look.secondary_shadow_mm = obstruction * look.exit_pupil_mm;
  look.whole_disc_seen = look.true_field_deg >= 2.0 * semidiameter_arcsec / 3600.0;
  return look;
}

Fringes fringes_of(double tilt_deg, double focal_ratio, double pixel_um, double width_mm,
                   double wavelength_nm) {
  const double wavelength_um = wavelength_nm * 1e-3;
  const double finest_um = std::max(2.0 * pixel_um, wavelength_um * focal_ratio);
  const double depth_um = 2.0 * wavelength_um * focal_ratio * focal_ratio;
  Fringes fringes;
  fringes.least_tilt_deg =
      std::asin(std::min(1.0, wavelength_um / (2.0 * finest_um))) * base::kDegPerRad;
  fringes.most_tilt_deg = std::atan(depth_um / (500.0 * width_mm)) * base::kDegPerRad;
  if (tilt_deg > 0.0) {
    fringes.spacing_um = wavelength_um / (2.0 * std::sin(tilt_deg * base::kRadPerDeg));
    fringes.hidden = tilt_deg >= fringes.least_tilt_deg;
    fringes.sharp = tilt_deg <= fringes.most_tilt_deg;
  }
  return fringes;
}

double frame_rate_hz(const Camera& camera, int width_px, int height_px, int bits) {
  const double by_rows = camera.frame_rate_hz * camera.height_px / std::max(1, height_px);
  const double bytes = 1.0 * std::max(1, width_px) * std::max(1, height_px) * (bits > 8 ? 2 : 1);
  return std::min(by_rows, camera.interface_mb_s * 1e6 / bytes);
}

double passed_share(double bundle_radius_mm, double offset_mm, double opening_radius_mm) {
  const double r = bundle_radius_mm;
  const double opening = opening_radius_mm;
  const double d = std::abs(offset_mm);
  if (d + r <= opening) {
    return 1.0;
  }
  if (d >= opening + r || opening <= 0.0) {
    return 0.0;
  }
  return base::covered_share(r, opening, d);
}

}  // namespace solarchon::optics
