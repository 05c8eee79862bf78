// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/match/target.h"

namespace solarchon::match {

TargetNeed need_of(Target target, double semidiameter_arcsec) {
  constexpr double kMargin = 1.08;
  constexpr double kSurfaceKmS = 1.0;
  constexpr double kGasKmS = 15.0;
  switch (target) {
    case Target::kWholeDisc:
      return {kMargin * 2.0 * semidiameter_arcsec / 60.0, kSurfaceKmS};
    case Target::kLargestSpot:
      return {4.0, kSurfaceKmS};
    case Target::kGranulation:
      return {2.0, kSurfaceKmS, false, true};
    case Target::kFaculae:
      return {4.0, kSurfaceKmS, false, true};
    case Target::kProminence:
      return {5.0, kGasKmS, true};
    case Target::kFilament:
      return {8.0, kGasKmS, true};
    case Target::kPlage:
      return {5.0, kGasKmS, true};
    case Target::kLimb:
      return {6.0, kGasKmS};
  }
  return {};
}

}  // namespace solarchon::match
