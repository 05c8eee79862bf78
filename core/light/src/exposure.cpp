// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/exposure.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/light/limb_darkening.h"
#include "sunlight.h"

namespace solarchon::light {

namespace {

constexpr double kPlanckLightJM = 1.98644586e-25;  // h c, CODATA 2018
constexpr double kFirstNm = 380.0;
constexpr double kLastNm = 1050.0;
constexpr double kStepNm = 10.0;
constexpr double kSemidiameterAt1AuRad = 959.63 / base::kArcsecPerRad;

/// Electrons per second and square metre of aperture from the whole disc at 1 au.
double disc_electron_flux(const optics::Camera& camera, const LightConditions& conditions) {
  double flux = 0.0;
  for (double nm = kFirstNm; nm <= kLastNm; nm += kStepNm) {
    const double photons = spectral_irradiance(nm) * nm * 1e-9 / kPlanckLightJM;
    flux += photons * air_transmission(nm, conditions.airmass, conditions.elevation_m) *
            silicon_response(nm) * kStepNm;
  }
  return flux * camera.peak_quantum_efficiency;
}

}  // namespace

std::optional<DiscExposure> disc_exposure(const optics::Rig& rig, const optics::Train& train,
                                          const LightConditions& conditions) {
  const auto place = optics::find_fitted<optics::Camera>(rig);
  if (!place || !train.sampling_arcsec_px) {
    return std::nullopt;
  }
  const auto& camera = std::get<optics::Camera>(rig.elements[*place].part);
  // Surface brightness does not change with distance: at 1 au the disc fills this solid angle.
  const double disc_sr = base::kPi * kSemidiameterAt1AuRad * kSemidiameterAt1AuRad;
  const double pixel_rad = *train.sampling_arcsec_px * base::kRadPerArcsec;
  const double aperture_m2 = base::kPi * train.aperture_mm * train.aperture_mm / 4e6;
  const double mean_electrons_s = disc_electron_flux(camera, conditions) / disc_sr * pixel_rad *
                                  pixel_rad * aperture_m2 * train.transmission;
  DiscExposure exposure;
  exposure.electrons_per_ms =
      mean_electrons_s / LimbDarkening(optics::kWhiteLightNm).mean() / 1000.0;
  exposure.wanted_ms = conditions.target_level * camera.full_well_e / exposure.electrons_per_ms;
  exposure.exposure_ms =
      std::clamp(exposure.wanted_ms, camera.shortest_exposure_ms,
                 std::max(camera.shortest_exposure_ms, camera.longest_exposure_ms));
  if (exposure.exposure_ms > exposure.wanted_ms) {
    exposure.limit = ShutterLimit::kTooBright;
  } else if (exposure.exposure_ms < exposure.wanted_ms) {
    exposure.limit = ShutterLimit::kTooDim;
  }
  exposure.level = exposure.exposure_ms * exposure.electrons_per_ms / camera.full_well_e;
  return exposure;
}

}  // namespace solarchon::light
