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

constexpr std::string_view kWedgePractice = "Makers' instructions for solar wedges; field practice";
constexpr std::string_view kRearPractice = "Makers' instructions for rear etalons; field practice";

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
      objections.push_back({place, in_unit(opening, "mm") + " of aperture on a wedge for " +
                                       in_unit(rated_mm, "mm") + ". A mask of " +
                                       in_unit(rated_mm, "mm") + " would help."});
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
      objections.push_back({wedge, "ND " + in_unit(density, "behind the wedge, ND 3 wanted.")});
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
      objections.push_back(
          {passage.element, in_unit(passage.arriving_w, "W arrive at this filter.")});
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
      objections.push_back({place, in_unit(opening, "mm") + " of aperture; rejection from " +
                                       in_unit(limit_mm, "mm") +
                                       (makers_mm > 0.0 ? ", says its maker." : ".")});
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
      {{.rule = "wedge-not-refractor",
        .severity = Severity::kStop,
        .what =
            "Unfiltered sunlight heats mirrors, lenses or a diaphragm inside the tube until they "
            "crack or melt.",
        .why = "A wedge takes the light down only behind the tube; it belongs on plain refractors.",
        .next_step = "Turn away and cap the tube; take the wedge out and use film in front.",
        .source = kWedgePractice},
       wedge_not_refractor},
      {{.rule = "wedge-behind-glass",
        .severity = Severity::kStop,
        .what = "Lenses near the hot focus crack, or their cement lets go.",
        .why = "The whole heat of the lens passes glass near its focus before the wedge.",
        .next_step = "Turn away and cap the tube; use the wedge on a plain refractor, or film in "
                     "front.",
        .source = kWedgePractice},
       wedge_behind_glass},
      {{.rule = "wedge-too-small",
        .severity = Severity::kStop,
        .what = "The heat trap overheats: burnt fingers, a cracked prism, undimmed light.",
        .why = "The aperture is larger than this wedge is made for.",
        .next_step = "Turn away and cap the tube; stop the lens down with a mask, or use a larger "
                     "wedge.",
        .source = kWedgePractice},
       wedge_too_small},
      {{.rule = "wedge-undimmed",
        .severity = Severity::kStop,
        .what = "An eye is harmed: a wedge alone leaves a twentieth of full sunlight.",
        .why = "An eye looks, and less than ND 3 stands behind the wedge.",
        .next_step = "Turn away and cap the tube; fit ND 3 in the wedge before anybody looks.",
        .source = kWedgePractice},
       wedge_undimmed},
      {{.rule = "heat-port-plastic",
        .severity = Severity::kStop,
        .what = "Plastic behind the heat port softens and burns.",
        .why = "Nearly all sunlight of the lens leaves there.",
        .next_step = "Turn away and cap the tube; clear everything that can melt from the port.",
        .source = kWedgePractice},
       heat_port_plastic},
      {{.rule = "heat-port-person",
        .severity = Severity::kStop,
        .what = "Skin burns within seconds, and an eye in the beam is harmed.",
        .why = "Somebody is in line with the port, where nearly all sunlight of the lens leaves.",
        .next_step = "Turn away and cap the tube; turn the wedge so that nobody can be behind it.",
        .source = kWedgePractice},
       heat_port_person},
      {{.rule = "heat-port-open",
        .severity = Severity::kCheck,
        .what = "A hot beam leaves the back of the wedge.",
        .why = "Its heat port is open; no trap catches the light.",
        .next_step = "Keep hands, cables and cloth away from behind it, or use a wedge with a "
                     "trap.",
        .source = kWedgePractice},
       heat_port_open},
      {{.rule = "wedge-share-unusual",
        .severity = Severity::kCheck,
        .what = "More light goes on than behind a usual wedge.",
        .why = "It is said to reflect more than the twentieth that bare glass reflects.",
        .next_step = "Look the share up in its maker's instructions; a coated or worn surface does "
                     "not belong in a wedge.",
        .source = kWedgePractice},
       wedge_share_unusual},
      {{.rule = "filter-in-the-heat",
        .severity = Severity::kStop,
        .what = "The filter cracks without warning, and more light than before goes on.",
        .why = "It absorbs light, and stands where the whole heat of the lens arrives.",
        .next_step = "Turn away and cap the tube; put it behind what takes the heat out, or put a "
                     "filter in front.",
        .source = kWedgePractice},
       filter_in_the_heat},
      {{.rule = "rear-etalon-unprotected",
        .severity = Severity::kStop,
        .what = "Unfiltered sunlight heats mirrors or lenses inside the tube until they crack.",
        .why = "A rear etalon leaves all the heat in the tube; this telescope has parts near the "
               "focus that cannot stand it.",
        .next_step = "Turn away and cap the tube; fit full-aperture energy rejection in front, or "
                     "use a plain refractor.",
        .source = kRearPractice},
       rear_etalon_unprotected},
      {{.rule = "rear-etalon-no-rejection",
        .severity = Severity::kStop,
        .what = "The etalon's first filter overheats, drifts off the line and may crack.",
        .why = "The aperture is above the limit, and nothing rejects heat before the diagonal.",
        .next_step = "Turn away and cap the tube; put an ultraviolet and infrared cut before the "
                     "diagonal, or energy rejection in front.",
        .source = kRearPractice},
       rear_etalon_no_rejection},
      {{.rule = "rear-etalon-full-rejection",
        .severity = Severity::kStop,
        .what = "A cut filter near the focus overheats and cracks.",
        .why = "Above 150 mm every school wants energy rejection over the full aperture.",
        .next_step = "Turn away and cap the tube; fit full-aperture energy rejection, or a mask.",
        .source = kRearPractice},
       rear_etalon_full_rejection},
      {{.rule = "cut-behind-diagonal",
        .severity = Severity::kCheck,
        .what = "The diagonal takes the heat that the cut filter should have kept from it.",
        .why = "The cut filter stands behind the diagonal.",
        .next_step = "Turn away and cap the tube; screw it into the nose of the diagonal.",
        .source = kRearPractice},
       cut_behind_diagonal},
  };
  return kRules;
}

}  // namespace solarchon::safety
