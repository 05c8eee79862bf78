// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "questions.h"

namespace solarchon::safety {

namespace {

using optics::Amplifier;
using optics::CutFilter;
using optics::Diagonal;
using optics::EnergyFilter;
using optics::RearEtalon;
using optics::Reducer;
using optics::TelescopeDesign;
using optics::Wedge;

Objections wedge_not_refractor(const Case& at) {
  const optics::Telescope* telescope = telescope_of(at.rig);
  const bool objects = telescope != nullptr && !plain_refractor(at.rig) &&
                       telescope->design != TelescopeDesign::kRearGroup;
  return objects ? each(behind<Wedge>(at.rig)) : Objections{};
}

Objections wedge_behind_glass(const Case& at) {
  const optics::Telescope* telescope = telescope_of(at.rig);
  const bool rear_group = telescope != nullptr && telescope->design == TelescopeDesign::kRearGroup;
  if (heat_rejected_in_front(at.rig)) {
    return {};
  }
  auto wedges = behind<Wedge>(at.rig);
  const auto stands_before = [&](std::size_t wedge) {
    for (std::size_t i = optics::first_behind(at.rig); i < wedge; ++i) {
      const auto& element = at.rig.elements[i];
      const auto* diagonal = std::get_if<Diagonal>(&element.part);
      const bool lens = std::holds_alternative<Amplifier>(element.part) ||
                        std::holds_alternative<Reducer>(element.part) ||
                        std::holds_alternative<RearEtalon>(element.part) ||
                        (diagonal != nullptr && diagonal->kind == optics::DiagonalKind::kPrism);
      if (element.fitted && lens) {
        return true;
      }
    }
    return false;
  };
  std::erase_if(wedges, [&](std::size_t wedge) { return !rear_group && !stands_before(wedge); });
  return each(wedges);
}

Objections wedge_too_small(const Case& at) {
  Objections objections;
  const double opening = opening_mm(at.rig);
  for (const std::size_t place : behind<Wedge>(at.rig)) {
    const double rated_mm = optics::parameter(at.rig.elements[place].part, "rated_aperture_mm");
    if (opening > nominal_limit_mm(rated_mm)) {
      objections.push_back({place, {in_mm(opening), in_mm(rated_mm)}});
    }
  }
  return objections;
}

Objections wedge_undimmed(const Case& at) {
  Objections objections;
  if (!eye_looks(at.rig) || densest_film(at.rig).value_or(0.0) >= kEyeDensity) {
    return objections;
  }
  for (const std::size_t wedge : behind<Wedge>(at.rig)) {
    const double density = density_from_wedge(at.rig, wedge);
    if (density < kWedgeEyeDensity) {
      objections.push_back({wedge,
                            {{density, base::Unit::kNeutralDensity},
                             {kWedgeEyeDensity, base::Unit::kNeutralDensity}}});
    }
  }
  return objections;
}

Objections wedges_where(const Case& at, bool (*objects)(const Wedge&)) {
  if (rejects_heat(at.rig)) {
    return {};  // a filter in front keeps the heat outside
  }
  auto wedges = behind<Wedge>(at.rig);
  std::erase_if(wedges, [&](std::size_t place) { return !objects(part_at<Wedge>(at.rig, place)); });
  return each(wedges);
}

bool lets_heat_out(const Wedge& wedge) { return wedge.heat_port == optics::HeatPort::kOpen; }

Objections heat_port_plastic(const Case& at) {
  return wedges_where(
      at, [](const Wedge& wedge) { return wedge.plastic_near_port && lets_heat_out(wedge); });
}

Objections heat_port_person(const Case& at) {
  if (at.practice.guests) {
    return wedges_where(at, lets_heat_out);
  }
  return wedges_where(
      at, [](const Wedge& wedge) { return wedge.person_behind_port && lets_heat_out(wedge); });
}

Objections heat_port_open(const Case& at) { return wedges_where(at, lets_heat_out); }

Objections wedge_share_unusual(const Case& at) {
  auto wedges = behind<Wedge>(at.rig);
  std::erase_if(wedges, [&](std::size_t place) {
    return part_at<Wedge>(at.rig, place).reflected_share <= kMostWedgeShare;
  });
  return each(wedges);
}

/// Filters that absorb where most of the heat arrives, or what a cut filter leaves of it, on the
/// way to a wedge, a rear etalon or a screen. Without any of these another rule stops.
Objections filter_in_the_heat(const Case& at) {
  const auto telescope = optics::find_fitted<optics::Telescope>(at.rig);
  if (!telescope ||
      (!has_reduction(at.rig) && optics::receiver_of(at.rig) != optics::Receiver::kScreen)) {
    return {};
  }
  Objections objections;
  for (const optics::Passage& passage : at.train.passages) {
    const auto& part = at.rig.elements[passage.element].part;
    const bool absorbs = std::holds_alternative<optics::NeutralDensity>(part) ||
                         std::holds_alternative<optics::BandFilter>(part) ||
                         std::holds_alternative<optics::Polariser>(part) ||
                         std::holds_alternative<optics::BlockingFilter>(part);
    if (absorbs && passage.element > *telescope && passage.energy_share > kFullHeatShare) {
      objections.push_back({passage.element, {{passage.arriving_w, base::Unit::kWatt}}});
    }
  }
  return objections;
}

/// A cut filter between telescope and etalon, and before any diagonal.
bool cut_before(const Case& at, std::size_t etalon) {
  const auto diagonals = behind<Diagonal>(at.rig);
  const auto cuts = behind<CutFilter>(at.rig);
  return std::any_of(cuts.begin(), cuts.end(), [&](std::size_t cut) {
    return cut < etalon && (diagonals.empty() || cut < diagonals.front());
  });
}

/// Etalons that let all the heat of the objective into the tube.
std::vector<std::size_t> heat_in_the_tube(const optics::Rig& rig) {
  std::vector<std::size_t> places = behind<RearEtalon>(rig);
  for (const std::size_t inner : behind<optics::InnerEtalon>(rig)) {
    places.push_back(inner);
  }
  return places;
}

Objections rear_etalon_unprotected(const Case& at) {
  return telescope_of(at.rig) != nullptr && !plain_refractor(at.rig) &&
                 !heat_rejected_in_front(at.rig)
             ? each(heat_in_the_tube(at.rig))
             : Objections{};
}

Objections rear_etalon_no_rejection(const Case& at) {
  Objections objections;
  if (heat_rejected_in_front(at.rig)) {
    return objections;
  }
  const double opening = opening_mm(at.rig);
  for (const std::size_t place : behind<RearEtalon>(at.rig)) {
    const double makers_mm = optics::parameter(at.rig.elements[place].part, "rejection_above_mm");
    const double limit_mm = makers_mm > 0.0 ? makers_mm : kSchoolsMm.at(at.practice.school);
    if (opening > nominal_limit_mm(limit_mm) && !cut_before(at, place)) {
      objections.push_back({place,
                            {in_mm(opening), in_mm(limit_mm)},
                            makers_mm > 0.0 ? std::string_view("maker") : std::string_view()});
    }
  }
  return objections;
}

Objections rear_etalon_full_rejection(const Case& at) {
  const double opening = opening_mm(at.rig);
  return opening > nominal_limit_mm(kSchoolsMm.back()) && !heat_rejected_in_front(at.rig)
             ? each(behind<RearEtalon>(at.rig))
             : Objections{};
}

Objections cut_behind_diagonal(const Case& at) {
  if (behind<RearEtalon>(at.rig).empty()) {
    return {};
  }
  const auto diagonals = behind<Diagonal>(at.rig);
  auto cuts = behind<CutFilter>(at.rig);
  std::erase_if(cuts,
                [&](std::size_t cut) { return diagonals.empty() || cut < diagonals.front(); });
  return each(cuts);
}

}  // namespace

const std::vector<Rule>& rear_rules() {
  static const std::vector<Rule> kRules{
      {"wedge-not-refractor", Severity::kStop, wedge_not_refractor},
      {"wedge-behind-glass", Severity::kStop, wedge_behind_glass},
      {"wedge-too-small", Severity::kStop, wedge_too_small},
      {"wedge-undimmed", Severity::kStop, wedge_undimmed},
      {"heat-port-plastic", Severity::kStop, heat_port_plastic},
      {"heat-port-person", Severity::kStop, heat_port_person},
      {"heat-port-open", Severity::kCheck, heat_port_open},
      {"wedge-share-unusual", Severity::kCheck, wedge_share_unusual},
      {"filter-in-the-heat", Severity::kStop, filter_in_the_heat},
      {"rear-etalon-unprotected", Severity::kStop, rear_etalon_unprotected},
      {"rear-etalon-no-rejection", Severity::kStop, rear_etalon_no_rejection},
      {"rear-etalon-full-rejection", Severity::kStop, rear_etalon_full_rejection},
      {"cut-behind-diagonal", Severity::kCheck, cut_behind_diagonal},
  };
  return kRules;
}

}  // namespace solarchon::safety
