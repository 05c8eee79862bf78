// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/time.h"

#include <erfa.h>

#include <array>
#include <charconv>
#include <chrono>
#include <cstdio>
#include <optional>

namespace solarchon::sky {

using base::ErrorCode;
using base::fail;

namespace {

/// Takes fixed-width numbers and marks off the front of a text.
class Scanner {
 public:
  explicit Scanner(std::string_view text) : rest_(text) {}
  std::optional<int> number(std::size_t width) {
    int value = 0;
    if (rest_.size() < width || rest_.front() == '-' || rest_.front() == '+') {
      return std::nullopt;
    }
    const char* end = rest_.data() + width;
    const auto outcome = std::from_chars(rest_.data(), end, value);
    if (outcome.ec != std::errc{} || outcome.ptr != end) {
      return std::nullopt;
    }
    rest_.remove_prefix(width);
    return value;
  }
  bool mark(char expected) {
    if (rest_.empty() || rest_.front() != expected) {
      return false;
    }
    rest_.remove_prefix(1);
    return true;
  }
  /// Decimals of a second as whole milliseconds; digits past the third are dropped.
  std::optional<int> milliseconds() {
    int value = 0;
    int digits = 0;
    for (; !rest_.empty() && rest_.front() >= '0' && rest_.front() <= '9'; ++digits) {
      if (digits < 3) {
        value = value * 10 + (rest_.front() - '0');
      }
      rest_.remove_prefix(1);
    }
    for (int missing = digits; missing < 3; ++missing) {
      value *= 10;
    }
    return digits > 0 ? std::optional(value) : std::nullopt;
  }
  [[nodiscard]] bool done() const { return rest_.empty(); }

 private:
  std::string_view rest_;
};

std::optional<CivilDate> scan_date(Scanner& scanner) {
  const auto year = scanner.number(4);
  const bool first = year && scanner.mark('-');
  const auto month = first ? scanner.number(2) : std::nullopt;
  const bool second = month && scanner.mark('-');
  const auto day = second ? scanner.number(2) : std::nullopt;
  if (!day) {
    return std::nullopt;
  }
  const std::chrono::year_month_day date{std::chrono::year{*year},
                                         std::chrono::month{static_cast<unsigned>(*month)},
                                         std::chrono::day{static_cast<unsigned>(*day)}};
  return date.ok() ? std::optional(CivilDate{*year, *month, *day}) : std::nullopt;
}

/// A clock's reading, in milliseconds of the day.
struct Clock {
  std::int64_t ms = 0;
  bool leap = false;  ///< second 60, read as the next minute's second 0
};

/// None when malformed.
std::optional<Clock> scan_clock(Scanner& scanner) {
  const auto hour = scanner.number(2);
  const bool colon = hour && scanner.mark(':');
  const auto minute = colon ? scanner.number(2) : std::nullopt;
  if (!minute || *hour > 23 || *minute > 59) {
    return std::nullopt;
  }
  Clock clock{(*hour * 60LL + *minute) * 60'000, false};
  if (scanner.mark(':')) {
    const auto second = scanner.number(2);
    if (!second || *second > 60) {
      return std::nullopt;
    }
    clock.leap = *second == 60;
    clock.ms += *second * 1000LL;
    if (scanner.mark('.')) {
      const auto decimals = scanner.milliseconds();
      if (!decimals) {
        return std::nullopt;
      }
      clock.ms += clock.leap ? 0 : *decimals;
    }
  }
  return clock;
}

/// True at a midnight UTC before which a leap second was put in.
bool after_leap_second(UtcTime time) {
  constexpr std::int64_t kDayMs = 86'400'000;
  if (time.unix_ms % kDayMs != 0) {
    return false;
  }
  const auto tai_ahead_s = [](const CivilDate& date) {
    double seconds = 0.0;
    return eraDat(date.year, date.month, date.day, 0.0, &seconds) >= 0 ? seconds : 0.0;
  };
  constexpr double kHalf = 0.5;
  return tai_ahead_s(utc_date(time)) - tai_ahead_s(utc_date(time - seconds(1.0))) > kHalf;
}

/// Milliseconds that the zone is ahead of UTC; none when malformed.
std::optional<std::int64_t> scan_offset(Scanner& scanner) {
  if (scanner.done() || scanner.mark('Z')) {
    return 0;
  }
  const int sign = scanner.mark('+') ? 1 : (scanner.mark('-') ? -1 : 0);
  const auto hour = sign != 0 ? scanner.number(2) : std::nullopt;
  const bool colon = hour && scanner.mark(':');
  const auto minute = colon ? scanner.number(2) : std::nullopt;
  if (!minute || *hour > 14 || *minute > 59) {
    return std::nullopt;
  }
  return sign * (*hour * 60LL + *minute) * 60'000;
}

}  // namespace

namespace {

base::Result<CivilDate> date_within(std::string_view text, const std::string& field, UtcTime first,
                                    UtcTime last, const char* wants) {
  Scanner scanner(text);
  const auto date = scan_date(scanner);
  if (!date || !scanner.done()) {
    return fail(ErrorCode::kMalformed, field, std::string(text), base::wants("date"));
  }
  const UtcTime start = start_of(*date);
  if (start < first || start >= last) {
    return fail(ErrorCode::kOutOfRange, field, std::string(text), base::wants(wants));
  }
  return *date;
}

}  // namespace

base::Result<CivilDate> parse_date(std::string_view text, const std::string& field) {
  // A day reaches 26 h beyond its midnight at the far ends of longitude.
  return date_within(text, field, kFirstTime + days(2.0), kLastTime - days(2.0) + seconds(1.0),
                     "days-covered");
}

base::Result<CivilDate> parse_eclipse_date(std::string_view text, const std::string& field) {
  return date_within(text, field, kFirstEclipseTime, kLastEclipseTime, "eclipse-days-covered");
}

base::Result<UtcTime> parse_utc(std::string_view text, const std::string& field) {
  Scanner scanner(text);
  const auto malformed = [&] {
    return fail(ErrorCode::kMalformed, field, std::string(text), base::wants("time"));
  };
  const auto date = scan_date(scanner);
  if (!date) {
    return malformed();
  }
  UtcTime time = start_of(*date);
  if (!scanner.done()) {
    if (!scanner.mark('T') && !scanner.mark(' ')) {
      return malformed();
    }
    const auto clock = scan_clock(scanner);
    const auto offset_ms = clock ? scan_offset(scanner) : std::nullopt;
    if (!offset_ms || !scanner.done()) {
      return malformed();
    }
    time.unix_ms += clock->ms - *offset_ms;
    if (clock->leap && !after_leap_second(time)) {
      return fail(ErrorCode::kOutOfRange, field, std::string(text), base::wants("leap-second"));
    }
  }
  if (time < kFirstTime || time > kLastTime) {
    return fail(ErrorCode::kOutOfRange, field, std::string(text), base::wants("years-covered"));
  }
  return time;
}

std::string to_iso(const CivilDate& date) {
  std::array<char, 40> text{};
  std::snprintf(text.data(), text.size(), "%04d-%02d-%02d", date.year, date.month, date.day);
  return text.data();
}

std::string to_iso(UtcTime time) {
  using namespace std::chrono;
  const sys_time<milliseconds> instant{milliseconds{time.unix_ms}};
  const hh_mm_ss<milliseconds> clock{instant - floor<std::chrono::days>(instant)};
  std::array<char, 40> text{};
  std::snprintf(text.data(), text.size(), "T%02d:%02d:%02d",
                static_cast<int>(clock.hours().count()), static_cast<int>(clock.minutes().count()),
                static_cast<int>(clock.seconds().count()));
  std::string iso = to_iso(utc_date(time)) + text.data();
  if (const auto decimals = clock.subseconds().count(); decimals != 0) {
    std::snprintf(text.data(), text.size(), ".%03d", static_cast<int>(decimals));
    iso += text.data();
  }
  return iso + "Z";
}

CivilDate utc_date(UtcTime time) {
  using namespace std::chrono;
  const year_month_day date{
      floor<std::chrono::days>(sys_time<milliseconds>{milliseconds{time.unix_ms}})};
  return {static_cast<int>(date.year()), static_cast<int>(unsigned{date.month()}),
          static_cast<int>(unsigned{date.day()})};
}

UtcTime start_of(const CivilDate& date) {
  using namespace std::chrono;
  const sys_days midnight{year{date.year} / month{static_cast<unsigned>(date.month)} /
                          day{static_cast<unsigned>(date.day)}};
  return {duration_cast<milliseconds>(midnight.time_since_epoch()).count()};
}

double decimal_year(UtcTime time) {
  const int year = utc_date(time).year;
  const UtcTime first = start_of({year, 1, 1});
  const UtcTime next = start_of({year + 1, 1, 1});
  return year + (time - first) / (next - first);
}

}  // namespace solarchon::sky
