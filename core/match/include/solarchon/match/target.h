// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/base/enum_words.h"

namespace solarchon::match {

/// What to see: what the telescope is pointed at.
enum class Target {
  kWholeDisc,
  kLargestSpot,
  kGranulation,
  kFaculae,
  kProminence,
  kFilament,
  kPlage,
  kLimb
};
inline constexpr base::EnumWords<Target, 8> kTargetWords{{"whole-disc", "largest-spot",
                                                          "granulation", "faculae", "prominence",
                                                          "filament", "plage", "limb"}};

/// What a target asks of a picture.
struct TargetNeed {
  double field_arcmin = 32.0;   ///< that it fills, with a margin
  double evolution_km_s = 1.0;  ///< how fast its detail changes
  bool hydrogen_alpha = false;  ///< not seen in white light
  bool white_light = false;     ///< not seen in hydrogen alpha
};
/// @param semidiameter_arcsec  of the Sun
/// Source: granules move at 1 km/s, chromospheric detail at 10 to 20 km/s.
[[nodiscard]] TargetNeed need_of(Target target, double semidiameter_arcsec);

}  // namespace solarchon::match
