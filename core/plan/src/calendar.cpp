// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/calendar.h"

#include <libical/ical.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <map>
#include <memory>
#include <mutex>
#include <set>

#include "solarchon/base/text.h"

namespace solarchon::plan {

using base::because;
using base::ErrorCode;
using base::fail;
using base::fail_because;
using base::Result;
using base::wants;

namespace {

struct FreeComponent {
  void operator()(icalcomponent* component) const { icalcomponent_free(component); }
};
using Component = std::unique_ptr<icalcomponent, FreeComponent>;

struct FreeText {
  void operator()(char* text) const { free(text); }  // NOLINT: the library allocates with malloc
};
using Text = std::unique_ptr<char, FreeText>;

constexpr std::size_t kMostEventBytes = 64U << 10U;

/// The library keeps its zones in one place for the whole program.
std::mutex& zones_guard() {
  static std::mutex guard;
  return guard;
}

/// A zone under its plain name: the library gives its own a prefix that nobody else knows.
struct Zone {
  icaltimezone* rules = nullptr;  ///< none: UTC
  std::string name;
};

Zone zone_named(const std::string& name) {
  if (name == "UTC" || name == "Etc/UTC" || name.empty()) {
    return {};
  }
  return {icaltimezone_get_builtin_timezone(name.c_str()), name};
}

icalcomponent* rules_of(const Zone& zone) {
  icalcomponent* rules = icalcomponent_new_clone(icaltimezone_get_component(zone.rules));
  icalproperty_set_tzid(icalcomponent_get_first_property(rules, ICAL_TZID_PROPERTY),
                        zone.name.c_str());
  return rules;
}

icaltimetype in_utc(sky::UtcTime time) {
  const auto seconds =
      static_cast<time_t>(std::llround(static_cast<double>(time.unix_ms) / 1000.0));
  return icaltime_from_timet_with_zone(seconds, 0, icaltimezone_get_utc_timezone());
}

/// An hour that clocks show twice in autumn says nothing: such entries are written in UTC.
bool is_clear(sky::UtcTime time, const Zone& zone) {
  icaltimetype local = icaltime_convert_to_zone(in_utc(time), zone.rules);
  local.zone = nullptr;
  local.is_daylight = 0;  // what a reader does not know
  return icaltime_as_timet_with_zone(local, zone.rules) == icaltime_as_timet(in_utc(time));
}

/// Gives a property of the entry its time: in the zone, or in UTC.
icalproperty* timed(icalproperty* property, sky::UtcTime time, const Zone& zone) {
  if (zone.rules == nullptr) {
    icalproperty_set_value(property, icalvalue_new_datetime(in_utc(time)));
    return property;
  }
  icaltimetype local = icaltime_convert_to_zone(in_utc(time), zone.rules);
  local.zone = nullptr;  // else the library adds its own name of the zone
  icalproperty_set_value(property, icalvalue_new_datetime(local));
  icalproperty_add_parameter(property, icalparameter_new_tzid(zone.name.c_str()));
  return property;
}

icalcomponent* event_of(const CalendarEntry& entry, const Zone& site_zone, sky::UtcTime made) {
  const bool clear = site_zone.rules != nullptr && is_clear(entry.window.start, site_zone) &&
                     is_clear(entry.window.end, site_zone);
  const Zone zone = clear ? site_zone : Zone{};
  icalcomponent* event = icalcomponent_new(ICAL_VEVENT_COMPONENT);
  icalcomponent_add_property(event, icalproperty_new_uid(entry.uid.c_str()));
  icalcomponent_add_property(event, icalproperty_new_dtstamp(in_utc(made)));
  icalcomponent_add_property(
      event, timed(icalproperty_new(ICAL_DTSTART_PROPERTY), entry.window.start, zone));
  icalcomponent_add_property(event,
                             timed(icalproperty_new(ICAL_DTEND_PROPERTY), entry.window.end, zone));
  if (!entry.kind.empty()) {
    icalcomponent_add_property(event, icalproperty_new_categories(entry.kind.c_str()));
  }
  icalcomponent_add_property(event, icalproperty_new_summary(entry.title.c_str()));
  if (!entry.details.empty()) {
    icalcomponent_add_property(event, icalproperty_new_description(entry.details.c_str()));
  }
  if (!entry.place.empty()) {
    icalcomponent_add_property(event, icalproperty_new_location(entry.place.c_str()));
  }
  if (entry.alarm_min) {
    icalcomponent* alarm = icalcomponent_new(ICAL_VALARM_COMPONENT);
    icaltriggertype trigger{};
    trigger.time = icaltime_null_time();
    trigger.duration =
        icaldurationtype_from_int(-static_cast<int>(std::lround(*entry.alarm_min * 60.0)));
    icalcomponent_add_property(alarm, icalproperty_new_action(ICAL_ACTION_DISPLAY));
    icalcomponent_add_property(alarm, icalproperty_new_trigger(trigger));
    icalcomponent_add_property(alarm, icalproperty_new_description(entry.title.c_str()));
    icalcomponent_add_component(event, alarm);
  }
  return event;
}

/// A component of a calendar's text, with what is nested in it.
struct Block {
  std::string name;
  int line = 0;  ///< where it begins
  std::string text;
  bool whole = false;  ///< every part that begins in it also ends there
};

/// The events and zones of a calendar. A damaged one does not take the others with it.
std::vector<Block> blocks_of(std::string_view text) {
  std::vector<Block> blocks;
  std::vector<std::string> open;  // names of what has begun and not ended
  int number = 0;
  while (!text.empty()) {
    const std::size_t end = text.find('\n');
    std::string line(text.substr(0, end));
    text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
    ++number;
    while (!line.empty() && (line.back() == '\r' || line.back() == ' ')) {
      line.pop_back();
    }
    const bool begins = line.starts_with("BEGIN:");
    if (begins && (line == "BEGIN:VEVENT" || line == "BEGIN:VTIMEZONE")) {
      open.clear();  // what did not end before stays damaged
      blocks.push_back({line.substr(6), number, {}, false});
    }
    if (blocks.empty() || (open.empty() && !begins)) {
      continue;
    }
    Block& block = blocks.back();
    if (begins) {
      if (open.empty() && line.substr(6) != block.name) {
        continue;  // something else between events
      }
      open.push_back(line.substr(6));
    }
    block.text += line + "\r\n";
    if (line.starts_with("END:")) {
      if (line.substr(4) != open.back()) {
        open.clear();
        continue;
      }
      open.pop_back();
      block.whole = open.empty();
    }
  }
  return blocks;
}

/// A content line's name, before any parameter.
std::string_view name_of(std::string_view line) { return line.substr(0, line.find_first_of(":;")); }

/// The zone that a line names: the value of its TZID parameter, or of a TZID line.
std::string_view zone_named_in(std::string_view line) {
  constexpr std::string_view kParameter = ";TZID=";
  std::string_view value;
  if (const std::size_t at = line.find(kParameter); at != std::string_view::npos) {
    value = line.substr(at + kParameter.size());
    value = value.substr(0, value.find_first_of(";:"));
  } else if (name_of(line) == "TZID") {
    value = line.substr(line.find(':') + 1);
  }
  if (value.size() >= 2 && value.front() == '"' && value.back() == '"') {
    value = value.substr(1, value.size() - 2);
  }
  return value;
}

/// What clocks really do: once a year, on a day of a month. A rule that is anything else may ask
/// the library for millions of changes.
bool is_plain_rule(std::string_view rule) {
  constexpr std::size_t kMostMonthDays = 40;  // letters: a list of a week's days
  bool yearly = false;
  while (!rule.empty()) {
    const std::string_view item = rule.substr(0, rule.find(';'));
    rule.remove_prefix(std::min(rule.size(), item.size() + 1));
    const std::size_t equals = item.find('=');
    const std::string_view key = item.substr(0, equals);
    const std::string_view value =
        equals == std::string_view::npos ? std::string_view() : item.substr(equals + 1);
    const bool one = value.find(',') == std::string_view::npos;
    if (key == "FREQ") {
      yearly = value == "YEARLY";
    } else if (key == "BYMONTH" || key == "BYDAY" || key == "UNTIL" || key == "WKST") {
      if (!one) {
        return false;
      }
    } else if (key == "BYMONTHDAY") {
      if (value.size() > kMostMonthDays) {
        return false;
      }
    } else if (!(key == "INTERVAL" && value == "1")) {
      return false;
    }
  }
  return yearly;
}

/// Calls for each line of a component, unfolded.
template <typename Take>
void for_each_line(std::string_view text, Take take) {
  std::string line;
  while (!text.empty()) {
    const std::size_t end = text.find('\n');
    std::string_view piece = text.substr(0, end);
    text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
    if (!piece.empty() && piece.back() == '\r') {
      piece.remove_suffix(1);
    }
    if (!piece.empty() && (piece.front() == ' ' || piece.front() == '\t')) {
      line += piece.substr(1);
      continue;
    }
    if (!line.empty()) {
      take(std::string_view(line));
    }
    line = piece;
  }
  if (!line.empty()) {
    take(std::string_view(line));
  }
}

/// The zones of a calendar by name: those that a library can work out in no time.
std::map<std::string, std::string, std::less<>> plain_zones(const std::vector<Block>& blocks) {
  constexpr std::size_t kMostZoneBytes = 16U << 10U;
  constexpr int kMostRules = 400;  // changes of a clock over a century and more
  std::map<std::string, std::string, std::less<>> zones;
  for (const Block& block : blocks) {
    if (block.name != "VTIMEZONE" || !block.whole || block.text.size() > kMostZoneBytes) {
      continue;
    }
    std::string name;
    bool plain = true;
    int rules = 0;
    for_each_line(block.text, [&](std::string_view line) {
      const std::string_view key = name_of(line);
      if (key == "TZID") {
        name = zone_named_in(line);
      } else if (key == "RRULE" || key == "EXRULE") {
        plain = plain && is_plain_rule(line.substr(std::min(line.size(), line.find(':') + 1)));
        ++rules;
      } else if (key == "RDATE") {
        rules += 1 + static_cast<int>(std::count(line.begin(), line.end(), ','));
      }
    });
    if (plain && rules <= kMostRules && !name.empty()) {
      zones.emplace(name, block.text);
    }
  }
  return zones;
}

/// The zones that an event's times name, and no others.
std::string zones_of(const Block& event,
                     const std::map<std::string, std::string, std::less<>>& zones) {
  std::set<std::string, std::less<>> named;
  for_each_line(event.text, [&](std::string_view line) {
    const std::string_view key = name_of(line);
    if (key == "DTSTART" || key == "DTEND") {
      named.emplace(zone_named_in(line));
    }
  });
  std::string text;
  for (const std::string& name : named) {
    if (const auto found = zones.find(name); found != zones.end()) {
      text += found->second;
    }
  }
  return text;
}

icalproperty* first(icalcomponent* event, icalproperty_kind kind) {
  return icalcomponent_get_first_property(event, kind);
}

/// One of an event's two times, with the zones that its calendar brings.
Result<sky::UtcTime> time_of(icalcomponent* calendar, icalproperty* property,
                             const std::string& field) {
  const icaltimetype time = icalproperty_get_datetime_with_component(property, calendar);
  if (icaltime_is_null_time(time) != 0 || icaltime_is_valid_time(time) == 0) {
    return fail(ErrorCode::kMalformed, field, {}, wants("date-with-a-time"));
  }
  if (time.is_date != 0) {
    return fail_because(ErrorCode::kWrongType, field, because("whole-day"), wants("time-of-day"));
  }
  const icalparameter* zone = icalproperty_get_first_parameter(property, ICAL_TZID_PARAMETER);
  if (zone != nullptr && icaltime_get_timezone(time) == nullptr) {
    return fail(ErrorCode::kUnknownValue, field, icalparameter_get_tzid(zone),
                wants("known-time-zone"));
  }
  return sky::UtcTime{
      static_cast<std::int64_t>(icaltime_as_timet_with_zone(time, icaltime_get_timezone(time))) *
      1000};
}

Result<Run> run_of(icalcomponent* calendar, icalcomponent* event) {
  constexpr double kUsualMin = 10.0;
  if (icalproperty* problem = first(event, ICAL_XLICERROR_PROPERTY); problem != nullptr) {
    return fail_because(ErrorCode::kMalformed, "event",
                        base::reported(icalproperty_get_xlicerror(problem)));
  }
  icalproperty* start_property = first(event, ICAL_DTSTART_PROPERTY);
  if (start_property == nullptr) {
    return fail(ErrorCode::kMissing, "DTSTART", {}, wants("date-with-a-time"));
  }
  if (first(event, ICAL_RRULE_PROPERTY) != nullptr ||
      first(event, ICAL_RDATE_PROPERTY) != nullptr) {
    return fail_because(ErrorCode::kUnknownValue, "RRULE", because("recurs"), wants("event-once"));
  }
  const auto start = time_of(calendar, start_property, "DTSTART");
  if (!start) {
    return tl::make_unexpected(start.error());
  }
  Run run;
  run.start = *start;
  run.fixed = true;
  run.minutes = kUsualMin;
  double seconds = 60.0 * kUsualMin;
  if (icalproperty* end_property = first(event, ICAL_DTEND_PROPERTY); end_property != nullptr) {
    const auto end = time_of(calendar, end_property, "DTEND");
    if (!end) {
      return tl::make_unexpected(end.error());
    }
    seconds = sky::in_seconds(*end - *start);
  } else if (icalproperty* lasting = first(event, ICAL_DURATION_PROPERTY); lasting != nullptr) {
    seconds = icaldurationtype_as_int(icalproperty_get_duration(lasting));
  }
  const auto minutes = base::checked("DTEND", seconds / 60.0, kRunMinutesRange);
  if (!minutes) {
    return fail(ErrorCode::kOutOfRange, "DTEND", {}, wants("after-the-start-within-a-day"));
  }
  run.minutes = *minutes;
  if (start->unix_ms < sky::kFirstTime.unix_ms || *start > sky::kLastTime) {
    return fail(ErrorCode::kOutOfRange, "DTSTART", {}, wants("years-covered"));
  }
  const char* title = icalcomponent_get_summary(event);
  run.name = base::clipped(title != nullptr ? title : "Event");
  return run;
}

}  // namespace

std::string local_iso(sky::UtcTime time, const std::string& time_zone) {
  const std::scoped_lock lock(zones_guard());
  const Zone zone = zone_named(time_zone);
  if (zone.rules == nullptr) {
    return sky::to_iso(time);
  }
  icaltimetype utc = in_utc(time);
  int daylight = 0;
  const int offset_s = icaltimezone_get_utc_offset_of_utc_time(zone.rules, &utc, &daylight);
  const std::string shifted = sky::to_iso(time + sky::seconds(offset_s));
  const int minutes = std::abs(offset_s) / 60;
  std::array<char, 8> offset{};
  (void)std::snprintf(offset.data(), offset.size(), "%c%02d:%02d", offset_s < 0 ? '-' : '+',
                      minutes / 60 % 100, minutes % 60);
  return shifted.substr(0, shifted.size() - 1) + offset.data();
}

std::string to_icalendar(const std::vector<CalendarEntry>& entries, const std::string& time_zone,
                         sky::UtcTime made) {
  const std::scoped_lock lock(zones_guard());
  const Zone zone = zone_named(time_zone);
  const Component calendar(icalcomponent_new(ICAL_VCALENDAR_COMPONENT));
  icalcomponent_add_property(calendar.get(), icalproperty_new_version("2.0"));
  icalcomponent_add_property(calendar.get(), icalproperty_new_prodid("-//Solarchon//Plan//EN"));
  icalcomponent_add_property(calendar.get(), icalproperty_new_method(ICAL_METHOD_PUBLISH));
  if (zone.rules != nullptr) {
    icalcomponent_add_component(calendar.get(), rules_of(zone));
  }
  for (const CalendarEntry& entry : entries) {
    icalcomponent_add_component(calendar.get(), event_of(entry, zone, made));
  }
  const Text text(icalcomponent_as_ical_string_r(calendar.get()));
  return text.get();
}

Result<CalendarFile> runs_from_icalendar(std::string_view text) {
  if (text.find("BEGIN:VCALENDAR") == std::string_view::npos) {
    return fail(ErrorCode::kMalformed, "calendar", {}, wants("icalendar"));
  }
  const std::scoped_lock lock(zones_guard());
  icalerror_set_errors_are_fatal(0);
  const std::vector<Block> blocks = blocks_of(text);
  const auto events = static_cast<std::size_t>(std::count_if(
      blocks.begin(), blocks.end(), [](const Block& block) { return block.name == "VEVENT"; }));
  if (events > kMostRuns) {
    return fail(ErrorCode::kTooLarge, "calendar", std::to_string(events),
                wants("at-most", {static_cast<double>(kMostRuns)}));
  }
  const auto zones = plain_zones(blocks);
  CalendarFile file;
  for (const Block& block : blocks) {
    if (block.name != "VEVENT") {
      continue;
    }
    Result<Run> run = fail(ErrorCode::kMalformed, "event", {}, wants("end-for-every-begin"));
    if (block.text.size() > kMostEventBytes) {
      run = fail(ErrorCode::kTooLarge, "event", {},
                 wants("at-most-bytes", {static_cast<double>(kMostEventBytes)}));
    } else if (block.whole) {
      const std::string alone =
          "BEGIN:VCALENDAR\r\n" + zones_of(block, zones) + block.text + "END:VCALENDAR\r\n";
      const Component calendar(icalparser_parse_string(alone.c_str()));
      icalcomponent* event =
          calendar ? icalcomponent_get_first_component(calendar.get(), ICAL_VEVENT_COMPONENT)
                   : nullptr;
      if (event != nullptr) {
        run = run_of(calendar.get(), event);
      }
    }
    if (run) {
      file.runs.push_back(std::move(*run));
    } else {
      file.refused.push_back({block.line, run.error()});
    }
  }
  if (file.runs.empty()) {
    return tl::make_unexpected(base::fail_whole("calendar", file.refused));
  }
  return file;
}

std::string to_csv(const std::vector<CalendarEntry>& entries, const std::string& time_zone) {
  std::string table = "kind,title,start_local,end_local,start_utc,end_utc,details\n";
  for (const CalendarEntry& entry : entries) {
    for (const std::string& column :
         {entry.kind, base::quoted(entry.title), local_iso(entry.window.start, time_zone),
          local_iso(entry.window.end, time_zone), sky::to_iso(entry.window.start),
          sky::to_iso(entry.window.end)}) {
      table += column + ",";
    }
    table += base::quoted(entry.details) + "\n";
  }
  return table;
}

}  // namespace solarchon::plan
