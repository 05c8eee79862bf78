// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/base/range.h"

namespace solarchon::app {

inline constexpr base::Range kCloudRange{0.0, 10.0};  ///< stops

/// What is tried out on the picture alone: it changes nothing that is kept.
struct WhatIf {
  double detune_angstrom = 0.0;
  double defocus_um = 0.0;
  double cloud_stops = 0.0;
  bool moving_air = false;  ///< short exposures, one after another
  bool operator==(const WhatIf&) const = default;
};

}  // namespace solarchon::app
