// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/hydrogen_alpha.h"

#include <cmath>

namespace solarchon::light {

double hydrogen_alpha_profile(double offset_angstrom) {
  // Through 0.50 at 0.55 and 0.80 at 1.0 angstrom.
  constexpr double kHalvings = 2.07;
  constexpr double kPower = 1.70;
  return 1.0 - (1.0 - kHydrogenAlphaCore) *
                   std::exp2(-kHalvings * std::pow(std::abs(offset_angstrom), kPower));
}

}  // namespace solarchon::light
