// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/cli.h"

#include <fitsio.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <fstream>
#include <sstream>

#include "solarchon/base/folder_lock.h"
#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/log/log_book.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "tests/cli/cli_support.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using base::Json;
using test::TempFolder;

constexpr const char* kMorning = " --lat 36.07 --lon -5.58 --elev 42 --time 2027-07-17T08:40:00Z";

std::string rig_file(const TempFolder& folder, const optics::Rig& rig = test::quick_rig()) {
  const auto path = folder / "rig.json";
  EXPECT_TRUE(optics::write_rig(rig, path));
  return path.string();
}

TEST(Cli, TheManualNamesEveryCommand) {
  std::ifstream manual(std::string(SOLARCHON_SOURCE) + "/packaging/solarchon-cli.1");
  const std::string page{std::istreambuf_iterator<char>(manual), {}};
  std::istringstream help(call({"--help"}).out);
  std::string line;
  while (std::getline(help, line) && line != "Subcommands:") {
  }
  int commands = 0;
  while (std::getline(help, line) && !line.empty()) {
    const std::string command = line.substr(2, line.find(' ', 2) - 2);
    EXPECT_NE(page.find("\n.B " + command), std::string::npos) << command;
    ++commands;
  }
  EXPECT_GE(commands, 29);
}

TEST(Cli, SunHasItsKeys) {
  const Outcome outcome = call(words(std::string("sun") + kMorning + " --json"));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  for (const char* key : {"time_utc",
                          "right_ascension_deg",
                          "declination_deg",
                          "azimuth_deg",
                          "altitude_airless_deg",
                          "altitude_deg",
                          "hour_angle_deg",
                          "parallactic_angle_deg",
                          "semidiameter_arcsec",
                          "distance_au",
                          "equation_of_time_min",
                          "p_deg",
                          "b0_deg",
                          "l0_deg",
                          "carrington_rotation",
                          "airmass",
                          "magnetic_declination_deg",
                          "azimuth_rate_arcsec_s",
                          "altitude_rate_arcsec_s",
                          "field_rotation_deg_h"}) {
    ASSERT_TRUE(json.contains(key)) << key;
  }
  EXPECT_NEAR(json.at("altitude_deg").get<double>(), 38.484, 0.001);
  EXPECT_EQ(json.at("time_utc"), "2027-07-17T08:40:00Z");
}

TEST(Cli, SunTakesTheAirAndDut1) {
  const Json none = call(words(std::string("sun") + kMorning + " --pressure 0")).json();
  EXPECT_EQ(none.at("altitude_deg"), none.at("altitude_airless_deg"));
  const Json cold = call(words(std::string("sun") + kMorning + " --temperature -20")).json();
  const Json mild = call(words(std::string("sun") + kMorning)).json();
  EXPECT_GT(cold.at("altitude_deg").get<double>(), mild.at("altitude_deg").get<double>());
  const Json later = call(words(std::string("sun") + kMorning + " --dut1 0.9")).json();
  EXPECT_NEAR(
      (later.at("hour_angle_deg").get<double>() - mild.at("hour_angle_deg").get<double>()) * 3600.0,
      13.5, 0.1);
}

TEST(Cli, SunGivesNullForWhatDoesNotApply) {
  const Json night =
      call(words("sun --lat 36.07 --lon -5.58 --elev 42 --time 2040-07-17T00:00:00Z")).json();
  EXPECT_TRUE(night.at("airmass").is_null());
  EXPECT_TRUE(night.at("magnetic_declination_deg").is_null());
}

TEST(Cli, SunNamesTheBadField) {
  expect_bad_input(call(words("sun --lat 95 --lon 0 --time 2027-07-17T08:40:00Z")), "lat");
  expect_bad_input(call(words("sun --lat nan --lon 0 --time 2027-07-17T08:40:00Z")), "lat");
  expect_bad_input(call(words("sun --lat x --lon 0 --time 2027-07-17T08:40:00Z")), "lat");
  expect_bad_input(call(words("sun --lat 0 --lon 400 --time 2027-07-17T08:40:00Z")), "lon");
  expect_bad_input(call(words("sun --lat 0 --lon 0 --time yesterday")), "time");
  expect_bad_input(call(words("sun --lat 0 --lon 0 --time 1950-01-01T00:00:00Z")), "time");
  expect_bad_input(call(words("sun --lat 0 --lon 0")), "time");
  expect_bad_input(call(words(std::string("sun") + kMorning + " --dut1 2")), "dut1");
  expect_bad_input(call(words(std::string("sun") + kMorning + " --pressure -1")), "pressure");
  expect_bad_input(call(words(std::string("sun") + kMorning + " --elev 1e9")), "elev");
}

TEST(Cli, RigHasItsKeys) {
  const TempFolder folder;
  const Outcome outcome = call({"rig", rig_file(folder, test::starter_rig()), "--json"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_NEAR(json.at("sampling_arcsec_px").get<double>(), 1.4825, 1e-4);
  EXPECT_EQ(json.at("field_arcmin").size(), 2U);
  EXPECT_EQ(json.at("disc_fits"), true);
  EXPECT_EQ(json.at("verdict"), "no-objection");
  EXPECT_EQ(json.at("heat").size(), 3U);
  EXPECT_TRUE(json.at("heat")[0].contains("irradiance_w_cm2"));
  EXPECT_TRUE(json.at("exposure_disc_ms").is_null());
  for (const char* key : {"effective_focal_length_mm", "focal_ratio", "solar_image_mm",
                          "diffraction_cutoff_arcsec", "sampling_px_per_cutoff", "findings"}) {
    EXPECT_TRUE(json.contains(key)) << key;
  }
}

TEST(Cli, RigExposesAtAPlaceAndTime) {
  const TempFolder folder;
  auto arguments = words(std::string("rig FILE") + kMorning);
  arguments[1] = rig_file(folder, test::starter_rig());
  EXPECT_GT(call(arguments).json().at("exposure_disc_ms").get<double>(), 0.01);
  expect_bad_input(call({"rig", arguments[1], "--time", "2027-07-17T08:40:00Z"}), "lat");
}

TEST(Cli, RigSaysStopWithItsReasons) {
  const TempFolder folder;
  optics::Rig rig = test::starter_rig();
  rig.elements[0].fitted = false;
  const Json json = call({"rig", rig_file(folder, rig)}).json();
  EXPECT_EQ(json.at("verdict"), "stop");
  const Json& finding = json.at("findings").at(0);
  for (const char* key : {"rule", "severity", "element", "what", "why", "next_step"}) {
    EXPECT_TRUE(finding.contains(key)) << key;
  }
}

TEST(Cli, RigRefusesBadFilesByField) {
  const TempFolder folder;
  const auto with = [&](const std::string& text) {
    test::write_text(folder / "bad.json", text);
    return call({"rig", (folder / "bad.json").string()});
  };
  expect_bad_input(with("garbage"), "bad.json");
  expect_bad_input(with(R"({"format": "solarchon-rig", "version": 1, "name": "x"})"), "elements");
  expect_bad_input(with(R"({"format": "solarchon-rig", "version": 1, "name": "x", "elements": [
              {"kind": "refractor", "aperture_mm": -80, "focal_length_mm": 480}]})"),
                   "elements[0].aperture_mm");
  expect_bad_input(with(R"({"format": "solarchon-rig", "version": 7, "name": "x"})"), "version");
  expect_bad_input(call({"rig", (folder / "none.json").string()}), "none.json");
}

TEST(Cli, SimulatedFramesAreMeasuredWhereTheyWereDrawn) {
  const TempFolder folder;
  const std::string out = (folder / "f.fits").string();
  auto arguments = words(std::string("simulate FILE") + kMorning + " --seed 3 --out OUT");
  arguments[1] = rig_file(folder, test::starter_rig());
  arguments.back() = out;
  const Outcome simulated = call(arguments);
  ASSERT_EQ(simulated.code, 0) << simulated.err;
  const Json truth = simulated.json().at("truth");
  const Outcome measured = call({"measure", out, "--json"});
  ASSERT_EQ(measured.code, 0) << measured.err;
  const Json found = measured.json();
  for (const int axis : {0, 1}) {
    EXPECT_NEAR(found.at("centre_px")[static_cast<std::size_t>(axis)].get<double>(),
                truth.at("centre_px")[static_cast<std::size_t>(axis)].get<double>(), 0.05);
  }
  EXPECT_NEAR(found.at("radius_px").get<double>(), truth.at("radius_px").get<double>(), 0.05);
  ASSERT_FALSE(found.at("spots").empty());
  for (const char* key : {"latitude_deg", "carrington_longitude_deg", "area_muh"}) {
    EXPECT_TRUE(found.at("spots")[0].at(key).is_number()) << key;
  }
}

TEST(Cli, SimulatesAShortExposureInMovingAir) {
  const TempFolder folder;
  auto arguments = words(std::string("simulate FILE") + kMorning + " --r0 4 --out OUT");
  arguments[1] = rig_file(folder);
  arguments.back() = (folder / "f.fits").string();
  const Outcome outcome = call(arguments);
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json truth = outcome.json().at("truth");
  EXPECT_NEAR(truth.at("r0_cm").get<double>(), 4.0, 3.0);
  EXPECT_EQ(truth.at("shift_px").size(), 2U);
  for (const char* wrong : {"0.1", "51", "nan"}) {
    auto bad = arguments;
    *std::find(bad.begin(), bad.end(), "4") = wrong;
    expect_bad_input(call(bad), "r0");
  }
}

TEST(Cli, SimulatesAClipAsACubeAndAsASeries) {
  const TempFolder folder;
  auto arguments =
      words(std::string("simulate FILE") + kMorning + " --r0 4 --frames 3 --rate 25 --out OUT");
  arguments[1] = rig_file(folder);
  arguments.back() = (folder / "c.fits").string();
  const Outcome cube = call(arguments);
  ASSERT_EQ(cube.code, 0) << cube.err;
  const Json frames = cube.json().at("truth").at("frames");
  ASSERT_EQ(frames.size(), 3U);
  EXPECT_DOUBLE_EQ(frames[2].at("time_s").get<double>(), 0.08);
  EXPECT_NE(frames[0].at("shift_px"), frames[1].at("shift_px"));
  // Read back by the library itself: three planes, the third axis time.
  fitsfile* file = nullptr;
  int status = 0;
  std::array<long, 3> size{};
  double step = 0.0;
  fits_open_file(&file, (folder / "c.fits").c_str(), READONLY, &status);
  fits_get_img_size(file, 3, size.data(), &status);
  fits_read_key(file, TDOUBLE, "CDELT3", &step, nullptr, &status);
  const auto read = [&](LONGLONG plane) {
    std::vector<float> pixels(static_cast<std::size_t>(size[0] * size[1]));
    fits_read_img(file, TFLOAT, 1 + plane * size[0] * size[1], size[0] * size[1], nullptr,
                  pixels.data(), nullptr, &status);
    return pixels;
  };
  const auto first = read(0);
  EXPECT_NE(first, read(1));
  fits_close_file(file, &status);
  EXPECT_EQ(status, 0);
  EXPECT_EQ(size[2], 3);
  EXPECT_NEAR(step, 0.04, 1e-12);
  // The same clip as a series: its first frame is the cube's first plane, upside down.
  arguments.back() = (folder / "c.tiff").string();
  ASSERT_EQ(call(arguments).code, 0);
  const auto frame = media::read_frame(folder / "c-00001.tiff").value();
  EXPECT_TRUE(std::filesystem::exists(folder / "c-00003.tiff"));
  ASSERT_EQ(frame.width, size[0]);
  EXPECT_EQ(static_cast<float>(frame.at(frame.width / 2, frame.height - 1)),
            first[static_cast<std::size_t>(frame.width / 2)]);
  for (const auto& [option, wrong] : {std::pair("3", "0"), std::pair("25", "0")}) {
    auto bad = arguments;
    *std::find(bad.begin() + 10, bad.end(), option) = wrong;
    expect_bad_input(call(bad), std::string(option) == "3" ? "frames" : "rate");
  }
}

TEST(Cli, AClipDriftsAndTurnsWithItsMount) {
  const TempFolder folder;
  auto arguments = words(
      "simulate FILE --lat 36.07 --lon -5.58 --time 2027-07-17T12:00:00Z"
      " --frames 3 --rate 0.05 --mount alt-azimuth --cloud 2 --unevenness 0.5 "
      "--motes 12 --bands 0.06 --response-spread 0.01 --mosaic --out OUT");
  arguments[1] = rig_file(folder);
  arguments.back() = (folder / "c.mkv").string();
  const Outcome turning = call(arguments);
  ASSERT_EQ(turning.code, 0) << turning.err;
  EXPECT_GT(std::filesystem::file_size(folder / "c.mkv"), 100'000U);
  const Json frames = turning.json().at("truth").at("frames");
  const auto north = [](const Json& frame) { return frame.at("north_deg").get<double>(); };
  EXPECT_GT(std::abs(north(frames[2]) - north(frames[0])), 0.05);
  EXPECT_NE(frames[0].at("cloud_stops"), frames[1].at("cloud_stops"));

  auto tilted = words(std::string("simulate FILE") + kMorning +
                      " --frames 2 --rate 0.01 --pole-error 1 -2 --periodic-error 15 --out OUT");
  tilted[1] = rig_file(folder);
  tilted.back() = (folder / "d.fits").string();
  const Outcome drifting = call(tilted);
  ASSERT_EQ(drifting.code, 0) << drifting.err;
  const Json both = drifting.json().at("truth").at("frames");
  const auto place = [&](std::size_t frame, std::size_t axis) {
    return both[frame].at("centre_px")[axis].get<double>();
  };
  EXPECT_GT(std::hypot(place(1, 0) - place(0, 0), place(1, 1) - place(0, 1)), 5.0);
  const auto wrong = [&](std::vector<std::string> bad, const std::string& option,
                         const std::string& value, const std::string& field) {
    *(std::find(bad.begin(), bad.end(), option) + 1) = value;
    expect_bad_input(call(bad), field);
  };
  wrong(tilted, "--pole-error", "90", "pole-error");
  wrong(tilted, "--periodic-error", "-1", "periodic-error");
  wrong(arguments, "--mount", "balcony", "mount");
  wrong(arguments, "--unevenness", "2", "unevenness");
  wrong(arguments, "--motes", "-1", "motes");
  wrong(arguments, "--bands", "3", "band_contrast");
}

TEST(Cli, TellsWhatAClipHoldsAndMeasuresOneFrameOfIt) {
  const TempFolder folder;
  auto arguments =
      words(std::string("simulate FILE") + kMorning + " --r0 8 --frames 6 --rate 20 --out OUT");
  arguments[1] = rig_file(folder);
  for (const char* name : {"c.mkv", "c.fits"}) {
    arguments.back() = (folder / name).string();
    ASSERT_EQ(call(arguments).code, 0);
    const Outcome clip = call({"clip", (folder / name).string()});
    ASSERT_EQ(clip.code, 0) << clip.err;
    EXPECT_EQ(clip.json().at("frames"), 6);
    EXPECT_EQ(clip.json().at("promised"), 6);
    EXPECT_NEAR(clip.json().at("rate_hz").get<double>(), 20.0, 0.05);
    EXPECT_EQ(clip.json().at("saturation"), 4095);
    const Outcome measured = call({"measure", (folder / name).string(), "--frame", "5"});
    ASSERT_EQ(measured.code, 0) << measured.err;
    EXPECT_NEAR(measured.json().at("plate_scale_arcsec_px").get<double>(),
                clip.json().at("plate_scale_arcsec_px").get<double>(), 0.02);
    expect_bad_input(call({"measure", (folder / name).string(), "--frame", "6"}), "frame");
  }
  expect_bad_input(call({"clip", (folder / "none.mkv").string()}), "none.mkv");
}

TEST(Cli, SimulatesATargetWhereItStands) {
  const TempFolder folder;
  auto arguments = words(std::string("simulate FILE") + kMorning + " --target limb --out OUT");
  arguments[1] = rig_file(folder);
  arguments.back() = (folder / "f.fits").string();
  const Outcome outcome = call(arguments);
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json truth = outcome.json().at("truth");
  // The east limb lies in the middle: the centre is a radius away.
  const Json& centre = truth.at("centre_px");
  const double away = std::hypot(centre[0].get<double>() - 320.0, centre[1].get<double>() - 256.0);
  EXPECT_NEAR(away / truth.at("radius_px").get<double>(), 1.0, 0.15);
  *std::find(arguments.begin(), arguments.end(), "limb") = "moon";
  expect_bad_input(call(arguments), "target");
}

TEST(Cli, RampsThroughSunset) {
  const Outcome outcome =
      call(words("ramp --lat 36.07 --lon -5.58 --date 2027-07-17 --focal-ratio 4 --longest 2"));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json steps = outcome.json().at("steps");
  ASSERT_EQ(steps.size(), 81U);
  EXPECT_GT(steps.front().at("altitude_deg").get<double>(), 5.0);
  EXPECT_EQ(steps.back().at("shutter_s").get<double>(), 2.0);
  EXPECT_GT(steps.back().at("iso").get<double>(), 100.0);
  expect_bad_input(call(words("ramp --lat 36.07 --lon -5.58 --date 2027-07-17 --focal-ratio 0")),
                   "focal_ratio");
  // In the polar day the Sun does not set.
  const Outcome polar = call(words("ramp --lat 80 --lon 0 --date 2027-06-21"));
  ASSERT_EQ(polar.code, 0) << polar.err;
  EXPECT_TRUE(polar.json().at("through_utc").is_null());
  EXPECT_TRUE(polar.json().at("steps").empty());
}

TEST(Cli, SimulatesHydrogenAlphaAndTellsWhatItDrew) {
  const TempFolder folder;
  auto arguments = words(std::string("simulate FILE") + kMorning +
                         " --detune 0.2 --band 0.6 --cloud 1 --focus 100 --activity 0.8 --out OUT");
  optics::Rig rig = test::usual_train(2);
  arguments[1] = rig_file(folder, rig);
  arguments.back() = (folder / "f.fits").string();
  const Outcome outcome = call(arguments);
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json truth = outcome.json().at("truth");
  ASSERT_FALSE(truth.at("filaments").empty());
  EXPECT_GT(truth.at("filaments")[0].at("length_km").get<double>(), 10000.0);
  ASSERT_FALSE(truth.at("prominences").empty());
  for (const Json& prominence : truth.at("prominences")) {
    EXPECT_GT(prominence.at("height_km").get<double>(), 4000.0);
    const double angle = prominence.at("position_angle_deg").get<double>();
    EXPECT_GE(angle, 0.0);
    EXPECT_LT(angle, 360.0);
  }
  EXPECT_TRUE(truth.at("flares").is_array());
  for (const auto& [option, wrong, field] :
       {std::tuple("0.2", "7", "detune"), std::tuple("0.6", "0", "band"),
        std::tuple("0.8", "2", "activity"), std::tuple("1", "40", "cloud"),
        std::tuple("100", "99999", "defocus")}) {
    auto bad = arguments;
    *std::find(bad.begin() + 10, bad.end(), option) = wrong;
    expect_bad_input(call(bad), field);
  }
}

TEST(Cli, ExposeGivesDiscProminenceAndTheWholeTable) {
  const TempFolder folder;
  auto arguments = words(std::string("expose FILE") + kMorning);
  arguments[1] = rig_file(folder, test::usual_train(2));
  const Outcome outcome = call(arguments);
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json report = outcome.json();
  EXPECT_NEAR(report.at("prominence_ms").get<double>() / report.at("disc_ms").get<double>(), 6.0,
              0.01);
  EXPECT_EQ(report.at("correction_stops"), 0.0);
  EXPECT_TRUE(report.at("limit").is_null());
  ASSERT_GT(report.at("table").size(), 20U);
  EXPECT_TRUE(report.at("table")[0].at("shutter_s").is_number());
  // Two stops of cloud take four times as long, to the last digit.
  auto cloudy = arguments;
  cloudy.insert(cloudy.end(), {"--cloud", "2"});
  EXPECT_NEAR(call(cloudy).json().at("disc_ms").get<double>() / report.at("disc_ms").get<double>(),
              4.0, 1e-9);
  auto wrong = arguments;
  wrong.insert(wrong.end(), {"--iso", "400"});
  expect_bad_input(call(wrong), "iso");
  wrong = arguments;
  wrong.insert(wrong.end(), {"--level", "1.5"});
  expect_bad_input(call(wrong), "level");
}

TEST(Cli, ExposeSaysThatItsSunIsUncovered) {
  const TempFolder folder;
  // The demo's site, on the day of the total eclipse of 2 August 2027.
  const auto at = [&](const std::string& time) {
    return call({"expose", rig_file(folder, test::usual_train(1)), "--lat", "36.07", "--lon",
                 "-5.58", "--time", time})
        .json();
  };
  const Json deep = at("2027-08-02T08:46:00Z");
  EXPECT_EQ(deep.at("uncovered_sun"), true);
  EXPECT_GT(deep.at("moon_in_front").at("obscuration").get<double>(), 0.95);
  const Json before = at("2027-08-02T07:00:00Z");
  EXPECT_TRUE(before.at("moon_in_front").is_null());
  EXPECT_EQ(before.at("uncovered_sun"), true);
}

TEST(Cli, MeasureTellsTheTelescopesTrueFocalLength) {
  const TempFolder folder;
  optics::Rig rig = test::quick_rig();
  auto& tube =
      std::get<optics::Telescope>(rig.elements[*optics::find_fitted<optics::Telescope>(rig)].part);
  const double given = tube.focal_length_mm;
  tube.focal_length_mm = 1.03 * given;  // what it truly is
  const std::string frame = (folder / "disc.fits").string();
  ASSERT_EQ(call({"simulate", rig_file(folder, rig), "--lat", "36.07", "--lon", "-5.58", "--time",
                  "2027-07-17T08:40:00Z", "--out", frame})
                .code,
            0);
  tube.focal_length_mm = given;  // what its maker says
  const Outcome outcome = call({"measure", frame, "--rig", rig_file(folder, rig)});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  EXPECT_NEAR(outcome.json().at("telescope_focal_length_mm").get<double>(), 1.03 * given,
              0.002 * given);
  EXPECT_TRUE(call({"measure", frame}).json().at("telescope_focal_length_mm").is_null());
}

TEST(Cli, ExposeLearnsFromTheLog) {
  const TempFolder folder;
  const optics::Rig rig = test::starter_rig();
  {
    auto book = log::LogBook::open(folder / "log.sqlite").value();
    for (const double right : {3.8, 4.0, 4.3}) {
      ASSERT_TRUE(book.note_exposure({0, test::morning(), rig.name, 2.0, right}));
    }
  }
  auto arguments = words(std::string("expose FILE") + kMorning);
  arguments[1] = rig_file(folder, rig);
  const double plain = call(arguments).json().at("disc_ms").get<double>();
  arguments.insert(arguments.end(), {"--data", folder.path().string()});
  const Outcome outcome = call(arguments);
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  EXPECT_NEAR(outcome.json().at("correction_stops").get<double>(), 1.0, 1e-9);
  EXPECT_EQ(outcome.json().at("correction_count"), 3);
  EXPECT_NEAR(outcome.json().at("disc_ms").get<double>() / plain, 2.0, 1e-9);
}

TEST(Cli, MatchRanksWaysAndNamesWhatLimits) {
  const TempFolder folder;
  auto arguments = words(std::string("match FILE") + kMorning + " --target granulation --seeing 1");
  arguments[1] = rig_file(folder, test::starter_rig());
  const Outcome outcome = call(arguments);
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json report = outcome.json();
  EXPECT_EQ(report.at("target"), "granulation");
  EXPECT_EQ(report.at("limits").at("ruling"), "sampling");
  ASSERT_GT(report.at("settings").size(), 3U);
  EXPECT_LT(report.at("settings")[0].at("sampling_arcsec_px").get<double>(), 1.0);
  EXPECT_EQ(report.at("clip").at("limit"), "rotation");
  *std::find(arguments.begin(), arguments.end(), "granulation") = "corona";
  expect_bad_input(call(arguments), "target");
}

TEST(Cli, SimulateRefusesNightAndBadFolders) {
  const TempFolder folder;
  const std::string rig = rig_file(folder);
  expect_bad_input(call({"simulate", rig, "--lat", "36", "--lon", "-5", "--time",
                         "2027-07-17T00:00:00Z", "--out", (folder / "f").string()}),
                   "time");
  const Outcome outcome =
      call({"simulate", rig, "--lat", "36", "--lon", "-5", "--time", "2027-07-17T12:00:00Z",
            "--out", (folder / "none" / "f.fits").string()});
  EXPECT_EQ(outcome.code, 1);
  EXPECT_NE(outcome.err.find("cannot be written"), std::string::npos);
}

TEST(Cli, MeasureTakesWhatTheFileDoesNotSay) {
  const TempFolder folder;
  const auto recording = camera::simulate(test::morning_shot(test::quick_rig())).value();
  const std::string png = (folder / "f.png").string();
  ASSERT_TRUE(media::write_png(recording.frame, png));
  EXPECT_TRUE(call({"measure", png}).json().at("plate_scale_arcsec_px").is_null());
  const Json told = call({"measure", png, "--time", "2027-07-17T08:40:00Z", "--north",
                          std::to_string(recording.truth.solar.north_deg)})
                        .json();
  EXPECT_NEAR(told.at("plate_scale_arcsec_px").get<double>(), recording.truth.plate_scale_arcsec_px,
              1e-3);
  expect_bad_input(call({"measure", png, "--north", "1000"}), "north");
  expect_bad_input(call({"measure", png, "--mirrored"}), "north");
}

TEST(Cli, MeasureFailsWithoutASunAndRefusesWhatIsNoPicture) {
  const TempFolder folder;
  image::Frame black;
  black.width = black.height = 64;
  black.pixels.assign(64 * 64, 10);
  ASSERT_TRUE(media::write_fits(black, folder / "black.fits"));
  EXPECT_EQ(call({"measure", (folder / "black.fits").string()}).code, 1);
  test::write_text(folder / "text", "no picture at all");
  expect_bad_input(call({"measure", (folder / "text").string()}), "text");
}

TEST(Cli, LogListShowsSessions) {
  const TempFolder folder;
  expect_bad_input(call({"log", "list", "--data", (folder / "none").string()}), "data");
  {
    auto book = log::LogBook::open(workspace::log_file(folder.path())).value();
    ASSERT_TRUE(book.begin(
        {test::morning(), {"Here", 1, 2, 3, "UTC"}, test::quick_rig(), "whole-disc", 2.0, {}}));
  }
  const Json json = call({"log", "list", "--data", folder.path().string(), "--json"}).json();
  ASSERT_EQ(json.at("sessions").size(), 1U);
  EXPECT_EQ(json.at("sessions")[0].at("site"), "Here");
}

TEST(Cli, LogShowsKitAndShelves) {
  const TempFolder folder;
  {
    auto book = log::LogBook::open(workspace::log_file(folder.path())).value();
    ASSERT_TRUE(book.keep_in_kit(test::catalogue_part("Eyepiece 20 mm")));
    ASSERT_TRUE(
        book.keep(log::KeptSite{{"Here", 1, 2, 3, "UTC"}, test::utc("2027-07-01T10:00:00Z")}));
    ASSERT_TRUE(book.keep(log::KeptPath{test::starter_rig(), test::utc("2027-07-02T10:00:00Z")}));
  }
  const Json shelves = call({"log", "shelves", "--data", folder.path().string()}).json();
  EXPECT_EQ(shelves.at("sites")[0].at("site").at("name"), "Here");
  EXPECT_EQ(shelves.at("sites")[0].at("used_utc"), "2027-07-01T10:00:00Z");
  EXPECT_EQ(shelves.at("light_paths")[0].at("light_path").at("format"), "solarchon-rig");
  const Json kit = call({"log", "kit", "--data", folder.path().string()}).json();
  test::write_text(folder / "kit.json", kit.dump());
  EXPECT_EQ(optics::read_parts(folder / "kit.json").value()[0].name, "Eyepiece 20 mm");
  expect_bad_input(call({"log", "kit", "--data", (folder / "none").string()}), "data");
}

TEST(Cli, AnswersHelpAndRefusesWhatItDoesNotKnow) {
  EXPECT_EQ(call({"--help"}).code, 0);
  EXPECT_EQ(call({"sun", "--help"}).code, 0);
  expect_bad_input(call({}), "subcommand");
  expect_bad_input(call({"moon"}), "moon");
  expect_bad_input(call(words(std::string("sun") + kMorning + " --colour red")), "colour");
}

TEST(Cli, RigHasItsFurtherKeys) {
  const TempFolder folder;
  const Outcome outcome =
      call({"rig", rig_file(folder, test::usual_train(2)), "--json", "--guests"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  for (const char* key : {"wavelength_nm",
                          "band_width_nm",
                          "transmission",
                          "energy_share",
                          "obstruction",
                          "etalon_bandwidth_angstrom",
                          "etalon_focal_ratio",
                          "limb_light_share",
                          "etalon_limb_shift_angstrom",
                          "magnification",
                          "corner_light_share",
                          "etalon_pressure_shift_angstrom",
                          "exit_pupil_mm",
                          "half_light_field_arcmin",
                          "blocking_filter_margin_mm",
                          "true_field_deg",
                          "secondary_shadow_mm",
                          "fringe_spacing_um",
                          "least_tilt_deg",
                          "most_tilt_deg",
                          "focus_reached",
                          "focus_needed_mm",
                          "focus_racked_out_mm",
                          "focus_inward_spare_mm",
                          "focus_outward_spare_mm",
                          "supply_needed_w",
                          "supply_offered_w",
                          "joints",
                          "misfits",
                          "suggestions"}) {
    ASSERT_TRUE(json.contains(key)) << key;
  }
  EXPECT_EQ(json["verdict"], "no-objection");
  EXPECT_TRUE(json["focus_reached"].get<bool>());
  ASSERT_EQ(json["frame_rates"].size(), 6U);
  EXPECT_EQ(json["frame_rates"][0]["frame_rate_hz"], json["frame_rate_hz"]);
  EXPECT_EQ(json["frame_rates"][3]["bits"], 8);
  EXPECT_EQ(json["frame_rates"][3]["width_px"], 968);
  EXPECT_NEAR(json["etalon_bandwidth_angstrom"].get<double>(), 0.7027, 1e-3);
  EXPECT_TRUE(json["magnification"].is_null());
  EXPECT_EQ(json["joints"].size(), 5U);
  EXPECT_EQ(json["joints"][0]["state"], "fits");
}

TEST(Cli, RigProposesAdaptersAndCures) {
  const TempFolder folder;
  optics::Rig rig = test::rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                                  "Mirror diagonal 1.25 inch", "Eyepiece 20 mm"});
  rig.elements[0].fitted = false;
  const Json json = call({"rig", rig_file(folder, rig)}).json();
  EXPECT_EQ(json["verdict"], "stop");
  EXPECT_EQ(json["joints"][0]["state"], "needs-adapter");
  EXPECT_EQ(json["joints"][0]["adapters"][0][0], "Adapter 2 inch to 1.25 inch");
  ASSERT_FALSE(json["suggestions"].empty());
  EXPECT_EQ(json["suggestions"][0]["concern"], "no-reduction");
  EXPECT_EQ(json["suggestions"][0]["change"], "put-back");
  EXPECT_LT(json["suggestions"][0]["before"]["value"].get<double>(),
            json["suggestions"][0]["after"]["value"].get<double>());
}

TEST(Cli, RigHeedsTheSchoolAndTheKit) {
  const TempFolder folder;
  optics::Rig rig = test::usual_train(2);
  rig.elements[2].fitted = false;
  optics::set_parameter(rig.elements[1].part, "aperture_mm", 100.0);
  const std::string file = rig_file(folder, rig);
  EXPECT_EQ(call({"rig", file}).json()["verdict"], "stop");
  const Json bolder = call({"rig", file, "--rejection-above", "120"}).json();
  EXPECT_NE(bolder["verdict"], "stop");
  EXPECT_NE(bolder["assumptions"].dump().find("120 mm"), std::string::npos);
  expect_bad_input(call({"rig", file, "--rejection-above", "100"}), "rejection-above");
  optics::Element own = test::catalogue_part("Energy rejection filter 110 mm, red");
  own.name = "Ours";
  ASSERT_TRUE(optics::write_parts({own}, folder / "kit.json"));
  const Json json = call({"rig", file, "--kit", (folder / "kit.json").string()}).json();
  EXPECT_NE(json["suggestions"].dump().find("Ours"), std::string::npos);
  expect_bad_input(call({"rig", file, "--kit", (folder / "none.json").string()}), "none.json");
  EXPECT_EQ(call({"rig", file, "--totality"}).json()["findings"].dump().find("totality") ==
                std::string::npos,
            false);
}

TEST(Cli, RigReadsFilesOfTheFirstVersion) {
  const TempFolder folder;
  test::write_text(folder / "old.json", R"({"format": "solarchon-rig", "version": 1,
    "name": "Old", "elements": [{"kind": "refractor", "aperture_mm": 80,
    "focal_length_mm": 480}]})");
  const Json json = call({"rig", (folder / "old.json").string()}).json();
  EXPECT_EQ(json["focal_ratio"], 6.0);
  EXPECT_EQ(json["verdict"], "stop");
  EXPECT_TRUE(json["focus_reached"].is_null());
}

TEST(Cli, CatalogueListsTheShippedParts) {
  const Outcome outcome = call({"catalogue", "--json"});
  ASSERT_EQ(outcome.code, 0);
  EXPECT_GT(outcome.json()["parts"].size(), 100U);
}

TEST(Cli, RulesAreThereToBeRead) {
  const Json rules = call({"rules"}).json()["rules"];
  EXPECT_GT(rules.size(), 40U);
  for (const Json& rule : rules) {
    EXPECT_FALSE(rule["source"].get<std::string>().empty()) << rule["rule"];
  }
}

TEST(Cli, DayHasItsKeys) {
  const Outcome outcome =
      call(words("day --lat 36.07 --lon -5.58 --elev 42 --date 2027-07-17 --json"));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_EQ(json["polar"], "none");
  EXPECT_EQ(json["sunrise_utc"].get<std::string>().substr(0, 16), "2027-07-17T05:18");
  EXPECT_EQ(json["transit_utc"].get<std::string>().substr(0, 16), "2027-07-17T12:28");
  EXPECT_EQ(json["sunset_utc"].get<std::string>().substr(0, 16), "2027-07-17T19:38");
  EXPECT_NEAR(json["transit_altitude_deg"].get<double>(), 75.108, 0.001);
  EXPECT_EQ(json["windows"].size(), 1U);
  EXPECT_TRUE(json["refused_lines"].empty());
  for (const char* key : {"civil_dawn_utc", "civil_dusk_utc", "culmination_utc", "above",
                          "first_light_utc", "last_light_utc", "window_hours"}) {
    EXPECT_TRUE(json.contains(key)) << key;
  }
}

TEST(Cli, DayKnowsWhenAMountTurnsOver) {
  const std::string day = "day --lat 36.07 --lon -5.58 --date 2027-07-17";
  EXPECT_TRUE(call(words(day)).json()["meridian_turn"].is_null());
  const Json turn =
      call(words(day + " --mount equatorial-turns --past-meridian 10")).json()["meridian_turn"];
  EXPECT_EQ(turn["earliest_utc"].get<std::string>().substr(11, 5), "11:48");
  EXPECT_EQ(turn["meridian_utc"].get<std::string>().substr(11, 5), "12:28");
  EXPECT_EQ(turn["latest_utc"].get<std::string>().substr(11, 5), "13:08");
  const Json zenith =
      call(words("day --lat 18 --lon 0 --date 2027-07-17 --mount alt-azimuth")).json();
  EXPECT_FALSE(zenith["fast_azimuth"].is_null());
  expect_bad_input(call(words(day + " --mount tripod")), "mount.kind");
  expect_bad_input(call(words(day + " --mount alt-azimuth --past-meridian -1")),
                   "mount.past_meridian_deg");
}

TEST(Cli, DayKnowsThePolesAndTheDateLine) {
  const Json night = call(words("day --lat 78 --lon 15 --date 2027-12-21")).json();
  EXPECT_EQ(night["polar"], "polar-night");
  EXPECT_TRUE(night["sunrise_utc"].is_null() && night["sunset_utc"].is_null());
  EXPECT_TRUE(night["windows"].empty());
  EXPECT_EQ(call(words("day --lat -78 --lon 15 --date 2027-12-21")).json()["polar"],
            "midnight-sun");
  // The 17th of July east of the date line begins on the 16th in UTC.
  const Json east = call(words("day --lat -41.3 --lon 174.8 --date 2027-07-17")).json();
  EXPECT_EQ(east["sunrise_utc"].get<std::string>().substr(0, 10), "2027-07-16");
  EXPECT_EQ(east["sunset_utc"].get<std::string>().substr(0, 10), "2027-07-17");
}

TEST(Cli, DayTakesAHorizonAndTellsWhatItRefused) {
  const TempFolder folder;
  test::write_text(folder / "h.csv", "0,2\n90,60\n95,bad\n140,2\n");
  const std::string command = "day --lat 36.07 --lon -5.58 --date 2027-07-17 --above 20 --horizon ";
  const Outcome outcome = call(words(command + (folder / "h.csv").string()));
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_EQ(json["refused_lines"][0]["line"], 3);
  EXPECT_EQ(json["refused_lines"][0]["field"], "height_deg");
  EXPECT_LT(json["window_hours"].get<double>(), 9.0);  // a wall in the east
  expect_bad_input(call(words(command + (folder / "none.csv").string())), "none.csv");
  test::write_text(folder / "bad.csv", "x,y\nfar,up\n");
  expect_bad_input(call(words(command + (folder / "bad.csv").string())), "line 2");
  expect_bad_input(call(words("day --lat 36 --lon 0 --date 2027-02-30")), "date");
  expect_bad_input(call(words("day --lat 96 --lon 0 --date 2027-02-03")), "lat");
  expect_bad_input(call(words("day --lat 36 --lon 0 --date 2027-02-03 --above 99")), "above");
}

TEST(Cli, TakesNoEmptyNoHexadecimalAndNoEndlessNumber) {
  for (const char* value : {"", "0x10", "nan", "inf", "1e999", "12abc", " 5", "1,5"}) {
    expect_bad_input(call({"day", "--lat", value, "--lon", "0", "--date", "2027-07-14"}), "lat");
  }
  EXPECT_EQ(call({"day", "--lat", "+3.6e1", "--lon", "-5", "--date", "2027-07-14"}).code, 0);
  expect_bad_input(call({"day", "--lat", "36", "--lon", "0", "--date", ""}), "date");
  expect_bad_input(call({"simulate", "x.json", "--lat", "36", "--lon", "0", "--time",
                         "2027-07-14T10:00Z", "--out", ""}),
                   "out");
  expect_bad_input(call({"sun", "--lat", "36", "--lon", "0", "--time", "2027-07-14T12:00:60Z"}),
                   "time");
}

TEST(Cli, AnswersForNoPlaceThatNobodyNamed) {
  expect_bad_input(call(words("year --year 2027")), "lat");
  expect_bad_input(call(words("forecast --date 2027-07-14")), "lat");
  expect_bad_input(call(words("forecast --lat 3 --date 2027-07-14")), "lon");
  expect_bad_input(call(words("forecast --lat 3 --lon 4")), "date");
}

TEST(Cli, SaysWhenItsAnswerCouldNotBeWritten) {
  std::ofstream full("/dev/full");
  std::ostringstream err;
  EXPECT_EQ(run(words("rules"), full, err), 1);
  EXPECT_NE(err.str().find("standard output"), std::string::npos);
}

TEST(Cli, ObeysNoNameThatTalksToTheTerminal) {
  const TempFolder folder;
  optics::Rig rig = test::starter_rig();
  rig.elements[0].name = "film\x1b[2J\x7f\u009b";
  const Outcome outcome = call({"rig", rig_file(folder, rig)});
  ASSERT_EQ(outcome.code, 0);
  for (const char* control : {"\x1b", "\x7f", "\u009b"}) {
    EXPECT_EQ(outcome.out.find(control), std::string::npos);
  }
  EXPECT_EQ(outcome.json().at("heat")[0].at("name"), rig.elements[0].name);
  const Outcome bad = call({"rig", "no\x1b[31mfile.json"});
  EXPECT_EQ(bad.err.find('\x1b'), std::string::npos);
}

TEST(Cli, WaitsForNobodyForEverAndSaysWhoHoldsAFolder) {
  const TempFolder folder;
  const auto held = base::FolderLock::take(folder.path());
  ASSERT_TRUE(held);
  const Outcome outcome = call({"demo", "--data", folder.path().string()});
  EXPECT_EQ(outcome.code, 1);
  EXPECT_NE(outcome.err.find("held by process"), std::string::npos) << outcome.err;
}

}  // namespace
}  // namespace solarchon::cli
