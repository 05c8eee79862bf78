// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/angle.h"

#include <cmath>

namespace solarchon::base {

double wrap_360(double angle_deg) {
  const double wrapped = std::fmod(angle_deg, 360.0);
  const double positive = wrapped < 0.0 ? wrapped + 360.0 : wrapped;
  return positive >= 360.0 ? 0.0 : positive;  // a tiny negative angle rounds up to 360
}

double wrap_180(double angle_deg) { return wrap_360(angle_deg + 180.0) - 180.0; }

double angle_between_deg(double first_deg, double second_deg) {
  return std::abs(wrap_180(first_deg - second_deg));
}

}  // namespace solarchon::base
