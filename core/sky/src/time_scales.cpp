// SPDX-License-Identifier: GPL-3.0-or-later
#include "time_scales.h"

#include <erfa.h>

#include <chrono>

namespace solarchon::sky {

namespace {

JulianDate quasi_utc(UtcTime time) {
  using namespace std::chrono;
  const sys_time<milliseconds> instant{milliseconds{time.unix_ms}};
  const auto midnight = floor<std::chrono::days>(instant);
  const year_month_day date{midnight};
  const hh_mm_ss<milliseconds> clock{instant - midnight};
  const double second = static_cast<double>(clock.seconds().count()) +
                        static_cast<double>(clock.subseconds().count()) / 1000.0;
  JulianDate utc;
  // The status only warns of years beyond the table, which the header documents.
  eraDtf2d("UTC", static_cast<int>(date.year()), static_cast<int>(unsigned{date.month()}),
           static_cast<int>(unsigned{date.day()}), static_cast<int>(clock.hours().count()),
           static_cast<int>(clock.minutes().count()), second, &utc.day, &utc.fraction);
  return utc;
}

}  // namespace

JulianDate universal_time(UtcTime time, double dut1_s) {
  const JulianDate utc = quasi_utc(time);
  JulianDate ut1;
  eraUtcut1(utc.day, utc.fraction, dut1_s, &ut1.day, &ut1.fraction);
  return ut1;
}

TimeScales time_scales(UtcTime time, double dut1_s) {
  const JulianDate utc = quasi_utc(time);
  TimeScales scales;
  eraUtcut1(utc.day, utc.fraction, dut1_s, &scales.ut1.day, &scales.ut1.fraction);
  JulianDate tai;
  eraUtctai(utc.day, utc.fraction, &tai.day, &tai.fraction);
  eraTaitt(tai.day, tai.fraction, &scales.tt.day, &scales.tt.fraction);
  // TDB - TT at the geocentre: at most 2 ms, 0.00008 arcsec of the Sun's motion; the short form
  // of the Astronomical Almanac would do, the full series costs no more code.
  const double tdb_minus_tt_s =
      eraDtdb(scales.tt.day, scales.tt.fraction, scales.ut1.fraction, 0.0, 0.0, 0.0);
  eraTttdb(scales.tt.day, scales.tt.fraction, tdb_minus_tt_s, &scales.tdb.day,
           &scales.tdb.fraction);
  return scales;
}

}  // namespace solarchon::sky
