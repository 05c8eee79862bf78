// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <string_view>

#include "solarchon/optics/rig.h"

namespace solarchon::app {

/// A part's kind for people: `Front filter`.
[[nodiscard]] QString kind_name(const optics::Part& part);

/// Label and unit of a part's property.
struct ParameterWords {
  QString label;
  QString unit;
  QString reason;  ///< what it decides, for a tooltip
};
[[nodiscard]] ParameterWords parameter_words(std::string_view key);
/// What a value of 0 means where it is no number: `no limit`, `not known`; empty elsewhere.
[[nodiscard]] QString zero_words(std::string_view key);
/// One of the words that a choice has in files, for people.
[[nodiscard]] QString choice_word(std::string_view word);
[[nodiscard]] QString face_name(optics::Face face);

}  // namespace solarchon::app
