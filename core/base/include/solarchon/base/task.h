// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <stop_token>

namespace solarchon::base {

/// How long work is watched and stopped: plain callbacks, no interface types.
struct Task {
  std::stop_token stop;                                ///< asked between steps
  std::function<void(double fraction)> progress = {};  ///< 0 to 1, from the working thread

  [[nodiscard]] bool stopped() const { return stop.stop_requested(); }
  void report(double fraction) const {
    if (progress) {
      progress(fraction);
    }
  }
};

}  // namespace solarchon::base
