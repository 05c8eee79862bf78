// SPDX-License-Identifier: GPL-3.0-or-later
#include <fstream>

#include "tests/cli/cli_support.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

class AlignCli : public testing::Test {
 protected:
  [[nodiscard]] std::string table(const std::string& rows) const {
    std::ofstream(folder / "runs.csv") << rows;
    return (folder / "runs.csv").string();
  }
  [[nodiscard]] Outcome drift(const std::string& rows, const std::string& more = "--lat 36") const {
    return call(words("align drift " + table(rows) + " " + more));
  }

  test::TempFolder folder;
  // An axis that stands 30 arcmin too far east: the Sun goes south at all hours, most at noon.
  const std::string east =
      "time_utc,hour_angle_deg,declination_deg,duration_s,dec_drift_arcsec,ha_drift_arcsec\n"
      "2027-06-21T08:00:00Z,-60,23.44,300,-15.9,\n"
      "2027-06-21T12:00:00Z,0,23.44,300,-31.8,\n"
      "2027-06-21T16:00:00Z,60,23.44,300,-15.9,\n";
};

TEST_F(AlignCli, DriftHasItsKeysAndSaysWhichKnob) {
  const Outcome outcome = drift(east, "--lat 36 --json");
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  for (const char* key :
       {"solvable", "pole_altitude_error_arcmin", "pole_azimuth_error_arcmin",
        "altitude_sigma_arcmin", "azimuth_sigma_arcmin", "advice", "next_hour_angle_deg"}) {
    ASSERT_TRUE(json.contains(key)) << key;
  }
  EXPECT_EQ(json.at("solvable"), true);
  EXPECT_NEAR(json.at("pole_azimuth_error_arcmin").get<double>(), 30.0, 1.0);
  EXPECT_NEAR(json.at("pole_altitude_error_arcmin").get<double>(), 0.0, 1.0);
  ASSERT_EQ(json.at("advice").size(), 1U);
  EXPECT_NE(json.at("advice")[0].get<std::string>().find("to the west"), std::string::npos);
}

TEST_F(AlignCli, RunsThatCannotTellAreAnAnswer) {
  const Outcome outcome = drift("2027-06-21T12:00:00Z,0,23.44,300,-31.8,\n");
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  EXPECT_EQ(outcome.json().at("solvable"), false);
  EXPECT_EQ(outcome.json().at("advice").size(), 2U);
}

TEST_F(AlignCli, BadInputNamesItsField) {
  expect_bad_input(drift("2027-06-21T12:00:00Z,0,23.44,300,much,\n"), "dec_drift_arcsec");
  expect_bad_input(drift(east, "--lat 91"), "lat");
  expect_bad_input(drift(east, "--lat 36 --rate lunar"), "rate");
  expect_bad_input(drift(east, ""), "lat");
  EXPECT_NE(call(words("align drift /nowhere/runs.csv --lat 36")).code, 0);
  expect_bad_input(call(words("align")), "subcommand");
}

}  // namespace
}  // namespace solarchon::cli
