// SPDX-License-Identifier: GPL-3.0-or-later
#include "time_scales.h"

#include <erfa.h>

#include <chrono>

namespace solarchon::sky {

namespace {

/// Before leap seconds a time is taken as UT1 itself.
bool is_before_leap_seconds(UtcTime time) { return time < kFirstTime; }

/// TT - UT1 (s) from 1950 to 1972. Source: Espenak and Meeus, Five Millennium Canon of Solar
/// Eclipses (NASA/TP-2006-214141), polynomials for 1941 to 1961 and 1961 to 1986; good to 0.1 s.
double delta_t_s(UtcTime time) {
  const double year = decimal_year(time);
  constexpr double kJoint = 1961.0;
  if (year < kJoint) {
    const double t = year - 1950.0;
    return 29.07 + t * (0.407 + t * (-1.0 / 233.0 + t / 2547.0));
  }
  const double t = year - 1975.0;
  return 45.45 + t * (1.067 + t * (-1.0 / 260.0 - t / 718.0));
}

JulianDate quasi_utc(UtcTime time, const char* scale) {
  using namespace std::chrono;
  const sys_time<milliseconds> instant{milliseconds{time.unix_ms}};
  const auto midnight = floor<std::chrono::days>(instant);
  const year_month_day date{midnight};
  const hh_mm_ss<milliseconds> clock{instant - midnight};
  const double second = static_cast<double>(clock.seconds().count()) +
                        static_cast<double>(clock.subseconds().count()) / 1000.0;
  JulianDate utc;
  // The status only warns of years beyond the table, which the header documents.
  eraDtf2d(scale, static_cast<int>(date.year()), static_cast<int>(unsigned{date.month()}),
           static_cast<int>(unsigned{date.day()}), static_cast<int>(clock.hours().count()),
           static_cast<int>(clock.minutes().count()), second, &utc.day, &utc.fraction);
  return utc;
}

}  // namespace

JulianDate universal_time(UtcTime time, double dut1_s) {
  if (is_before_leap_seconds(time)) {
    return quasi_utc(time, "UT1");
  }
  const JulianDate utc = quasi_utc(time, "UTC");
  JulianDate ut1;
  eraUtcut1(utc.day, utc.fraction, dut1_s, &ut1.day, &ut1.fraction);
  return ut1;
}

TimeScales time_scales(UtcTime time, double dut1_s) {
  TimeScales scales;
  if (is_before_leap_seconds(time)) {
    scales.ut1 = quasi_utc(time, "UT1");
    eraUt1tt(scales.ut1.day, scales.ut1.fraction, delta_t_s(time), &scales.tt.day,
             &scales.tt.fraction);
  } else {
    const JulianDate utc = quasi_utc(time, "UTC");
    eraUtcut1(utc.day, utc.fraction, dut1_s, &scales.ut1.day, &scales.ut1.fraction);
    JulianDate tai;
    eraUtctai(utc.day, utc.fraction, &tai.day, &tai.fraction);
    eraTaitt(tai.day, tai.fraction, &scales.tt.day, &scales.tt.fraction);
  }
  // TDB - TT at the geocentre: at most 2 ms, 0.00008 arcsec of the Sun's motion; the short form
  // of the Astronomical Almanac would do, the full series costs no more code.
  const double tdb_minus_tt_s =
      eraDtdb(scales.tt.day, scales.tt.fraction, scales.ut1.fraction, 0.0, 0.0, 0.0);
  eraTttdb(scales.tt.day, scales.tt.fraction, tdb_minus_tt_s, &scales.tdb.day,
           &scales.tdb.fraction);
  return scales;
}

}  // namespace solarchon::sky
