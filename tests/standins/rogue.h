// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <functional>
#include <thread>

#include "solarchon/devices/local_socket.h"

namespace solarchon::test {

/// A device that answers each line as a function says, which may be anything at all: bytes to send,
/// nothing to be silent, or `hang up`.
class Rogue {
 public:
  using Reply = std::function<std::string(const std::string& line)>;
  static constexpr const char* kHangUp = "hang up";

  Rogue(devices::Listener listener, Reply reply)
      : listener_(std::move(listener)), reply_(std::move(reply)), thread_([this] { serve(); }) {}
  ~Rogue() {
    stop_ = true;
    thread_.join();
  }
  Rogue(const Rogue&) = delete;
  Rogue& operator=(const Rogue&) = delete;

 private:
  void serve() {
    std::vector<devices::Connection> callers;
    while (!stop_) {
      if (devices::Socket caller = listener_.accept(); caller.open()) {
        callers.emplace_back(std::move(caller));
      }
      for (devices::Connection& caller : callers) {
        const auto lines = caller.open() ? caller.receive(sky::seconds(0.001))
                                         : base::Result<std::vector<devices::LineCutter::Line>>();
        if (!lines) {
          caller.close();
          continue;
        }
        for (const auto& line : *lines) {
          const std::string said = reply_(line.value_or(std::string()));
          if (said == kHangUp) {
            caller.close();
            break;
          }
          (void)caller.send(said, sky::seconds(1.0)).has_value();
        }
      }
    }
  }

  devices::Listener listener_;
  Reply reply_;
  std::atomic<bool> stop_{false};
  std::thread thread_;
};

}  // namespace solarchon::test
