// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/seeing/air.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::seeing {

namespace {

constexpr double kAtNm = 500.0;
constexpr double kMetrePerNm = 1e-9;
constexpr double kMetrePerCm = 0.01;
constexpr double kMetrePerMm = 0.001;

double r0_m(double r0_cm, double wavelength_nm) {
  return r0_at(r0_cm, wavelength_nm) * kMetrePerCm;
}

}  // namespace

base::Result<void> check(const Air& air) {
  return base::checked("r0_cm", air.r0_cm, kR0Range)
      .and_then([&](double) { return base::checked("wander", air.wander, kWanderRange); })
      .and_then([&](double) { return base::checked("wind_m_s", air.wind_m_s, kWindRange); })
      .and_then(
          [&](double) { return base::checked("high_share", air.high_share, kHighShareRange); })
      .map([](double) {});
}

double r0_at(double r0_cm, double wavelength_nm) {
  return r0_cm * std::pow(wavelength_nm / kAtNm, 1.2);
}

double long_exposure_arcsec(double r0_cm, double wavelength_nm) {
  return 0.98 * wavelength_nm * kMetrePerNm / r0_m(r0_cm, wavelength_nm) * base::kArcsecPerRad;
}

double r0_of(double seeing_arcsec, double wavelength_nm) {
  return long_exposure_arcsec(1.0, wavelength_nm) / seeing_arcsec;
}

double image_motion_arcsec(double r0_cm, double wavelength_nm, double aperture_mm) {
  const double wavelength_m = wavelength_nm * kMetrePerNm;
  const double variance = 0.170 * wavelength_m * wavelength_m *
                          std::pow(aperture_mm * kMetrePerMm, -1.0 / 3.0) *
                          std::pow(r0_m(r0_cm, wavelength_nm), -5.0 / 3.0);
  return std::sqrt(variance) * base::kArcsecPerRad;
}

double short_exposure_transfer(double share, double r0_cm, double wavelength_nm,
                               double aperture_mm) {
  const double at = std::clamp(share, 0.0, 1.0);
  const double strength =
      std::pow(at * aperture_mm * kMetrePerMm / r0_m(r0_cm, wavelength_nm), 5.0 / 3.0);
  return std::exp(-3.44 * strength * (1.0 - std::cbrt(at)));
}

}  // namespace solarchon::seeing
