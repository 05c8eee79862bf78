// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "solarchon/optics/rig.h"
#include "solarchon/words/voice.h"

namespace solarchon::words {

/// A part's kind for people: `Front filter`.
[[nodiscard]] std::string kind_name(const optics::Part& part, const Voice& voice = english());

/// A part's name; one that was made to measure and has none yet is called by what it is:
/// `Mask cut from card, 80 mm`.
[[nodiscard]] std::string name_of(const optics::Element& part, const Voice& voice = english());

/// Parts and light paths that ship with the program, with their names in the voice's language.
[[nodiscard]] std::vector<optics::Element> named(std::vector<optics::Element> parts,
                                                 const Voice& voice);
[[nodiscard]] optics::Rig named(optics::Rig rig, const Voice& voice);

/// Label and unit of a part's property.
struct ParameterWords {
  std::string label;
  std::string unit;
  std::string reason;  ///< what it decides, for a tooltip
};
[[nodiscard]] ParameterWords parameter_words(std::string_view key, const Voice& voice = english());
/// What a value of 0 means where it is no number: `no limit`, `not known`; empty elsewhere.
[[nodiscard]] std::string zero_words(std::string_view key, const Voice& voice = english());
/// One of the words that a choice has in files, for people.
[[nodiscard]] std::string choice_word(std::string_view word, const Voice& voice = english());
[[nodiscard]] std::string face_name(optics::Face face, const Voice& voice = english());

}  // namespace solarchon::words
