// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/devices/messages.h"
#include "solarchon/sky/time.h"

namespace solarchon::standins {

/// A device that is played: told what to do by the methods of docs/devices.md, moved on by a clock.
class StandIn {
 public:
  StandIn() = default;
  virtual ~StandIn() = default;
  StandIn(const StandIn&) = default;
  StandIn& operator=(const StandIn&) = default;
  StandIn(StandIn&&) = default;
  StandIn& operator=(StandIn&&) = default;

  /// Moves on to an instant; earlier ones change nothing.
  virtual void advance(sky::UtcTime now) = 0;
  /// Does what a request asks. The answer carries its id.
  [[nodiscard]] virtual devices::Answer answer(const devices::Request& request) = 0;
  /// What it tells of itself; forgotten with it.
  [[nodiscard]] virtual std::vector<devices::Event> take_events() = 0;
};

}  // namespace solarchon::standins
