// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/etalon.h"

#include <cmath>

#include "solarchon/sky/site.h"

namespace solarchon::optics {

namespace {

constexpr double kAngstromPerNm = 10.0;
constexpr double kAirRefractivity = 2.763e-4;  // n - 1 at 656 nm, 15 degrees C, 1013.25 hPa

}  // namespace

double stacked_bandwidth_angstrom(double one_angstrom, double other_angstrom) {
  // With a, b the half widths and x the square of the offset: (1 + x/a^2)(1 + x/b^2) = 2.
  const double inverse_a = 4.0 / (one_angstrom * one_angstrom);
  const double inverse_b = 4.0 / (other_angstrom * other_angstrom);
  const double sum = inverse_a + inverse_b;
  const double product = inverse_a * inverse_b;
  // The stable form of the positive root of product x^2 + sum x - 1 = 0.
  const double x = 2.0 / (sum + std::sqrt(sum * sum + 4.0 * product));
  return 2.0 * std::sqrt(x);
}

double LineBand::at(double offset_angstrom) const {
  const double in_block = 2.0 * offset_angstrom / blocking_angstrom;
  double passed = 1.0 / (1.0 + in_block * in_block * in_block * in_block);
  for (const double width : passes_angstrom) {
    const double halves = 2.0 * offset_angstrom / width;
    passed /= 1.0 + halves * halves;
  }
  return passed;
}

double oblique_shift_angstrom(double angle_rad, double refractive_index, double wavelength_nm) {
  return -wavelength_nm * kAngstromPerNm * angle_rad * angle_rad /
         (2.0 * refractive_index * refractive_index);
}

ConePassband in_cone(double bandwidth_angstrom, double focal_ratio, double refractive_index,
                     double wavelength_nm) {
  const double rim_shift =
      oblique_shift_angstrom(0.5 / focal_ratio, refractive_index, wavelength_nm);
  const double spread = std::abs(rim_shift) / bandwidth_angstrom;
  constexpr double kParallel = 1e-6;
  return {std::hypot(bandwidth_angstrom, rim_shift), 0.5 * rim_shift,
          spread > kParallel ? std::atan(spread) / spread : 1.0};
}

double pressure_shift_angstrom(double pressure_hpa, double wavelength_nm) {
  return wavelength_nm * kAngstromPerNm * kAirRefractivity *
         (pressure_hpa / sky::kSeaLevelHpa - 1.0);
}

}  // namespace solarchon::optics
