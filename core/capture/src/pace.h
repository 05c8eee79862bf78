// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <condition_variable>
#include <mutex>
#include <stop_token>

namespace solarchon::capture {

/// Holds a thread back until an instant of the clock; false when it was asked to stop meanwhile.
[[nodiscard]] inline bool wait_until(std::chrono::steady_clock::time_point when,
                                     const std::stop_token& stop) {
  std::mutex mutex;
  std::condition_variable_any bell;
  std::unique_lock lock(mutex);
  bell.wait_until(lock, stop, when, [] { return false; });
  return !stop.stop_requested();
}

}  // namespace solarchon::capture
