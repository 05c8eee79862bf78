// SPDX-License-Identifier: GPL-3.0-or-later
#include "questions.h"

#include <algorithm>
#include <cmath>

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

std::optional<double> densest_film(const optics::Rig& rig) {
  std::optional<double> density;
  for (const std::size_t film : in_front<optics::FrontFilm>(rig)) {
    density =
        std::max(density.value_or(0.0), part_at<optics::FrontFilm>(rig, film).optical_density);
  }
  return density;
}

double density_from_wedge(const optics::Rig& rig, std::size_t wedge) {
  double density = part_at<optics::Wedge>(rig, wedge).built_in_density;
  for (const std::size_t grey : before_the_end(rig, behind<optics::NeutralDensity>(rig))) {
    density += grey > wedge ? part_at<optics::NeutralDensity>(rig, grey).optical_density : 0.0;
  }
  return density;
}

bool eye_reduction_behind(const optics::Rig& rig) {
  const auto wedges = before_the_end(rig, behind<optics::Wedge>(rig));
  const bool dimmed = std::any_of(wedges.begin(), wedges.end(), [&](std::size_t wedge) {
    return density_from_wedge(rig, wedge) >= kWedgeEyeDensity;
  });
  return dimmed || !in_front<optics::FrontEtalon>(rig).empty() ||
         !before_the_end(rig, behind<optics::InnerEtalon>(rig)).empty() ||
         !before_the_end(rig, behind<optics::RearEtalon>(rig)).empty();
}

std::vector<std::size_t> before_the_end(const optics::Rig& rig, std::vector<std::size_t> places) {
  const std::size_t end = end_of_path(rig);
  std::erase_if(places, [end](std::size_t place) { return place >= end; });
  return places;
}

std::size_t end_of_path(const optics::Rig& rig) {
  for (std::size_t i = optics::first_behind(rig); i < rig.elements.size(); ++i) {
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
    return std::abs(filter.pass_to_nm - filter.pass_from_nm) <= kWidestBandNm;
  });
  return narrow || film_density(rig).value_or(0.0) >= kCameraDensity;
}

bool has_reduction(const optics::Rig& rig) {
  return film_density(rig) || !in_front<optics::FrontEtalon>(rig).empty() ||
         !before_the_end(rig, behind<optics::InnerEtalon>(rig)).empty() ||
         !before_the_end(rig, behind<optics::Wedge>(rig)).empty() ||
         !before_the_end(rig, behind<optics::RearEtalon>(rig)).empty();
}

bool eye_looks(const optics::Rig& rig) {
  const auto photo = behind<optics::PhotoCamera>(rig);
  const bool viewfinder = std::any_of(photo.begin(), photo.end(), [&](std::size_t place) {
    return part_at<optics::PhotoCamera>(rig, place).viewfinder == optics::Viewfinder::kOptical;
  });
  const auto eyepieces = behind<optics::Eyepiece>(rig);
  const bool open_eyepiece =
      !eyepieces.empty() &&
      std::none_of(rig.elements.begin() + static_cast<std::ptrdiff_t>(eyepieces.back()),
                   rig.elements.end(), [](const optics::Element& element) {
                     return element.fitted &&
                            (optics::as_camera(element.part) ||
                             std::holds_alternative<optics::ProjectionScreen>(element.part));
                   });
  return viewfinder || open_eyepiece || optics::receiver_of(rig) == optics::Receiver::kEye;
}

bool heat_rejected_in_front(const optics::Rig& rig) {
  const auto etalons = in_front<optics::FrontEtalon>(rig);
  return rejects_heat(rig) || std::any_of(etalons.begin(), etalons.end(), [&](std::size_t place) {
           return part_at<optics::FrontEtalon>(rig, place).own_rejection;
         });
}

double eye_share(const optics::Train& train) {
  return std::max(train.luminous_share, train.energy_share);
}

double opening_mm(const optics::Rig& rig) {
  const optics::Telescope* telescope = telescope_of(rig);
  double width_mm = telescope != nullptr ? telescope->aperture_mm : 0.0;
  for (const std::size_t mask : in_front<optics::ApertureMask>(rig)) {
    width_mm = std::min(width_mm, part_at<optics::ApertureMask>(rig, mask).opening_mm);
  }
  return width_mm;
}

}  // namespace solarchon::safety
