// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "rules.h"

// What several rules ask of a rig.

namespace solarchon::safety {

using Place = std::optional<std::size_t>;

/// Places of the fitted parts of a kind.
template <typename Kind>
std::vector<std::size_t> fitted(const optics::Rig& rig) {
  std::vector<std::size_t> places;
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    if (rig.elements[i].fitted && std::holds_alternative<Kind>(rig.elements[i].part)) {
      places.push_back(i);
    }
  }
  return places;
}

/// Of those, the ones in front of the telescope (or all of them without one), and the rest.
template <typename Kind>
std::vector<std::size_t> in_front(const optics::Rig& rig) {
  const std::size_t end = optics::find_fitted<optics::Telescope>(rig).value_or(rig.elements.size());
  std::vector<std::size_t> places = fitted<Kind>(rig);
  std::erase_if(places, [end](std::size_t place) { return place >= end; });
  return places;
}
template <typename Kind>
std::vector<std::size_t> behind(const optics::Rig& rig) {
  const std::size_t begin =
      optics::find_fitted<optics::Telescope>(rig).value_or(rig.elements.size());
  std::vector<std::size_t> places = fitted<Kind>(rig);
  std::erase_if(places, [begin](std::size_t place) { return place <= begin; });
  return places;
}

template <typename Kind>
const Kind& part_at(const optics::Rig& rig, std::size_t place) {
  return std::get<Kind>(rig.elements[place].part);
}

/// An objection to the part, or to the whole train, when the answer is yes.
inline Objections when(bool objects, Place place, std::vector<base::Figure> figures = {}) {
  return objects ? Objections{{place, std::move(figures)}} : Objections{};
}

/// Objections to each of some places.
inline Objections each(const std::vector<std::size_t>& places) {
  Objections objections;
  for (const std::size_t place : places) {
    objections.push_back({place});
  }
  return objections;
}

[[nodiscard]] const optics::Telescope* telescope_of(const optics::Rig& rig);
/// Lens telescopes without glass deep in the tube: what a wedge and a bare rear etalon are made
/// for.
[[nodiscard]] bool plain_refractor(const optics::Rig& rig);
/// The places that stand before the first part that ends the path: what protects must be there.
[[nodiscard]] std::vector<std::size_t> before_the_end(const optics::Rig& rig,
                                                      std::vector<std::size_t> places);
/// Density of all films in front together; none without a film. Two films add up for heat and for a
/// camera.
[[nodiscard]] std::optional<double> film_density(const optics::Rig& rig);
/// Density of the densest single film in front; none without a film. For the eye two lesser films
/// do not make one that is certified for it.
[[nodiscard]] std::optional<double> densest_film(const optics::Rig& rig);
/// Neutral density of a wedge and of what stands between it and the end of the path.
[[nodiscard]] double density_from_wedge(const optics::Rig& rig, std::size_t wedge);
/// Something besides films that is made for the eye: a wedge with all its density, or an etalon.
[[nodiscard]] bool eye_reduction_behind(const optics::Rig& rig);
/// A part that takes the light down to what its maker certifies: film, wedge or etalon where it
/// belongs, before whatever ends the path.
[[nodiscard]] bool has_reduction(const optics::Rig& rig);
/// A film or energy filter in front that really leaves the heat outside: density of a camera's film
/// or more, or a band narrow enough.
[[nodiscard]] bool rejects_heat(const optics::Rig& rig);
/// By a filter, or by a front etalon that carries its own.
[[nodiscard]] bool heat_rejected_in_front(const optics::Rig& rig);
/// The first fitted eyepiece, screen or sensor behind the telescope; the size without one.
[[nodiscard]] std::size_t end_of_path(const optics::Rig& rig);
/// An eye looks, through an eyepiece that no sensor or screen stands behind, or through an optical
/// viewfinder.
[[nodiscard]] bool eye_looks(const optics::Rig& rig);
/// The most of what an eye would meet: of what it sees, and of all energy, against plain sunlight.
[[nodiscard]] double eye_share(const optics::Train& train);
/// Where light can enter: lens and masks (mm).
[[nodiscard]] double opening_mm(const optics::Rig& rig);
/// Figures in millimetres.
[[nodiscard]] inline base::Figure in_mm(double value_mm) {
  return {value_mm, base::Unit::kMillimetre};
}

}  // namespace solarchon::safety
