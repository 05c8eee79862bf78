// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <mutex>
#include <optional>
#include <thread>

#include "solarchon/sky/disc.h"
#include "solarchon/sky/site.h"

namespace solarchon::standins {

/// Where a mount that is played by another process lets a telescope look. It is asked on a thread
/// of its own, and looked for again where it is gone.
class MountWatch {
 public:
  /// @param observer  where it stands
  MountWatch(std::filesystem::path socket, const sky::Observer& observer);
  MountWatch(const MountWatch&) = delete;
  MountWatch& operator=(const MountWatch&) = delete;

  /// From the Sun's centre to where it looks, as last told; none before that.
  [[nodiscard]] std::optional<sky::DiscPlace> off_sun() const;

 private:
  void run(const std::stop_token& stop);

  std::filesystem::path socket_;
  sky::Observer observer_;
  mutable std::mutex mutex_;
  std::optional<sky::DiscPlace> off_sun_;
  std::jthread thread_;  // last: it uses all of the above
};

}  // namespace solarchon::standins
