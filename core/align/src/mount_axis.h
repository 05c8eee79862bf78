// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "solarchon/align/drift.h"

namespace solarchon::align {

/// East, north and up at the site.
using Vector = std::array<double, 3>;

/// Hour angle and declination.
struct Circles {
  double hour_angle_deg = 0.0;
  double declination_deg = 0.0;
};

/// The frame of a mount's circles: its axis, and the zero of its hour angle.
class MountAxis {
 public:
  MountAxis(const PoleError& error, double latitude_deg);
  [[nodiscard]] Vector direction_of(const Circles& circles) const;
  [[nodiscard]] Circles circles_of(const Vector& direction) const;

 private:
  Vector pole_;      ///< the northern end of the axis
  Vector meridian_;  ///< hour angle 0 on the mount's equator
  Vector east_;      ///< hour angle -90 degrees
};

}  // namespace solarchon::align
