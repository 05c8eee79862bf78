// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/psf/transfer.h"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <utility>

#include "solarchon/base/angle.h"
#include "solarchon/base/circles.h"
#include "solarchon/base/parallel.h"
#include "solarchon/seeing/air.h"

namespace solarchon::psf {

namespace {

constexpr double kFwhmPerSigma = 2.354820045;
constexpr int kSteps = 4096;

/// What a Gaussian of that deviation leaves.
double gaussian_transfer(double sigma_px, double cycles_per_px) {
  const double phase = base::kPi * sigma_px * cycles_per_px;
  return std::exp(-2.0 * phase * phase);
}

/// What air, smear and pixel leave.
double beside_the_pupil(double share, const ImagingSetup& setup, const Blurring& blurring) {
  const double cycles_per_px = share / setup.pixels_per_cutoff();
  double left = blurring.pixel ? pixel_transfer(cycles_per_px) : 1.0;
  if (blurring.r0_cm) {
    left *= seeing::short_exposure_transfer(share, *blurring.r0_cm, setup.wavelength_nm,
                                            setup.aperture_mm);
  }
  const double sigma_px = std::hypot(blurring.seeing_px / kFwhmPerSigma, blurring.smear_px);
  return sigma_px > 0.0 ? left * gaussian_transfer(sigma_px, cycles_per_px) : left;
}

}  // namespace

double ImagingSetup::pixels_per_cutoff() const {
  return 1e-6 * wavelength_nm / aperture_mm * base::kArcsecPerRad / scale_arcsec_px;
}

double ImagingSetup::cutoff_per_arcsec() const {
  return 1e6 * aperture_mm / wavelength_nm * base::kRadPerArcsec;
}

double pupil_transfer(double share, double obstruction, double defocus_waves) {
  if (share >= 1.0) {
    return 0.0;
  }
  const double apart = 2.0 * share;  // of the two pupils, in radii of the aperture
  const double focused =
      (base::shared_area(1.0, 1.0, apart) - 2.0 * base::shared_area(1.0, obstruction, apart) +
       base::shared_area(obstruction, obstruction, apart)) /
      (base::kPi * (1.0 - obstruction * obstruction));
  const double turn = 8.0 * base::kPi * std::abs(defocus_waves) * share * (1.0 - share);
  constexpr double kNone = 1e-6;
  return turn < kNone ? focused : focused * 2.0 * std::cyl_bessel_j(1.0, turn) / turn;
}

double pixel_transfer(double cycles_per_px) {
  const double phase = base::kPi * cycles_per_px;
  constexpr double kNone = 1e-6;
  return std::abs(phase) < kNone ? 1.0 : std::sin(phase) / phase;
}

double transfer(double share, const ImagingSetup& setup, const Blurring& blurring) {
  const double pupil = pupil_transfer(share, setup.obstruction, blurring.defocus_waves);
  return pupil == 0.0 ? 0.0 : pupil * beside_the_pupil(share, setup, blurring);
}

Pupil::Pupil(double obstruction, double defocus_waves)
    : obstruction_(obstruction), defocus_waves_(defocus_waves), table_(kSteps + 1) {
  base::each_row(kSteps + 1, {}, [&](int i) {
    table_[static_cast<std::size_t>(i)] = static_cast<float>(
        pupil_transfer(static_cast<double>(i) / kSteps, obstruction_, defocus_waves_));
  });
}

double Pupil::at(double share) const {
  const double place = std::clamp(share, 0.0, 1.0) * kSteps;
  const auto below = std::min(static_cast<std::size_t>(place), table_.size() - 2);
  const double part = place - static_cast<double>(below);
  return static_cast<double>(table_[below]) * (1.0 - part) +
         static_cast<double>(table_[below + 1]) * part;
}

Transfer::Transfer(const ImagingSetup& setup, const Blurring& blurring,
                   std::shared_ptr<const Pupil> known)
    : setup_(setup),
      blurring_(blurring),
      pixels_per_cutoff_(setup.pixels_per_cutoff()),
      pupil_(known && known->is(setup.obstruction, blurring.defocus_waves)
                 ? std::move(known)
                 : std::make_shared<const Pupil>(setup.obstruction, blurring.defocus_waves)) {}

double Transfer::at(double share) const {
  const double left = pupil_->at(share);
  return left == 0.0 ? 0.0 : left * beside_the_pupil(share, setup_, blurring_);
}

int detail_scale_px(const ImagingSetup& setup) {
  constexpr double kOfResolved = 0.7;
  return std::clamp(static_cast<int>(std::lround(kOfResolved * setup.pixels_per_cutoff())), 1, 8);
}

}  // namespace solarchon::psf
