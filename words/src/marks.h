// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <iterator>
#include <string_view>

/// Marks a text for translation: tools/words.py has lupdate take what stands in it into the
/// translations, in the context "solarchon::words". It leaves the text as it is, and stands in
/// tables only: inside a function lupdate may take another context.
#define TEXT(text) text

namespace solarchon::words {

/// A text by its id.
struct TextRow {
  std::string_view id;
  const char* text;
};

/// The text of an id; null where the table has none.
template <std::size_t Count>
[[nodiscard]] constexpr const char* text_of(const TextRow (&rows)[Count], std::string_view id) {
  const auto* found = std::find_if(std::begin(rows), std::end(rows),
                                   [&](const TextRow& row) { return row.id == id; });
  return found != std::end(rows) ? found->text : nullptr;
}

}  // namespace solarchon::words
