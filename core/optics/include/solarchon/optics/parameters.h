// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/range.h"
#include "solarchon/optics/parts.h"

namespace solarchon::optics {

/// What a parameter holds: any number, a whole number, yes or no, or one of some words.
enum class Form { kNumber, kWhole, kFlag, kChoice };

/// One adjustable property of a part, for files, editors and checks alike. Its value travels as a
/// double: 0 or 1 for a flag, the word's place for a choice.
struct Parameter {
  std::string_view key;  ///< with its unit, as in files
  Form form;
  base::Range range;
  double fallback;  ///< taken when a file leaves it out; NaN: it must be there
  std::vector<std::string> words = {};
};

/// The word for a part's kind in files, such as `front-film`; of an unknown part, its own word.
[[nodiscard]] std::string_view kind_of(const Part& part);
/// All words for kinds, in the order of a usual path; no unknown ones.
[[nodiscard]] const std::vector<std::string>& kinds();
/// A part of a kind with its default values; none for a word that is not among kinds().
[[nodiscard]] std::optional<Part> part_of_kind(std::string_view kind);
[[nodiscard]] Zone zone_of(const Part& part);

/// The properties that describe a part of this kind, in their usual order.
[[nodiscard]] const std::vector<Parameter>& parameters_of(const Part& part);
/// Reads or sets one of them by its key; the key must be one of parameters_of.
[[nodiscard]] double parameter(const Part& part, std::string_view key);
void set_parameter(Part& part, std::string_view key, double value);

}  // namespace solarchon::optics
