// SPDX-License-Identifier: GPL-3.0-or-later
// What limits a live picture, and the next step.
#include "solarchon/words/live.h"

#include <cmath>

#include "marks.h"

namespace solarchon::words {

namespace {

using base::Unit;

constexpr TextRow kLimits[] = {
    {"not-yet", TEXT("Looking: a few seconds more.")},
    {"no-sun", TEXT("No sunlight reaches the sensor.")},
    {"clipped", TEXT("Too bright: %1 of the picture is full.")},
    {"too-dim", TEXT("Too dim: the sensor has %1 stops to spare.")},
    {"cloud", TEXT("Cloud or haze takes %1 stops.")},
    {"bands", TEXT("Interference bands, %1 deep.")},
    {"focus", TEXT("Out of focus, by about %1 one way or the other.")},
    {"tuning", TEXT("Off the middle of the line.")},
    {"drift", TEXT("The picture drifts by %1 a minute.")},
    {"dust", TEXT("Dust before the sensor: its shadow takes %1 of the light.")},
    {"air", TEXT("The air: as if the aperture were %1.")},
    {"aperture", TEXT("Nothing but the telescope: it tells %1 apart.")},
    {"not-known",
     TEXT("Nothing wrong found, but seeing and focus cannot be judged from this picture.")},
};

constexpr TextRow kNextSteps[] = {
    {"not-yet", TEXT("Hold the picture still.")},
    {"no-sun", TEXT("Look at caps, filters and pointing; never along the tube with the eye.")},
    {"clipped", TEXT("Halve the exposure and look again.")},
    {"too-dim", TEXT("Expose %2 as long, or turn the gain up.")},
    {"cloud", TEXT("Wait for a gap, or expose %2 as long and keep single frames.")},
    {"bands",
     TEXT("Tilt the camera by up to %2 and turn it until they are finer than the pixels.")},
    {"focus", TEXT("Turn the focuser a little; go back when the edge grows wider.")},
    {"tuning",
     TEXT("Go one step of the tuner, wait until it is on band, and compare: on, or back.")},
    {"drift", TEXT("The middle leaves the field in %2: look at rate and axis in Field.")},
    {"dust", TEXT("Blow it off the camera's window, or take a flat with the camera as it is.")},
    {"air", TEXT("Wait for calm moments: record many frames, keep the sharpest.")},
    {"aperture", TEXT("Record now.")},
    {"not-known", TEXT("Bring the limb into the picture, or frame detail for some seconds.")},
};

std::string figure_of(const live::Judgement& judgement, const Voice& voice) {
  const double value = judgement.figure.value;
  switch (judgement.limit) {
    case live::Limit::kClipped:
    case live::Limit::kBands:
    case live::Limit::kDust:
      return voice.figure({100.0 * value, Unit::kPercent});
    case live::Limit::kTooDim:
    case live::Limit::kCloud:
      return voice.number(value, 1);
    case live::Limit::kFocus:
      return voice.rounded({value / 1000.0, Unit::kMillimetre});
    case live::Limit::kAir:
      return voice.number(10.0 * value, 0) + " mm";
    default:
      return voice.rounded({value, Unit::kArcsecond});
  }
}

std::string step_of(const live::Judgement& judgement, const Voice& voice) {
  switch (judgement.limit) {
    case live::Limit::kTooDim:
    case live::Limit::kCloud:
      return voice.figure({judgement.next < 10.0 ? std::round(10.0 * judgement.next) / 10.0
                                                 : std::round(judgement.next),
                           Unit::kTimes});
    case live::Limit::kBands:
      return voice.figure({std::round(10.0 * judgement.next) / 10.0, Unit::kDegree});
    default:
      return voice.rounded({judgement.next / 60.0, Unit::kMinute});
  }
}

}  // namespace

LimitWords limit_words(const live::Judgement& judgement, const Voice& voice) {
  const std::string_view id = live::kLimitWords.of(judgement.limit);
  const std::vector<std::string> values{figure_of(judgement, voice), step_of(judgement, voice)};
  return {filled(voice.say(text_of(kLimits, id)), values),
          filled(voice.say(text_of(kNextSteps, id)), values)};
}

}  // namespace solarchon::words
