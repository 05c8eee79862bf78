// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>

#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/sky/disc.h"
#include "tests/cli/cli_support.h"
#include "tests/core/reduce/painted_sun.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using test::PaintedSun;
using test::SunPlace;
using test::TempFolder;

/// Writes a painted disc; its north is turned clockwise by as much as it is.
std::string disc(const TempFolder& folder, const std::string& name, double turn_deg,
                 double radius_px, const std::string& time, bool h_alpha = false) {
  PaintedSun sun(800, 0.03);
  sun.blots.push_back({0.4, -0.3, -0.6, 4.0});
  base::Random random{12};
  image::Picture picture =
      sun.picture(240, 240, {118.0, 122.0, radius_px, turn_deg, 1.0, 0.002, 1.2}, random);
  picture.info.time = *sky::parse_utc(time, "time");
  picture.info.plate_scale_arcsec_px = 944.0 / radius_px;
  picture.info.orientation = sky::PictureOrientation{turn_deg, false};
  if (h_alpha) {
    picture.info.wavelength_nm = 656.28;
    picture.info.band_width_nm = 0.07;
  }
  picture.recipe = "{}";
  const auto file = folder / name;
  EXPECT_TRUE(media::write_picture(picture, file));
  return file.string();
}

TEST(Finish, TurnsFlattensAndColoursByTheLine) {
  const TempFolder folder;
  const std::string picture = disc(folder, "sun.fits", 50.0, 90.0, "2027-07-12T09:00:00Z", true);
  const std::string out = (folder / "out.fits").string();
  const Outcome outcome = call({"finish", picture, "--out", out, "--north-up", "--radius", "80",
                                "--flatten", "1", "--sharpen", "1.5,1.2", "--tint", "auto"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_EQ(json["false_colour"], "h-alpha");
  EXPECT_EQ(json["planes"], 3);
  EXPECT_NEAR(json["turned_deg"].get<double>(), -50.0, 1e-6);
  EXPECT_EQ(json["width"], json["height"]);
  EXPECT_GT(json["noise_gain"].get<double>(), 0.9);
  EXPECT_TRUE(json["prominence_gain"].is_null());
  EXPECT_TRUE(std::filesystem::exists(json["recipe"].get<std::string>()));
  const Outcome again = call({"stack", "--recipe", out, "--out", (folder / "b.png").string()});
  EXPECT_EQ(again.code, 0) << again.err << "any product is made again by its recipe";
}

TEST(Finish, NamesTheFieldThatIsWrong) {
  const TempFolder folder;
  const std::string picture = disc(folder, "sun.fits", 0.0, 90.0, "2027-07-12T09:00:00Z");
  const std::string out = (folder / "out.fits").string();
  expect_bad_input(call({"finish", picture, "--out", out, "--flatten", "2"}), "flatten");
  expect_bad_input(call({"finish", picture, "--out", out, "--sharpen", "1,1,1,1,1"}), "sharpen");
  expect_bad_input(call({"finish", picture, "--out", out, "--sharpen", "99"}), "layers");
  expect_bad_input(call({"finish", picture, "--out", out, "--tint", "pink"}), "tint");
  expect_bad_input(call({"finish", picture, "--out", out, "--radius", "1"}), "radius_px");
  expect_bad_input(call({"finish", "none.fits", "--out", out}), "none.fits");
  expect_bad_input(call({"finish", picture, "--out", out, "--north-up", "--north", "900"}),
                   "north");
  EXPECT_FALSE(std::filesystem::exists(out));
}

TEST(MosaicCommand, JoinsPanelsAndNamesTheOneThatDoesNotFit) {
  const TempFolder folder;
  const test::Painting painting(420, 200);
  const test::Painting other(240, 200, 0, 99);
  base::Random random{23};
  const image::Picture whole = image::picture_of(painting.frame({}, random, 65535));
  std::vector<std::string> panels;
  for (int k = 0; k < 2; ++k) {
    image::Picture panel;
    panel.width = 240;
    panel.height = 200;
    for (int y = 0; y < 200; ++y) {
      for (int x = 0; x < 240; ++x) {
        panel.values.push_back(whole.at(x + 170 * k, y) * (k == 0 ? 1.0F : 0.9F));
      }
    }
    panels.push_back((folder / ("p" + std::to_string(k) + ".tif")).string());
    ASSERT_TRUE(media::write_picture(panel, panels.back()));
  }
  const std::string out = (folder / "m.fits").string();
  const Outcome outcome = call({"mosaic", panels[0], panels[1], "--out", out});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_EQ(json["seams"], 1);
  EXPECT_LT(json["seam_px"].get<double>(), 0.2);
  EXPECT_LT(json["level_step"].get<double>(), 0.005);
  EXPECT_NEAR(json["panels"][1]["gain"].get<double>() / json["panels"][0]["gain"].get<double>(),
              1.0 / 0.9, 0.01);
  EXPECT_EQ(call({"mosaic", "--recipe", out, "--out", (folder / "n.png").string()}).code, 0);
  const std::string strange = (folder / "strange.png").string();
  ASSERT_TRUE(media::write_png(other.frame({}, random, 65535), strange));
  const Outcome lost = call({"mosaic", panels[0], panels[1], strange, "--out", out});
  EXPECT_EQ(lost.code, 1);
  EXPECT_NE(lost.err.find("strange.png"), std::string::npos) << lost.err;
  expect_bad_input(call({"mosaic", panels[0], "--out", out}), "panels");
}

TEST(AnimateCommand, MakesAMovieOfAFolder) {
  const TempFolder folder;
  const TempFolder discs;
  for (int i = 0; i < 3; ++i) {
    disc(discs, "d" + std::to_string(i) + ".fits", 40.0 * i, 80.0 + i,
         "2027-07-1" + std::to_string(i) + "T09:00:00Z");
  }
  const std::string out = (folder / "week.mp4").string();
  const Outcome outcome = call({"animate", discs.path().string(), "--out", out, "--between", "2",
                                "--back", "--rate", "10", "--radius", "70"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json json = outcome.json();
  EXPECT_EQ(json["pictures"], 3);
  EXPECT_EQ(json["shown"], 12);
  EXPECT_GT(json["place_spread_px"].get<double>(), -1.0);
  EXPECT_EQ(media::ClipReader::open(out)->facts().frames, 12);
  const std::string again = (folder / "again.mkv").string();
  EXPECT_EQ(call({"animate", "--recipe", out, "--out", again}).code, 0);
  expect_bad_input(call({"animate", discs.path().string(), "--out", out, "--hold", "it"}), "hold");
  expect_bad_input(call({"animate", discs.path().string(), "--out", out, "--rate", "0"}), "rate");
  expect_bad_input(call({"animate", discs.path().string(), "--out", (folder / "a.gif").string()}),
                   "path");
  expect_bad_input(call({"animate", "--out", out}), "pictures");
}

TEST(Stack, ADaysClipsGoIntoAFolderAndOneThatFailsStopsNothing) {
  const TempFolder folder;
  const test::Painting painting(200, 160);
  base::Random random{31};
  std::vector<std::string> arguments{"stack"};
  for (int k = 0; k < 2; ++k) {
    const auto file = folder / ("c" + std::to_string(k) + ".fits");
    test::write_clip(file, 20, [&](int i) { return painting.frame(test::glimpse_of(i), random); });
    arguments.push_back(file.string());
  }
  const auto empty = folder / "empty.fits";
  test::write_clip(empty, 6, [&](int) {
    image::Frame frame;
    frame.width = 200;
    frame.height = 160;
    frame.saturation = 255;
    for (int i = 0; i < 200 * 160; ++i) {
      frame.pixels.push_back(static_cast<std::uint16_t>(120.0 + 3.0 * random.normal()));
    }
    return frame;
  });
  arguments.push_back(empty.string());
  const auto out = folder / "stacks";
  arguments.insert(arguments.end(), {"--out", out.string()});
  const Outcome outcome = call(arguments);
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  EXPECT_EQ(outcome.json()["products"].size(), 2U);
  ASSERT_EQ(outcome.json()["failed"].size(), 1U);
  EXPECT_EQ(outcome.json()["failed"][0]["clip"], empty.string());
  EXPECT_TRUE(media::read_picture(out / "c1-stack.fits"));
}

TEST(Stack, ADiscOfAnotherSizeThanTheLightPathDrawsIsSaid) {
  const TempFolder folder;
  const std::string rig = (folder / "rig.json").string();
  ASSERT_TRUE(optics::write_rig(test::starter_rig(), rig));
  // That light path draws the Sun some hundreds of pixels across, not 120.
  PaintedSun sun(400, 0.03);
  base::Random random{3};
  test::write_clip(folder / "small.fits", 4, [&](int) {
    image::Frame frame =
        image::frame_of(sun.picture(180, 180, {90.0, 90.0, 60.0, 0.0, 1.0, 0.003, 1.0}, random));
    return frame;
  });
  const Outcome outcome = call({"stack", (folder / "small.fits").string(), "--rig", rig, "--out",
                                (folder / "s.fits").string()});
  EXPECT_EQ(outcome.code, 1);
  EXPECT_NE(outcome.err.find("times as large"), std::string::npos) << outcome.err;
}

}  // namespace
}  // namespace solarchon::cli
