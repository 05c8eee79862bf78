// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <functional>
#include <list>

#include "solarchon/base/result.h"
#include "solarchon/devices/local_socket.h"
#include "standins/stand_in.h"

namespace solarchon::standins {

/// Plays one device at one socket, for as many programs of the same user as connect.
class Server {
 public:
  using Clock = std::function<sky::UtcTime()>;
  /// @param plays  must outlive the server; used on the thread of run
  /// @param clock  that it lives by; left out: the computer's. Called on the thread of run
  Server(StandIn& plays, devices::Listener listener, Clock clock = {});
  /// Serves until it is told to stop.
  void run(const std::atomic<bool>& stop);

 private:
  /// Waits a moment for something to do, and does it.
  void step();
  void hear(devices::Connection& caller);

  StandIn& plays_;
  devices::Listener listener_;
  Clock clock_;
  std::list<devices::Connection> callers_;
};

}  // namespace solarchon::standins
