// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

namespace solarchon::optics {

/// Hydrogen alpha (nm, in air).
inline constexpr double kHydrogenAlphaNm = 656.28;

/// Full width at half maximum of two etalons in a row.
/// @param one_angstrom, other_angstrom  widths of single passes, above 0 (angstrom)
/// @return  0.6436 of the width when both are equal; the narrower one when they differ much
/// Source: half maximum of the product of two Lorentz profiles, solved for its square.
[[nodiscard]] double stacked_bandwidth_angstrom(double one_angstrom, double other_angstrom);

/// Shift of the passband for light that crosses at an angle, towards the blue (angstrom, 0 or
/// less).
/// @param angle_rad  from the axis, outside the etalon
/// @param refractive_index  of the gap, 1 or more
/// Accuracy: second order in the angle; 0.1 per cent below 5 degrees.
/// Source: Born and Wolf, Principles of Optics, 7.6: order number constant, small angles.
[[nodiscard]] double oblique_shift_angstrom(double angle_rad, double refractive_index,
                                            double wavelength_nm = kHydrogenAlphaNm);

/// What the etalons of a train and its blocking filter pass about hydrogen alpha, by the offset
/// from the middle of the passband.
struct LineBand {
  std::vector<double> passes_angstrom;  ///< full width at half maximum of each, cones counted
  double blocking_angstrom = 6.0;       ///< of the filter that picks one order

  /// Against the middle: each pass a Lorentz profile, the blocking filter flat with steeper flanks.
  /// @param offset_angstrom  any
  [[nodiscard]] double at(double offset_angstrom) const;
};

/// What a cone of rays leaves of an etalon's passband.
struct ConePassband {
  double bandwidth_angstrom;   ///< full width at half maximum
  double mean_shift_angstrom;  ///< of its middle, 0 or less; tuning takes it out
  double peak_share;           ///< of the peak that a parallel beam would have, 0 to 1
  bool operator==(const ConePassband&) const = default;
};

/// @param bandwidth_angstrom  of the etalon in parallel light, above 0
/// @param focal_ratio         of the cone, above 0
/// Exact for a cone that is filled evenly: the shift is then spread evenly between none and that
/// of the rim ray, so the width is hypot(bandwidth, shift) and the peak atan(u)/u with u their
/// ratio.
[[nodiscard]] ConePassband in_cone(double bandwidth_angstrom, double focal_ratio,
                                   double refractive_index,
                                   double wavelength_nm = kHydrogenAlphaNm);

/// Shift of an etalon with an open air gap between sea level and another air pressure (angstrom,
/// negative in thinner air): lambda (n - 1) dP / P0 with n - 1 = 2.763e-4 at 15 degrees C.
[[nodiscard]] double pressure_shift_angstrom(double pressure_hpa,
                                             double wavelength_nm = kHydrogenAlphaNm);

}  // namespace solarchon::optics
