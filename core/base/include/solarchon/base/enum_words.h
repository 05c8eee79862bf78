// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace solarchon::base {

/// The words that an enumeration has in files and answers, both ways. It stands beside the enum,
/// whose values count from 0, in its order:
/// `inline constexpr base::EnumWords<Target, 2> kTargetWords{{"whole-disc", "largest-spot"}};`
template <typename Enum, std::size_t Count>
struct EnumWords {
  std::array<std::string_view, Count> words;

  [[nodiscard]] static constexpr std::size_t size() { return Count; }
  /// The word of a value; throws std::out_of_range for what is none of the enum's.
  [[nodiscard]] constexpr std::string_view of(Enum value) const {
    return words.at(static_cast<std::size_t>(value));
  }
  /// The value of a word; none for a word that is not the enum's.
  [[nodiscard]] constexpr std::optional<Enum> from(std::string_view word) const {
    const auto found = std::find(words.begin(), words.end(), word);
    return found != words.end() ? std::optional<Enum>(static_cast<Enum>(found - words.begin()))
                                : std::nullopt;
  }
  [[nodiscard]] std::vector<std::string> list() const { return {words.begin(), words.end()}; }
};

}  // namespace solarchon::base
