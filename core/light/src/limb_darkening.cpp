// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/limb_darkening.h"

#include <algorithm>
#include <cmath>

namespace solarchon::light {

LimbDarkening::LimbDarkening(double wavelength_nm) {
  const double um = std::clamp(wavelength_nm, 422.0, 1100.0) * 1e-3;
  const double inverse = 1.0 / um;
  const double fifth = std::pow(inverse, 5);
  coefficients_ = {0.75267 - 0.265577 * inverse, 0.93874 + 0.265577 * inverse - 0.004095 * fifth,
                   -1.89287 + 0.012582 * fifth,  2.42234 - 0.017117 * fifth,
                   -1.71150 + 0.011977 * fifth,  0.49062 - 0.003347 * fifth};
}

double LimbDarkening::mean() const {
  double sum = 0.0;
  for (std::size_t power = 0; power < coefficients_.size(); ++power) {
    sum += 2.0 * coefficients_[power] / (static_cast<double>(power) + 2.0);
  }
  return sum;
}

}  // namespace solarchon::light
