// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include "solarchon/base/result.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// What a compass shows for a true bearing (degree, 0 to 360).
/// @param declination_deg  east positive, as MagneticField gives it
[[nodiscard]] double compass_bearing_deg(double azimuth_deg, double declination_deg);

/// The Earth's magnetic field: World Magnetic Model 2025, valid from 2025.0 to 2030.0.
class MagneticField {
 public:
  /// Reads the coefficients that ship with the program.
  /// Errors: kUnreadable when they are missing, kMalformed when they are damaged.
  [[nodiscard]] static base::Result<MagneticField> open();

  /// Angle from true north to magnetic north, east positive (degree, -180 to 180); none outside
  /// the years of the model. Compass bearing = true bearing - declination.
  /// Accuracy: the model's own, about 0.4 degree away from the magnetic poles; this evaluation
  /// follows the model's published test values within 0.01 degree.
  /// Source: WMM2025 through GeographicLib::MagneticModel.
  [[nodiscard]] std::optional<double> declination_deg(const Site& site, UtcTime time) const;

 private:
  struct Model;
  explicit MagneticField(std::shared_ptr<const Model> model);
  std::shared_ptr<const Model> model_;
};

}  // namespace solarchon::sky
