// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/messages.h"

#include <cmath>

#include "solarchon/base/json.h"

namespace solarchon::devices {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

constexpr const char* kVersion = "2.0";
constexpr const char* kSource = "message";
/// Whole numbers that every JSON library keeps.
constexpr base::Range kIdRange{0.0, 9007199254740991.0};

Result<std::int64_t> id_of(const Json& json) {
  const Json& id = json.at("id");
  if (!id.is_number()) {
    return base::fail(ErrorCode::kWrongType, "id", {}, base::wants("whole-number"));
  }
  const double value = id.get<double>();
  if (!(value >= kIdRange.low && value <= kIdRange.high) || value != std::floor(value)) {
    return base::fail(ErrorCode::kOutOfRange, "id", {}, base::wants("whole-number"));
  }
  return static_cast<std::int64_t>(value);
}

Result<Json> params_of(const Json& json) {
  if (!json.contains("params")) {
    return Json::object();
  }
  if (!json.at("params").is_object()) {
    return base::fail(ErrorCode::kWrongType, "params", {}, base::wants("object"));
  }
  return json.at("params");
}

Result<Message> call_of(const Json& json) {
  if (!json.at("method").is_string()) {
    return base::fail(ErrorCode::kWrongType, "method", {}, base::wants("text"));
  }
  const std::string method = json.at("method").get<std::string>();
  return params_of(json).and_then([&](const Json& params) -> Result<Message> {
    if (!json.contains("id")) {
      return Message(Event{method, params});
    }
    return id_of(json).map([&](std::int64_t id) { return Message(Request{id, method, params}); });
  });
}

/// A number that stands for none of the known faults is one of the device.
Fault fault_of(double code) {
  for (const Fault known : {Fault::kNotJson, Fault::kNotARequest, Fault::kNoSuchMethod,
                            Fault::kBadParams, Fault::kOtherProtocol}) {
    if (code == static_cast<double>(static_cast<int>(known))) {
      return known;
    }
  }
  return Fault::kOfTheDevice;
}

Result<Message> answer_of(const Json& json) {
  Answer answer;
  const bool has_error = json.contains("error");
  if (has_error == json.contains("result")) {
    return base::fail(ErrorCode::kMissing, "result", {}, base::wants("result-or-error"));
  }
  if (!json.contains("id")) {
    return base::fail(ErrorCode::kMissing, "id");
  }
  if (!(has_error && json.at("id").is_null())) {
    const auto id = id_of(json);
    if (!id) {
      return tl::make_unexpected(id.error());
    }
    answer.id = *id;
  }
  if (!has_error) {
    answer.result = Json(json.at("result"));
    return Message(std::move(answer));
  }
  const Json& error = json.at("error");
  if (!error.is_object() || !error.contains("code") || !error.at("code").is_number()) {
    return base::fail(ErrorCode::kWrongType, "error", {}, base::wants("object"));
  }
  answer.fault = fault_of(error.at("code").get<double>());
  if (error.contains("message") && error.at("message").is_string()) {
    answer.reason = error.at("message").get<std::string>();
  }
  return Message(std::move(answer));
}

std::string line_of(const Json& json) {
  return json.dump(-1, ' ', false, Json::error_handler_t::replace) + '\n';
}

}  // namespace

std::vector<LineCutter::Line> LineCutter::take(std::string_view bytes) {
  std::vector<Line> lines;
  while (!bytes.empty()) {
    const std::size_t end = bytes.find('\n');
    const bool ends = end != std::string_view::npos;
    const std::string_view part = bytes.substr(0, ends ? end : bytes.size());
    if (!too_long_ && begun_.size() + part.size() > kMostLineBytes) {
      too_long_ = true;
      begun_.clear();
      begun_.shrink_to_fit();
    }
    if (!too_long_) {
      begun_.append(part);
    }
    if (!ends) {
      break;
    }
    if (too_long_) {
      lines.emplace_back(std::nullopt);
    } else if (!begun_.empty()) {
      lines.emplace_back(std::move(begun_));
    }
    begun_.clear();
    too_long_ = false;
    bytes.remove_prefix(end + 1);
  }
  return lines;
}

Result<Message> read_message(std::string_view line) {
  return base::parse_json(line, kSource).and_then([](const Json& json) -> Result<Message> {
    if (!json.is_object()) {
      return base::fail(ErrorCode::kWrongType, kSource, {}, base::wants("object"));
    }
    if (!json.contains("jsonrpc") || json.at("jsonrpc") != kVersion) {
      return base::fail(ErrorCode::kMissing, "jsonrpc", {}, base::wants("json-rpc"));
    }
    return json.contains("method") ? call_of(json) : answer_of(json);
  });
}

std::string to_line(const Request& request) {
  return line_of({{"jsonrpc", kVersion},
                  {"id", request.id},
                  {"method", request.method},
                  {"params", request.params.get()}});
}

std::string to_line(const Answer& answer) {
  Json json{{"jsonrpc", kVersion}, {"id", answer.id ? Json(*answer.id) : Json(nullptr)}};
  if (answer.fault) {
    json["error"] = {{"code", static_cast<int>(*answer.fault)}, {"message", answer.reason}};
  } else {
    json["result"] = answer.result.get();
  }
  return line_of(json);
}

std::string to_line(const Event& event) {
  return line_of({{"jsonrpc", kVersion}, {"method", event.method}, {"params", event.params.get()}});
}

}  // namespace solarchon::devices
