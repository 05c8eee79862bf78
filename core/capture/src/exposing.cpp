// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/capture/exposing.h"

#include <cmath>

namespace solarchon::capture {

live::Setting exposed(live::Setting setting, double times) {
  if (setting.clear_level) {
    *setting.clear_level =
        setting.black_level + (*setting.clear_level - setting.black_level) * times;
  }
  return setting;
}

bool exposed_so(const LiveFrame& frame, double exposure_ms) {
  constexpr double kAlike = 0.01;
  const auto& told = frame.frame.info.exposure_ms;
  return told && std::abs(*told - exposure_ms) <= kAlike * exposure_ms;
}

}  // namespace solarchon::capture
