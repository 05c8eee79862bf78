// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "solarchon/base/table.h"
#include "solarchon/plan/day_plan.h"

namespace solarchon::plan {

/// One entry of a calendar.
struct CalendarEntry {
  std::string kind;  ///< `step`, `turn` or `run`
  std::string uid;   ///< the same entry keeps it, so that a calendar replaces what it has
  sky::Window window;
  std::string title;
  std::string details;
  std::string place;
  std::optional<double> alarm_min;  ///< so long before its start; none: no alarm
};

/// `kind,title,start_local,end_local,start_utc,end_utc,details` with a line for each entry.
[[nodiscard]] std::string to_csv(const std::vector<CalendarEntry>& entries,
                                 const std::string& time_zone);

/// An instant on the clocks of a zone: `2027-07-17T10:00:00+02:00`; in UTC where it is not known.
[[nodiscard]] std::string local_iso(sky::UtcTime time, const std::string& time_zone);

/// iCalendar 2.0 (RFC 5545) with the zone's rules in it, so that times are right wherever it is
/// opened. A zone that the system does not know is written as UTC.
/// @param time_zone  name in the zone database
/// @param made       when the plan was made
[[nodiscard]] std::string to_icalendar(const std::vector<CalendarEntry>& entries,
                                       const std::string& time_zone, sky::UtcTime made);

struct CalendarFile {
  std::vector<Run> runs;
  std::vector<base::RefusedLine> refused;  ///< by the line where the event begins
};

/// Takes the events of a calendar as fixed runs. Events without a start or a time of day, that end
/// before they start, last longer than a day, recur, or stand in an unknown zone are refused one by
/// one; events without an end last ten minutes.
/// Errors: kMalformed when it is no calendar; as base::fail_whole when no event could be taken.
[[nodiscard]] base::Result<CalendarFile> runs_from_icalendar(std::string_view text);

}  // namespace solarchon::plan
