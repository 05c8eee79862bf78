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

bool has_reduction(const optics::Rig& rig) {
  return film_density(rig) || !in_front<optics::FrontEtalon>(rig).empty() ||
         !behind<optics::Wedge>(rig).empty() || !behind<optics::RearEtalon>(rig).empty();
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
