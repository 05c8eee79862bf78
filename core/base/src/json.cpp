// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/json.h"

#include <algorithm>
#include <cmath>
#include <sstream>
#include <utility>

#include "solarchon/base/text.h"

namespace solarchon::base {

namespace {

/// A value as errors show it: never more than a line.
std::string shown(const Json& value) {
  constexpr std::size_t kLongest = 40;
  if (value.is_structured()) {
    return value.is_array() ? "[...]" : "{...}";
  }
  std::string text = value.dump(-1, ' ', false, Json::error_handler_t::replace);
  return text.size() > kLongest ? text.substr(0, kLongest) + "..." : text;
}

}  // namespace

std::string file_text(const Json& json) {
  return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

Result<Json> parse_json(std::string_view text, const std::string& source) {
  constexpr int kDeepest = 64;  // a file of a million brackets must not exhaust the stack
  bool too_deep = false;
  const auto watch_depth = [&](int depth, Json::parse_event_t /*event*/, Json& /*parsed*/) {
    too_deep = too_deep || depth > kDeepest;
    return !too_deep;
  };
  try {
    Json parsed = Json::parse(text, watch_depth);
    if (too_deep) {
      return fail_because(ErrorCode::kMalformed, source, because("nested-too-deeply"),
                          wants("json"));
    }
    return parsed;
  } catch (const Json::parse_error& problem) {
    return fail_because(ErrorCode::kMalformed, source,
                        because("at-byte", {static_cast<double>(problem.byte)}), wants("json"));
  } catch (const Json::exception&) {  // a number that no double holds, such as 1e999
    return fail_because(ErrorCode::kMalformed, source, because("number-too-large"), wants("json"));
  }
}

ObjectReader::ObjectReader(const Json& object, std::string path)
    : object_(object), path_(std::move(path)) {
  if (!object_.is_object()) {
    error_ = Error{
        ErrorCode::kWrongType, path_.empty() ? "file" : path_, shown(object_), wants("object"), {}};
  }
}

std::string ObjectReader::path_of(std::string_view key) const {
  return path_.empty() ? std::string(key) : path_ + "." + std::string(key);
}

void ObjectReader::fail(ErrorCode code, std::string_view key, std::string value, Remark accepted) {
  if (!error_) {
    error_ = Error{code, path_of(key), std::move(value), std::move(accepted), {}};
  }
}

bool ObjectReader::has(std::string_view key) const {
  return object_.is_object() && object_.contains(std::string(key));
}

void ObjectReader::allow_only(const std::vector<std::string_view>& keys) {
  if (error_ || !object_.is_object()) {
    return;
  }
  constexpr std::size_t kLongest = 40;
  for (const auto& [key, value] : object_.items()) {
    if (std::find(keys.begin(), keys.end(), key) == keys.end()) {
      fail(ErrorCode::kUnknownValue, key.substr(0, kLongest), {},
           one_of({keys.begin(), keys.end()}));
      error_->reason = because("no-such-member");
      return;
    }
  }
}

const Json* ObjectReader::find(std::string_view key, bool required) {
  if (error_) {
    return nullptr;
  }
  const auto member = object_.find(std::string(key));
  if (member != object_.end()) {
    return &*member;
  }
  if (required) {
    fail(ErrorCode::kMissing, key, {}, {});
  }
  return nullptr;
}

std::optional<double> ObjectReader::optional_number(std::string_view key, Range range) {
  const Json* member = find(key, false);
  if (member == nullptr) {
    return std::nullopt;
  }
  if (!member->is_number()) {
    fail(ErrorCode::kWrongType, key, shown(*member), wants("number"));
    return std::nullopt;
  }
  const auto value = member->get<double>();
  if (!(value >= range.low && value <= range.high)) {
    fail(ErrorCode::kOutOfRange, key, short_text(value), within(range));
    return std::nullopt;
  }
  return value;
}

double ObjectReader::number(std::string_view key, Range range) {
  if (find(key, true) == nullptr) {
    return range.low;
  }
  return optional_number(key, range).value_or(range.low);
}

double ObjectReader::number_or(std::string_view key, Range range, double fallback) {
  return optional_number(key, range).value_or(fallback);
}

int ObjectReader::integer(std::string_view key, Range range) {
  const double value = number(key, range);
  if (!error_ && value != std::floor(value)) {
    fail(ErrorCode::kWrongType, key, short_text(value), wants("whole-number"));
  }
  return static_cast<int>(value);
}

int ObjectReader::integer_or(std::string_view key, Range range, int fallback) {
  return has(key) ? integer(key, range) : fallback;
}

std::string ObjectReader::text(std::string_view key) {
  const Json* member = find(key, true);
  if (member == nullptr) {
    return {};
  }
  if (!member->is_string()) {
    fail(ErrorCode::kWrongType, key, shown(*member), wants("text"));
    return {};
  }
  std::string value = member->get<std::string>();
  if (value.size() > kMostTextBytes) {
    fail(ErrorCode::kTooLarge, key, {},
         wants("at-most-bytes", {static_cast<double>(kMostTextBytes)}));
    return {};
  }
  return value;
}

std::string ObjectReader::text_or(std::string_view key, std::string fallback) {
  return has(key) ? text(key) : std::move(fallback);
}

bool ObjectReader::flag_or(std::string_view key, bool fallback) {
  const Json* member = find(key, false);
  if (member == nullptr) {
    return fallback;
  }
  if (!member->is_boolean()) {
    fail(ErrorCode::kWrongType, key, shown(*member), wants("flag"));
    return fallback;
  }
  return member->get<bool>();
}

std::size_t ObjectReader::choice(std::string_view key, const std::vector<std::string>& words) {
  const std::string word = text(key);
  const auto place = std::find(words.begin(), words.end(), word);
  if (place == words.end()) {
    fail(ErrorCode::kUnknownValue, key, word, one_of(words));
    return 0;
  }
  return static_cast<std::size_t>(place - words.begin());
}

std::size_t ObjectReader::choice_or(std::string_view key, const std::vector<std::string>& words,
                                    std::size_t fallback) {
  return has(key) ? choice(key, words) : fallback;
}

const Json& ObjectReader::object(std::string_view key) {
  static const Json kEmpty = Json::object();
  const Json* member = find(key, true);
  if (member == nullptr) {
    return kEmpty;
  }
  if (!member->is_object()) {
    fail(ErrorCode::kWrongType, key, shown(*member), wants("object"));
    return kEmpty;
  }
  return *member;
}

}  // namespace solarchon::base
