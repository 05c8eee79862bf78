// SPDX-License-Identifier: GPL-3.0-or-later
#include "facing.h"

#include <cmath>

namespace solarchon::scene {

using base::kRadPerDeg;

Facing::Facing(const sky::DiscView& view, const Grid& grid)
    : scale_arcsec_px_(grid.scale_arcsec_px),
      cos_b0_(std::cos(view.b0_deg * kRadPerDeg)),
      sin_b0_(std::sin(view.b0_deg * kRadPerDeg)),
      l0_rad_(view.l0_deg * kRadPerDeg),
      distance_radii_(1.0 / std::sin(std::atan(sky::limb_radius_arcsec(view.distance_au) *
                                               base::kRadPerArcsec))),
      limb_px_(sky::limb_radius_arcsec(view.distance_au) / grid.scale_arcsec_px),
      pixel_km_(grid.scale_arcsec_px * base::kRadPerArcsec * (distance_radii_ - 1.0) *
                kSolarRadiusKm) {
  const sky::DiscPlace right = sky::to_disc({1.0, 0.0}, grid.solar);
  const sky::DiscPlace up = sky::to_disc({0.0, 1.0}, grid.solar);
  right_ = {right.west_arcsec, right.north_arcsec};
  up_ = {up.west_arcsec, up.north_arcsec};
}

Emergence Facing::emergence(double dx, double dy, double radius_px) const {
  const double tangent = radius_px * scale_arcsec_px_ * base::kRadPerArcsec;
  const double sine = tangent / std::sqrt(1.0 + tangent * tangent);
  const double sin_emergence = distance_radii_ * sine;
  if (sin_emergence >= 1.0) {
    return {};
  }
  const double cos_emergence = std::sqrt(1.0 - sin_emergence * sin_emergence);
  // Angle at the Sun's centre is the emergence less the small angle at the observer.
  const double cos_axis = std::sqrt(1.0 - sine * sine);
  const double sin_central = sin_emergence * cos_axis - cos_emergence * sine;
  const double scale = radius_px > 0.0 ? sin_central / radius_px : 0.0;
  return {true,
          cos_emergence,
          {(dx * right_[0] + dy * up_[0]) * scale, (dx * right_[1] + dy * up_[1]) * scale,
           cos_emergence * cos_axis + sin_emergence * sine}};
}

Facing::Place Facing::place(const Vector& point) const {
  const double meridian = point[2] * cos_b0_ - point[1] * sin_b0_;
  return {point[1] * cos_b0_ + point[2] * sin_b0_, l0_rad_ + std::atan2(point[0], meridian)};
}

}  // namespace solarchon::scene
