// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/json_value.h"

#include <utility>

#include "solarchon/base/json.h"

namespace solarchon::base {

JsonValue::JsonValue() = default;
JsonValue JsonValue::object() { return {Json::object()}; }
JsonValue::JsonValue(std::unique_ptr<Json> value) : value_(std::move(value)) {}
JsonValue::~JsonValue() = default;
JsonValue::JsonValue(const JsonValue& other)
    : value_(other.value_ ? std::make_unique<Json>(*other.value_) : nullptr) {}
JsonValue::JsonValue(JsonValue&& other) noexcept = default;
JsonValue& JsonValue::operator=(JsonValue&& other) noexcept = default;

JsonValue& JsonValue::operator=(const JsonValue& other) {
  if (this != &other) {
    *this = JsonValue(other);
  }
  return *this;
}

const Json& JsonValue::get() const {
  static const Json kNull;
  return value_ ? *value_ : kNull;
}

Json& JsonValue::edit() {
  if (!value_) {
    value_ = std::make_unique<Json>();
  }
  return *value_;
}

bool JsonValue::equals(const JsonValue& other) const { return get() == other.get(); }

}  // namespace solarchon::base
