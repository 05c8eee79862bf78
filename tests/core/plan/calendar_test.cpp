// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/calendar.h"

#include "solarchon/base/text.h"
#include "solarchon/words/plan.h"
#include "tests/support/support.h"

namespace solarchon::plan {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::utc;
using testing::HasSubstr;

const sky::UtcTime kEight = utc("2027-07-17T08:00:00Z");

CalendarEntry entry() {
  return {"run",
          "run-1@solarchon",
          {kEight, kEight + sky::seconds(1800.0)},
          "Spots, the large group",
          "Turn early;\nthen focus.",
          "Punta Alcaravan",
          10.0};
}

/// The lines of an iCalendar, unfolded.
std::vector<std::string> lines_of(const std::string& text) {
  std::vector<std::string> lines;
  std::size_t at = 0;
  while (at < text.size()) {
    const std::size_t end = text.find("\r\n", at);
    const std::string line = text.substr(at, end - at);
    if (!lines.empty() && line.starts_with(' ')) {
      lines.back() += line.substr(1);
    } else {
      lines.push_back(line);
    }
    at = end == std::string::npos ? text.size() : end + 2;
  }
  return lines;
}

TEST(Calendar, StatesLocalTimesWithTheirZoneAndAnAlarm) {
  const auto lines = lines_of(to_icalendar({entry()}, "Europe/Madrid", kEight));
  EXPECT_EQ(lines.front(), "BEGIN:VCALENDAR");
  EXPECT_EQ(lines.back(), "END:VCALENDAR");
  for (const char* line :
       {"VERSION:2.0", "BEGIN:VTIMEZONE", "TZID:Europe/Madrid", "UID:run-1@solarchon",
        "DTSTAMP:20270717T080000Z", "DTSTART;TZID=Europe/Madrid:20270717T100000",
        "DTEND;TZID=Europe/Madrid:20270717T103000", "SUMMARY:Spots\\, the large group",
        "DESCRIPTION:Turn early\\;\\nthen focus.", "LOCATION:Punta Alcaravan", "BEGIN:VALARM",
        "ACTION:DISPLAY", "TRIGGER:-PT10M", "END:VALARM"}) {
    EXPECT_THAT(lines, testing::Contains(line));
  }
}

TEST(Calendar, WritesUtcWhereNoZoneIsKnown) {
  for (const char* zone : {"UTC", "", "Nowhere/Land"}) {
    const std::string text = to_icalendar({entry()}, zone, kEight);
    EXPECT_THAT(text, HasSubstr("DTSTART:20270717T080000Z"));
    EXPECT_THAT(text, testing::Not(HasSubstr("VTIMEZONE")));
  }
  CalendarEntry silent = entry();
  silent.alarm_min.reset();
  EXPECT_THAT(to_icalendar({silent}, "UTC", kEight), testing::Not(HasSubstr("VALARM")));
}

TEST(Calendar, ReadsBackWhatItWroteInAnyZoneAndSeason) {
  for (const char* zone : {"Europe/Madrid", "Pacific/Auckland", "America/St_Johns", "UTC"}) {
    for (const char* start : {"2027-01-17T22:10:00Z", "2027-07-17T08:00:00Z",
                              "2027-03-28T00:30:00Z", "2027-10-31T00:30:00Z"}) {
      CalendarEntry one = entry();
      one.window = {utc(start), utc(start) + sky::seconds(2700.0)};
      const auto file = runs_from_icalendar(to_icalendar({one}, zone, kEight));
      ASSERT_TRUE(file) << zone << start;
      ASSERT_EQ(file->runs.size(), 1U);
      EXPECT_EQ(sky::to_iso(file->runs[0].start), start) << zone;
      EXPECT_EQ(file->runs[0].minutes, 45.0);
      EXPECT_EQ(file->runs[0].name, "Spots, the large group");
      EXPECT_TRUE(file->runs[0].fixed);
    }
  }
}

TEST(Calendar, RefusesEventsOneByOneAndKeepsTheRest) {
  const auto file = runs_from_icalendar(
      "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n"
      "BEGIN:VEVENT\r\nSUMMARY:no start\r\nEND:VEVENT\r\n"             // line 4
      "BEGIN:VEVENT\r\nDTSTART;VALUE=DATE:20270717\r\nEND:VEVENT\r\n"  // 7
      "BEGIN:VEVENT\r\nDTSTART:20270717T090000Z\r\nDTEND:20270717T080000Z\r\nEND:VEVENT\r\n"  // 10
      "BEGIN:VEVENT\r\nDTSTART:20270717T090000Z\r\nRRULE:FREQ=DAILY\r\nEND:VEVENT\r\n"        // 14
      "BEGIN:VEVENT\r\nDTSTART;TZID=Moon/Base:20270717T090000\r\nEND:VEVENT\r\n"              // 18
      "BEGIN:VEVENT\r\nDTSTART:noon\r\nEND:VEVENT\r\n"                                        // 21
      "BEGIN:VEVENT\r\nDTSTART:20270717T090000Z\r\nSUMMARY:good\r\nEND:VEVENT\r\n"
      "BEGIN:VEVENT\r\nDTSTART:20270717T090000Z\r\nDURATION:PT1H30M\r\nEND:VEVENT\r\n"
      "END:VCALENDAR\r\n");
  ASSERT_TRUE(file);
  ASSERT_EQ(file->runs.size(), 2U);
  EXPECT_EQ(file->runs[0].name, "good");
  EXPECT_EQ(file->runs[0].minutes, 10.0);
  EXPECT_EQ(file->runs[1].minutes, 90.0);
  std::vector<std::pair<int, std::string>> said;
  for (const auto& refused : file->refused) {
    said.emplace_back(refused.line, refused.error.field);
  }
  EXPECT_THAT(said, testing::ElementsAre(std::pair(4, "DTSTART"), std::pair(7, "DTSTART"),
                                         std::pair(10, "DTEND"), std::pair(14, "RRULE"),
                                         std::pair(18, "DTSTART"), std::pair(21, "event")));
}

/// A calendar with one zone of this rule, and events in it.
std::string calendar_in_zone(const std::string& rule, int events, int zones = 1) {
  std::string text = "BEGIN:VCALENDAR\r\n";
  for (int i = 0; i < zones; ++i) {
    text += "BEGIN:VTIMEZONE\r\nTZID:Here" + std::to_string(i) +
            "\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nTZOFFSETFROM:+0200\r\n"
            "TZOFFSETTO:+0100\r\nRRULE:" +
            rule + "\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n";
  }
  for (int i = 0; i < events; ++i) {
    text += "BEGIN:VEVENT\r\nDTSTART;TZID=Here0:20270717T090000\r\nSUMMARY:" + std::to_string(i) +
            "\r\nEND:VEVENT\r\n";
  }
  return text + "END:VCALENDAR\r\n";
}

TEST(Calendar, RefusesZonesThatNoClockFollows) {
  const auto plain = runs_from_icalendar(calendar_in_zone("FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU", 1));
  ASSERT_TRUE(plain);
  EXPECT_EQ(sky::to_iso(plain->runs[0].start), "2027-07-17T08:00:00Z");
  for (const char* rule :
       {"FREQ=SECONDLY", "FREQ=MINUTELY;INTERVAL=1", "FREQ=YEARLY;BYSECOND=0,1,2",
        "FREQ=YEARLY;BYMONTH=1,2,3;BYDAY=SU", "FREQ=DAILY", ""}) {
    const auto refused = runs_from_icalendar(calendar_in_zone(rule, 1));  // ends at once
    ASSERT_FALSE(refused) << rule;
    EXPECT_NE(refused.error().field.find("DTSTART"), std::string::npos) << rule;
  }
}

TEST(Calendar, OfManyZonesAndEventsIsReadInNoTimeAndHasItsLimits) {
  const std::string rule = "FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU";
  EXPECT_EQ(runs_from_icalendar(calendar_in_zone(rule, 400, 400))->runs.size(), 400U);
  const auto many = runs_from_icalendar(calendar_in_zone(rule, 501));
  ASSERT_FALSE(many);
  EXPECT_EQ(many.error().code, base::ErrorCode::kTooLarge);
  const std::string title(10'000, 'x');
  const auto long_title = runs_from_icalendar(
      "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:20270717T090000Z\r\nSUMMARY:" + title +
      "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
  EXPECT_EQ(long_title->runs[0].name.size(), base::kMostTextBytes);
}

TEST(LocalIso, IsTheClockOfTheZone) {
  EXPECT_EQ(local_iso(kEight, "Europe/Madrid"), "2027-07-17T10:00:00+02:00");
  EXPECT_EQ(local_iso(utc("2027-01-17T08:00:00Z"), "Europe/Madrid"), "2027-01-17T09:00:00+01:00");
  EXPECT_EQ(local_iso(kEight, "America/St_Johns"), "2027-07-17T05:30:00-02:30");
  EXPECT_EQ(local_iso(kEight, "Nowhere/Land"), "2027-07-17T08:00:00Z");
}

TEST(Agenda, ListsStepsTurnAndRunsInOrder) {
  const sky::Site home{"Punta", 36.07, -5.58, 42.0, "Europe/Madrid"};
  const sky::SunDay day = sky::sun_day({2027, 7, 17}, sky::Observer{home, {}, 0.0});
  const Mount mount{MountKind::kEquatorialTurns, 5.0};
  Wishes wishes;
  wishes.runs = {{"Late, \"long\"", *day.transit - sky::seconds(600.0), 60.0},
                 {"Early", kEight, 20.0}};
  const Experience experience;
  const optics::Rig rig = test::starter_rig();
  const Day of_day = day_of(day.date, {{home, {}, 0.0}, 20.0, rig, mount, wishes, experience});
  const auto entries = words::agenda_of(of_day, "Punta", 10.0);
  std::vector<std::string> kinds;
  for (std::size_t i = 0; i < entries.size(); ++i) {
    kinds.push_back(entries[i].kind);
    EXPECT_EQ(entries[i].place, "Punta");
    EXPECT_LE(entries[i > 0 ? i - 1 : 0].window.start, entries[i].window.start);
    for (std::size_t j = 0; j < i; ++j) {
      EXPECT_NE(entries[i].uid, entries[j].uid);
    }
  }
  ASSERT_EQ(kinds.size(), 9U);  // six steps without an etalon, early run, turn, late run
  EXPECT_EQ(entries[0].title, "Drive there");
  EXPECT_EQ(entries[0].alarm_min, 10.0);
  EXPECT_FALSE(entries[1].alarm_min);
  EXPECT_EQ(entries[6].title, "Early");
  EXPECT_EQ(entries[7].title, "Turn the mount over");
  EXPECT_EQ(entries[7].window.end, *day.transit - sky::seconds(600.0));  // early, before the run
  const std::string table = to_csv(entries, "Europe/Madrid");
  EXPECT_THAT(table, HasSubstr("run,Early,2027-07-17T10:00:00+02:00,2027-07-17T10:20:00+02:00,"
                               "2027-07-17T08:00:00Z,2027-07-17T08:20:00Z,"));
  EXPECT_THAT(table, HasSubstr("run,\"Late, \"\"long\"\"\","));
  EXPECT_EQ(std::count(table.begin(), table.end(), '\n'), 10);
}

TEST(Agenda, TurnsTheMountOnceADay) {
  const sky::Site home{"Punta", 36.07, -5.58, 42.0, "Europe/Madrid"};
  const sky::SunDay day = sky::sun_day({2027, 7, 17}, sky::Observer{home, {}, 0.0});
  const Mount mount{MountKind::kEquatorialTurns, 5.0};
  Wishes wishes;  // the first tracks through the meridian, the second begins soon after it
  wishes.runs = {{"One", *day.transit - sky::seconds(3600.0), 70.0},
                 {"Two", *day.transit + sky::seconds(900.0), 60.0}};
  const Experience experience;
  const optics::Rig rig = test::starter_rig();
  const Day of_day = day_of(day.date, {{home, {}, 0.0}, 20.0, rig, mount, wishes, experience});
  const DayPlan& plan = of_day.plan;
  ASSERT_EQ(plan.runs[0].turn.advice, TurnAdvice::kTrackThrough);
  ASSERT_EQ(plan.runs[1].turn.advice, TurnAdvice::kTurnEarly);
  std::vector<std::string> kinds;
  for (const CalendarEntry& entry : words::agenda_of(of_day, "", 10.0)) {
    if (entry.kind != "step") {
      kinds.push_back(entry.kind);
    }
  }
  EXPECT_THAT(kinds, testing::ElementsAre("run", "turn", "run"));
}

TEST(Calendar, RefusesWhatIsNone) {
  EXPECT_THAT(runs_from_icalendar(""), FailsWith(ErrorCode::kMalformed, "calendar"));
  EXPECT_THAT(runs_from_icalendar("azimuth,height\n1,2\n"),
              FailsWith(ErrorCode::kMalformed, "calendar"));
  EXPECT_THAT(runs_from_icalendar("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n"),
              FailsWith(ErrorCode::kMissing, "calendar"));
  EXPECT_THAT(
      runs_from_icalendar("BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n"),
      FailsWith(ErrorCode::kMissing, "DTSTART", 2));
}

}  // namespace
}  // namespace solarchon::plan
