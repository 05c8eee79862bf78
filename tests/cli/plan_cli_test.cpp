// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/log/log_book.h"
#include "solarchon/plan/calendar.h"
#include "solarchon/workspace/observe.h"
#include "solarchon/workspace/workspace.h"
#include "tests/cli/cli_support.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using test::TempFolder;
using testing::HasSubstr;

class PlanCli : public testing::Test {
 protected:
  void SetUp() override {
    space = test::morning_workspace(test::starter_rig());
    space.mount = {plan::MountKind::kEquatorialTurns, 5.0};
    space.wishes.runs = {{"Spots", test::utc("2027-07-17T08:30:00Z"), 30.0},
                         {"Prominence", test::utc("2027-07-17T11:50:00Z"), 75.0}};
    write();
  }
  void write() { ASSERT_TRUE(workspace::write_workspace(space, folder / "workspace.json")); }
  [[nodiscard]] std::string file() const { return (folder / "workspace.json").string(); }
  [[nodiscard]] Outcome plan(const std::string& more = "", const char* command = "plan ") const {
    return call(words(command + file() + " --date 2027-07-17 " + more));
  }

  TempFolder folder;
  workspace::Workspace space;
};

TEST_F(PlanCli, PlanHasItsKeys) {
  const Outcome outcome = plan("--json");
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  for (const char* key : {"date", "countdown", "runs", "meridian_turn", "conflicts", "power",
                          "storage", "refused_lines"}) {
    EXPECT_TRUE(json.contains(key)) << key;
  }
  EXPECT_EQ(json["countdown"]["first_frame_utc"], "2027-07-17T08:30:00Z");
  for (const char* key : {"step", "start_utc", "end_utc", "minutes", "planned_min", "spread_min",
                          "logged_times", "slack_min"}) {
    EXPECT_TRUE(json["countdown"]["steps"][0].contains(key)) << key;
  }
  ASSERT_EQ(json["runs"].size(), 2U);
  for (const char* key : {"index", "name", "start_utc", "end_utc", "fixed", "altitude_deg",
                          "seeing", "forecast", "turn", "turn_at_utc", "frames", "bytes"}) {
    EXPECT_TRUE(json["runs"][0].contains(key)) << key;
  }
  EXPECT_EQ(json["runs"][0]["frames"], 54000.0);
  EXPECT_EQ(json["runs"][0]["seeing"]["measured_share"], 0.0);
  EXPECT_TRUE(json["runs"][0]["forecast"].is_null());
  EXPECT_EQ(json["runs"][1]["turn"], "move");
  ASSERT_EQ(json["conflicts"].size(), 1U);
  EXPECT_EQ(json["conflicts"][0]["kind"], "meridian-turn");
  EXPECT_EQ(json["conflicts"][0]["cures"].size(), 4U);
  EXPECT_EQ(json["power"]["consumers"][0]["consumer"], "mount");
  EXPECT_TRUE(json["power"]["supplies"][0]["empty_utc"].is_null());
  EXPECT_GT(json["storage"]["bytes"], 1e9);
}

TEST_F(PlanCli, ADayWithoutRunsHasNullsInsteadOfAPlan) {
  const Json json = call(words("plan " + file() + " --date 2027-07-18")).json();
  EXPECT_TRUE(json["countdown"].is_null());
  EXPECT_TRUE(json["power"].is_null());
  EXPECT_TRUE(json["storage"].is_null());
  EXPECT_TRUE(json["runs"].empty());
}

TEST_F(PlanCli, PlanWritesCalendarAndTable) {
  const Outcome outcome =
      plan("--ics " + (folder / "day.ics").string() + " --csv " + (folder / "day.csv").string());
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const auto calendar = base::read_file(folder / "day.ics", 1U << 20U).value();
  EXPECT_THAT(calendar, HasSubstr("DTSTART;TZID=Europe/Madrid:20270717T103000"));
  EXPECT_EQ(plan::runs_from_icalendar(calendar).value().runs.size(),
            outcome.json()["countdown"]["steps"].size() + 2);
  EXPECT_THAT(base::read_file(folder / "day.csv", 1U << 20U).value(),
              HasSubstr("run,Spots,2027-07-17T10:30:00+02:00"));
  EXPECT_EQ(plan("--ics /nowhere/day.ics").code, 1);
}

TEST_F(PlanCli, PlanTakesForecastAndEventsAndTellsWhatItRefused) {
  test::write_text(folder / "weather.csv",
                   "2027-07-17T08:00Z,80,0,9\n2027-07-17T09:00Z,80,0,9\nrain\n");
  test::write_text(folder / "events.ics",
                   "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:20270717T150000Z\r\n"
                   "SUMMARY:Guests\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
  const Json json = plan("--forecast " + (folder / "weather.csv").string() + " --events " +
                         (folder / "events.ics").string())
                        .json();
  EXPECT_EQ(json["runs"].size(), 3U);
  EXPECT_EQ(json["runs"][2]["fixed"], true);
  EXPECT_EQ(json["runs"][0]["forecast"]["state"], "overcast");
  EXPECT_EQ(json["conflicts"][1]["kind"], "overcast");
  ASSERT_EQ(json["refused_lines"].size(), 1U);
  EXPECT_EQ(json["refused_lines"][0]["line"], 3);
}

TEST_F(PlanCli, PlanLearnsFromTheLog) {
  {
    auto book = log::LogBook::open(workspace::log_file(folder.path())).value();
    ASSERT_TRUE(book.note_step(test::morning(), {plan::StepKind::kDrive, 80.0}));
    const auto start = workspace::session_start(space, test::utc("2027-07-10T08:45:00Z"));
    ASSERT_TRUE(book.begin(start));
  }
  const Json plain = plan().json();
  const Json learned = plan("--data " + folder.path().string()).json();
  EXPECT_EQ(learned["countdown"]["steps"][0]["logged_times"], 1);
  EXPECT_EQ(learned["countdown"]["steps"][0]["minutes"], 40.0);  // (2 x 20 + 80) / 3
  EXPECT_LT(learned["countdown"]["begin_utc"], plain["countdown"]["begin_utc"]);
  EXPECT_NEAR(learned["runs"][0]["seeing"]["measured_share"].get<double>(), 0.25, 0.01);
  // A log of another place teaches nothing of this one's air.
  space.site.latitude_deg += 1.0;
  write();
  EXPECT_EQ(plan("--data " + folder.path().string()).json()["runs"][0]["seeing"]["measured_share"],
            0.0);
}

TEST_F(PlanCli, PlanNamesTheBadField) {
  expect_bad_input(call(words("plan " + file() + " --date soon")), "date");
  expect_bad_input(call(words("plan /nowhere.json --date 2027-07-17")), "/nowhere.json");
  expect_bad_input(plan("--above 95"), "above");
  test::write_text(folder / "weather.csv", "rain\n");
  expect_bad_input(plan("--forecast " + (folder / "weather.csv").string()), "forecast");
  expect_bad_input(plan("--events " + (folder / "weather.csv").string()), "calendar");
  EXPECT_EQ(plan("--data /nowhere").code, 2);
}

TEST(ForecastCli, GivesTheStandInAndReadsItBack) {
  const Outcome made = call(words("forecast --lat 36.07 --lon -5.58 --date 2027-07-17 --hours 30"));
  ASSERT_EQ(made.code, 0) << made.err;
  EXPECT_EQ(made.json()["hours"].size(), 30U);
  const TempFolder folder;
  test::write_text(folder / "f.json", made.out);
  const Outcome read = call(words("forecast --file " + (folder / "f.json").string()));
  ASSERT_EQ(read.code, 0) << read.err;
  EXPECT_EQ(read.json()["hours"], made.json()["hours"]);
  EXPECT_TRUE(read.json()["refused_lines"].empty());
  expect_bad_input(call(words("forecast --lat 36.07 --lon -5.58 --date 2027-07-17 --hours 0")),
                   "hours");
  expect_bad_input(call(words("forecast --lat 136 --lon 0 --date 2027-07-17")), "lat");
  expect_bad_input(call(words("forecast --lat 36 --lon 0")), "date");
}

TEST(YearCli, HasItsKeys) {
  const Outcome outcome = call(words("year --lat 78.2 --lon 15.6 --year 2027"));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  ASSERT_EQ(json["days"].size(), 365U);
  for (const char* key : {"date", "sunrise_utc", "noon_utc", "sunset_utc", "polar",
                          "culmination_altitude_deg", "clear_hours", "p_deg", "b0_deg"}) {
    EXPECT_TRUE(json["days"][0].contains(key)) << key;
  }
  EXPECT_EQ(json["days"][0]["polar"], "polar-night");
  EXPECT_TRUE(json["days"][0]["sunrise_utc"].is_null());
  EXPECT_GE(json["rotations"].size(), 13U);
  expect_bad_input(call(words("year --lat 36 --lon 0 --year 1950")), "year");
  expect_bad_input(call(words("year --lat 36 --lon 0 --year 2027 --horizon /nowhere.csv")),
                   "/nowhere.csv");
}

TEST_F(PlanCli, WindowsListsTheBestOfEachDay) {
  const Outcome outcome = plan("--days 5 --minutes 90", "windows ");
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json windows = outcome.json()["windows"];
  ASSERT_EQ(windows.size(), 5U);
  for (const char* key : {"start_utc", "end_utc", "altitude_deg", "seeing", "forecast", "detail_km",
                          "from_meridian_deg"}) {
    EXPECT_TRUE(windows[0].contains(key)) << key;
  }
  const auto start = sky::parse_utc(windows[0]["start_utc"].get<std::string>(), "t").value();
  const auto end = sky::parse_utc(windows[0]["end_utc"].get<std::string>(), "t").value();
  EXPECT_NEAR(sky::in_seconds(end - start), 5400.0, 0.01);
  expect_bad_input(plan("--days 0", "windows "), "days");
  expect_bad_input(plan("--minutes 0", "windows "), "minutes");
}

}  // namespace
}  // namespace solarchon::cli
