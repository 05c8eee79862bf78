// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <filesystem>
#include <thread>
#include <utility>

#include "standins/server.h"

namespace solarchon::test {

/// A stand-in served by a thread.
class Served {
 public:
  Served(const std::filesystem::path& path, standins::StandInMount mount,
         standins::Server::Clock clock = {})
      : server_(std::move(mount), devices::Listener::at(path).value(), std::move(clock)),
        thread_([this] { server_.run(stop_); }) {}
  ~Served() { end(); }
  Served(const Served&) = delete;
  Served& operator=(const Served&) = delete;
  /// Ends it; its mount may be looked at then.
  const standins::StandInMount& end() {
    stop_ = true;
    if (thread_.joinable()) {
      thread_.join();
    }
    return server_.mount();
  }

 private:
  standins::Server server_;
  std::atomic<bool> stop_{false};
  std::thread thread_;
};

}  // namespace solarchon::test
