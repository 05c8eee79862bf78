// SPDX-License-Identifier: GPL-3.0-or-later
#include <fstream>

#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/optics/rig_file.h"
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

constexpr const char* kMorning = " --lat 36.07 --lon -5.58 --elev 42 --time 2027-07-17T08:40:00Z";

TEST(NorthCli, HasItsKeysAndAgreesWithSun) {
  const Outcome outcome = call(words(std::string("north --minutes 30 --every 10") + kMorning));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json north = outcome.json();
  const Json sun = call(words(std::string("sun") + kMorning)).json();
  EXPECT_NEAR(north.at("shadow").at("direction_deg").get<double>(),
              sun.at("azimuth_deg").get<double>() + 180.0, 1e-9);
  EXPECT_NEAR(north.at("compass_bearing_deg").get<double>() +
                  sun.at("magnetic_declination_deg").get<double>(),
              sun.at("magnetic_declination_deg").get<double>() < 0.0 ? 0.0 : 360.0, 1e-9);
  EXPECT_EQ(north.at("axis_azimuth_deg"), 0.0);
  EXPECT_EQ(north.at("axis_altitude_deg"), 36.07);
  EXPECT_EQ(north.at("shadows").size(), 4U);
  EXPECT_NEAR(north.at("shadows")[0].at("direction_deg").get<double>(),
              north.at("shadow").at("direction_deg").get<double>(), 1e-6);
  EXPECT_EQ(north.at("ways").size(), 4U);
  EXPECT_EQ(north.at("knobs").size(), 3U);
  EXPECT_NEAR(north.at("in_meridian").at("to_axis_deg").get<double>(), 0.0, 0.01);
}

TEST(NorthCli, WithoutSunOrModelSaysNullAndGoesOn) {
  const Outcome outcome = call(words("north --lat 80 --lon 20 --time 2035-12-21T12:00:00Z"));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  for (const char* key : {"shadow", "in_meridian", "compass_bearing_deg"}) {
    EXPECT_TRUE(outcome.json().at(key).is_null()) << key;
  }
  EXPECT_TRUE(outcome.json().at("shadows").empty());
  EXPECT_EQ(outcome.json().at("ways").size(), 1U);
}

TEST(NorthCli, BadInputNamesItsField) {
  const std::string north = std::string("north") + kMorning;
  expect_bad_input(call(words(north + " --plumb 0")), "plumb");
  expect_bad_input(call(words(north + " --feet 1e9")), "feet");
  expect_bad_input(call(words(north + " --minutes 901")), "minutes");
  expect_bad_input(call(words(north + " --every 0")), "every");
  expect_bad_input(call(words(north + " --mount dobson")), "mount");
  expect_bad_input(call(words("north --lat 36 --lon 0 --time noon")), "time");
}

TEST(FindCli, HasItsKeysAndAgreesWithSun) {
  const test::TempFolder folder;
  const auto rig = folder / "rig.json";
  ASSERT_TRUE(optics::write_rig(test::starter_rig(), rig));
  const Outcome outcome = call(words("find --rig " + rig.string() + kMorning));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json find = outcome.json();
  const Json sun = call(words(std::string("sun") + kMorning)).json();
  for (const char* key : {"declination_deg", "hour_angle_deg", "right_ascension_deg", "azimuth_deg",
                          "altitude_deg"}) {
    EXPECT_EQ(find.at("sun").at(key), sun.at(key)) << key;
  }
  EXPECT_NEAR(find.at("shadow").at("accuracy_arcmin").get<double>(), 14.3, 0.1);
  EXPECT_EQ(find.at("starts")[0].at("start"), "as-it-is");
  EXPECT_EQ(find.at("starts")[0].at("enough"), true);
  EXPECT_EQ(find.at("neighbours").size(), 6U);
  EXPECT_GT(find.at("sweep").at("declinations_deg").size(), 0U);
  EXPECT_TRUE(find.at("seeker").contains("altitude_error_deg"));
}

TEST(AlignFramesCli, GivesARowThatTheTableOfRunsTakes) {
  const test::TempFolder folder;
  std::string files;
  for (int i = 0; i < 3; ++i) {
    const auto file = folder / ("frame" + std::to_string(i) + ".fits");
    ASSERT_TRUE(media::write_fits(test::drawn_disc(500, 420, {250.0 + 4.0 * i, 210.0 - 2.0 * i},
                                                   160.0, test::morning() + sky::minutes(2.0 * i)),
                                  file));
    files += " " + file.string();
  }
  const std::string place = " --lat 36.07 --lon -5.58";
  const Outcome outcome = call(words("align frames" + files + place));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json run = outcome.json();
  const double scale = 944.0 / 160.0;  // arcsec in a pixel
  EXPECT_EQ(run.at("time_utc"), "2027-07-17T08:40:00Z");
  EXPECT_EQ(run.at("duration_s"), 240.0);
  EXPECT_NEAR(run.at("dec_drift_arcsec").get<double>(), 4.0 * scale, 0.5);
  EXPECT_GT(run.at("ha_drift_arcsec").get<double>(), 8.0 * scale);
  // Mirrored, the same picture runs east.
  EXPECT_LT(call(words("align frames" + files + place + " --mirrored"))
                .json()
                .at("ha_drift_arcsec")
                .get<double>(),
            -8.0 * scale);
  expect_bad_input(call(words("align frames " + (folder / "frame0.fits").string() + place)),
                   "frames");
  image::Frame timeless = test::drawn_disc(500, 420, {250.0, 210.0}, 160.0, test::morning());
  timeless.info.time.reset();
  ASSERT_TRUE(media::write_fits(timeless, folder / "timeless.fits"));
  expect_bad_input(
      call(words("align frames" + files + " " + (folder / "timeless.fits").string() + place)),
      "timeless.fits: time");
  image::Frame cloud = test::drawn_disc(500, 420, {250.0, 210.0}, 3.0, test::morning());
  ASSERT_TRUE(media::write_fits(cloud, folder / "cloud.fits"));
  expect_bad_input(
      call(words("align frames" + files + " " + (folder / "cloud.fits").string() + place)),
      "cloud.fits: limb");
  expect_bad_input(call(words("align frames /nowhere/a.fits" + place)), "/nowhere/a.fits");
  expect_bad_input(call(words("align frames" + files + place + " --north 1e9")), "north");
}

TEST(FindCli, NamesTheStarOfTheRaisedPole) {
  const Json north = call(words(std::string("find") + kMorning)).json().at("pole_mark");
  EXPECT_EQ(north.at("star"), "polaris");
  EXPECT_NEAR(north.at("altitude_deg").get<double>(), 36.07, 0.7);
  const Json south = call(words("find --lat -41.3 --lon 174.8 --time 2027-07-17T00:00:00Z")).json();
  EXPECT_EQ(south.at("pole_mark").at("star"), "sigma-octantis");
  EXPECT_NEAR(south.at("pole_mark").at("azimuth_deg").get<double>(), 180.0, 1.6);
}

TEST(FindCli, WithoutALightPathGivesTheSkyAlone) {
  const Json find = call(words(std::string("find") + kMorning)).json();
  EXPECT_TRUE(find.at("shadow").is_null());
  EXPECT_TRUE(find.at("sweep").is_null());
  EXPECT_TRUE(find.at("starts").empty());
  const Json with_tube = call(words(std::string("find --tube 400") + kMorning)).json();
  EXPECT_NEAR(with_tube.at("shadow").at("accuracy_arcmin").get<double>(), 17.19, 0.01);
}

TEST(FindCli, BadInputNamesItsField) {
  const std::string find = std::string("find") + kMorning;
  expect_bad_input(call(words(find + " --tube 1")), "tube");
  expect_bad_input(call(words(find + " --north-accuracy 50")), "north-accuracy");
  expect_bad_input(call(words(find + " --rig /nowhere/rig.json")), "/nowhere/rig.json");
  expect_bad_input(call(words(find + " --kit /nowhere/kit.json")), "/nowhere/kit.json");
  expect_bad_input(call(words("find --lat 36")), "lon");
}

}  // namespace
}  // namespace solarchon::cli
