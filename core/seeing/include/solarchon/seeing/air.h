// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

#include "solarchon/base/range.h"
#include "solarchon/base/result.h"

namespace solarchon::seeing {

/// The air over a telescope, as far as it decides what detail is seen.
struct Air {
  double r0_cm = 4.0;     ///< Fried's parameter at 500 nm along the line of sight, the median
  double wander = 0.25;   ///< by which it comes and goes within minutes: deviation of its logarithm
  double wind_m_s = 4.0;  ///< near the ground
  double high_share = 0.3;  ///< of the image motion that arises high up
  std::uint32_t seed = 1;
  bool operator==(const Air&) const = default;
};

inline constexpr base::Range kR0Range{0.5, 50.0};
inline constexpr base::Range kWanderRange{0.0, 1.0};
inline constexpr base::Range kWindRange{0.1, 50.0};
inline constexpr base::Range kHighShareRange{0.0, 1.0};
/// Errors: kOutOfRange with the member's name.
[[nodiscard]] base::Result<void> check(const Air& air);

/// At another colour (cm): it grows with the wavelength to the power of 6/5.
[[nodiscard]] double r0_at(double r0_cm, double wavelength_nm);

/// Full width at half maximum of a long exposure (arcsec): 0.98 wavelength / r0, both at that
/// colour.
/// @param r0_cm  at 500 nm
[[nodiscard]] double long_exposure_arcsec(double r0_cm, double wavelength_nm);
/// The r0 (cm, at 500 nm) that softens a long exposure so.
[[nodiscard]] double r0_of(double seeing_arcsec, double wavelength_nm);

/// By how much the image moves about its place, one axis, standard deviation (arcsec).
/// Source: variance 0.170 wavelength^2 D^(-1/3) r0^(-5/3) (Fried 1975; Roddier 1981).
[[nodiscard]] double image_motion_arcsec(double r0_cm, double wavelength_nm, double aperture_mm);

/// What the air leaves of a detail in a short exposure whose motion is taken out, on top of what
/// the aperture leaves.
/// @param share  of the aperture's cutoff, 0 to 1
/// Source: exp(-3.44 (wavelength f / r0)^(5/3) (1 - (wavelength f / D)^(1/3))) (Fried 1966).
[[nodiscard]] double short_exposure_transfer(double share, double r0_cm, double wavelength_nm,
                                             double aperture_mm);

}  // namespace solarchon::seeing
