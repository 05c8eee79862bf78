// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "solarchon/align/drift.h"
#include "solarchon/sky/site.h"

namespace solarchon::align {

/// A direction over a site: east, north and up, of length 1.
using Vector = std::array<double, 3>;
/// Of an azimuth (from north through east) and an altitude (degree), and back.
[[nodiscard]] Vector direction_to(double azimuth_deg, double altitude_deg);
[[nodiscard]] double azimuth_of(const Vector& direction);  ///< degree, [0, 360)
[[nodiscard]] double altitude_of(const Vector& direction);
[[nodiscard]] double dot(const Vector& a, const Vector& b);
[[nodiscard]] Vector cross(const Vector& a, const Vector& b);
/// The angle between two directions (degree); exact for small ones too.
[[nodiscard]] double angle_between_deg(const Vector& a, const Vector& b);

/// Where the air shows what stands in a direction.
/// Accuracy and source: as sky::refraction_deg.
[[nodiscard]] Vector refracted(const Vector& direction, const sky::Weather& weather);

/// What a mount's circles show, or where something stands.
struct Circles {
  double hour_angle_deg = 0.0;   ///< west positive
  double declination_deg = 0.0;  ///< -90 to 90
};

/// The frame of a mount's circles: its axis, and the zero of its hour angle. Exact rotations.
class MountAxis {
 public:
  /// @param error         of the axis; none: the sky's own hour angle and declination
  /// @param latitude_deg  -90 to 90
  MountAxis(const PoleError& error, double latitude_deg);
  [[nodiscard]] Vector direction_of(const Circles& circles) const;
  [[nodiscard]] Circles circles_of(const Vector& direction) const;
  [[nodiscard]] const Vector& pole() const { return pole_; }

 private:
  Vector pole_;      ///< the northern end of the axis
  Vector meridian_;  ///< hour angle 0 on the mount's equator
  Vector east_;      ///< hour angle -90 degrees
};

}  // namespace solarchon::align
