// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <functional>
#include <list>

#include "solarchon/base/result.h"
#include "solarchon/devices/local_socket.h"
#include "standins/stand_in_mount.h"

namespace solarchon::standins {

/// Plays one mount at one socket, for as many programs of the same user as connect.
class Server {
 public:
  using Clock = std::function<sky::UtcTime()>;
  /// @param clock  that the mount lives by; left out: the computer's. Called on the thread of run
  Server(StandInMount mount, devices::Listener listener, Clock clock = {});
  /// Serves until it is told to stop.
  void run(const std::atomic<bool>& stop);
  [[nodiscard]] StandInMount& mount() { return mount_; }

 private:
  /// Waits a moment for something to do, and does it.
  void step();
  void hear(devices::Connection& caller);

  StandInMount mount_;
  devices::Listener listener_;
  Clock clock_;
  std::list<devices::Connection> callers_;
};

}  // namespace solarchon::standins
