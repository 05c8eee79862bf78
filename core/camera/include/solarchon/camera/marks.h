// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

#include "solarchon/base/range.h"
#include "solarchon/base/result.h"

namespace solarchon::camera {

/// What a sensor and the glass before it do to every frame alike: what a flat takes out again.
struct Marks {
  int motes = 0;  ///< of dust, on the glass before the sensor and on filters farther away
  double response_spread = 0.0;  ///< of the pixels' response, standard deviation over mean
  /// Visibility of interference bands, (bright - dark) / (bright + dark), as coated glass allows
  /// it, about 0.08, before the cone, the passband and the camera's tilt take from it. 0: none.
  double band_contrast = 0.0;
  std::uint32_t seed = 1;
  bool operator==(const Marks&) const = default;
};

inline constexpr base::Range kMotesRange{0, 500};
inline constexpr base::Range kResponseSpreadRange{0.0, 0.2};
inline constexpr base::Range kBandContrastRange{0.0, 0.5};
/// Errors: kOutOfRange with the member's name.
[[nodiscard]] base::Result<void> check(const Marks& marks);

}  // namespace solarchon::camera
