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

constexpr std::string_view kFilterPractice =
    "Filter makers' instructions and eye-care advice for solar filters";
constexpr std::string_view kEtalonPractice = "Makers' instructions for hydrogen-alpha filters";

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
      objections.push_back({i, {}});
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
      objections.push_back({place, in_unit(width_mm, "mm") + " of filter before " +
                                       in_unit(opening, "mm") + " of lens. A mask of " +
                                       in_unit(width_mm, "mm") + " would close the rim."});
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
  return when(objects, objects ? Place(in_front<FrontFilm>(at.rig).front()) : std::nullopt,
              objects ? in_unit(*density, "OD in front") : "");
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
  return when(objects, objects ? Place(in_front<FrontFilm>(at.rig).front()) : std::nullopt,
              objects ? in_unit(*densest_film(at.rig), "OD of the densest film in front") : "");
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
      {{.rule = "no-reduction",
        .severity = Severity::kStop,
        .what = "Concentrated sunlight blinds an eye at once and burns a sensor, a cap or a hand "
                "within seconds.",
        .why = "Nothing in this light path is certified to take sunlight down.",
        .next_step = "Turn the tube away from the Sun and cap it; fit and secure a front filter "
                     "before it points back.",
        .source = kFilterPractice},
       no_reduction},
      {{.rule = "not-a-solar-filter",
        .severity = Severity::kStop,
        .what = "It cracks in the heat, or passes invisible light that harms the eye without pain.",
        .why = "Neutral density, polarising, colour, cut and rejection filters shape light that a "
               "solar filter has dimmed. None of them is a solar filter.",
        .next_step = "Turn away and cap the tube; put a certified front filter before it.",
        .source = kFilterPractice},
       taken_for_a_filter},
      {{.rule = "film-behind-lens",
        .severity = Severity::kStop,
        .what = "A front filter in the concentrated beam melts or cracks without warning, and the "
                "full light passes.",
        .why = "It sits behind the lens; it is made to meet plain sunlight.",
        .next_step = "Turn away and cap the tube, then move it in front of the lens.",
        .source = kFilterPractice},
       film_behind_lens},
      {{.rule = "film-too-small",
        .severity = Severity::kStop,
        .what = "Undimmed sunlight passes beside the filter and comes to a focus.",
        .why = "Its clear width is smaller than the lens behind it, and no mask closes the rim.",
        .next_step = "Turn away and cap the tube; use a filter as wide as the lens, or an opaque "
                     "mask as small as the filter.",
        .source = kFilterPractice},
       filter_too_small},
      {{.rule = "film-not-certified",
        .severity = Severity::kStop,
        .what = "It may pass invisible ultraviolet or infrared that harms the eye without pain.",
        .why = "The filter is not marked as certified for the Sun.",
        .next_step = "Turn away and cap the tube; use film or glass with its maker's certificate "
                     "for solar use.",
        .source = kFilterPractice},
       film_not_certified},
      {{.rule = "density-too-low",
        .severity = Severity::kStop,
        .what = "More light than through any photographic solar filter reaches the focus.",
        .why = "Density in front is below 3.8, the least that is made even for cameras.",
        .next_step = "Turn away and cap the tube; fit film of OD 5.0, or OD 3.8 when only a camera "
                     "looks.",
        .source = kFilterPractice},
       density_too_low},
      {{.rule = "eye-density",
        .severity = Severity::kStop,
        .what = "An eye at this telescope is harmed.",
        .why = "No single film in front has 5.0: what is less is made for cameras only, and two of "
               "them are not certified for the eye. An eye looks.",
        .next_step = "Turn away and cap the tube; fit film of OD 5.0 before anybody looks.",
        .source = kFilterPractice},
       eye_density},
      {{.rule = "camera-density-only",
        .severity = Severity::kCheck,
        .what = "An eye at this telescope would be harmed.",
        .why = "No single film in front has 5.0: what is less is made for cameras only.",
        .next_step = "Make sure that no eyepiece can be put in, or fit film of OD 5.0.",
        .source = kFilterPractice},
       camera_density_only},
      {{.rule = "blocking-filter-missing",
        .severity = Severity::kStop,
        .what = "Light of many colours passes beside the wanted line, far too bright for an eye.",
        .why = "An etalon passes many orders; a blocking filter must pick one.",
        .next_step =
            "Turn away and cap the tube; fit the blocking filter that its maker pairs with "
            "the etalon.",
        .source = kEtalonPractice},
       blocking_filter_missing},
      {{.rule = "etalon-without-rejection",
        .severity = Severity::kStop,
        .what =
            "Ultraviolet and infrared enter the tube, heat the blocking filter and may pass it.",
        .why = "This etalon carries no energy rejection, and none stands before it.",
        .next_step = "Turn away and cap the tube; put a full-aperture energy rejection filter in "
                     "front.",
        .source = kEtalonPractice},
       etalon_without_rejection},
      {{.rule = "both-sides",
        .severity = Severity::kCheck,
        .what = "The other eye meets undimmed, concentrated sunlight.",
        .why = "A binocular has two front lenses; this light path shows one.",
        .next_step = "Fit film of the same density on both sides, or cap one of them.",
        .source = kFilterPractice},
       both_sides},
      {{.rule = "stays-on-in-totality",
        .severity = Severity::kCheck,
        .what = "Totality passes unseen, or somebody takes the train apart in a hurry and looks "
                "into the Sun when it comes back.",
        .why = "This part cannot come off in seconds, and the corona cannot be seen through it.",
        .next_step = "Watch totality through a front filter that comes off fast, and rehearse it; "
                     "filter back on before totality ends.",
        .source = "Eclipse observers' practice"},
       stays_on_in_totality},
  };
  return kRules;
}

}  // namespace solarchon::safety
