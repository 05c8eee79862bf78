// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/magnetic.h"

#include <GeographicLib/MagneticModel.hpp>
#include <string>
#include <utility>

#include "solarchon/base/angle.h"
#include "solarchon/base/resources.h"

namespace solarchon::sky {

struct MagneticField::Model {
  explicit Model(const std::string& folder) : field("wmm2025", folder) {}
  GeographicLib::MagneticModel field;
};

MagneticField::MagneticField(std::shared_ptr<const Model> model) : model_(std::move(model)) {}

base::Result<MagneticField> MagneticField::open() {
  const auto path = base::shipped_file("magnetic/wmm2025.wmm");
  if (!path) {
    return tl::make_unexpected(path.error());
  }
  try {
    return MagneticField(std::make_shared<const Model>(path->parent_path().string()));
  } catch (const GeographicLib::GeographicErr& problem) {
    return base::fail_because(base::ErrorCode::kMalformed, path->string(),
                              base::reported(problem.what()), base::wants("magnetic-model"));
  }
}

double compass_bearing_deg(double azimuth_deg, double declination_deg) {
  const double bearing = base::wrap_360(azimuth_deg - declination_deg);
  return bearing;
}

std::optional<double> MagneticField::declination_deg(const Site& site, UtcTime time) const {
  const double year = decimal_year(time);
  if (year < model_->field.MinTime() || year > model_->field.MaxTime()) {
    return std::nullopt;
  }
  double east_nt = 0.0;
  double north_nt = 0.0;
  double up_nt = 0.0;
  model_->field(year, site.latitude_deg, base::wrap_180(site.longitude_deg), site.elevation_m,
                east_nt, north_nt, up_nt);
  double horizontal_nt = 0.0;
  double total_nt = 0.0;
  double declination_deg = 0.0;
  double inclination_deg = 0.0;
  GeographicLib::MagneticModel::FieldComponents(east_nt, north_nt, up_nt, horizontal_nt, total_nt,
                                                declination_deg, inclination_deg);
  return declination_deg;
}

}  // namespace solarchon::sky
