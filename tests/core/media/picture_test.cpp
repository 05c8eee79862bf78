// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/image/picture.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/media/picture_file.h"

#include <gmock/gmock.h>
#include <tiffio.h>

#include <cmath>

#include "solarchon/image/frame.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/clip_writer.h"
#include "solarchon/media/fingerprint.h"
#include "tests/support/support.h"

namespace solarchon::media {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::TempFolder;

image::Picture coloured() {
  image::Picture picture;
  picture.width = 12;
  picture.height = 7;
  picture.planes = 3;
  picture.recipe =
      R"({"name":"a recipe with \"quotes\", and long: )" + std::string(300, 'x') + "\"}";
  picture.info.time = test::utc("2027-07-17T08:40:00Z");
  picture.info.plate_scale_arcsec_px = 1.5;
  picture.info.orientation = sky::PictureOrientation{30.0, true};
  for (int i = 0; i < 12 * 7 * 3; ++i) {
    picture.values.push_back(static_cast<float>(i) / 260.0F - 0.02F);
  }
  return picture;
}

TEST(Picture, FitsKeepsDepthPlanesRecipeAndCoordinates) {
  TempFolder folder;
  const image::Picture picture = coloured();
  ASSERT_TRUE(write_picture(picture, folder / "a.fits"));
  const auto read = read_picture(folder / "a.fits");
  ASSERT_TRUE(read);
  EXPECT_EQ(read->planes, 3);
  EXPECT_EQ(read->values, picture.values);
  EXPECT_EQ(read->recipe, picture.recipe);
  EXPECT_NEAR(*read->info.plate_scale_arcsec_px, 1.5, 1e-9);
  EXPECT_NEAR(read->info.orientation->north_deg, 30.0, 1e-6);
  EXPECT_TRUE(read->info.orientation->mirrored);
  // Any other reader of FITS takes it as grey.
  const auto frame = read_frame(folder / "a.fits");
  ASSERT_TRUE(frame);
  EXPECT_EQ(frame->width, 12);
}

TEST(Picture, PngAndTiffHoldColoursAndTheRecipe) {
  TempFolder folder;
  const image::Picture picture = coloured();
  ASSERT_TRUE(write_picture(picture, folder / "a.png"));
  ASSERT_TRUE(write_picture(picture, folder / "a.tiff"));
  for (const char* name : {"a.png", "a.tiff"}) {
    const auto frame = read_frame(folder / name);
    ASSERT_TRUE(frame) << name;
    ASSERT_EQ(frame->width, 12);
    double worst = 0.0;
    for (int y = 0; y < 7; ++y) {
      for (int x = 0; x < 12; ++x) {
        double mean = 0.0;
        for (int plane = 0; plane < 3; ++plane) {
          mean += std::clamp(static_cast<double>(picture.at(x, y, plane)), 0.0, 1.0) / 3.0;
        }
        worst = std::max(worst, std::abs(frame->at(x, y) / 65535.0 - mean));
      }
    }
    EXPECT_LT(worst, 2e-4) << name;
  }
  TIFF* tiff = TIFFOpen((folder / "a.tiff").c_str(), "r");
  ASSERT_NE(tiff, nullptr);
  char* described = nullptr;
  ASSERT_EQ(TIFFGetField(tiff, TIFFTAG_IMAGEDESCRIPTION, &described), 1);
  EXPECT_EQ(picture.recipe, described);
  TIFFClose(tiff);
  const std::string bytes = test::read_text(folder / "a.png");
  EXPECT_NE(bytes.find("Recipe"), std::string::npos);
}

TEST(Picture, AFrameIsTheSameAsAPicture) {
  image::Frame frame;
  frame.width = 3;
  frame.height = 2;
  frame.saturation = 255;
  frame.pixels = {0, 51, 102, 153, 204, 255};
  const image::Picture picture = image::picture_of(frame);
  EXPECT_NEAR(picture.at(1, 0), 0.2F, 1e-6F);
  const image::Frame back = image::frame_of(picture);
  EXPECT_EQ(back.saturation, 65535);
  EXPECT_EQ(back.at(2, 1), 65535);
  EXPECT_EQ(back.at(1, 0), 13107);
}

TEST(Simulated, IsSaidByEveryKindOfFileAndByNoOther) {
  const test::TempFolder folder;
  for (const bool simulated : {false, true}) {
    image::Frame frame;
    frame.width = 40;
    frame.height = 30;
    frame.saturation = 4095;
    frame.pixels.assign(40 * 30, 1000);
    frame.pixels[7] = 3000;
    frame.info.time = test::morning();
    frame.info.simulated = simulated;
    image::Picture picture = image::picture_of(frame);
    picture.recipe = R"({"steps": []})";
    const auto said = [](const std::filesystem::path& file) {
      return read_frame(file).value().info.simulated;
    };
    ASSERT_TRUE(write_fits(frame, folder / "f.fits"));
    ASSERT_TRUE(write_tiff(frame, folder / "f.tiff"));
    ASSERT_TRUE(write_png(frame, folder / "f.png"));
    for (const char* name : {"f.fits", "f.tiff", "f.png"}) {
      EXPECT_EQ(said(folder / name), simulated) << name;
    }
    for (const char* name : {"p.fits", "p.tiff", "p.png"}) {
      ASSERT_TRUE(write_picture(picture, folder / name));
      EXPECT_EQ(said(folder / name), simulated) << name;
      EXPECT_EQ(read_picture(folder / name)->info.simulated, simulated) << name;
    }
    for (const char* name : {"c.fits", "c.mkv"}) {
      const auto file = folder / ((simulated ? "s" : "r") + std::string(name));
      ClipWriter clip = ClipWriter::create(file, {40, 30, 4095, 25.0, frame.info}).value();
      ASSERT_TRUE(clip.add(frame, 0.0));
      ASSERT_TRUE(clip.add(frame, 0.04));
      ASSERT_TRUE(clip.close());
      EXPECT_EQ(ClipReader::open(file)->facts().info.simulated, simulated) << name;
    }
  }
}

TEST(Picture, AnotherEndingIsRefused) {
  TempFolder folder;
  EXPECT_THAT(write_picture(coloured(), folder / "a.jpg"),
              FailsWith(ErrorCode::kUnknownValue, "path"));
  EXPECT_FALSE(std::filesystem::exists(folder / "a.jpg"));
  EXPECT_FALSE(read_picture(folder / "none.fits"));
}

TEST(Fingerprint, IsThatOfTheStandard) {
  TempFolder folder;
  test::write_text(folder / "abc", "abc");
  const auto print = fingerprint(folder / "abc");
  ASSERT_TRUE(print);
  // FIPS 180-4, example of one block.
  EXPECT_EQ(print->sha256, "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad");
  EXPECT_EQ(print->bytes, 3);
  EXPECT_FALSE(print->sampled);
  EXPECT_FALSE(fingerprint(folder / "none"));
}

TEST(Fingerprint, OfAFolderSeesNamesAndContents) {
  TempFolder folder;
  std::filesystem::create_directory(folder / "in");
  test::write_text(folder / "in/a", "one");
  test::write_text(folder / "in/b", "two");
  const auto before = fingerprint(folder / "in");
  test::write_text(folder / "in/b", "too");
  const auto after = fingerprint(folder / "in");
  ASSERT_TRUE(before);
  ASSERT_TRUE(after);
  EXPECT_EQ(before->bytes, 6);
  EXPECT_NE(before->sha256, after->sha256);
}

}  // namespace
}  // namespace solarchon::media
