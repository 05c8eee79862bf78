// SPDX-License-Identifier: GPL-3.0-or-later
// What there is to be done to a mount's axis, and which way its knobs turn.
#include "solarchon/words/align.h"

#include "marks.h"

namespace solarchon::words {

namespace {

constexpr TextRow kAxisAdvice[] = {
    {"lower-the-axis", TEXT("Lower the raised end of the axis by %1 (%2).")},
    {"raise-the-axis", TEXT("Raise the raised end of the axis by %1 (%2).")},
    {"turn-the-axis-west", TEXT("Turn the raised end of the axis to the west by %1 (%2).")},
    {"turn-the-axis-east", TEXT("Turn the raised end of the axis to the east by %1 (%2).")},
    {"within-the-doubt",
     TEXT("What is left is smaller than its own doubt: leave the knobs, or measure for longer.")},
    {"too-few-drifts", TEXT("One drift cannot give two errors.")},
    {"cannot-tell-apart", TEXT("These runs cannot tell an error in altitude from one in azimuth.")},
    {"runs-disagree", TEXT("No axis explains these runs: the tripod was moved, the mount ran at "
                           "another rate, or a sign is turned.")},
    {"measure-at", TEXT("Measure one more run with the Sun near hour angle %1.")},
    // Knobs and drifts, north and south of the equator.
    {"stand-south-of-it", TEXT("Stand south of the mount and look along its axis to the north: "
                               "turned to the right, the raised end goes east.")},
    {"stand-north-of-it", TEXT("Stand north of the mount and look along its axis to the south: "
                               "turned to the left, the raised end goes east.")},
    {"meridian-north", TEXT("Sun near the meridian: if it drifts to the south, the raised end "
                            "stands too far east; to the north, too far west.")},
    {"meridian-south", TEXT("Sun near the meridian: if it drifts to the north, the raised end "
                            "stands too far east; to the south, too far west.")},
    {"sides-north", TEXT("Sun in the east: if it drifts to the north, the raised end stands too "
                         "high; to the south, too low. Sun in the west: the other way round.")},
    {"sides-south", TEXT("Sun in the east: if it drifts to the south, the raised end stands too "
                         "high; to the north, too low. Sun in the west: the other way round.")},
    {"level-and-zero", TEXT("An alt-azimuth mount needs no pole: level its base. An error of north "
                            "only moves the zero of its azimuth.")},
};

}  // namespace

std::string advice_words(const align::Advice& advice, const Voice& voice) {
  const char* text = text_of(kAxisAdvice, advice.id);
  if (text == nullptr) {
    return {};
  }
  std::vector<std::string> values;
  values.reserve(advice.figures.size());
  for (const base::Figure& figure : advice.figures) {
    values.push_back(voice.rounded(figure));
  }
  return filled(voice.say(text), values);
}

}  // namespace solarchon::words
