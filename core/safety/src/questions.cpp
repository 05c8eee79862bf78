// SPDX-License-Identifier: GPL-3.0-or-later
#include "questions.h"

#include <algorithm>
#include <cmath>
#include <sstream>

namespace solarchon::safety {

using optics::TelescopeDesign;

const optics::Telescope* telescope_of(const optics::Rig& rig) {
  const auto place = optics::find_fitted<optics::Telescope>(rig);
  return place ? &part_at<optics::Telescope>(rig, *place) : nullptr;
}

bool plain_refractor(const optics::Rig& rig) {
  const optics::Telescope* telescope = telescope_of(rig);
  return telescope != nullptr && (telescope->design == TelescopeDesign::kDoublet ||
                                  telescope->design == TelescopeDesign::kTriplet);
}

std::optional<double> film_density(const optics::Rig& rig) {
  const auto films = in_front<optics::FrontFilm>(rig);
  if (films.empty()) {
    return std::nullopt;
  }
  double density = 0.0;
  for (const std::size_t film : films) {
    density += part_at<optics::FrontFilm>(rig, film).optical_density;
  }
  return density;
}

std::size_t end_of_path(const optics::Rig& rig) {
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    if (rig.elements[i].fitted && optics::zone_of(rig.elements[i].part) == optics::Zone::kEnd) {
      return i;
    }
  }
  return rig.elements.size();
}

bool rejects_heat(const optics::Rig& rig) {
  constexpr double kWidestBandNm = 300.0;  // wider, and most of the heat comes in
  const auto filters = in_front<optics::EnergyFilter>(rig);
  const bool narrow = std::any_of(filters.begin(), filters.end(), [&](std::size_t place) {
    const auto& filter = part_at<optics::EnergyFilter>(rig, place);
    return filter.pass_to_nm - filter.pass_from_nm <= kWidestBandNm;
  });
  return narrow || film_density(rig).value_or(0.0) >= kCameraDensity;
}

bool has_reduction(const optics::Rig& rig) {
  const std::size_t end = end_of_path(rig);
  const auto before_the_end = [end](const std::vector<std::size_t>& places) {
    return !places.empty() && places.front() < end;
  };
  return film_density(rig) || !in_front<optics::FrontEtalon>(rig).empty() ||
         before_the_end(behind<optics::Wedge>(rig)) ||
         before_the_end(behind<optics::RearEtalon>(rig));
}

bool eye_looks(const optics::Rig& rig) {
  const auto photo = fitted<optics::PhotoCamera>(rig);
  const bool viewfinder = std::any_of(photo.begin(), photo.end(), [&](std::size_t place) {
    return part_at<optics::PhotoCamera>(rig, place).viewfinder == optics::Viewfinder::kOptical;
  });
  return viewfinder || optics::receiver_of(rig) == optics::Receiver::kEye;
}

double opening_mm(const optics::Rig& rig) {
  const optics::Telescope* telescope = telescope_of(rig);
  double width_mm = telescope != nullptr ? telescope->aperture_mm : 0.0;
  for (const std::size_t mask : in_front<optics::ApertureMask>(rig)) {
    width_mm = std::min(width_mm, part_at<optics::ApertureMask>(rig, mask).opening_mm);
  }
  return width_mm;
}

std::string in_unit(double value, const char* unit) {
  std::ostringstream out;
  out << std::round(value * 100.0) / 100.0 << ' ' << unit;
  return out.str();
}

}  // namespace solarchon::safety
