// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/base/result.h"

namespace solarchon::base {

/// What is not known is null.
template <typename T>
[[nodiscard]] Json or_null(const std::optional<T>& value) {
  return value ? Json(*value) : Json(nullptr);
}

/// Parses JSON text without throwing.
/// @param source  how errors name the text
/// Errors: kMalformed with the byte position.
[[nodiscard]] Result<Json> parse_json(std::string_view text, const std::string& source);

/// As files hold it: indented, a line break at its end; bytes that are no UTF-8 are replaced.
[[nodiscard]] std::string file_text(const Json& json);

/// Reads the members of one JSON object, each with its type and range checked.
/// The first error is kept and every later read gives a default, so that a caller reads all
/// members in a row and asks `error()` once.
class ObjectReader {
 public:
  /// @param object  read, not copied: must outlive the reader
  /// @param path    where this object stands, put before each member's name in errors
  ObjectReader(const Json& object, std::string path);

  [[nodiscard]] double number(std::string_view key, Range range);
  [[nodiscard]] double number_or(std::string_view key, Range range, double fallback);
  [[nodiscard]] std::optional<double> optional_number(std::string_view key, Range range);
  [[nodiscard]] int integer(std::string_view key, Range range);
  [[nodiscard]] int integer_or(std::string_view key, Range range, int fallback);
  [[nodiscard]] std::string text(std::string_view key);
  [[nodiscard]] std::string text_or(std::string_view key, std::string fallback);
  [[nodiscard]] bool flag_or(std::string_view key, bool fallback);
  /// One of `words`, as its place in the list.
  [[nodiscard]] std::size_t choice(std::string_view key, const std::vector<std::string>& words);
  [[nodiscard]] std::size_t choice_or(std::string_view key, const std::vector<std::string>& words,
                                      std::size_t fallback);
  /// One of an enum's words, as its value; the first value after an error.
  template <typename Enum, std::size_t Count>
  [[nodiscard]] Enum choice(std::string_view key, const EnumWords<Enum, Count>& words) {
    return static_cast<Enum>(choice(key, words.list()));
  }
  template <typename Enum, std::size_t Count>
  [[nodiscard]] Enum choice_or(std::string_view key, const EnumWords<Enum, Count>& words,
                               Enum fallback) {
    return has(key) ? choice(key, words) : fallback;
  }
  /// The member itself when it is an object; an empty object after an error.
  [[nodiscard]] const Json& object(std::string_view key);
  [[nodiscard]] bool has(std::string_view key) const;
  /// Fails at a member that is none of `keys`, so that a misspelt one is not taken as absent.
  void allow_only(const std::vector<std::string_view>& keys);

  [[nodiscard]] std::string path_of(std::string_view key) const;
  [[nodiscard]] const std::optional<Error>& error() const { return error_; }
  void fail(ErrorCode code, std::string_view key, std::string value, Remark accepted);

 private:
  const Json* find(std::string_view key, bool required);

  const Json& object_;
  std::string path_;
  std::optional<Error> error_;
};

}  // namespace solarchon::base
