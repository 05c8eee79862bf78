// SPDX-License-Identifier: GPL-3.0-or-later
#include <chrono>
#include <cmath>
#include <filesystem>
#include <thread>

#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/reduce/recipe.h"
#include "tests/cli/cli_support.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using test::TempFolder;

/// A second and a half of the limb, out of focus or in it.
struct Clip {
  explicit Clip(const std::string& focus_um) {
    optics::Rig path = test::quick_rig();
    auto& camera = std::get<optics::Camera>(path.elements.back().part);
    camera.pixel_um = 5.0;
    camera.width_px = 320;
    camera.height_px = 240;
    EXPECT_TRUE(optics::write_rig(path, rig));
    const Outcome made = call({"simulate", rig,      "--lat",  "36.07",
                               "--lon",    "-5.58",  "--time", "2027-07-17T08:40:00Z",
                               "--target", "limb",   "--r0",   "6",
                               "--frames", "30",     "--rate", "20",
                               "--focus",  focus_um, "--out",  file});
    EXPECT_EQ(made.code, 0) << made.err;
  }
  TempFolder folder;
  std::string rig = (folder / "rig.json").string();
  std::string file = (folder / "clip.mkv").string();
};

TEST(Grade, LooksAtEveryFrameAndSaysWhatLimits) {
  const Clip sharp("0");
  const Outcome outcome = call({"grade", sharp.file, "--rig", sharp.rig, "--black", "0.01"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json grade = outcome.json();
  ASSERT_EQ(grade.at("frames").size(), 30U);
  EXPECT_NEAR(grade.at("frames")[10].at("seconds").get<double>(), 0.5, 1e-6);
  EXPECT_NEAR(grade.at("level").get<double>(), 0.7, 0.1);
  EXPECT_TRUE(grade.at("damaged").empty());
  EXPECT_TRUE(grade.at("bands").is_null());
  EXPECT_TRUE(grade.at("dust").is_null()) << "it stands still";
  EXPECT_GT(grade.at("limb_seen").get<double>(), 0.05);
  // A second and a half of a short arc: a factor of two.
  EXPECT_GT(grade.at("r0_cm").at("value").get<double>(), 3.0);
  EXPECT_LT(grade.at("r0_cm").at("value").get<double>(), 12.0);
  EXPECT_NE(grade.at("limit"), "focus");
  EXPECT_FALSE(grade.at("says").get<std::string>().empty());

  // `stack` keeps the same ones.
  const std::string stack = (sharp.folder / "stack.fits").string();
  const Outcome stacked = call({"stack", sharp.file, "--rig", sharp.rig, "--black", "0.01",
                                "--keep", "best", "--share", "0.2", "--out", stack});
  ASSERT_EQ(stacked.code, 0) << stacked.err;
  const auto recipe = reduce::read_recipe(stacked.json().at("recipe").get<std::string>());
  ASSERT_TRUE(recipe && recipe->keep);
  reduce::Reducer reducer;
  ASSERT_TRUE(reducer.make(*recipe));
  std::vector<int> kept;
  for (const std::size_t place : reduce::kept(*reducer.graded(), *recipe->keep)) {
    kept.push_back(reducer.graded()->frames[place].frame);
  }
  EXPECT_EQ(grade.at("best").get<std::vector<int>>(), kept);

  // The best are those with the highest figures, in order of time.
  const auto best = grade.at("best").get<std::vector<int>>();
  ASSERT_EQ(best.size(), 6U);
  EXPECT_TRUE(std::is_sorted(best.begin(), best.end()));
  const auto sharpness = [&](int frame) {
    const Json& value = grade.at("frames")[static_cast<std::size_t>(frame)].at("sharpness");
    return value.is_null() ? 0.0 : value.get<double>();  // nothing was found again in it
  };
  double least = 1e9;
  for (const int frame : best) {
    least = std::min(least, sharpness(frame));
  }
  for (int frame = 0; frame < 30; ++frame) {
    EXPECT_TRUE(std::find(best.begin(), best.end(), frame) != best.end() ||
                sharpness(frame) <= least);
  }

  const Clip soft("400");
  const Json other = call({"grade", soft.file, "--rig", soft.rig, "--black", "0.01"}).json();
  EXPECT_EQ(other.at("limit"), "focus");
  EXPECT_NE(other.at("says").get<std::string>().find("focus"), std::string::npos);
}

TEST(Grade, TellsCloudByTheClipsOwnClearestFrames) {
  // A quarter of the frames lie under a cloud of 2.5 stops; no light path says how bright it was.
  const test::Painting painting(220, 180);
  test::TempFolder folder;
  for (const bool cloudy : {false, true}) {
    const std::string file = (folder / (cloudy ? "cloudy.fits" : "clear.fits")).string();
    base::Random random{31};
    test::write_clip(file, 40, [&](int i) {
      image::Frame frame = painting.frame(test::glimpse_of(i), random);
      if (cloudy && i % 4 == 1) {
        for (auto& pixel : frame.pixels) {
          pixel = static_cast<std::uint16_t>(pixel * std::exp2(-2.5));
        }
      }
      return frame;
    });
    const Json grade = call({"grade", file}).json();
    const double stops = grade.at("cloud_stops").at("value").get<double>();
    EXPECT_NEAR(stops, cloudy ? 2.5 : 0.0, 0.15) << cloudy;
  }
}

TEST(Grade, SaysNothingOfWhatItCannotKnow) {
  const Clip clip("0");
  const Json grade = call({"grade", clip.file}).json();
  for (const char* key : {"r0_cm", "defocus_um", "limit", "says", "next"}) {
    EXPECT_TRUE(grade.at(key).is_null()) << key;
  }
  EXPECT_EQ(grade.at("frames").size(), 30U);
}

TEST(Grade, NamesTheBadField) {
  const Clip clip("0");
  expect_bad_input(call({"grade", clip.file, "--best", "0"}), "best");
  expect_bad_input(call({"grade", clip.file, "--best", "1.5"}), "best");
  expect_bad_input(call({"grade", clip.file, "--black", "1"}), "black");
  expect_bad_input(call({"grade", clip.file, "--rig", clip.file}), "clip.mkv");
  expect_bad_input(call({"grade", clip.folder.path() / "nothing.mkv"}), "nothing.mkv");
}

TEST(Record, TakesTheSimulatedCameraAndAClip) {
  const Clip clip("0");
  const std::string out = (clip.folder / "live.fits").string();
  const std::vector<std::string> sun{
      "record",   clip.rig, "--lat",  "36.07", "--lon",  "-5.58", "--time", "2027-07-17T08:40:00Z",
      "--frames", "12",     "--rate", "10",    "--fast", "--out", out};
  const Outcome first = call(sun);
  ASSERT_EQ(first.code, 0) << first.err;
  EXPECT_EQ(first.json().at("frames"), 12);
  EXPECT_EQ(first.json().at("dropped"), 0);
  EXPECT_NEAR(first.json().at("seconds").get<double>(), 1.1, 1e-6);
  EXPECT_EQ(call({"clip", out}).json().at("frames"), 12);
  const Json facts = Json::parse(test::read_text(out + ".json"));
  EXPECT_EQ(facts.at("frames"), 12);
  EXPECT_NEAR(facts.at("site").at("latitude_deg").get<double>(), 36.07, 1e-9);
  // The name is taken now.
  const Outcome again = call(sun);
  EXPECT_EQ(again.code, 1) << again.out;
  EXPECT_NE(again.err.find("live.fits"), std::string::npos);

  const std::string copy = (clip.folder / "copy.fits").string();
  const Outcome played = call({"record", clip.file, "--fast", "--out", copy});
  ASSERT_EQ(played.code, 0) << played.err;
  EXPECT_EQ(played.json().at("frames"), 30);
  EXPECT_TRUE(played.json().at("limit").is_null()) << "nobody said what it was taken with";
  EXPECT_FALSE(first.json().at("limit").is_null());
  const Json grades = call({"grade", copy}).json();
  EXPECT_EQ(grades.at("frames"), call({"grade", clip.file}).json().at("frames"));
}

TEST(Record, NamesTheBadField) {
  const Clip clip("0");
  const std::string out = (clip.folder / "x.fits").string();
  expect_bad_input(call({"record", clip.rig, "--lat", "36", "--lon", "-5", "--time",
                         "2027-07-17T08:40:00Z", "--out", out}),
                   "frames");
  expect_bad_input(call({"record", clip.rig, "--lat", "36", "--lon", "-5", "--time",
                         "2027-07-17T00:40:00Z", "--frames", "3", "--out", out}),
                   "time");
  expect_bad_input(call({"record", clip.file, "--above", "1", "--out", out}), "above_share");
  EXPECT_FALSE(std::filesystem::exists(out));
}

TEST(Watch, TakesUpWhatBecomesWhole) {
  const Clip clip("0");
  const TempFolder watched;
  std::jthread other([&] {
    std::this_thread::sleep_for(std::chrono::milliseconds(600));
    std::filesystem::copy_file(clip.file, watched / "run.mkv");
    test::write_text(watched / "broken.fits", "SIMPLE  = what?");
  });
  const Outcome outcome = call({"watch", watched.path().string(), "--for", "4.5"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json files = outcome.json().at("files");
  ASSERT_EQ(files.size(), 2U);
  EXPECT_EQ(files[0].at("file"), "broken.fits");
  EXPECT_FALSE(files[0].at("problem").get<std::string>().empty());
  EXPECT_EQ(files[1].at("frames"), 30);
  EXPECT_GT(files[1].at("sharpness").get<double>(), 0.0);
  expect_bad_input(call({"watch", (watched / "nothing").string()}), "nothing");
  expect_bad_input(call({"watch", watched.path().string(), "--for", "0"}), "for");
}

}  // namespace
}  // namespace solarchon::cli
