// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <concepts>
#include <memory>
#include <utility>

#include "solarchon/base/json_fwd.h"

namespace solarchon::base {

/// One JSON value as a member of a public struct, without the library in its header. It is copied
/// and compared by what it holds. A new one, and one that was moved from, holds null.
class JsonValue {
 public:
  JsonValue();
  /// An object without members.
  [[nodiscard]] static JsonValue object();
  /// Of a Json alone: braces would mean a list here and an object there.
  template <std::same_as<Json> Value>
  JsonValue(Value value) : JsonValue(std::make_unique<Json>(std::move(value))) {}
  ~JsonValue();
  JsonValue(const JsonValue& other);
  JsonValue& operator=(const JsonValue& other);
  JsonValue(JsonValue&& other) noexcept;
  JsonValue& operator=(JsonValue&& other) noexcept;

  [[nodiscard]] const Json& get() const;
  /// To be written to.
  [[nodiscard]] Json& edit();
  [[nodiscard]] friend bool operator==(const JsonValue& one, const JsonValue& other) {
    return one.equals(other);
  }

 private:
  explicit JsonValue(std::unique_ptr<Json> value);
  [[nodiscard]] bool equals(const JsonValue& other) const;
  std::unique_ptr<Json> value_;  ///< none: null
};

}  // namespace solarchon::base
