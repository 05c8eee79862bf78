// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/mount_client.h"

#include <algorithm>
#include <chrono>
#include <optional>
#include <utility>

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

Result<void> nothing(const Result<Json>& answer) {
  return answer.map([](const Json& /*result*/) {});
}

}  // namespace

Result<MountClient> MountClient::open(const std::filesystem::path& path, std::stop_token ending) {
  auto connection = connect_to(path);
  if (!connection) {
    return tl::make_unexpected(connection.error());
  }
  MountClient client(std::move(*connection), std::move(ending));
  if (const auto greeted = client.greet(); !greeted) {
    return tl::make_unexpected(greeted.error());
  }
  return client;
}

Result<void> MountClient::greet() {
  return call("hello", {{"protocol", kProtocol}}).and_then([&](const Json& said) -> Result<void> {
    base::ObjectReader reader(said, "hello");
    card_.protocol = reader.integer("protocol", {1, 1'000'000});
    card_.name = reader.text_or("name", "").substr(0, kMostNameBytes);
    card_.axes = reader.choice_or("axes", kMountAxesWords, MountAxes::kPole);
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

Result<Json> MountClient::call(const std::string& method, const Json& params) {
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
        if (events_.size() < kMostEvents) {
          events_.push_back(*event);
        }
      } else if (const auto* answer = std::get_if<Answer>(&*message);
                 answer != nullptr && answer->id == id) {
        found = answer->fault ? Result<Json>(base::fail_because(
                                    ErrorCode::kNotFound, kField,
                                    base::because("device-refuses", {}, answer->reason)))
                              : Result<Json>(answer->result);
      }
    }
    if (found) {
      return *std::move(found);
    }
  }
}

Result<void> MountClient::tell(const std::string& method, const Json& params) {
  return nothing(call(method, params));
}

Result<MountState> MountClient::state() {
  return call("mount.state", Json::object()).and_then([](const Json& result) {
    return mount_state_from_json(result, "mount.state");
  });
}

Result<void> MountClient::go_to(double right_ascension_deg, double declination_deg) {
  return tell("mount.go",
              {{"right_ascension_deg", right_ascension_deg}, {"declination_deg", declination_deg}});
}

Result<void> MountClient::synchronise(double right_ascension_deg, double declination_deg) {
  return tell("mount.synchronise",
              {{"right_ascension_deg", right_ascension_deg}, {"declination_deg", declination_deg}});
}

Result<void> MountClient::track(Tracking tracking) {
  return tell("mount.track", {{"rate", kTrackingWords.of(tracking)}});
}

Result<void> MountClient::move(double first_deg_s, double second_deg_s) {
  return tell("mount.move", {{"first_deg_s", first_deg_s}, {"second_deg_s", second_deg_s}});
}

Result<void> MountClient::park() { return tell("mount.park", Json::object()); }

Result<void> MountClient::unpark() { return tell("mount.unpark", Json::object()); }

Result<void> MountClient::seek() { return tell("mount.seek", Json::object()); }

Result<TrueLook> MountClient::look() {
  return call("camera.look", Json::object()).and_then([](const Json& result) {
    return true_look_from_json(result, "camera.look");
  });
}

Result<void> MountClient::turn_knobs(double altitude_deg, double azimuth_deg) {
  return tell("hand.knobs", {{"altitude_deg", altitude_deg}, {"azimuth_deg", azimuth_deg}});
}

Result<void> MountClient::stop() { return tell("mount.stop", Json::object()); }

std::vector<Event> MountClient::take_events() { return std::exchange(events_, {}); }

}  // namespace solarchon::devices
