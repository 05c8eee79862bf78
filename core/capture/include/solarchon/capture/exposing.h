// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/capture/source.h"
#include "solarchon/live/setting.h"

namespace solarchon::capture {

/// An exposure, and what the meters are to expect with it.
struct Exposing {
  double ms;
  live::Setting setting;
};

/// What is expected of the same sky where the exposure is so many times as long (above 0).
[[nodiscard]] live::Setting exposed(live::Setting setting, double times);

/// Whether a frame tells that it was exposed so.
[[nodiscard]] bool exposed_so(const LiveFrame& frame, double exposure_ms);

}  // namespace solarchon::capture
