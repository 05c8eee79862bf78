// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <filesystem>
#include <thread>
#include <utility>

#include "standins/server.h"
#include "standins/stand_in_mount.h"

namespace solarchon::test {

/// Serves a device on a thread for as long as it lives.
class ServedDevice {
 public:
  ServedDevice(const std::filesystem::path& path, standins::StandIn& plays,
               standins::Server::Clock clock = {})
      : server_(plays, devices::Listener::at(path).value(), std::move(clock)),
        thread_([this] { server_.run(stop_); }) {}
  ~ServedDevice() { end(); }
  ServedDevice(const ServedDevice&) = delete;
  ServedDevice& operator=(const ServedDevice&) = delete;
  void end() {
    stop_ = true;
    if (thread_.joinable()) {
      thread_.join();
    }
  }

 private:
  standins::Server server_;
  std::atomic<bool> stop_{false};
  std::thread thread_;
};

/// A mount of its own, served.
class Served {
 public:
  Served(const std::filesystem::path& path, standins::StandInMount mount,
         standins::Server::Clock clock = {})
      : mount_(std::move(mount)), device_(path, mount_, std::move(clock)) {}
  /// Ends it; its mount may be looked at then.
  const standins::StandInMount& end() {
    device_.end();
    return mount_;
  }

 private:
  standins::StandInMount mount_;
  ServedDevice device_;
};

}  // namespace solarchon::test
