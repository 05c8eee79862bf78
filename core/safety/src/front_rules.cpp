// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "questions.h"

namespace solarchon::safety {

namespace {

using optics::BandFilter;
using optics::BlockingFilter;
using optics::CutFilter;
using optics::EnergyFilter;
using optics::FrontEtalon;
using optics::FrontFilm;
using optics::NeutralDensity;
using optics::Polariser;
using optics::Receiver;
using optics::Telescope;

base::Figure in_density(double density) { return {density, base::Unit::kOpticalDensity}; }

Objections no_reduction(const Case& at) {
  const auto telescope = optics::find_fitted<Telescope>(at.rig);
  const bool projects = optics::receiver_of(at.rig) == Receiver::kScreen;
  return when(telescope && !has_reduction(at.rig) && !projects, telescope);
}

Objections taken_for_a_filter(const Case& at) {
  if (has_reduction(at.rig) || optics::receiver_of(at.rig) == Receiver::kScreen) {
    return {};
  }
  Objections objections;
  for (std::size_t i = 0; i < at.rig.elements.size(); ++i) {
    const auto& part = at.rig.elements[i].part;
    const bool mistaken =
        std::holds_alternative<NeutralDensity>(part) || std::holds_alternative<BandFilter>(part) ||
        std::holds_alternative<Polariser>(part) || std::holds_alternative<CutFilter>(part) ||
        std::holds_alternative<EnergyFilter>(part) || std::holds_alternative<BlockingFilter>(part);
    if (at.rig.elements[i].fitted && mistaken) {
      objections.push_back({i});
    }
  }
  return objections;
}

Objections film_behind_lens(const Case& at) {
  Objections objections = each(behind<FrontFilm>(at.rig));
  for (const Objection& etalon : each(behind<FrontEtalon>(at.rig))) {
    objections.push_back(etalon);
  }
  return objections;
}

Objections filter_too_small(const Case& at) {
  Objections objections;
  const double opening = opening_mm(at.rig);
  const auto compare = [&](std::size_t place, double width_mm) {
    if (width_mm < opening) {
      objections.push_back({place, {in_mm(width_mm), in_mm(opening)}});
    }
  };
  if (opening > 0.0) {
    for (const std::size_t place : in_front<FrontFilm>(at.rig)) {
      compare(place, optics::parameter(at.rig.elements[place].part, "clear_aperture_mm"));
    }
    for (const std::size_t place : in_front<EnergyFilter>(at.rig)) {
      compare(place, optics::parameter(at.rig.elements[place].part, "clear_aperture_mm"));
    }
    for (const std::size_t place : in_front<FrontEtalon>(at.rig)) {
      compare(place, optics::parameter(at.rig.elements[place].part, "clear_aperture_mm"));
    }
  }
  return objections;
}

Objections film_not_certified(const Case& at) {
  auto films = in_front<FrontFilm>(at.rig);
  std::erase_if(films, [&](std::size_t film) {
    return optics::parameter(at.rig.elements[film].part, "certified") != 0.0;
  });
  return each(films);
}

/// Nobody looks: a sensor ends the path, and no optical finder shows it.
bool only_a_sensor_looks(const Case& at) {
  return optics::receiver_of(at.rig) == Receiver::kSensor && !eye_looks(at.rig);
}

Objections film_for_an_eye_not_certified(const Case& at) {
  return only_a_sensor_looks(at) ? Objections{} : film_not_certified(at);
}

Objections film_for_a_sensor_not_certified(const Case& at) {
  return only_a_sensor_looks(at) ? film_not_certified(at) : Objections{};
}

/// Another certified reduction makes the density of a film its own affair.
bool only_film_reduces(const optics::Rig& rig) {
  return film_density(rig) && in_front<FrontEtalon>(rig).empty() &&
         before_the_end(rig, behind<optics::InnerEtalon>(rig)).empty() &&
         before_the_end(rig, behind<optics::Wedge>(rig)).empty() &&
         before_the_end(rig, behind<optics::RearEtalon>(rig)).empty();
}

Objections density_too_low(const Case& at) {
  const auto density = film_density(at.rig);
  const bool objects = only_film_reduces(at.rig) && *density < kCameraDensity;
  return objects ? when(true, in_front<FrontFilm>(at.rig).front(), {in_density(*density)})
                 : Objections{};
}

Objections camera_density_only(const Case& at) {
  const bool objects = only_film_reduces(at.rig) && film_density(at.rig) >= kCameraDensity &&
                       densest_film(at.rig) < kEyeDensity && !eye_looks(at.rig);
  return when(objects, objects ? Place(in_front<FrontFilm>(at.rig).front()) : std::nullopt);
}

Objections eye_density(const Case& at) {
  const bool objects = film_density(at.rig) >= kCameraDensity &&
                       densest_film(at.rig) < kEyeDensity && eye_looks(at.rig) &&
                       !eye_reduction_behind(at.rig);
  return objects
             ? when(true, in_front<FrontFilm>(at.rig).front(), {in_density(*densest_film(at.rig))})
             : Objections{};
}

Objections blocking_filter_missing(const Case& at) {
  const bool blocked = !before_the_end(at.rig, behind<BlockingFilter>(at.rig)).empty() ||
                       !before_the_end(at.rig, behind<optics::RearEtalon>(at.rig)).empty();
  if (blocked) {
    return {};
  }
  Objections objections = each(in_front<FrontEtalon>(at.rig));
  for (const Objection& inner : each(behind<optics::InnerEtalon>(at.rig))) {
    objections.push_back(inner);
  }
  return objections;
}

Objections etalon_without_rejection(const Case& at) {
  if (rejects_heat(at.rig)) {
    return {};
  }
  auto etalons = in_front<FrontEtalon>(at.rig);
  const auto inners = before_the_end(at.rig, behind<optics::InnerEtalon>(at.rig));
  if (std::any_of(inners.begin(), inners.end(), [&](std::size_t inner) {
        return optics::parameter(at.rig.elements[inner].part, "own_rejection") != 0.0;
      })) {
    etalons.clear();  // the inner one's own rejection stands behind it
  }
  if (!heat_rejected_in_front(at.rig)) {
    for (const std::size_t inner : behind<optics::InnerEtalon>(at.rig)) {
      etalons.push_back(inner);
    }
  }
  std::erase_if(etalons, [&](std::size_t place) {
    return optics::parameter(at.rig.elements[place].part, "own_rejection") != 0.0;
  });
  return each(etalons);
}

Objections both_sides(const Case& at) {
  const Telescope* telescope = telescope_of(at.rig);
  return when(telescope != nullptr && telescope->design == optics::TelescopeDesign::kBinocular,
              optics::find_fitted<Telescope>(at.rig));
}

Objections stays_on_in_totality(const Case& at) {
  if (!at.practice.totality) {
    return {};
  }
  auto films = in_front<FrontFilm>(at.rig);
  std::erase_if(films, [&](std::size_t film) {
    return optics::parameter(at.rig.elements[film].part, "quick_release") != 0.0;
  });
  Objections objections = each(films);
  for (const Objection& fixed : each(in_front<FrontEtalon>(at.rig))) {
    objections.push_back(fixed);
  }
  for (const Objection& fixed : each(behind<optics::InnerEtalon>(at.rig))) {
    objections.push_back(fixed);
  }
  for (const Objection& fixed : each(behind<optics::Wedge>(at.rig))) {
    objections.push_back(fixed);
  }
  for (const Objection& fixed : each(behind<optics::RearEtalon>(at.rig))) {
    objections.push_back(fixed);
  }
  return objections;
}

}  // namespace

const std::vector<Rule>& front_rules() {
  static const std::vector<Rule> kRules{
      {"no-reduction", Severity::kStop, no_reduction},
      {"not-a-solar-filter", Severity::kStop, taken_for_a_filter},
      {"film-behind-lens", Severity::kStop, film_behind_lens},
      {"film-too-small", Severity::kStop, filter_too_small},
      {"film-not-certified", Severity::kStop, film_for_an_eye_not_certified},
      {"film-for-sensor-only", Severity::kCheck, film_for_a_sensor_not_certified},
      {"density-too-low", Severity::kStop, density_too_low},
      {"eye-density", Severity::kStop, eye_density},
      {"camera-density-only", Severity::kCheck, camera_density_only},
      {"blocking-filter-missing", Severity::kStop, blocking_filter_missing},
      {"etalon-without-rejection", Severity::kStop, etalon_without_rejection},
      {"both-sides", Severity::kCheck, both_sides},
      {"stays-on-in-totality", Severity::kCheck, stays_on_in_totality},
  };
  return kRules;
}

}  // namespace solarchon::safety
