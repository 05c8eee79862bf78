// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/drift.h"

#include "solarchon/base/angle.h"
#include "solarchon/base/json.h"

namespace solarchon::align {

using base::kArcminPerDeg;

namespace {

base::Json or_null(bool known, double value) {
  return known ? base::Json(value) : base::Json(nullptr);
}

}  // namespace

base::Json to_json(const PoleFit& fit) {
  const bool known = fit.solvable();
  return {{"solvable", known},
          {"doubt", kDoubtWords.of(fit.doubt)},
          {"pole_altitude_error_arcmin", or_null(known, fit.error.altitude_deg * kArcminPerDeg)},
          {"pole_azimuth_error_arcmin", or_null(known, fit.error.azimuth_deg * kArcminPerDeg)},
          {"altitude_sigma_arcmin", or_null(known, fit.altitude_sigma_deg * kArcminPerDeg)},
          {"azimuth_sigma_arcmin", or_null(known, fit.azimuth_sigma_deg * kArcminPerDeg)},
          {"misfit", or_null(fit.misfit.has_value(), fit.misfit.value_or(0.0))},
          {"next_hour_angle_deg",
           or_null(fit.next_hour_angle_deg.has_value(), fit.next_hour_angle_deg.value_or(0.0))}};
}

}  // namespace solarchon::align
