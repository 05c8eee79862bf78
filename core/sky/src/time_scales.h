// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// A Julian date in two parts, as ERFA takes it.
struct JulianDate {
  double day = 0.0;
  double fraction = 0.0;
};

struct TimeScales {
  JulianDate ut1;
  JulianDate tt;
  JulianDate tdb;
};

/// UTC to UT1, TT and TDB. Leap seconds from ERFA's table, held constant after its end; before 1972
/// the time is UT1, whatever dUT1, and TT follows from published expressions.
[[nodiscard]] TimeScales time_scales(UtcTime time, double dut1_s);
/// UT1 alone, by far the cheapest.
[[nodiscard]] JulianDate universal_time(UtcTime time, double dut1_s);

}  // namespace solarchon::sky
