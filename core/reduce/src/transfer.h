// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "solarchon/base/angle.h"
#include "solarchon/camera/blur.h"
#include "solarchon/reduce/restoring.h"
#include "solarchon/seeing/air.h"

namespace solarchon::reduce {

inline constexpr double kGoalFlat =
    0.65;  ///< of the cutoff: full contrast up to here, none at the cutoff

/// Functions of frequency that a restoration is made of; frequency as a share of the cutoff.
class Blur {
 public:
  explicit Blur(const RestoreWishes& wishes)
      : wishes_(wishes),
        pixels_per_cutoff_(1e-6 * wishes.wavelength_nm / wishes.aperture_mm * base::kArcsecPerRad /
                           wishes.scale_arcsec_px) {
    for (std::size_t i = 0; i < kSteps; ++i) {
      const double share = static_cast<double>(i) / (kSteps - 1);
      table_.at(i) = transfer_of(share);
    }
  }
  /// What is left of contrast.
  [[nodiscard]] double transfer(double share) const {
    const double at = std::clamp(share, 0.0, 1.0) * (kSteps - 1);
    const auto i = std::min(static_cast<std::size_t>(at), kSteps - 2);
    const double part = at - static_cast<double>(i);
    return table_.at(i) * (1.0 - part) + table_.at(i + 1) * part;
  }
  /// What is wanted of it.
  [[nodiscard]] static double goal(double share) {
    if (share <= kGoalFlat) {
      return 1.0;
    }
    if (share >= 1.0) {
      return 0.0;
    }
    return 0.5 + 0.5 * std::cos(std::numbers::pi * (share - kGoalFlat) / (1.0 - kGoalFlat));
  }
  [[nodiscard]] double pixels_per_cutoff() const { return pixels_per_cutoff_; }

 private:
  [[nodiscard]] double transfer_of(double share) const {
    double left = camera::pupil_transfer(share, wishes_.obstruction, 0.0);
    if (wishes_.r0_cm) {
      left *= seeing::short_exposure_transfer(share, *wishes_.r0_cm, wishes_.wavelength_nm,
                                              wishes_.aperture_mm);
    }
    return left;
  }
  static constexpr std::size_t kSteps = 512;
  RestoreWishes wishes_;
  double pixels_per_cutoff_;
  std::array<double, kSteps> table_{};
};

}  // namespace solarchon::reduce
