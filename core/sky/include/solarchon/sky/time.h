// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <compare>
#include <cstdint>
#include <string>
#include <string_view>

#include "solarchon/base/result.h"

namespace solarchon::sky {

/// An instant of Coordinated Universal Time, as milliseconds since 1970-01-01T00:00:00Z without
/// leap seconds (the computer's own count). Within a leap second it stands still.
struct UtcTime {
  std::int64_t unix_ms = 0;
  auto operator<=>(const UtcTime&) const = default;
};

/// A length of time, fractions of a second too. It is made by `seconds`, `minutes`, `hours` and
/// `days`, and turned into a number by their counterparts, so that no unit is guessed.
using Duration = std::chrono::duration<double>;

[[nodiscard]] constexpr Duration seconds(double count) { return Duration(count); }
[[nodiscard]] constexpr Duration minutes(double count) { return Duration(60.0 * count); }
[[nodiscard]] constexpr Duration hours(double count) { return Duration(3600.0 * count); }
/// Of 24 hours.
[[nodiscard]] constexpr Duration days(double count) { return Duration(86400.0 * count); }
[[nodiscard]] constexpr double in_seconds(Duration length) { return length / seconds(1.0); }
[[nodiscard]] constexpr double in_minutes(Duration length) { return length / minutes(1.0); }
[[nodiscard]] constexpr double in_hours(Duration length) { return length / hours(1.0); }
[[nodiscard]] constexpr double in_days(Duration length) { return length / days(1.0); }

/// To the nearest millisecond.
[[nodiscard]] constexpr UtcTime operator+(UtcTime time, Duration length) {
  const double ms = 1000.0 * length.count();
  return {time.unix_ms + static_cast<std::int64_t>(ms + (ms < 0.0 ? -0.5 : 0.5))};
}
[[nodiscard]] constexpr UtcTime operator-(UtcTime time, Duration length) { return time + -length; }
/// From the second to the first.
[[nodiscard]] constexpr Duration operator-(UtcTime end, UtcTime start) {
  return Duration(static_cast<double>(end.unix_ms - start.unix_ms) / 1000.0);
}

/// First and last instant that the sky room answers for: leap-second UTC, and the range of the
/// Earth's series (ERFA eraEpv00, 1900 to 2100).
inline constexpr UtcTime kFirstTime{63072000000};   // 1972-01-01
inline constexpr UtcTime kLastTime{4102444800000};  // 2100-01-01
/// Of eclipses and transits, whose story is longer. Before 1972 such a time is UT1: there was no
/// UTC of today's kind.
inline constexpr UtcTime kFirstEclipseTime{-631152000000};  // 1950-01-01
inline constexpr UtcTime kLastEclipseTime{4133980800000};   // 2101-01-01

/// A day of the Gregorian calendar.
struct CivilDate {
  int year = 2000;
  int month = 1;  ///< 1 to 12
  int day = 1;    ///< 1 to 31
  auto operator<=>(const CivilDate&) const = default;
};

/// Reads ISO 8601: `2027-07-14`, `2027-07-14T10:30`, `...:15`, `...:15.250`, with `Z`, nothing
/// (both UTC) or an offset such as `+02:00`. Second 60, where a leap second was put in, is taken as
/// the next minute's second 0.
/// Errors: kMalformed when it is not of that form, kOutOfRange outside 1972 to 2100; the field is
/// the one given.
[[nodiscard]] base::Result<UtcTime> parse_utc(std::string_view text, const std::string& field);

/// Reads `YYYY-MM-DD`. Errors as parse_utc.
[[nodiscard]] base::Result<CivilDate> parse_date(std::string_view text, const std::string& field);
/// The same for eclipses and transits. Errors: kOutOfRange outside 1950 to 2100.
[[nodiscard]] base::Result<CivilDate> parse_eclipse_date(std::string_view text,
                                                         const std::string& field);

/// `2027-07-14T10:30:15.250Z`; milliseconds only when there are any.
[[nodiscard]] std::string to_iso(UtcTime time);
/// `2027-07-14`
[[nodiscard]] std::string to_iso(const CivilDate& date);

/// The date in UTC at that instant.
[[nodiscard]] CivilDate utc_date(UtcTime time);
/// Midnight UTC at the start of a date.
[[nodiscard]] UtcTime start_of(const CivilDate& date);
/// Decimal year: 2027.5 is the middle of 2027.
[[nodiscard]] double decimal_year(UtcTime time);

}  // namespace solarchon::sky
