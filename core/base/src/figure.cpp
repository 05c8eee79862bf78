// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/figure.h"

namespace solarchon::base {

std::string_view symbol_of(Unit unit) {
  switch (unit) {
    case Unit::kMillimetre:
      return "mm";
    case Unit::kDegree:
      return "\u00b0";
    case Unit::kArcminute:
      return "\u2032";
    case Unit::kArcsecond:
      return "\u2033";
    case Unit::kPixel:
      return "px";
    case Unit::kMillisecond:
      return "ms";
    case Unit::kMinute:
      return "min";
    case Unit::kPercent:
      return "%";
    case Unit::kTimes:
      return "\u00d7";
    case Unit::kFocalRatio:
      return "f/";
    case Unit::kOpticalDensity:
      return "OD";
    case Unit::kNeutralDensity:
      return "ND";
    case Unit::kWatt:
      return "W";
    case Unit::kWattPerCm2:
      return "W/cm\u00b2";
    case Unit::kWattHour:
      return "Wh";
    case Unit::kGigabyte:
      return "GB";
    case Unit::kByte:
      return "B";
    case Unit::kNone:
    case Unit::kDay:
      break;
  }
  return {};
}

}  // namespace solarchon::base
