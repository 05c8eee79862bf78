// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/range.h"

namespace solarchon::sky {

/// Relative humidity of the air (percent).
inline constexpr base::Range kHumidityRange{1.0, 100.0};

/// The temperature at which air begins to leave its water on glass (degree C).
/// @param air_c             -40 to 50
/// @param humidity_percent  within kHumidityRange
/// Accuracy: 0.4 degree. Source: Magnus' formula with 17.625 and 243.04 C (Alduchov and Eskridge,
/// Journal of Applied Meteorology 35 (1996) 601).
[[nodiscard]] double dew_point_c(double air_c, double humidity_percent);

/// What becomes of glass that is carried into other air.
struct Fog {
  double dew_point_c = 0.0;
  bool fogs = false;
  std::optional<double> clear_after_min;  ///< none: it does not fog, or it stays fogged by itself
  double at_air_after_min = 0.0;          ///< within half a degree of the air
};

/// @param glass_c      where it was stored, -60 to 80
/// @param aperture_mm  above 0
/// Accuracy: a guess by its nature: a tube goes to the air's temperature with a time constant of
/// about 5 minutes for each 25 mm of aperture.
[[nodiscard]] Fog fog_of(double glass_c, double air_c, double humidity_percent, double aperture_mm);

}  // namespace solarchon::sky
