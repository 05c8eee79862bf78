// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>

namespace solarchon::light {

/// How the quiet photosphere dims towards the limb at one wavelength.
class LimbDarkening {
 public:
  /// @param wavelength_nm  422 to 1100 (nm); clamped to that range
  /// Accuracy: 0.3 per cent of the disc centre for cos_emergence above 0.1.
  /// Source: Neckel, Solar Physics 229 (2005) 13, polynomial of fifth degree.
  explicit LimbDarkening(double wavelength_nm);

  /// Brightness against the disc's centre.
  /// @param cos_emergence  1 at the centre, 0 at the limb
  /// @return               0.2 to 1
  [[nodiscard]] double at(double cos_emergence) const {
    double value = coefficients_[5];
    for (int power = 4; power >= 0; --power) {
      value = value * cos_emergence + coefficients_[static_cast<std::size_t>(power)];
    }
    return value;
  }

  /// Mean over the disc against its centre: 0.80 at 540 nm.
  [[nodiscard]] double mean() const;

 private:
  std::array<double, 6> coefficients_{};
};

}  // namespace solarchon::light
