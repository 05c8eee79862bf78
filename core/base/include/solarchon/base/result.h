// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <string_view>
#include <tl/expected.hpp>
#include <type_traits>
#include <utility>
#include <vector>

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

/// Part of an error by id, with what goes into its sentence. The sentences stand in words/; ids are
/// literals, and only `wants`, `because` and `reported` make one, so that no other text becomes
/// one.
class Remark {
 public:
  Remark() = default;

  std::string_view id;  ///< empty: nothing is said
  std::vector<double> figures;
  std::string detail;  ///< words of a format, a library's or the system's report
  bool operator==(const Remark&) const = default;

 private:
  Remark(std::string_view by, std::vector<double> with, std::string words)
      : id(by), figures(std::move(with)), detail(std::move(words)) {}
  friend Remark wants(std::string_view id, std::vector<double> figures, std::string detail);
  friend Remark because(std::string_view id, std::vector<double> figures, std::string detail);
};

/// What would be accepted.
[[nodiscard]] inline Remark wants(std::string_view id, std::vector<double> figures = {},
                                  std::string detail = {}) {
  return {id, std::move(figures), std::move(detail)};
}
/// Why it failed.
[[nodiscard]] inline Remark because(std::string_view id, std::vector<double> figures = {},
                                    std::string detail = {}) {
  return {id, std::move(figures), std::move(detail)};
}
/// Why it failed, as a library or the system reports it, in its own words.
[[nodiscard]] inline Remark reported(std::string report) {
  return because("reported", {}, std::move(report));
}

/// An error as a value: no words for people, only what they need to be told.
struct Error {
  ErrorCode code = ErrorCode::kMalformed;
  std::string field;       ///< which input, as a path: `elements[2].aperture_mm`, or a file name
  std::string value = {};  ///< what was given
  Remark accepted = {};    ///< what would be accepted
  Remark reason = {};      ///< why, where that is not plain from the code
  int line = 0;            ///< of the file, from 1; 0: not told

  bool operator==(const Error&) const = default;
};

/// A value, or the reason why there is none. Must not be ignored.
template <typename T>
class [[nodiscard]] Result : public tl::expected<T, Error> {
 public:
  using Base = tl::expected<T, Error>;
  using Base::Base;
  Result() = default;
  Result(Base plain) : Base(std::move(plain)) {}  // NOLINT(google-explicit-constructor)

  /// Goes on with the value; `next` gives another Result.
  template <typename Next>
  [[nodiscard]] auto and_then(Next&& next) const& {
    return chained(*this, std::forward<Next>(next));
  }
  template <typename Next>
  [[nodiscard]] auto and_then(Next&& next) & {
    return chained(*this, std::forward<Next>(next));
  }
  template <typename Next>
  [[nodiscard]] auto and_then(Next&& next) && {
    return chained(std::move(*this), std::forward<Next>(next));
  }
  /// Makes something of the value; `change` gives anything but a Result.
  template <typename Change>
  [[nodiscard]] auto map(Change&& change) const& {
    return changed(*this, std::forward<Change>(change));
  }
  template <typename Change>
  [[nodiscard]] auto map(Change&& change) && {
    return changed(std::move(*this), std::forward<Change>(change));
  }

 private:
  template <typename Self, typename Next>
  static auto call(Self&& self, Next&& next) {
    if constexpr (std::is_void_v<T>) {
      return std::invoke(std::forward<Next>(next));
    } else {
      return std::invoke(std::forward<Next>(next), *std::forward<Self>(self));
    }
  }
  template <typename Self, typename Next>
  static auto chained(Self&& self, Next&& next)
      -> decltype(call(std::forward<Self>(self), std::forward<Next>(next))) {
    if (!self.has_value()) {
      return tl::make_unexpected(std::forward<Self>(self).error());
    }
    return call(std::forward<Self>(self), std::forward<Next>(next));
  }
  template <typename Self, typename Change>
  static auto changed(Self&& self, Change&& change)
      -> Result<decltype(call(std::forward<Self>(self), std::forward<Change>(change)))> {
    using Made = decltype(call(std::forward<Self>(self), std::forward<Change>(change)));
    if (!self.has_value()) {
      return tl::make_unexpected(std::forward<Self>(self).error());
    }
    if constexpr (std::is_void_v<Made>) {
      call(std::forward<Self>(self), std::forward<Change>(change));
      return {};
    } else {
      return call(std::forward<Self>(self), std::forward<Change>(change));
    }
  }
};

/// Builds the error side of a Result.
[[nodiscard]] inline tl::unexpected<Error> fail(ErrorCode code, std::string field,
                                                std::string value = {}, Remark accepted = {}) {
  return tl::make_unexpected(
      Error{code, std::move(field), std::move(value), std::move(accepted), {}, 0});
}
/// The same with the reason in the place of a value.
[[nodiscard]] inline tl::unexpected<Error> fail_because(ErrorCode code, std::string field,
                                                        Remark reason, Remark accepted = {}) {
  return tl::make_unexpected(
      Error{code, std::move(field), {}, std::move(accepted), std::move(reason), 0});
}

}  // namespace solarchon::base
