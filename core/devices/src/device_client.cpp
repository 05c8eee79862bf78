// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/device_client.h"

#include <algorithm>
#include <chrono>
#include <optional>
#include <utility>

#include "solarchon/base/json.h"
#include "solarchon/base/text.h"

namespace solarchon::devices {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

constexpr const char* kField = "device";
constexpr std::size_t kMostEvents = 100;
constexpr std::size_t kMostNameBytes = 200;
/// So many lines that are no messages, and no answer: it speaks something else.
constexpr int kMostGarbage = 50;
constexpr sky::Duration kLook = sky::seconds(0.05);  // between two looks at whether it shall end

}  // namespace

bool DeviceCard::has(std::string_view method) const {
  return std::find(can.begin(), can.end(), method) != can.end();
}

Result<DeviceClient> DeviceClient::open(const std::filesystem::path& path, std::stop_token ending) {
  auto connection = connect_to(path);
  if (!connection) {
    return tl::make_unexpected(connection.error());
  }
  DeviceClient client(std::move(*connection), std::move(ending));
  if (const auto greeted = client.greet(); !greeted) {
    return tl::make_unexpected(greeted.error());
  }
  return client;
}

Result<void> DeviceClient::greet() {
  return call("hello", {{"protocol", kProtocol}}).and_then([&](const Json& said) -> Result<void> {
    base::ObjectReader reader(said, "hello");
    card_.protocol = reader.integer("protocol", {1, 1'000'000});
    card_.name = reader.text_or("name", "").substr(0, kMostNameBytes);
    card_.axes = reader.choice_or("axes", kMountAxesWords, MountAxes::kPole);
    card_.simulated = reader.flag_or("simulated", false);
    if (reader.error()) {
      return tl::make_unexpected(*reader.error());
    }
    if (card_.protocol != kProtocol) {
      return base::fail(ErrorCode::kVersion, kField, std::to_string(card_.protocol),
                        base::wants("versions-up-to", {static_cast<double>(kProtocol)}));
    }
    if (said.contains("can") && said.at("can").is_array()) {
      for (const Json& method : said.at("can")) {
        if (method.is_string()) {
          card_.can.push_back(method.get<std::string>());
        }
      }
    }
    return {};
  });
}

Result<Json> DeviceClient::call(const std::string& method, const Json& params) {
  constexpr std::size_t kMostReasonBytes = 120;  // of what a device says when it refuses
  const std::int64_t id = ++last_id_;
  if (const auto sent = connection_.send(to_line(Request{id, method, params}), kPatience); !sent) {
    return tl::make_unexpected(sent.error());
  }
  const auto begun = std::chrono::steady_clock::now();
  int garbage = 0;
  for (;;) {
    const sky::Duration left = kPatience - (std::chrono::steady_clock::now() - begun);
    if (left.count() <= 0.0 || garbage > kMostGarbage) {
      return base::fail_because(
          ErrorCode::kNotFound, kField,
          garbage > 0 ? base::because("device-garbage") : base::because("device-silent"));
    }
    if (ending_.stop_requested()) {
      return base::fail(ErrorCode::kCancelled, kField);
    }
    const auto lines = connection_.receive(std::min(left, kLook));
    if (!lines) {
      return tl::make_unexpected(lines.error());
    }
    std::optional<Result<Json>> found;
    for (const LineCutter::Line& line : *lines) {  // all of them: an event may follow the answer
      const auto message = line ? read_message(*line) : Result<Message>(Event{});
      if (!line || !message) {
        ++garbage;
      } else if (const auto* event = std::get_if<Event>(&*message)) {
        keep(*event);
      } else if (const auto* answer = std::get_if<Answer>(&*message);
                 answer != nullptr && answer->id == id) {
        found = answer->fault ? Result<Json>(base::fail_because(
                                    ErrorCode::kNotFound, kField,
                                    base::because("device-refuses", {},
                                                  base::clipped(answer->reason, kMostReasonBytes))))
                              : Result<Json>(answer->result.get());
      }
    }
    if (found) {
      return *std::move(found);
    }
  }
}

Result<void> DeviceClient::tell(const std::string& method, const Json& params) {
  return call(method, params).map([](const Json& /*result*/) {});
}

Result<Json> DeviceClient::call(const std::string& method) { return call(method, Json::object()); }

Result<void> DeviceClient::tell(const std::string& method) { return tell(method, Json::object()); }

void DeviceClient::keep(const Event& event) {
  if (events_.size() < kMostEvents) {
    events_.push_back(event);
  }
}

Result<void> DeviceClient::listen() {
  return connection_.receive(sky::seconds(0.0))
      .map([this](const std::vector<LineCutter::Line>& lines) {
        for (const LineCutter::Line& line : lines) {
          const auto message = line ? read_message(*line) : Result<Message>(Answer{});
          if (const auto* event = message ? std::get_if<Event>(&*message) : nullptr) {
            keep(*event);
          }
        }
      });
}

std::vector<Event> DeviceClient::take_events() { return std::exchange(events_, {}); }

}  // namespace solarchon::devices
