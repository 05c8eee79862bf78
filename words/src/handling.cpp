// SPDX-License-Identifier: GPL-3.0-or-later
// Every step of handling as text: what to do, why, and how to check it.
#include <algorithm>
#include <iterator>

#include "marks.h"
#include "solarchon/words/safety.h"

namespace solarchon::words {

namespace {

/// What a step says, by its id and by what it holds for; a row that holds for nothing in particular
/// stands for those without one of their own. %1: the parts that it speaks of.
struct StepRow {
  std::string_view id;
  std::string_view variant;
  const char* what;
  const char* why;
  const char* check;
};
constexpr StepRow kSteps[] = {
    // Setting up.
    {"inspect", "", TEXT("Hold against a bright lamp: %1."),
     TEXT("A pinhole, a scratch or a loose film passes light that harms."),
     TEXT("No point of light, no crease that gapes, nothing loose. Else it stays at home.")},
    {"inspect-rear", "", TEXT("Inspect: %1."),
     TEXT("A cracked or fogged filter passes light that harms; a loose one falls out."),
     TEXT("Glass whole and clear, screws tight, nothing rattles. Else it stays at home.")},
    {"stand", "", TEXT("Stand the tripod on its marks and level it."),
     TEXT("Everything after this rests on it; a bump later undoes the alignment."),
     TEXT("The bubble is in its ring; a push does not rock it.")},
    {"heater-on", "", TEXT("Heater on now: %1."),
     TEXT("It needs many minutes to come on band; they pass while the rest is set up."),
     TEXT("Its light shows that it warms, and no fault.")},
    {"weights", "", TEXT("Counterweights on before the tube."),
     TEXT("Without them the tube falls over as soon as a clutch is open."),
     TEXT("They are clamped, and the screw at the end of the bar is in.")},
    {"tube", "", TEXT("Tube on the mount, front cap on, both clamps tight."),
     TEXT("A tube that slips falls with everything on it."),
     TEXT("It does not move in its clamps when you lift it by hand.")},
    {"tube", "undriven", TEXT("Tube or camera on the tripod's head, front cap on."),
     TEXT("A head that slips lets it swing through the Sun."), TEXT("It stays where it is left.")},
    {"point-away", "", TEXT("Tube away from the Sun, front cap on."),
     TEXT("While parts go on and off, no sunlight may fall into the lens."),
     TEXT("The Sun is behind the tube, and you see the cap.")},
    {"cap-finders", "", TEXT("Cap every finder, or take it off."),
     TEXT("An open finder blinds an eye and burns cloth while all look at the telescope."),
     TEXT("No open glass points forward but the capped lens.")},
    {"cool-down", "", TEXT("Let the tube come to the air's temperature, capped."),
     TEXT("Warm air in the tube blurs; cold glass in damp air fogs."),
     TEXT("The glass is clear, and the tube feels like the air.")},
    {"fit-front", "", TEXT("Cap off, %1 on at once, and secured against wind."),
     TEXT("It is all that stands between the Sun and an eye."),
     TEXT("It does not turn or lift when you pull at it.")},
    {"fit-rear", "",
     TEXT("Caps off the back; fit all that belongs behind the tube, with %1, and lock it."),
     TEXT("Behind an open lens a missing part means full heat at the back, and a plastic cap "
          "burns."),
     TEXT("Every screw is tight; no cap is on the back.")},
    {"fit-end", "", TEXT("Put in %1."),
     TEXT("Once the lens is open, nothing is put in or taken out."),
     TEXT("It is locked, and its cable cannot pull it out.")},
    {"fit-end", "eye", TEXT("Put in %1."),
     TEXT("Once the lens is open, nothing is put in or taken out."),
     TEXT("Its screw is tight, and it does not tip.")},
    {"fit-end", "phone", TEXT("Put in %1."),
     TEXT("Once the lens is open, nothing is put in or taken out."),
     TEXT("Both are tight, and the phone cannot slide off.")},
    {"fit-end", "screen", TEXT("Put in %1."),
     TEXT("Once the lens is open, nothing is put in or taken out."),
     TEXT("The eyepiece is tight; the screen stands square and cannot fall.")},
    {"balance", "", TEXT("Balance both axes; clutches, cables with slack."),
     TEXT("A tube that swings by itself swings through the Sun."),
     TEXT("Let go: it stays. Turn it by hand: no cable pulls.")},
    {"balance", "undriven", TEXT("Tighten the head, cables with slack."),
     TEXT("A tube that sinks by itself sinks through the Sun."),
     TEXT("Let go: it stays. Turn it by hand: no cable pulls.")},
    {"power", "", TEXT("Check the polarity, then switch the mount on."),
     TEXT("A wrong plug ends the day before it has begun."),
     TEXT("No controller shows a fault; the mount's motor runs.")},
    {"warm-up", "", TEXT("Let %1 come on band."),
     TEXT("Before it is warm it shows nothing, whatever else is right."),
     TEXT("Its light shows that it holds its temperature.")},
    {"axis", "", TEXT("Bring the axis under the pole."),
     TEXT("Every error there is a drift of the Sun later."),
     TEXT("Inclinometer at the latitude, axis along true north or south.")},
    {"level-base", "", TEXT("Level the base, and set its north."),
     TEXT("An alt-azimuth mount finds the Sun only from a level base."),
     TEXT("The bubble stays in its ring all round.")},
    {"last-look", "", TEXT("One look along the whole light path, front to back."),
     TEXT("From the next step on, a mistake is paid for within seconds."),
     TEXT("Filters on and secure, finders capped, nothing loose, nobody behind.")},
    {"turn-to-sun", "", TEXT("Turn to the Sun by the tube's shadow; %1 stays on."),
     TEXT("Looking for it along the tube puts an eye in its way."),
     TEXT("The shadow is small and round.")},
    {"turn-and-uncap", "", TEXT("Turn to the Sun by the tube's shadow, then uncap."),
     TEXT("The light enters only now, when all that dims it is in its place."),
     TEXT("The shadow is small and round; the cap is off and out of the way.")},
    {"centre", "", TEXT("Bring the Sun into the middle."),
     TEXT("From here the mount can be told where it points."),
     TEXT("Its middle stands still in the middle of the field.")},
    {"centre", "undriven",
     TEXT("Point a little ahead of the Sun, and let it drift through the middle."),
     TEXT("It crosses its own width in about two minutes."),
     TEXT("It comes into the field on one side and leaves it on the other.")},
    {"solar-rate", "", TEXT("Set the mount to the Sun's rate."),
     TEXT("At the rate of the stars it runs away by two and a half arcseconds a minute."),
     TEXT("The controller names the Sun, not the stars.")},
    {"solar-rate", "level", TEXT("Let the mount follow the Sun with both axes."),
     TEXT("It steps in height and azimuth, and the field turns slowly."),
     TEXT("The controller names the Sun, and it stays in the field.")},
    {"focus", "", TEXT("Focus with %1, under a hood."),
     TEXT("The edge of the Sun is the sharpest thing to judge by."),
     TEXT("Edge or spot do not get finer either way.")},
    {"focus", "eye", TEXT("Focus the eyepiece: %1."),
     TEXT("The edge of the Sun is the sharpest thing to judge by."),
     TEXT("Edge or spot do not get finer either way.")},
    {"focus", "screen", TEXT("Move the eyepiece until the edge on the screen is sharp."),
     TEXT("Its own sharp edge is the measure, not its brightness."),
     TEXT("Edge or spot do not get finer either way.")},
    {"focus", "phone", TEXT("Focus by eye, then hold and lock the phone's own focus: %1."),
     TEXT("A phone that focuses by itself hunts on an empty disc."),
     TEXT("Edge or spot stay sharp from picture to picture.")},
    {"refine-axis", "", TEXT("Watch which way the Sun drifts, and turn the knobs."),
     TEXT("It shows the axis' error better than any compass."),
     TEXT("It stays where it is for as long as a clip takes.")},
    {"tune", "", TEXT("Tune %1: a step, wait, compare."),
     TEXT("Each unit has a best setting; it needs minutes after every step."),
     TEXT("Fibrils, or prominences, are at their strongest.")},
    {"rehearse", "", TEXT("Record a short clip, and look at it."),
     TEXT("What fails in rehearsal does not fail at the minute that counts."),
     TEXT("The clip opens, is sharp, and nothing in it is full.")},
    {"rehearse", "eye", TEXT("Look for a minute, and go through what you want to see."),
     TEXT("What is uncomfortable now is worse at the minute that counts."),
     TEXT("The whole Sun is seen without strain, and it is dim enough to look at in comfort.")},
    {"rehearse", "screen",
     TEXT("Look at the disc on the screen for a minute, from where people will stand."),
     TEXT("What cannot be seen from there is found out now."),
     TEXT("The disc stands out against the daylight; the eyepiece does not get hot.")},
    {"rehearse", "camera", TEXT("Take a few frames, and look at them at full size."),
     TEXT("What fails in rehearsal does not fail at the minute that counts."),
     TEXT("They are sharp, and nothing in them is overexposed.")},
    {"rehearse", "phone", TEXT("Take a few pictures with the self-timer, and look at them."),
     TEXT("What fails in rehearsal does not fail at the minute that counts."),
     TEXT("They are sharp, no dark rim cuts the disc, and it is not burnt out.")},
    // Changing a part.
    {"away-again", "", TEXT("Turn the tube away from the Sun."),
     TEXT("Parts are changed only where no sunlight can fall in."),
     TEXT("The Sun is behind the tube.")},
    {"cap-again", "", TEXT("Cap on."),
     TEXT("The mount may be moved by mistake; a cap does not mind."),
     TEXT("You see the cap on the lens.")},
    {"swap", "", TEXT("Change the part, and lock it."),
     TEXT("What is not locked falls out when the tube turns."),
     TEXT("Nothing that dims the light was left on the table.")},
    {"caps-behind", "", TEXT("Look at the back: no cap on the telescope, none on any part."),
     TEXT("A plastic cap behind an open lens burns within seconds."),
     TEXT("Every cap that came off lies in the box.")},
    {"look-again", "", TEXT("Look along the whole light path again."),
     TEXT("A part that was taken out for a moment is easily forgotten."),
     TEXT("All that belongs there is there.")},
    {"back-to-sun", "", TEXT("Cap off, and back to the Sun by the shadow."),
     TEXT("The light enters only when everything is in its place."),
     TEXT("The shadow is small and round.")},
    {"focus-again", "", TEXT("Focus again with %1."), TEXT("Each part moves the focus."),
     TEXT("Edge or spot do not get finer either way.")},
    {"focus-again", "eye", TEXT("Focus the eyepiece again: %1."),
     TEXT("Each part moves the focus."), TEXT("Edge or spot do not get finer either way.")},
    {"focus-again", "screen",
     TEXT("Move the eyepiece until the edge on the screen is sharp again."),
     TEXT("Each part moves the focus."), TEXT("Edge or spot do not get finer either way.")},
    // Handing over to guests.
    {"guests-away", "", TEXT("Turn away from the Sun and cap before anybody comes near."),
     TEXT("Guests do not know what must not be touched."), TEXT("You see the cap.")},
    {"tape-front", "", TEXT("Tape %1 to the tube."),
     TEXT("A child's hand or a gust takes it off in a second."),
     TEXT("It cannot be pulled off without taking the tape off.")},
    {"lock-rear", "", TEXT("Lock %1 so that no hand can take it out."),
     TEXT("Behind an open lens there is full heat."), TEXT("Nothing turns without a tool.")},
    {"finders-off", "", TEXT("Take every finder off."),
     TEXT("A cap comes off; curious eyes follow."), TEXT("There is no second glass on the tube.")},
    {"box-beam", "", TEXT("Box the beam in from the eyepiece to the screen."),
     TEXT("A face or a hand in the beam is harmed at once."),
     TEXT("No hand reaches the beam; the screen is seen from the side or from behind.")},
    {"fence", "", TEXT("A line on the ground: one guest at a time, none behind the tube."),
     TEXT("Queues push, and a bumped tripod turns the telescope."),
     TEXT("The queue cannot reach tube, cables or heat port.")},
    {"fence", "screen", TEXT("A line on the ground: all see the screen, nobody reaches the tube."),
     TEXT("Queues push, and a bumped tripod turns the telescope."),
     TEXT("Nobody can get between eyepiece and screen.")},
    {"fence", "video", TEXT("A line on the ground: all see the display, nobody reaches the tube."),
     TEXT("Queues push, and a bumped tripod turns the telescope."),
     TEXT("Nobody can reach tube, cables or heat port.")},
    {"brief", "",
     TEXT("Say it before they look: touch nothing, look only in here, never up to it."),
     TEXT("Nobody hears it once they look."), TEXT("The first guest repeats it.")},
    {"brief", "screen",
     TEXT("Say it before they come: look at the screen, never towards the eyepiece or the Sun."),
     TEXT("The first thing that everybody does is to look where the light comes from."),
     TEXT("The first guest repeats it.")},
    {"brief", "video",
     TEXT("Say it before they come: look at the display, touch nothing, never look up to the Sun."),
     TEXT("The first thing that everybody does is to look where the telescope points."),
     TEXT("The first guest repeats it.")},
    {"brief", "camera",
     TEXT("Say it before they come: look at the display, never into the camera or up to the Sun."),
     TEXT("The first thing that everybody does is to look where the telescope points."),
     TEXT("The first guest repeats it.")},
    {"try-on-card", "", TEXT("Uncap, find the Sun, and hold a card behind the eyepiece first."),
     TEXT("A card shows a fault without costing an eye."),
     TEXT("The light on the card is dim and cold. A bright or warm spot: cap at once.")},
    {"try-picture", "", TEXT("Uncap, find the Sun, and look at the display first yourself."),
     TEXT("A fault shows there without costing an eye."),
     TEXT("The picture is as bright as always. Anything else: cap at once.")},
    {"try-picture", "screen", TEXT("Uncap, find the Sun, and look at the screen first yourself."),
     TEXT("The beam is bright and hot: it must end on the screen, inside its box."),
     TEXT("No stray light leaves the box. If anything smells or smokes, cap at once.")},
    {"hand-over", "", TEXT("Hand over, and stay with a hand on the cap."),
     TEXT("While guests look, nobody else watches the tube."),
     TEXT("Whoever leaves caps it first.")},
    {"hand-over", "screen", TEXT("Let them look, and stay with a hand on the cap."),
     TEXT("While guests look at the screen, nobody else watches the beam."),
     TEXT("Whoever leaves caps it first; the eyepiece rests in between.")},
    {"hand-over", "video", TEXT("Show it, and stay at the telescope."),
     TEXT("While guests look at the display, nobody else watches the tube."),
     TEXT("Whoever leaves caps it first.")},
    {"hand-over", "camera", TEXT("Show it, and stay at the telescope."),
     TEXT("While guests look at the display, nobody else watches the tube."),
     TEXT("Whoever leaves caps it first.")},
    // Packing.
    {"pack-away", "", TEXT("Turn the tube away from the Sun."),
     TEXT("Taking down is when parts come off an open tube."), TEXT("The Sun is behind the tube.")},
    {"pack-cap", "", TEXT("Front cap on."), TEXT("First the light goes, then what dims it."),
     TEXT("You see the cap on the lens, or over the filter.")},
    {"heater-off", "", TEXT("Heater off: %1."),
     TEXT("It cools slowly; hot it does not go into a box."), TEXT("It feels like the air.")},
    {"power-off", "", TEXT("Park the mount, power off, cables out."),
     TEXT("A mount that starts by itself turns the tube through the Sun and pulls its cables."),
     TEXT("No controller shows a light.")},
    {"take-end", "", TEXT("Take out %1, caps on."),
     TEXT("What lies open gathers dust; what hangs on the tube falls with it."),
     TEXT("Caps are on both its ends.")},
    {"take-rear", "", TEXT("Take off the rear: %1."), TEXT("Never before the front is capped."),
     TEXT("Caps are on both its ends.")},
    {"take-front", "", TEXT("Take off %1, the cap on at once; into its box with it."),
     TEXT("Without it the tube is open; a filter among tools is a filter with a scratch."),
     TEXT("The cap is on the lens; the filter lies dry and flat, and nothing presses on it.")},
    {"tube-off", "", TEXT("Take the tube off, before the counterweights."),
     TEXT("A mount with weights and no tube stands; one with a tube and no weights falls."),
     TEXT("Caps are on both ends of the tube.")},
    {"tube-off", "undriven", TEXT("Take the tube or camera off the tripod."),
     TEXT("A tripod that is carried with it drops it."), TEXT("Caps are on both its ends.")},
    {"weights-off", "", TEXT("Take the counterweights off last."),
     TEXT("They hold the mount upright as long as the tube is on."),
     TEXT("The bar is empty, its screw back in.")},
    {"mark-feet", "", TEXT("Mark the tripod's feet on the ground."),
     TEXT("Next time the axis stands within a quarter of a degree at once."),
     TEXT("Three marks that rain does not wash off.")},
    {"dry", "", TEXT("Let everything dry before the boxes are closed."),
     TEXT("Damp in a box becomes mould and rust."), TEXT("No glass is fogged.")},
    {"write-down", "", TEXT("Write down what was found: steps, exposure, air, faults."),
     TEXT("It is what the next day begins with."), TEXT("The page of today is in the log.")},
};

const StepRow* row_of(std::string_view id, std::string_view variant) {
  const auto* found = std::find_if(std::begin(kSteps), std::end(kSteps), [&](const StepRow& row) {
    return row.id == id && row.variant == variant;
  });
  if (found != std::end(kSteps)) {
    return found;
  }
  return variant.empty() ? nullptr : row_of(id, {});
}

constexpr const char* kUnnamed = TEXT("what belongs there");
constexpr const char* kNeverAlone =
    TEXT("Never leave it alone with people about. What its makers say goes before this.");

}  // namespace

StepWords handling_words(const safety::HandlingStep& step, const Voice& voice) {
  const StepRow* row = row_of(step.id, step.variant);
  if (row == nullptr) {
    return {};
  }
  std::vector<std::string> named;  // a part may have been left without a name
  std::copy_if(step.parts.begin(), step.parts.end(), std::back_inserter(named),
               [](const std::string& name) { return !name.empty(); });
  const std::string parts = named.empty() ? voice.say(kUnnamed) : voice.listed(named);
  const auto say = [&](const char* text) { return filled(voice.say(text), {parts}); };
  return {say(row->what), say(row->why), say(row->check)};
}

std::string never_alone_words(const Voice& voice) { return voice.say(kNeverAlone); }

}  // namespace solarchon::words
