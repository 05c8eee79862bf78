// SPDX-License-Identifier: GPL-3.0-or-later
#include "rules.h"

namespace solarchon::safety {

namespace {

using optics::Camera;
using optics::FrontFilm;
using optics::Refractor;
using optics::Rig;
using optics::Train;
using Places = std::vector<std::optional<std::size_t>>;

/// Fitted films in front of the telescope, or in front of everything when there is none.
std::vector<std::size_t> films_in_front(const Rig& rig) {
  const std::size_t end = optics::find_fitted<Refractor>(rig).value_or(rig.elements.size());
  std::vector<std::size_t> films;
  for (std::size_t i = 0; i < end; ++i) {
    if (rig.elements[i].fitted && std::holds_alternative<FrontFilm>(rig.elements[i].part)) {
      films.push_back(i);
    }
  }
  return films;
}

const FrontFilm& film_at(const Rig& rig, std::size_t place) {
  return std::get<FrontFilm>(rig.elements[place].part);
}

double density_in_front(const Rig& rig) {
  double density = 0.0;
  for (const std::size_t film : films_in_front(rig)) {
    density += film_at(rig, film).optical_density;
  }
  return density;
}

Places one_or_none(bool objects, std::optional<std::size_t> place) {
  return objects ? Places{place} : Places{};
}

Places no_reduction(const Rig& rig, const Train& /*train*/) {
  const auto telescope = optics::find_fitted<Refractor>(rig);
  return one_or_none(telescope && films_in_front(rig).empty(), telescope);
}

Places film_behind_lens(const Rig& rig, const Train& /*train*/) {
  Places places;
  const auto telescope = optics::find_fitted<Refractor>(rig);
  for (std::size_t i = telescope.value_or(rig.elements.size()); i < rig.elements.size(); ++i) {
    if (rig.elements[i].fitted && std::holds_alternative<FrontFilm>(rig.elements[i].part)) {
      places.emplace_back(i);
    }
  }
  return places;
}

Places film_too_small(const Rig& rig, const Train& /*train*/) {
  Places places;
  const auto telescope = optics::find_fitted<Refractor>(rig);
  if (telescope) {
    const double aperture_mm = std::get<Refractor>(rig.elements[*telescope].part).aperture_mm;
    for (const std::size_t film : films_in_front(rig)) {
      if (film_at(rig, film).clear_aperture_mm < aperture_mm) {
        places.emplace_back(film);
      }
    }
  }
  return places;
}

Places film_not_certified(const Rig& rig, const Train& /*train*/) {
  Places places;
  for (const std::size_t film : films_in_front(rig)) {
    if (!film_at(rig, film).certified) {
      places.emplace_back(film);
    }
  }
  return places;
}

Places density_too_low(const Rig& rig, const Train& /*train*/) {
  const auto films = films_in_front(rig);
  return films.empty() ? Places{}
                       : one_or_none(density_in_front(rig) < kCameraDensity, films.front());
}

Places camera_density_only(const Rig& rig, const Train& /*train*/) {
  const auto films = films_in_front(rig);
  const double density = density_in_front(rig);
  return films.empty()
             ? Places{}
             : one_or_none(density >= kCameraDensity && density < kEyeDensity, films.front());
}

Places sensor_heat(const Rig& /*rig*/, const Train& train) {
  if (train.passages.empty()) {
    return {};
  }
  const optics::Passage& last = train.passages.back();
  return one_or_none(last.irradiance_w_cm2 > kMostSensorWCm2, last.element);
}

Places no_telescope(const Rig& rig, const Train& /*train*/) {
  return one_or_none(!optics::find_fitted<Refractor>(rig), std::nullopt);
}

Places no_camera(const Rig& rig, const Train& /*train*/) {
  const auto camera = optics::find_fitted<Camera>(rig);
  const auto telescope = optics::find_fitted<Refractor>(rig);
  return one_or_none(!camera || (telescope && *camera < *telescope), camera);
}

Places second_of_a_kind(const Rig& rig, const Train& /*train*/) {
  Places places;
  int telescopes = 0;
  int cameras = 0;
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    if (!rig.elements[i].fitted) {
      continue;
    }
    const auto& part = rig.elements[i].part;
    if ((std::holds_alternative<Refractor>(part) && ++telescopes > 1) ||
        (std::holds_alternative<Camera>(part) && ++cameras > 1)) {
      places.emplace_back(i);
    }
  }
  return places;
}

Places lens_out_of_place(const Rig& rig, const Train& /*train*/) {
  Places places;
  const auto telescope = optics::find_fitted<Refractor>(rig);
  const auto camera = optics::find_fitted<Camera>(rig);
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const auto& part = rig.elements[i].part;
    const bool rear_part = std::holds_alternative<optics::Amplifier>(part) ||
                           std::holds_alternative<optics::Reducer>(part) ||
                           std::holds_alternative<optics::Diagonal>(part);
    const bool before_lens = telescope && i < *telescope;
    const bool behind_camera = camera && i > *camera;
    if (rig.elements[i].fitted && rear_part && (before_lens || behind_camera)) {
      places.emplace_back(i);
    }
  }
  return places;
}

}  // namespace

const std::vector<Rule>& rules() {
  static const std::vector<Rule> kRules{
      {{"no-reduction",
        Severity::kStop,
        {},
        "Concentrated sunlight blinds an eye at once and burns a sensor, a cap or a hand within "
        "seconds.",
        "No certified solar filter stands in front of the telescope.",
        "Turn the tube away from the Sun and cap it; fit and secure the front filter before it "
        "points back."},
       no_reduction},
      {{"film-behind-lens",
        Severity::kStop,
        {},
        "Film in the concentrated beam melts or cracks without warning, and the full light passes.",
        "This film sits behind the lens; it is made to meet plain sunlight.",
        "Turn away from the Sun and cap the tube, then move the film in front of the lens."},
       film_behind_lens},
      {{"film-too-small",
        Severity::kStop,
        {},
        "Undimmed sunlight passes beside the filter and comes to a focus.",
        "The film's clear width is smaller than the lens behind it.",
        "Turn away and cap the tube; use a filter as wide as the lens, or an opaque mask that "
        "closes the rim."},
       film_too_small},
      {{"film-not-certified",
        Severity::kStop,
        {},
        "It may pass invisible ultraviolet or infrared that harms the eye without pain.",
        "The filter is not marked as certified for the Sun.",
        "Turn away and cap the tube; use film or glass with its maker's certificate for solar "
        "use."},
       film_not_certified},
      {{"density-too-low",
        Severity::kStop,
        {},
        "More than six times the light of a photographic solar filter reaches the focus.",
        "Density in front is below 3.8, the least that is made even for cameras.",
        "Turn away and cap the tube; fit film of OD 5.0, or OD 3.8 when only a camera looks."},
       density_too_low},
      {{"camera-density-only",
        Severity::kCheck,
        {},
        "An eye at this telescope would be harmed.",
        "Density in front is below 5.0: made for cameras only.",
        "Make sure that no eyepiece can be put in, or fit film of OD 5.0."},
       camera_density_only},
      {{"sensor-heat",
        Severity::kStop,
        {},
        "The last part of the train is heated faster than it can stand.",
        "It meets more than 0.05 W/cm², half of plain sunlight.",
        "Turn away and cap the tube; add density in front before the camera goes back."},
       sensor_heat},
      {{"no-telescope",
        Severity::kCheck,
        {},
        "Nothing can be worked out behind a missing lens.",
        "The light path has no telescope.",
        "Add a telescope to the light path."},
       no_telescope},
      {{"no-camera",
        Severity::kCheck,
        {},
        "Whoever or whatever stands at the open end meets the light that arrives there.",
        "The light path does not end in a camera.",
        "Keep the tube capped until the whole train is fitted; put the camera last."},
       no_camera},
      {{"second-of-a-kind",
        Severity::kCheck,
        {},
        "The figures follow the first telescope and the first camera only.",
        "The light path holds more than one.",
        "Lay the spare one aside."},
       second_of_a_kind},
      {{"lens-out-of-place",
        Severity::kCheck,
        {},
        "The figures do not hold, and a part may stand in full sunlight.",
        "An amplifier, reducer or diagonal belongs between telescope and camera.",
        "Move the part to its place behind the telescope."},
       lens_out_of_place},
  };
  return kRules;
}

}  // namespace solarchon::safety
