// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <tl/expected.hpp>
#include <utility>

namespace solarchon::base {

/// What went wrong, named by what the caller can do about it.
enum class ErrorCode {
  kMissing,       ///< a required field is absent: supply it
  kWrongType,     ///< a field holds another type than asked: correct it
  kOutOfRange,    ///< a value lies outside what is accepted: change it
  kUnknownValue,  ///< a word is not one of those accepted: choose one of them
  kMalformed,     ///< text or file does not follow its format: check the source
  kVersion,       ///< written by a newer program: update, or use another file
  kTooLarge,      ///< more data than this program takes in: use a smaller file
  kUnreadable,    ///< the file or folder cannot be read: check path and rights
  kUnwritable,    ///< the file or folder cannot be written: check rights and space
  kNotFound,      ///< the input is fine, but what was looked for is not in it
  kCancelled,     ///< the user stopped the work; nothing was written
};

/// An error as a value: no words for people, only what they need to be told.
struct Error {
  ErrorCode code = ErrorCode::kMalformed;
  std::string field;     ///< which input, as a path: `elements[2].aperture_mm`, or a file name
  std::string value;     ///< what was given, or the detail a library reported
  std::string accepted;  ///< what would be accepted

  bool operator==(const Error&) const = default;
};

/// A value, or the reason why there is none. Must not be ignored.
template <typename T>
using Result = tl::expected<T, Error>;

/// Builds the error side of a Result.
[[nodiscard]] inline tl::unexpected<Error> fail(ErrorCode code, std::string field,
                                                std::string value = {}, std::string accepted = {}) {
  return tl::make_unexpected(Error{code, std::move(field), std::move(value), std::move(accepted)});
}

}  // namespace solarchon::base
