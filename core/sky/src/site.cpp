// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/site.h"

#include <algorithm>
#include <cmath>

namespace solarchon::sky {

double standard_pressure_hpa(double elevation_m) {
  const double height_m = std::clamp(elevation_m, -500.0, 11000.0);
  return kSeaLevelHpa * std::pow(1.0 - 2.25577e-5 * height_m, 5.25588);
}

}  // namespace solarchon::sky
