// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/light/exposure.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"
#include "solarchon/light/hydrogen_alpha.h"
#include "solarchon/light/limb_darkening.h"
#include "sunlight.h"

namespace solarchon::light {

namespace {

constexpr double kPlanckLightJM = 1.98644586e-25;  // h c, CODATA 2018
constexpr double kFirstNm = 380.0;
constexpr double kLastNm = 1050.0;
constexpr double kStepNm = 10.0;
constexpr double kSemidiameterAt1AuRad = 959.63 / base::kArcsecPerRad;

constexpr double kNmPerAngstrom = 0.1;
constexpr double kBayerShare = 0.8;  // of the light that a pixel's own colour passes

/// Photons per second, square metre and nanometre from the whole disc at 1 au that would count as
/// electrons with a peak efficiency of 1.
double counting_photons(double nm, const LightConditions& conditions) {
  const double photons = spectral_irradiance(nm) * nm * 1e-9 / kPlanckLightJM;
  return photons * air_transmission(nm, conditions.airmass, conditions.elevation_m) *
         silicon_response(nm);
}

/// Electrons per second and square metre of aperture from the whole disc at 1 au, before the
/// train's transmission.
double disc_electron_flux(const optics::Camera& camera, const optics::Train& train,
                          const LightConditions& conditions) {
  const optics::Band& band = train.band;
  double flux = 0.0;
  if (train.line) {
    flux = counting_photons(band.wavelength_nm, conditions) * line_width_nm(*train.line);
  } else if (band.width_nm) {
    flux = counting_photons(band.wavelength_nm, conditions) * *band.width_nm;
  } else {
    const double first_nm = std::max(kFirstNm, band.from_nm);
    for (double nm = first_nm; nm <= std::min(kLastNm, band.to_nm); nm += kStepNm) {
      flux += counting_photons(nm, conditions) * kStepNm;
    }
  }
  return flux * camera.peak_quantum_efficiency * (camera.colour ? kBayerShare : 1.0);
}

}  // namespace

double line_width_nm(const optics::LineBand& line) {
  constexpr double kReaches = 1.5;  // of the blocking filter's width; beyond it passes a hundredth
  constexpr double kStep = 0.02;
  double sum = 0.0;
  for (double offset = 0.5 * kStep; offset < kReaches * line.blocking_angstrom; offset += kStep) {
    sum += 2.0 * kStep * hydrogen_alpha_profile(offset) * line.at(offset);
  }
  return sum * kNmPerAngstrom;
}

std::optional<DiscExposure> disc_exposure(const optics::Rig& rig, const optics::Train& train,
                                          const LightConditions& conditions) {
  const auto sensor = optics::sensor_of(rig);
  if (!sensor || !train.sampling_arcsec_px) {
    return std::nullopt;
  }
  const optics::Camera& camera = sensor->camera;
  // Surface brightness does not change with distance: at 1 au the disc fills this solid angle.
  const double disc_sr = base::kPi * kSemidiameterAt1AuRad * kSemidiameterAt1AuRad;
  const double pixel_rad = *train.sampling_arcsec_px * base::kRadPerArcsec;
  const double aperture_m2 = base::kPi * train.aperture_mm * train.aperture_mm / 4e6 *
                             (1.0 - train.obstruction * train.obstruction);
  const double mean_electrons_s = disc_electron_flux(camera, train, conditions) / disc_sr *
                                  pixel_rad * pixel_rad * aperture_m2 * train.transmission;
  DiscExposure exposure;
  exposure.electrons_per_ms = mean_electrons_s / LimbDarkening(train.band.wavelength_nm).mean() /
                              1000.0 *
                              std::exp2(-conditions.cloud_stops - conditions.correction_stops);
  if (!(exposure.electrons_per_ms > 0.0)) {
    return std::nullopt;  // nothing of the band reaches the sensor
  }
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
