// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>

#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/reduce/keep.h"
#include "solarchon/reduce/recipe.h"
#include "solarchon/workspace/live.h"
#include "tests/cli/cli_support.h"
#include "tests/cli/painted_clip.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using test::TempFolder;

TEST(Stack, MakesAPictureAndTellsWhatWentIntoIt) {
  const PaintedClip clip;
  const Outcome outcome =
      call({"stack", clip.file, "--out", clip.out, "--keep", "best", "--share", "0.25"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_EQ(json["frames"], 40);
  EXPECT_EQ(json["kept"], 10);
  EXPECT_EQ(json["unlike"], 0);
  EXPECT_GT(json["detail_gain"].get<double>(), 1.0);
  EXPECT_GT(json["proposal"]["share"].get<double>(), 0.0);
  EXPECT_TRUE(media::read_picture(clip.out));
  EXPECT_TRUE(std::filesystem::exists(json["recipe"].get<std::string>()));
  // And again by its recipe.
  const std::string again = (clip.folder / "again.png").string();
  const Outcome second = call({"stack", "--recipe", clip.out, "--out", again});
  ASSERT_EQ(second.code, 0) << second.err;
  EXPECT_EQ(second.json()["kept"], 10);
}

TEST(Stack, KeepsAsItIsTold) {
  const PaintedClip clip;
  const Outcome all = call({"stack", clip.file, "--out", clip.out, "--keep", "all"});
  ASSERT_EQ(all.code, 0) << all.err;
  EXPECT_EQ(all.json()["kept"], 40);
  const Outcome level =
      call({"stack", clip.file, "--out", clip.out, "--keep", "level", "--level", "1"});
  ASSERT_EQ(level.code, 0) << level.err;
  EXPECT_NEAR(level.json()["kept"].get<int>(), 20, 3);
}

TEST(Stack, NamesTheFieldThatIsWrong) {
  const PaintedClip clip;
  expect_bad_input(call({"stack", clip.file, "--out", clip.out, "--keep", "few"}), "keep");
  expect_bad_input(call({"stack", clip.file, "--out", clip.out, "--share", "3"}), "share");
  expect_bad_input(call({"stack", clip.file, "--out", clip.out, "--finer", "5"}), "finer");
  expect_bad_input(call({"stack", clip.file, "--out", clip.out, "--sigma", "-1"}), "sigma");
  expect_bad_input(call({"stack", clip.file, "--out", clip.out, "--black", "2"}), "black");
  expect_bad_input(call({"stack", "--out", clip.out}), "clip");
  expect_bad_input(call({"stack", "none.fits", "--out", clip.out}), "none.fits");
  EXPECT_FALSE(std::filesystem::exists(clip.out));
}

TEST(Restore, IsToTheLastBitWhatTheWindowMakes) {
  const PaintedClip clip;
  const std::string rig = (clip.folder / "rig.json").string();
  ASSERT_TRUE(optics::write_rig(test::quick_rig(), rig));
  // The recorder writes the air that its meters saw beside a clip.
  test::write_text(clip.file + ".json", R"({"r0_cm": 5.0})");
  ASSERT_EQ(call({"stack", clip.file, "--out", clip.out, "--share", "0.25"}).code, 0);
  const std::string sharp = (clip.folder / "sharp.fits").string();
  const Outcome outcome =
      call({"restore", clip.out, "--rig", rig, "--scale", "0.4", "--out", sharp});
  ASSERT_EQ(outcome.code, 0) << outcome.err;

  // As the window does it: in one go from the clip on, with the air of the frames that it keeps.
  auto recipe = reduce::read_recipe(clip.out);
  ASSERT_TRUE(recipe);
  reduce::Reducer reducer;
  const auto grading = reducer.grade(*recipe);
  const auto places = reducer.choose(*recipe);
  ASSERT_TRUE(grading && places);
  const auto setting = workspace::setting_of_frames({}, test::quick_rig(), test::morning(), 0.0);
  ASSERT_TRUE(setting);
  reduce::RestoreWishes wishes;
  wishes.imaging = setting->imaging;
  wishes.imaging.scale_arcsec_px = 0.4;
  const double gain = reduce::gain_of(**grading, *places).detail;
  wishes.r0_cm = reduce::r0_of_kept(5.0, wishes.imaging, gain);
  EXPECT_GT(*wishes.r0_cm, 5.0) << "the kept ones are the sharper ones";
  recipe->restore = wishes;
  const auto product = reducer.make(*recipe);
  ASSERT_TRUE(product);
  const auto written = media::read_picture(sharp);
  ASSERT_TRUE(written);
  EXPECT_EQ(written->values, product->picture.values);
}

TEST(Restore, SharpensAStackAndAddsTheStepToItsRecipe) {
  const PaintedClip clip;
  ASSERT_EQ(call({"stack", clip.file, "--out", clip.out, "--share", "0.5"}).code, 0);
  const std::string sharp = (clip.folder / "sharp.fits").string();
  const Outcome outcome = call({"restore", clip.out, "--out", sharp, "--aperture", "100", "--scale",
                                "0.4", "--r0", "5", "--noise", "0.002"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  EXPECT_GT(outcome.json()["reached"].get<double>(), 0.2);
  EXPECT_TRUE(outcome.json()["limb_r0_cm"].is_null());
  const Json recipe = Json::parse(media::read_picture(sharp)->recipe);
  EXPECT_EQ(recipe["steps"].back()["step"], "restore");
  EXPECT_EQ(recipe["steps"].size(), 4U);
  // From the clip on, by its recipe.
  const std::string again = (clip.folder / "again.fits").string();
  const Outcome second = call({"stack", "--recipe", sharp, "--out", again});
  ASSERT_EQ(second.code, 0) << second.err;
  EXPECT_EQ(Json::parse(media::read_picture(again)->recipe)["product"], "restored");
}

TEST(Restore, NamesTheFieldThatIsWrong) {
  const PaintedClip clip;
  ASSERT_EQ(call({"stack", clip.file, "--out", clip.out, "--share", "0.5"}).code, 0);
  const std::string sharp = (clip.folder / "sharp.fits").string();
  expect_bad_input(call({"restore", clip.out, "--out", sharp}), "rig");
  expect_bad_input(call({"restore", clip.out, "--out", sharp, "--aperture", "100"}), "scale");
  expect_bad_input(call({"restore", clip.out, "--out", sharp, "--aperture", "-1", "--scale", "1"}),
                   "aperture");
  expect_bad_input(call({"restore", "none.fits", "--out", sharp, "--aperture", "1"}), "none.fits");
  EXPECT_FALSE(std::filesystem::exists(sharp));
}

TEST(Simulated, NoWayLeadsFromTheSimulatorToAFileWithoutTheMark) {
  const TempFolder folder;
  const auto at = [&](const char* name) { return (folder / name).string(); };
  optics::Rig path = test::quick_rig();
  auto& camera = std::get<optics::Camera>(path.elements.back().part);
  camera.width_px = 200;
  camera.height_px = 180;
  camera.pixel_um = 29.0;
  ASSERT_TRUE(optics::write_rig(path, at("rig.json")));
  const std::vector<std::string> morning{"--lat", "36.07",  "--lon",
                                         "-5.58", "--time", "2027-07-17T08:40:00Z"};
  const auto made = [&](std::vector<std::string> words, bool placed) {
    if (placed) {
      words.insert(words.end(), morning.begin(), morning.end());
    }
    const Outcome outcome = call(words);
    EXPECT_EQ(outcome.code, 0) << words[0] << ": " << outcome.err;
    return outcome.code == 0 ? outcome.json() : Json::object();
  };
  const auto said = [&](const char* name) {
    const auto frame = media::read_frame(at(name));
    return frame && frame->info.simulated;
  };
  const std::string rig = at("rig.json");
  for (const char* name : {"a.fits", "b.tiff"}) {
    made({"simulate", rig, "--out", at(name)}, true);
    EXPECT_TRUE(said(name)) << name;
  }
  for (const char* name : {"c.fits", "d.mkv"}) {
    made({"simulate", rig, "--frames", "12", "--rate", "20", "--r0", "8", "--out", at(name)}, true);
    EXPECT_TRUE(media::ClipReader::open(at(name))->facts().info.simulated) << name;
  }
  EXPECT_EQ(made({"measure", at("a.fits")}, false).at("simulated"), true);
  EXPECT_EQ(made({"stack", at("c.fits"), "--out", at("stack.fits")}, false).at("simulated"), true);
  EXPECT_EQ(made({"stack", at("d.mkv"), "--out", at("stack.png")}, false).at("simulated"), true);
  EXPECT_EQ(
      made({"restore", at("stack.fits"), "--rig", rig, "--r0", "8", "--out", at("sharp.tiff")},
           false)
          .at("simulated"),
      true);
  EXPECT_EQ(made({"finish", at("sharp.tiff"), "--flatten", "1", "--out", at("done.png")}, false)
                .at("simulated"),
            true);
  for (const char* name : {"stack.fits", "stack.png", "sharp.tiff", "done.png"}) {
    EXPECT_TRUE(said(name)) << name;
  }
  // One simulated picture among others is enough; and of real ones nothing is said.
  image::Frame real = media::read_frame(at("a.fits")).value();
  real.info.simulated = false;
  ASSERT_TRUE(media::write_fits(real, at("real.fits")));
  EXPECT_EQ(made({"measure", at("real.fits")}, false).at("simulated"), false);
  for (const char* movie : {"m.mkv", "m.mp4"}) {
    made({"animate", at("real.fits"), at("a.fits"), "--out", at(movie)}, false);
    EXPECT_TRUE(media::ClipReader::open(at(movie))->facts().info.simulated) << movie;
  }
  made({"animate", at("real.fits"), at("real.fits"), "--out", at("n.mkv")}, false);
  EXPECT_FALSE(media::ClipReader::open(at("n.mkv"))->facts().info.simulated);
}

}  // namespace
}  // namespace solarchon::cli
