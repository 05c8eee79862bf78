// SPDX-License-Identifier: GPL-3.0-or-later
#include "standins/server.h"

#include <poll.h>

#include <utility>
#include <vector>

#include "standins/clock.h"

namespace solarchon::standins {

namespace {

constexpr int kMomentMs = 50;
constexpr std::size_t kMostCallers = 16;
constexpr sky::Duration kSendPatience = sky::seconds(0.2);

}  // namespace

Server::Server(StandIn& plays, devices::Listener listener, Clock clock)
    : plays_(plays),
      listener_(std::move(listener)),
      clock_(clock ? std::move(clock) : computers_clock) {}

void Server::run(const std::atomic<bool>& stop) {
  while (!stop) {
    step();
  }
}

void Server::hear(devices::Connection& caller) {
  const auto lines = caller.receive(sky::seconds(0.0));
  if (!lines) {
    caller.close();
    return;
  }
  for (const devices::LineCutter::Line& line : *lines) {
    devices::Answer answer{{}, {}, devices::Fault::kNotJson, "no line"};
    if (line) {
      const auto message = devices::read_message(*line);
      const auto* request = message ? std::get_if<devices::Request>(&*message) : nullptr;
      if (message && request == nullptr) {
        continue;  // nobody waits for an answer
      }
      if (request != nullptr) {
        plays_.advance(clock_());
        answer = plays_.answer(*request);
      } else {
        answer = {{},
                  {},
                  message.error().code == base::ErrorCode::kMalformed
                      ? devices::Fault::kNotJson
                      : devices::Fault::kNotARequest,
                  message.error().field};
      }
    }
    if (!caller.send(devices::to_line(answer), kSendPatience)) {
      caller.close();  // it does not listen
      return;
    }
  }
}

void Server::step() {
  std::vector<pollfd> waiting{{listener_.descriptor(), POLLIN, 0}};
  for (const devices::Connection& caller : callers_) {
    waiting.push_back({caller.descriptor(), POLLIN, 0});
  }
  const bool any = poll(waiting.data(), waiting.size(), kMomentMs) > 0;
  plays_.advance(clock_());
  if (any) {
    std::size_t place = 1;
    for (devices::Connection& caller : callers_) {
      if (waiting.at(place++).revents != 0) {
        hear(caller);
      }
    }
    if (waiting.front().revents != 0) {
      devices::Socket caller = listener_.accept();
      if (caller.open() && callers_.size() < kMostCallers) {
        callers_.emplace_back(std::move(caller));
      }
    }
  }
  for (const devices::Event& event : plays_.take_events()) {
    for (devices::Connection& caller : callers_) {
      if (caller.open() && !caller.send(devices::to_line(event), kSendPatience)) {
        caller.close();
      }
    }
  }
  callers_.remove_if([](const devices::Connection& caller) { return !caller.open(); });
}

}  // namespace solarchon::standins
