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
  auto wedges = behind<Wedge>(at.rig);
  const auto stands_before = [&](std::size_t wedge) {
    for (std::size_t i = 0; i < wedge; ++i) {
      const auto& element = at.rig.elements[i];
      const bool lens = std::holds_alternative<Amplifier>(element.part) ||
                        std::holds_alternative<Reducer>(element.part) ||
                        std::holds_alternative<RearEtalon>(element.part);
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
    if (opening > rated_mm) {
      objections.push_back({place, in_unit(opening, "mm") + " of aperture on a wedge for " +
                                       in_unit(rated_mm, "mm") + ". A mask of " +
                                       in_unit(rated_mm, "mm") + " would help."});
    }
  }
  return objections;
}

/// Density of a wedge and of all neutral densities behind it.
double density_from(const Case& at, std::size_t wedge) {
  double density = optics::parameter(at.rig.elements[wedge].part, "built_in_density");
  for (const std::size_t place : behind<optics::NeutralDensity>(at.rig)) {
    density +=
        place > wedge ? optics::parameter(at.rig.elements[place].part, "optical_density") : 0.0;
  }
  return density;
}

Objections wedge_undimmed(const Case& at) {
  Objections objections;
  if (!eye_looks(at.rig) || film_density(at.rig).value_or(0.0) >= kCameraDensity) {
    return objections;
  }
  for (const std::size_t wedge : behind<Wedge>(at.rig)) {
    const double density = density_from(at, wedge);
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

Objections heat_port_plastic(const Case& at) {
  return wedges_where(at, [](const Wedge& wedge) { return wedge.plastic_near_port; });
}

Objections heat_port_person(const Case& at) {
  return wedges_where(at, [](const Wedge& wedge) { return wedge.person_behind_port; });
}

Objections heat_port_open(const Case& at) {
  return wedges_where(
      at, [](const Wedge& wedge) { return wedge.heat_port == optics::HeatPort::kOpen; });
}

/// By a filter, or by a front etalon that carries its own.
bool heat_rejected_in_front(const Case& at) {
  const auto etalons = in_front<optics::FrontEtalon>(at.rig);
  return rejects_heat(at.rig) ||
         std::any_of(etalons.begin(), etalons.end(), [&](std::size_t place) {
           return part_at<optics::FrontEtalon>(at.rig, place).own_rejection;
         });
}

/// A cut filter between telescope and etalon, and before any diagonal.
bool cut_before(const Case& at, std::size_t etalon) {
  const auto diagonals = behind<Diagonal>(at.rig);
  const auto cuts = behind<CutFilter>(at.rig);
  return std::any_of(cuts.begin(), cuts.end(), [&](std::size_t cut) {
    return cut < etalon && (diagonals.empty() || cut < diagonals.front());
  });
}

Objections rear_etalon_unprotected(const Case& at) {
  return telescope_of(at.rig) != nullptr && !plain_refractor(at.rig) && !heat_rejected_in_front(at)
             ? each(behind<RearEtalon>(at.rig))
             : Objections{};
}

Objections rear_etalon_no_rejection(const Case& at) {
  Objections objections;
  if (heat_rejected_in_front(at)) {
    return objections;
  }
  const double opening = opening_mm(at.rig);
  for (const std::size_t place : behind<RearEtalon>(at.rig)) {
    const double makers_mm = optics::parameter(at.rig.elements[place].part, "rejection_above_mm");
    const double limit_mm = makers_mm > 0.0 ? makers_mm : kSchoolsMm.at(at.practice.school);
    if (opening > limit_mm && !cut_before(at, place)) {
      objections.push_back({place, in_unit(opening, "mm") + " of aperture; rejection from " +
                                       in_unit(limit_mm, "mm") +
                                       (makers_mm > 0.0 ? ", says its maker." : ".")});
    }
  }
  return objections;
}

Objections rear_etalon_full_rejection(const Case& at) {
  const double opening = opening_mm(at.rig);
  return opening > kSchoolsMm.back() && !heat_rejected_in_front(at)
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

Objections wrong_focal_ratio(const Case& at) {
  Objections objections;
  for (const std::size_t place : behind<RearEtalon>(at.rig)) {
    const auto& etalon = part_at<RearEtalon>(at.rig, place);
    const double ratio =
        at.train.etalon ? at.train.etalon->focal_ratio / etalon.telecentric_factor : 0.0;
    constexpr double kRounding = 0.05;  // f/9.04 is an f/9
    if (ratio > 0.0 && (ratio < etalon.from_focal_ratio - kRounding ||
                        ratio > etalon.to_focal_ratio + kRounding)) {
      objections.push_back({place, "f/" + in_unit(ratio, "arrives; made for f/") +
                                       in_unit(etalon.from_focal_ratio, "to f/") +
                                       in_unit(etalon.to_focal_ratio, "")});
    }
  }
  return objections;
}

Objections supply_weak(const Case& at) {
  const auto& supply = at.train.supply;
  const bool objects = supply && supply->listed && supply->offered_w < supply->needed_w;
  return when(objects, optics::find_fitted<RearEtalon>(at.rig),
              objects ? in_unit(supply->needed_w, "W needed, ") +
                            in_unit(supply->offered_w, "W offered at its voltage.")
                      : "");
}

Objections supply_not_listed(const Case& at) {
  const auto& supply = at.train.supply;
  return when(supply && !supply->listed, optics::find_fitted<RearEtalon>(at.rig),
              supply ? in_unit(supply->needed_w, "W needed.") : "");
}

Objections blocking_filter_small(const Case& at) {
  const bool objects = at.train.blocking_margin_mm && *at.train.blocking_margin_mm < 0.0;
  return when(
      objects, optics::find_fitted<optics::BlockingFilter>(at.rig),
      objects ? in_unit(-*at.train.blocking_margin_mm, "mm too small for the whole Sun.") : "");
}

}  // namespace

const std::vector<Rule>& rear_rules() {
  static const std::vector<Rule> kRules{
      {{.rule = "wedge-not-refractor",
        .severity = Severity::kStop,
        .what = "Unfiltered sunlight heats the secondary mirror, cracks it or melts its mount.",
        .why = "A wedge takes the light down only behind the tube; it belongs on refractors.",
        .next_step = "Turn away and cap the tube; take the wedge out and use film in front.",
        .source = kWedgePractice},
       wedge_not_refractor},
      {{.rule = "wedge-behind-glass",
        .severity = Severity::kStop,
        .what = "Lenses near the hot focus crack, or their cement lets go.",
        .why = "The whole heat of the lens passes glass deep in the tube before the wedge.",
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
      {{.rule = "wrong-focal-ratio",
        .severity = Severity::kCheck,
        .what = "The passband widens or the edge goes dark: little of the chromosphere shows.",
        .why = "The light cone is not the one that this etalon is made for.",
        .next_step = "Change the telescope, stop it down, or use another etalon.",
        .source = kRearPractice},
       wrong_focal_ratio},
      {{.rule = "supply-weak",
        .severity = Severity::kCheck,
        .what = "The heater reports a fault and never comes on band.",
        .why = "The supplies listed do not give the power that it draws at its voltage.",
        .next_step = "Use a supply with watts to spare; a laptop's port is usually too weak.",
        .source = kRearPractice},
       supply_weak},
      {{.rule = "supply-not-listed",
        .severity = Severity::kCheck,
        .what = "Outside, the etalon may stay cold.",
        .why = "The light path names no power supply for its heater.",
        .next_step = "Add the supply that you will take along.",
        .source = kRearPractice},
       supply_not_listed},
      {{.rule = "blocking-filter-small",
        .severity = Severity::kCheck,
        .what = "The edge of the Sun is dark or missing.",
        .why = "The blocking filter is smaller than the light for the whole disc.",
        .next_step = "Use a larger blocking filter or a shorter focal length; or make a mosaic.",
        .source = "Makers' instructions for hydrogen-alpha filters"},
       blocking_filter_small},
  };
  return kRules;
}

}  // namespace solarchon::safety
