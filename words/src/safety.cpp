// SPDX-License-Identifier: GPL-3.0-or-later
// Every rule and assumption as text.
#include "solarchon/words/safety.h"

#include <algorithm>
#include <vector>

#include "marks.h"

namespace solarchon::words {

namespace {

/// What every rule says, by its id.
struct RuleRow {
  std::string_view rule;
  const char* what;
  const char* why;
  const char* next_step;
  const char* source;
};
constexpr RuleRow kRules[] = {
    // Filters in front.
    {"no-reduction",
     TEXT("Concentrated sunlight blinds an eye at once and burns a sensor, a cap or a hand within "
          "seconds."),
     TEXT("Nothing in this light path is certified to take sunlight down."),
     TEXT("Turn the tube away from the Sun and cap it; fit and secure a front filter before it "
          "points back."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"not-a-solar-filter",
     TEXT("It cracks in the heat, or passes invisible light that harms the eye without pain."),
     TEXT("Neutral density, polarising, colour, cut and rejection filters shape light that a solar "
          "filter has dimmed. None of them is a solar filter."),
     TEXT("Turn away and cap the tube; put a certified front filter before it."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"film-behind-lens",
     TEXT("A front filter in the concentrated beam melts or cracks without warning, and the full "
          "light passes."),
     TEXT("It sits behind the lens; it is made to meet plain sunlight."),
     TEXT("Turn away and cap the tube, then move it in front of the lens."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"film-too-small", TEXT("Undimmed sunlight passes beside the filter and comes to a focus."),
     TEXT("Its clear width is smaller than the lens behind it, and no mask closes the rim."),
     TEXT("Turn away and cap the tube; use a filter as wide as the lens, or an opaque mask as "
          "small as the filter."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"film-not-certified",
     TEXT("It may pass invisible ultraviolet or infrared that harms the eye without pain."),
     TEXT("The filter is not marked as certified for the Sun."),
     TEXT("Turn away and cap the tube; use film or glass with its maker's certificate for solar "
          "use."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"film-for-sensor-only",
     TEXT("Whoever looks through it is harmed without pain: it may pass invisible ultraviolet or "
          "infrared."),
     TEXT("The filter is not marked as certified for the Sun. Only a sensor meets its light here."),
     TEXT("Let nobody look through it, not even for aiming; better use film or glass with its "
          "maker's certificate."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"density-too-low",
     TEXT("More light than through any photographic solar filter reaches the focus."),
     TEXT("Density in front is below 3.8, the least that is made even for cameras."),
     TEXT("Turn away and cap the tube; fit film of OD 5.0, or OD 3.8 when only a camera looks."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"eye-density", TEXT("An eye at this telescope is harmed."),
     TEXT("No single film in front has 5.0: what is less is made for cameras only, and two of them "
          "are not certified for the eye. An eye looks."),
     TEXT("Turn away and cap the tube; fit film of OD 5.0 before anybody looks."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"camera-density-only", TEXT("An eye at this telescope would be harmed."),
     TEXT("No single film in front has 5.0: what is less is made for cameras only."),
     TEXT("Make sure that no eyepiece can be put in, or fit film of OD 5.0."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"blocking-filter-missing",
     TEXT("Light of many colours passes beside the wanted line, far too bright for an eye."),
     TEXT("An etalon passes many orders; a blocking filter must pick one."),
     TEXT("Turn away and cap the tube; fit the blocking filter that its maker pairs with the "
          "etalon."),
     TEXT("Makers' instructions for hydrogen-alpha filters")},
    {"etalon-without-rejection",
     TEXT("Ultraviolet and infrared enter the tube, heat the blocking filter and may pass it."),
     TEXT("This etalon carries no energy rejection, and none stands before it."),
     TEXT("Turn away and cap the tube; put a full-aperture energy rejection filter in front."),
     TEXT("Makers' instructions for hydrogen-alpha filters")},
    {"both-sides", TEXT("The other eye meets undimmed, concentrated sunlight."),
     TEXT("A binocular has two front lenses; this light path shows one."),
     TEXT("Fit film of the same density on both sides, or cap one of them."),
     TEXT("Filter makers' instructions and eye-care advice for solar filters")},
    {"stays-on-in-totality",
     TEXT("Totality passes unseen, or somebody takes the train apart in a hurry and looks into the "
          "Sun when it comes back."),
     TEXT("This part cannot come off in seconds, and the corona cannot be seen through it."),
     TEXT("Watch totality through a front filter that comes off fast, and rehearse it; filter back "
          "on before totality ends."),
     TEXT("Eclipse observers' practice")},
    // Wedges and etalons behind.
    {"wedge-not-refractor",
     TEXT("Unfiltered sunlight heats mirrors, lenses or a diaphragm inside the tube until they "
          "crack or melt."),
     TEXT("A wedge takes the light down only behind the tube; it belongs on plain refractors."),
     TEXT("Turn away and cap the tube; take the wedge out and use film in front."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"wedge-behind-glass", TEXT("Lenses near the hot focus crack, or their cement lets go."),
     TEXT("The whole heat of the lens passes glass near its focus before the wedge."),
     TEXT("Turn away and cap the tube; use the wedge on a plain refractor, or film in front."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"wedge-too-small",
     TEXT("The heat trap overheats: burnt fingers, a cracked prism, undimmed light."),
     TEXT("The aperture is larger than this wedge is made for."),
     TEXT("Turn away and cap the tube; stop the lens down with a mask, or use a larger wedge."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"wedge-undimmed", TEXT("An eye is harmed: a wedge alone leaves a twentieth of full sunlight."),
     TEXT("An eye looks, and less than ND 3 stands behind the wedge."),
     TEXT("Turn away and cap the tube; fit ND 3 in the wedge before anybody looks."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"heat-port-plastic", TEXT("Plastic behind the heat port softens and burns."),
     TEXT("Nearly all sunlight of the lens leaves there."),
     TEXT("Turn away and cap the tube; clear everything that can melt from the port."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"heat-port-person", TEXT("Skin burns within seconds, and an eye in the beam is harmed."),
     TEXT("Somebody is in line with the port, where nearly all sunlight of the lens leaves."),
     TEXT("Turn away and cap the tube; turn the wedge so that nobody can be behind it."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"heat-port-open", TEXT("A hot beam leaves the back of the wedge."),
     TEXT("Its heat port is open; no trap catches the light."),
     TEXT("Keep hands, cables and cloth away from behind it, or use a wedge with a trap."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"wedge-share-unusual", TEXT("More light goes on than behind a usual wedge."),
     TEXT("It is said to reflect more than the twentieth that bare glass reflects."),
     TEXT("Look the share up in its maker's instructions; a coated or worn surface does not belong "
          "in a wedge."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"filter-in-the-heat",
     TEXT("The filter cracks without warning, and more light than before goes on."),
     TEXT("It absorbs light, and stands where the whole heat of the lens arrives."),
     TEXT("Turn away and cap the tube; put it behind what takes the heat out, or put a filter in "
          "front."),
     TEXT("Makers' instructions for solar wedges; field practice")},
    {"rear-etalon-unprotected",
     TEXT("Unfiltered sunlight heats mirrors or lenses inside the tube until they crack."),
     TEXT("A rear etalon leaves all the heat in the tube; this telescope has parts near the focus "
          "that cannot stand it."),
     TEXT("Turn away and cap the tube; fit full-aperture energy rejection in front, or use a plain "
          "refractor."),
     TEXT("Makers' instructions for rear etalons; field practice")},
    {"rear-etalon-no-rejection",
     TEXT("The etalon's first filter overheats, drifts off the line and may crack."),
     TEXT("The aperture is above the limit, and nothing rejects heat before the diagonal."),
     TEXT("Turn away and cap the tube; put an ultraviolet and infrared cut before the diagonal, or "
          "energy rejection in front."),
     TEXT("Makers' instructions for rear etalons; field practice")},
    {"rear-etalon-full-rejection", TEXT("A cut filter near the focus overheats and cracks."),
     TEXT("Above 150 mm every school wants energy rejection over the full aperture."),
     TEXT("Turn away and cap the tube; fit full-aperture energy rejection, or a mask."),
     TEXT("Makers' instructions for rear etalons; field practice")},
    {"cut-behind-diagonal",
     TEXT("The diagonal takes the heat that the cut filter should have kept from it."),
     TEXT("The cut filter stands behind the diagonal."),
     TEXT("Turn away and cap the tube; screw it into the nose of the diagonal."),
     TEXT("Makers' instructions for rear etalons; field practice")},
    // What stands at the end.
    {"eyepiece-filter",
     TEXT("The dark glass cracks in the hot focus without warning, and an eye is blinded at once."),
     TEXT("A small filter in the eyepiece meets all the heat that the lens gathers."),
     TEXT("Turn away and cap the tube; throw the small filter away and use a filter in front of "
          "the lens."),
     TEXT("Eye-care advice for looking at the Sun")},
    {"too-bright-for-an-eye", TEXT("An eye is harmed, without pain and for good."),
     TEXT("All parts together leave more light than any filter made for the eye."),
     TEXT("Turn away and cap the tube; fit film of OD 5.0 in front, or ND 3 in a wedge."),
     TEXT("Eye-care advice for looking at the Sun")},
    {"optical-viewfinder",
     TEXT("The eye at the viewfinder meets what the sensor can stand, and is harmed."),
     TEXT("An optical viewfinder looks through the same lens, dimmed for a camera only."),
     TEXT("Turn away and cap the tube; cover the viewfinder and use the screen, or dim for the "
          "eye."),
     TEXT("Eye-care advice for looking at the Sun")},
    {"sensor-heat", TEXT("The sensor or its filters burn within seconds."),
     TEXT("The light at the sensor is more than ten times plain sunlight."),
     TEXT("Turn away and cap the tube; add density before the camera goes back."),
     TEXT("Camera makers' instructions; field practice")},
    {"sensor-warm",
     TEXT("The sensor warms up, and stray light may reach what its makers never tested."),
     TEXT("The light at the sensor is stronger than plain sunlight."),
     TEXT("Add neutral density, and turn away between exposures."),
     TEXT("Camera makers' instructions; field practice")},
    {"projection-eyepiece",
     TEXT("Cement boils, plastic melts, and glass can burst out of the eyepiece."),
     TEXT("Undimmed light comes to a focus in an eyepiece with cement or plastic."),
     TEXT("Turn away and cap the tube; project with an uncemented eyepiece only."),
     TEXT("Field practice of eyepiece projection")},
    {"projection-telescope", TEXT("Heat inside the tube cracks mirrors, lenses or cement."),
     TEXT("Only plain refractors and simple reflectors stand undimmed light for projection."),
     TEXT("Turn away and cap the tube; use film in front instead."),
     TEXT("Field practice of eyepiece projection")},
    {"projection-people", TEXT("A face between eyepiece and screen is blinded at once."),
     TEXT("People can come between eyepiece and screen."),
     TEXT("Turn away and cap the tube; box the beam in, or use film in front."),
     TEXT("Field practice of eyepiece projection")},
    {"projection-beam", TEXT("The beam behind the eyepiece burns skin and blinds."),
     TEXT("More light is projected than any eye may meet."),
     TEXT("Box the beam in, cap all finders, never leave it alone, and rest the eyepiece often."),
     TEXT("Field practice of eyepiece projection")},
    {"screen-without-eyepiece",
     TEXT("The focus itself falls on whatever stands there and sets it on fire."),
     TEXT("A screen stands behind the telescope without an eyepiece."),
     TEXT("Keep the tube capped until an uncemented eyepiece is in."),
     TEXT("Field practice of eyepiece projection")},
    {"open-end",
     TEXT("Whoever or whatever stands at the open end meets the light that arrives there."),
     TEXT("The light path does not end in a camera, an eyepiece or a screen."),
     TEXT("Keep the tube capped until the whole train is fitted."),
     TEXT("Order of handling in the field")},
    {"phone-loose", TEXT("Hands hunt for the exit pupil while faces are near the eyepiece."),
     TEXT("The phone has no holder, or no eyepiece to look into."),
     TEXT("Fix it in a holder over an eyepiece before the tube points at the Sun."),
     TEXT("Camera makers' instructions; field practice")},
    {"camera-behind-eyepiece",
     TEXT("The figures do not hold, and the sensor may meet more heat than they say."),
     TEXT("A camera without a lens stands behind an eyepiece."),
     TEXT("Take the eyepiece out, or use an amplifier."),
     TEXT("Camera makers' instructions; field practice")},
    // Order, power and care.
    {"finder-uncapped",
     TEXT("Its beam blinds an eye that passes, and burns hair, cloth and its own crosshair."),
     TEXT("An optical finder looks at the Sun without a cap."),
     TEXT("Turn the tube away and cap it; cap the finder or take it off."),
     TEXT("Order of handling in the field")},
    {"logged-defect", TEXT("A damaged part can let the full light through, or fail in the heat."),
     TEXT("An inspection found a defect, and nobody has cleared it."),
     TEXT("Turn away and cap the tube; lay the part aside until it is replaced."),
     TEXT("Order of handling in the field")},
    {"inspection-overdue", TEXT("A pinhole or scratch that nobody has seen lets light through."),
     TEXT("The last inspection on record is older than you asked for."),
     TEXT("Hold the filter against a bright lamp, look for pinholes, scratches and loose film, and "
          "log the date."),
     TEXT("Order of handling in the field")},
    {"no-telescope", TEXT("Nothing can be worked out behind a missing lens."),
     TEXT("The light path has no telescope."), TEXT("Add a telescope to the light path."),
     TEXT("Limits of this program")},
    {"second-of-a-kind",
     TEXT("The figures follow the first telescope, the first eyepiece and the first camera only."),
     TEXT("The light path holds more than one."), TEXT("Lay the spare one aside."),
     TEXT("Limits of this program")},
    {"part-out-of-place", TEXT("The figures do not hold, and a part may stand in full sunlight."),
     TEXT("This kind of part belongs elsewhere in the path."),
     TEXT("Move it: front filters and masks before the telescope, everything else between "
          "telescope and eyepiece or camera."),
     TEXT("Order of handling in the field")},
    {"unknown-part", TEXT("Nobody knows what it does to the light."),
     TEXT("This program does not know this kind of part, and takes it as clear glass."),
     TEXT("Replace it by a part that the program knows, or judge it yourself."),
     TEXT("Limits of this program")},
};

/// The sentence that a rule's figures go into.
struct FiguresRow {
  std::string_view rule;
  std::string_view variant;
  const char* sentence;
};
constexpr FiguresRow kRuleFigures[] = {
    {"film-too-small", "",
     TEXT("%1 of filter before %2 of lens. A mask of %1 would close the rim.")},
    {"density-too-low", "", TEXT("%1 in front.")},
    {"eye-density", "", TEXT("%1 is the densest film in front.")},
    {"wedge-too-small", "", TEXT("%1 of aperture on a wedge for %2. A mask of %2 would help.")},
    {"wedge-undimmed", "", TEXT("%1 behind the wedge, %2 wanted.")},
    {"filter-in-the-heat", "", TEXT("%1 arrive at this filter.")},
    {"rear-etalon-no-rejection", "", TEXT("%1 of aperture; rejection from %2.")},
    {"rear-etalon-no-rejection", "maker",
     TEXT("%1 of aperture; rejection from %2, says its maker.")},
    {"too-bright-for-an-eye", "", TEXT("%1 in all, %2 wanted.")},
    {"sensor-heat", "", TEXT("%1 at the sensor.")},
    {"sensor-warm", "", TEXT("%1 at the sensor.")},
    {"inspection-overdue", "", TEXT("Last inspected on %1.")},
};

/// What "no objection" rests on.
constexpr TextRow kAssumptions[] = {
    {"inspected-today",
     TEXT("Every filter was inspected today: no pinhole, scratch or loose film.")},
    {"held-in-front",
     TEXT("What stands in front is held so that wind, or a hand, cannot take it off.")},
    {"finders-capped", TEXT("Every finder that is not listed is capped or removed.")},
    {"parts-as-listed", TEXT("The parts are what this light path says they are.")},
    {"maker-rejection",
     TEXT("Its maker asks for heat rejection from %1 of aperture; that figure was used.")},
    {"maker-milder-than-school",
     TEXT("Its maker asks for heat rejection from %1 of aperture; that figure was used, though the "
          "school that you chose says %2.")},
    {"milder-school", TEXT("You chose the school that runs a rear etalon without rejection up to "
                           "%1; the strict one says %2.")},
    {"rear-etalon-before-uncapping",
     TEXT("The rear etalon is fitted before the tube is uncapped.")},
    {"wedge-gets-hot", TEXT("The back of the wedge gets hot; nothing and nobody touches it.")},
    {"cut-filter-reflects", TEXT("The cut filter before the wedge reflects what it does not pass; "
                                 "one that absorbs it cracks there.")},
    {"rare-inspections",
     TEXT("You chose to have filters inspected every %1 days; %2 is usual here.")},
    {"somebody-stays",
     TEXT("Somebody stays at the telescope all the time; front filters are taped on.")},
    {"makers-come-first",
     TEXT("Makers' instructions, local rules and eye-care advice come first.")},
};
constexpr const char* kStop = TEXT("Stop");
constexpr const char* kCheck = TEXT("Check first");
constexpr const char* kNoObjection = TEXT("No objection found");

/// The sentence of an id; empty where there is none.
std::string sentence_of(const char* text, const std::vector<std::string>& values,
                        const Voice& voice) {
  return text != nullptr ? filled(voice.say(text), values) : std::string();
}

std::vector<std::string> spoken(const std::vector<base::Figure>& figures, const Voice& voice) {
  std::vector<std::string> values;
  values.reserve(figures.size());
  for (const base::Figure& figure : figures) {
    values.push_back(voice.figure(figure));
  }
  return values;
}

}  // namespace

RuleWords rule_words(std::string_view rule, const Voice& voice) {
  const auto* found = std::find_if(std::begin(kRules), std::end(kRules),
                                   [&](const RuleRow& row) { return row.rule == rule; });
  if (found == std::end(kRules)) {
    return {};
  }
  return {voice.say(found->what), voice.say(found->why), voice.say(found->next_step),
          voice.say(found->source)};
}

std::string figures_words(const safety::Finding& finding, const Voice& voice) {
  const auto* found =
      std::find_if(std::begin(kRuleFigures), std::end(kRuleFigures), [&](const FiguresRow& row) {
        return row.rule == finding.rule && row.variant == finding.variant;
      });
  if (found == std::end(kRuleFigures)) {
    return finding.noted;
  }
  std::vector<std::string> values = spoken(finding.figures, voice);
  if (!finding.noted.empty()) {
    values.push_back(finding.noted);
  }
  return filled(voice.say(found->sentence), values);
}

std::string assumption_words(const safety::Assumption& assumption, const Voice& voice) {
  return sentence_of(text_of(kAssumptions, assumption.id), spoken(assumption.figures, voice),
                     voice);
}

std::string name_of(safety::Severity severity, const Voice& voice) {
  switch (severity) {
    case safety::Severity::kStop:
      return voice.say(kStop);
    case safety::Severity::kCheck:
      return voice.say(kCheck);
    case safety::Severity::kNoObjection:
      break;
  }
  return voice.say(kNoObjection);
}

}  // namespace solarchon::words
