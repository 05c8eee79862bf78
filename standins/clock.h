// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>

#include "solarchon/sky/time.h"

namespace solarchon::standins {

/// What the computer's clock says.
[[nodiscard]] inline sky::UtcTime computers_clock() {
  using std::chrono::system_clock;
  return {
      std::chrono::duration_cast<std::chrono::milliseconds>(system_clock::now().time_since_epoch())
          .count()};
}

}  // namespace solarchon::standins
