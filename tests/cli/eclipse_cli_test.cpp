// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/json.h"
#include "tests/cli/cli_support.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using test::TempFolder;

constexpr const char* kPlace = " --lat 36.07 --lon -5.58 --elev 42 ";

Outcome ask(const std::string& command, const std::string& more) {
  return call(words(command + kPlace + more));
}

TEST(EclipseCli, TellsTheCourseOfADay) {
  const Outcome outcome = ask("eclipse", "--date 2027-08-02");
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_EQ(json["kind"], "total");
  EXPECT_EQ(json["date"], "2027-08-02");
  for (const char* contact : {"c1", "c2", "max", "c3", "c4"}) {
    for (const char* what : {"_utc", "_altitude_deg", "_azimuth_deg", "_position_angle_deg",
                             "_from_zenith_deg", "_seen"}) {
      EXPECT_TRUE(json.contains(std::string(contact) + what)) << contact << what;
    }
  }
  EXPECT_TRUE(json["c1_utc"].get<std::string>().starts_with("2027-08-02T07:4"));
  EXPECT_GT(json["magnitude"].get<double>(), 1.0);
  EXPECT_EQ(json["obscuration"], 1.0);
  EXPECT_GT(json["central_duration_s"].get<double>(), 240.0);
  EXPECT_EQ(json["seen"].size(), 1U);
}

TEST(EclipseCli, ADayWithoutOneIsOfKindNone) {
  for (const char* command : {"eclipse", "transit"}) {
    const Outcome outcome = ask(command, "--date 2027-08-03");
    ASSERT_EQ(outcome.code, 0) << outcome.err;
    const Json json = outcome.json();
    EXPECT_EQ(json["kind"], "none");
    for (const char* contact : {"c1_utc", "c2_utc", "max_utc", "c3_utc", "c4_utc"}) {
      EXPECT_TRUE(json.contains(contact) && json[contact].is_null()) << contact;
    }
    EXPECT_TRUE(json["seen"].empty());
  }
  EXPECT_EQ(ask("eclipse", "--date 2027-08-03").json()["magnitude"], 0.0);
}

TEST(EclipseCli, ListsWhatComes) {
  const Json eclipses = ask("eclipses", "--from 2026-01-01 --years 10").json();
  ASSERT_EQ(eclipses["eclipses"].size(), 6U);
  EXPECT_EQ(eclipses["eclipses"][0]["date"], "2026-08-12");
  EXPECT_EQ(eclipses["eclipses"][0]["kind"], "partial");
  EXPECT_EQ(eclipses["eclipses"][2]["kind"], "total");
  const Json transits = ask("transits", "--from 2032-01-01 --years 1").json();
  ASSERT_EQ(transits["transits"].size(), 1U);
  EXPECT_EQ(transits["transits"][0]["planet"], "mercury");
  EXPECT_EQ(transits["transits"][0]["date"], "2032-11-13");
  EXPECT_LT(transits["transits"][0]["c1_hydrogen_alpha_utc"].get<std::string>(),
            transits["transits"][0]["c1_utc"].get<std::string>());
}

TEST(EclipseCli, ASkylineHidesTheEnd) {
  const TempFolder folder;
  test::write_text(folder / "hill.csv", "azimuth_deg,height_deg\n0,40\n180,40\nbad\n");
  const std::string hill = " --horizon " + (folder / "hill.csv").string();
  const Json json = ask("eclipse", "--date 2027-08-02" + hill).json();
  EXPECT_EQ(json["kind"], "partial");  // 38 degrees high at greatest
  EXPECT_TRUE(json["c2_utc"].is_null());
  EXPECT_FALSE(json["c1_seen"].get<bool>());
  EXPECT_TRUE(json["c4_seen"].get<bool>());
  EXPECT_LT(json["seen_magnitude"].get<double>(), json["magnitude"].get<double>());
  EXPECT_EQ(json["refused_lines"].size(), 1U);
}

TEST(EclipseCli, NamesTheBadField) {
  expect_bad_input(ask("eclipse", "--date 1949-12-31"), "date");
  expect_bad_input(ask("eclipse", "--date yesterday"), "date");
  expect_bad_input(ask("eclipses", "--from 2101-01-01"), "from");
  expect_bad_input(ask("eclipses", "--from 2027-01-01 --years 0"), "years");
  expect_bad_input(ask("transits", "--from 2027-01-01 --years nan"), "years");
  expect_bad_input(call(words("eclipse --lat 95 --lon 0 --date 2027-08-02")), "lat");
  expect_bad_input(ask("eclipse", "--date 2027-08-02 --horizon /nowhere.csv"), "/nowhere.csv");
  expect_bad_input(call(words("eclipse --lon 0 --date 2027-08-02")), "lat");
}

}  // namespace
}  // namespace solarchon::cli
