// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>

namespace solarchon::base {

/// Units of the figures that the core hands on for sentences.
enum class Unit {
  kNone,
  kMillimetre,
  kDegree,
  kArcminute,
  kArcsecond,
  kPixel,
  kMillisecond,
  kMinute,
  kDay,
  kPercent,
  kTimes,  ///< a ratio
  kFocalRatio,
  kOpticalDensity,  ///< of a filter made for the Sun
  kNeutralDensity,  ///< of grey glass
  kWatt,
  kWattPerCm2,
  kWattHour,
  kGigabyte,  ///< 10^9 bytes
  kByte
};

/// Its symbol, the same in every language: `mm`, `W/cm²`; empty for kNone and for days, which are
/// a word.
[[nodiscard]] std::string_view symbol_of(Unit unit);

/// A value that a sentence turns on.
struct Figure {
  double value = 0.0;
  Unit unit = Unit::kNone;
  bool operator==(const Figure&) const = default;
};

}  // namespace solarchon::base
