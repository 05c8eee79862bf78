// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/find.h"
#include "solarchon/base/json.h"

namespace solarchon::align {

base::Json to_json(const SunToSet& sun) {
  return {{"declination_deg", sun.declination_deg},
          {"hour_angle_deg", sun.hour_angle_deg},
          {"right_ascension_deg", sun.right_ascension_deg},
          {"right_ascension_j2000_deg", sun.right_ascension_j2000_deg},
          {"declination_j2000_deg", sun.declination_j2000_deg},
          {"azimuth_deg", sun.azimuth_deg},
          {"altitude_deg", sun.altitude_deg}};
}

base::Json to_json(const PoleMark& mark) {
  return {{"star", sky::kPoleStarWords.of(mark.star)},
          {"right_ascension_deg", mark.right_ascension_deg},
          {"declination_deg", mark.declination_deg},
          {"azimuth_deg", mark.azimuth_deg},
          {"altitude_deg", mark.altitude_deg},
          {"from_pole_deg", mark.from_pole_deg}};
}

base::Json to_json(const Sweep& sweep) {
  return {{"field_deg", sweep.field_deg},
          {"half_width_deg", sweep.half_width_deg},
          {"declinations_deg", sweep.declinations_deg}};
}

base::Json to_json(const Seeker& seeker) {
  return {{"altitude_deg", seeker.altitude_deg},
          {"azimuth_deg", seeker.azimuth_deg},
          {"altitude_error_deg", seeker.altitude_error_deg},
          {"azimuth_error_deg", seeker.azimuth_error_deg},
          {"from_declination_deg", seeker.from_declination_deg},
          {"from_equation_of_time_deg", seeker.from_equation_of_time_deg},
          {"from_refraction_deg", seeker.from_refraction_deg}};
}

base::Json to_json(const Neighbour& neighbour) {
  return {{"body", sky::kBodyWords.of(neighbour.body)},
          {"separation_deg", neighbour.separation_deg},
          {"right_ascension_offset_deg", neighbour.right_ascension_offset_deg},
          {"declination_offset_deg", neighbour.declination_offset_deg},
          {"azimuth_deg", neighbour.azimuth_deg},
          {"altitude_deg", neighbour.altitude_deg},
          {"alt_azimuth_drift_arcsec_min", neighbour.alt_azimuth_drift_arcsec_min}};
}

}  // namespace solarchon::align
