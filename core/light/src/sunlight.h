// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace solarchon::light {

/// Sunlight outside the air at 1 au (W m^-2 nm^-1): a 5772 K black body, set to 1.86 at 540 nm.
[[nodiscard]] double spectral_irradiance(double wavelength_nm);

/// Share of light that clear air passes.
[[nodiscard]] double air_transmission(double wavelength_nm, double airmass, double elevation_m);

/// A silicon sensor's quantum efficiency against its peak.
/// @return 0 to 1; 0 outside 380 to 1050 nm
[[nodiscard]] double silicon_response(double wavelength_nm);

}  // namespace solarchon::light
