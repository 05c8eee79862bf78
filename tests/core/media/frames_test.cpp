// SPDX-License-Identifier: GPL-3.0-or-later
#include <fitsio.h>
#include <sys/resource.h>

#include <csignal>

#include "solarchon/base/angle.h"
#include "solarchon/base/random.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/frame_file.h"
#include "tests/support/support.h"

namespace solarchon::media {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::TempFolder;

image::Frame ramp(int width, int height) {
  image::Frame frame;
  frame.width = width;
  frame.height = height;
  frame.saturation = 4095;
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      frame.pixels.push_back(static_cast<std::uint16_t>((x * 7 + y * 31) % 4096));
    }
  }
  return frame;
}

image::Frame described_ramp() {
  image::Frame frame = ramp(33, 21);
  frame.info.time = test::morning();
  frame.info.exposure_ms = 0.25;
  frame.info.plate_scale_arcsec_px = 1.4825;
  frame.info.orientation = sky::PictureOrientation{175.5, true};
  frame.info.centre_x_px = 15.25;
  frame.info.centre_y_px = 9.75;
  frame.info.wavelength_nm = 540.0;
  frame.info.focal_length_mm = 480.0;
  frame.info.pixel_um = 3.45;
  frame.info.telescope = "Tube";
  frame.info.camera = "Camera";
  return frame;
}

TEST(Fits, KeepsPixelsInOrder) {
  const TempFolder folder;
  const image::Frame frame = ramp(17, 9);
  ASSERT_TRUE(write_fits(frame, folder / "a.fits"));
  const image::Frame back = read_frame(folder / "a.fits").value();
  EXPECT_EQ(back.width, 17);
  EXPECT_EQ(back.height, 9);
  EXPECT_EQ(back.pixels, frame.pixels);
  EXPECT_EQ(back.saturation, 4095);
}

TEST(Fits, KeepsAllThatIsKnown) {
  const TempFolder folder;
  const image::Frame frame = described_ramp();
  ASSERT_TRUE(write_fits(frame, folder / "a.fits"));
  const image::FrameInfo info = read_frame(folder / "a.fits").value().info;
  EXPECT_EQ(info.time, frame.info.time);
  EXPECT_NEAR(*info.exposure_ms, 0.25, 1e-12);
  EXPECT_NEAR(*info.plate_scale_arcsec_px, 1.4825, 1e-9);
  EXPECT_NEAR(info.orientation->north_deg, 175.5, 1e-9);
  EXPECT_TRUE(info.orientation->mirrored);
  EXPECT_NEAR(*info.centre_x_px, 15.25, 1e-9);
  EXPECT_NEAR(*info.centre_y_px, 9.75, 1e-9);
  EXPECT_EQ(info.telescope, "Tube");
  EXPECT_EQ(info.camera, "Camera");
  EXPECT_NEAR(*info.wavelength_nm, 540.0, 1e-9);
}

TEST(Fits, KeepsThePassbandAndThePatternOfAMosaic) {
  const TempFolder folder;
  for (const int height : {6, 7}) {
    for (const std::string pattern : {"RGGB", "GRBG", "GBRG", "BGGR"}) {
      image::Frame frame;
      frame.width = 8;
      frame.height = height;
      frame.pixels.assign(static_cast<std::size_t>(8 * height), 1000);
      frame.info.wavelength_nm = 656.28;
      frame.info.band_width_nm = 0.05;
      frame.info.bayer = pattern;
      const auto file = folder / (pattern + std::to_string(height) + ".fits");
      ASSERT_TRUE(write_fits(frame, file));
      const ClipReader clip = ClipReader::open(file).value();
      EXPECT_NEAR(*clip.facts().info.wavelength_nm, 656.28, 1e-9);
      EXPECT_NEAR(*clip.facts().info.band_width_nm, 0.05, 1e-9);
      EXPECT_EQ(clip.facts().info.bayer, pattern) << height;
      // The file's own first row is the lowest.
      const std::string text = test::read_text(file);
      const std::string lowest = height % 2 == 0 ? pattern.substr(2) : pattern.substr(0, 2);
      EXPECT_NE(text.find("BAYERPAT= '" + lowest), std::string::npos);
      // A picture is grey.
      const image::Frame grey = read_frame(file).value();
      EXPECT_TRUE(grey.info.mosaic);
      EXPECT_EQ(grey.info.bayer, "");
    }
  }
}

TEST(Fits, OrientationComesBackForEveryTurnAndHand) {
  const TempFolder folder;
  for (const bool mirrored : {false, true}) {
    for (double north = 5.0; north < 360.0; north += 45.0) {
      image::Frame frame = described_ramp();
      frame.info.orientation = sky::PictureOrientation{north, mirrored};
      ASSERT_TRUE(write_fits(frame, folder / "a.fits"));
      const auto back = read_frame(folder / "a.fits").value().info.orientation;
      EXPECT_THAT(back->north_deg, test::AngleNear(north, 1e-6));
      EXPECT_EQ(back->mirrored, mirrored);
    }
  }
}

TEST(Fits, HeaderFollowsTheStandardsForSolarPictures) {
  // The same file opened with sunpy 4.1 gave spot coordinates within 0.004 degree of ours.
  const TempFolder folder;
  ASSERT_TRUE(write_fits(described_ramp(), folder / "a.fits"));
  const std::string header = test::read_text(folder / "a.fits").substr(0, 2880 * 2);
  for (const char* card :
       {"SIMPLE  =                    T", "CTYPE1  = 'HPLN-TAN'", "CTYPE2  = 'HPLT-TAN'",
        "CUNIT1  = 'arcsec", "DATE-OBS= '2027-07-17T08:40:00'",
        "DSUN_OBS=", "RSUN_REF=", "HGLN_OBS=", "HGLT_OBS=", "FOCALLEN=", "XPIXSZ", "EXPTIME",
        "WAVELNTH", "TELESCOP", "INSTRUME", "PC1_1", "PC2_2"}) {
    EXPECT_NE(header.find(card), std::string::npos) << card;
  }
}

TEST(Fits, ReadsTheOlderRotationKeyword) {
  const TempFolder folder;
  const auto path = (folder / "a.fits").string();
  fitsfile* file = nullptr;
  int status = 0;
  long size[2] = {8, 6};
  fits_create_file(&file, path.c_str(), &status);
  fits_create_img(file, SHORT_IMG, 2, size, &status);
  double angle = 20.0;
  double scale = 2.0;
  fits_update_key(file, TSTRING, "CTYPE1", const_cast<char*>("HPLN-TAN"), nullptr, &status);
  fits_update_key(file, TSTRING, "CTYPE2", const_cast<char*>("HPLT-TAN"), nullptr, &status);
  fits_update_key(file, TDOUBLE, "CDELT1", &scale, nullptr, &status);
  fits_update_key(file, TDOUBLE, "CDELT2", &scale, nullptr, &status);
  fits_update_key(file, TDOUBLE, "CROTA2", &angle, nullptr, &status);
  fits_close_file(file, &status);
  ASSERT_EQ(status, 0);
  const image::FrameInfo info = read_frame(path).value().info;
  EXPECT_NEAR(*info.plate_scale_arcsec_px, 2.0, 1e-9);
  EXPECT_NEAR(info.orientation->north_deg, 20.0, 1e-9);
  EXPECT_FALSE(info.orientation->mirrored);
}

TEST(Fits, AveragesColourPlanesAndScalesRealNumbers) {
  const TempFolder folder;
  const auto path = (folder / "a.fits").string();
  fitsfile* file = nullptr;
  int status = 0;
  long size[3] = {2, 1, 3};
  float values[6] = {0.0F, 1.0F, 0.0F, 0.9F, 0.0F, 1.1F};
  fits_create_file(&file, path.c_str(), &status);
  fits_create_img(file, FLOAT_IMG, 3, size, &status);
  fits_write_img(file, TFLOAT, 1, 6, values, &status);
  fits_close_file(file, &status);
  ASSERT_EQ(status, 0);
  const image::Frame frame = read_frame(path).value();
  EXPECT_EQ(frame.pixels, (std::vector<std::uint16_t>{0, 65535}));
}

TEST(Fits, RealNumbersKeepTheirZeroAndTheirLight) {
  const TempFolder folder;
  const auto read_back = [&](std::vector<float> values, std::optional<double> most) {
    const auto path = (folder / "a.fits").string();
    std::filesystem::remove(path);
    fitsfile* file = nullptr;
    int status = 0;
    long size[2] = {static_cast<long>(values.size()), 1};
    fits_create_file(&file, path.c_str(), &status);
    fits_create_img(file, FLOAT_IMG, 2, size, &status);
    if (most) {
      fits_write_key(file, TDOUBLE, "DATAMAX", &*most, nullptr, &status);
    }
    fits_write_img(file, TFLOAT, 1, static_cast<LONGLONG>(values.size()), values.data(), &status);
    fits_close_file(file, &status);
    EXPECT_EQ(status, 0);
    return read_frame(path).value();
  };
  // A field full of light has its zero far below its least.
  const image::Frame field = read_back({0.55F, 0.6F, 0.66F}, {});
  EXPECT_NEAR(field.pixels[1] / 65535.0, 0.6, 1e-4);
  // Pictures of one camera keep their light against each other, whatever their highest is.
  EXPECT_NEAR(read_back({0.3F, 0.6F, 0.9F}, {}).pixels[1], field.pixels[1], 1);
  // As the file tells, where it does.
  EXPECT_NEAR(read_back({1000.0F, 2000.0F}, 4095.0).pixels[0] / 65535.0, 1000.0 / 4095.0, 1e-4);
  // Numbers below nothing are noise about the zero.
  const image::Frame noisy = read_back({-0.125F, 0.0F, 0.5F, 1.0F}, {});
  ASSERT_TRUE(noisy.info.pedestal);
  EXPECT_NEAR(*noisy.info.pedestal, noisy.pixels[1], 1.0);
  EXPECT_NEAR((noisy.pixels[2] - *noisy.info.pedestal) / (noisy.pixels[3] - *noisy.info.pedestal),
              0.5, 1e-4);
  EXPECT_FALSE(field.info.pedestal);
}

TEST(Fits, TakesBracketsInNamesLiterally) {
  const TempFolder folder;
  const auto path = folder / "a[1](2)!.fits";
  ASSERT_TRUE(write_fits(ramp(4, 4), path));
  EXPECT_TRUE(std::filesystem::exists(path));
  EXPECT_TRUE(read_frame(path));
}

TEST(Fits, LeavesNothingBehindOnAFullDisk) {
  const TempFolder folder;
  std::signal(SIGXFSZ, SIG_IGN);
  rlimit before{};
  ::getrlimit(RLIMIT_FSIZE, &before);
  const rlimit small{20'000, before.rlim_max};
  ::setrlimit(RLIMIT_FSIZE, &small);
  const auto outcome = write_fits(ramp(400, 400), folder / "a.fits");
  ::setrlimit(RLIMIT_FSIZE, &before);
  EXPECT_THAT(outcome, FailsWith(ErrorCode::kUnwritable, (folder / "a.fits").string()));
  EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

TEST(Png, StretchesToSixteenBitsAndComesBack) {
  const TempFolder folder;
  const image::Frame frame = ramp(13, 8);
  ASSERT_TRUE(write_png(frame, folder / "a.png"));
  const image::Frame back = read_frame(folder / "a.png").value();
  ASSERT_EQ(back.pixels.size(), frame.pixels.size());
  EXPECT_EQ(back.saturation, 65535);
  for (std::size_t i = 0; i < frame.pixels.size(); ++i) {
    EXPECT_NEAR(back.pixels[i] * 4095.0 / 65535.0, frame.pixels[i], 0.51);
  }
}

TEST(Tiff, KeepsValuesAsRecorded) {
  const TempFolder folder;
  const image::Frame frame = ramp(13, 37);
  ASSERT_TRUE(write_tiff(frame, folder / "a.tiff"));
  EXPECT_EQ(read_frame(folder / "a.tiff").value().pixels, frame.pixels);
}

TEST(Writers, FailWhereTheyCannotWrite) {
  const TempFolder folder;
  const auto path = folder / "none" / "x";
  EXPECT_THAT(write_fits(ramp(4, 4), path), FailsWith(ErrorCode::kUnwritable, path.string()));
  EXPECT_THAT(write_png(ramp(4, 4), path), FailsWith(ErrorCode::kUnwritable, path.string()));
  EXPECT_THAT(write_tiff(ramp(4, 4), path), FailsWith(ErrorCode::kUnwritable, path.string()));
}

TEST(ReadFrame, TellsTheKindByContentNotByName) {
  const TempFolder folder;
  ASSERT_TRUE(write_png(ramp(4, 4), folder / "a.fits"));
  EXPECT_TRUE(read_frame(folder / "a.fits"));
}

TEST(ReadFrame, RefusesWhatIsNoPicture) {
  const TempFolder folder;
  test::write_text(folder / "text", "this is no picture at all");
  test::write_text(folder / "empty", "");
  EXPECT_THAT(read_frame(folder / "text"),
              FailsWith(ErrorCode::kMalformed, (folder / "text").string()));
  EXPECT_THAT(read_frame(folder / "empty"),
              FailsWith(ErrorCode::kMalformed, (folder / "empty").string()));
  EXPECT_THAT(read_frame(folder / "none"),
              FailsWith(ErrorCode::kUnreadable, (folder / "none").string()));
  EXPECT_THAT(read_frame(folder.path()), FailsWith(ErrorCode::kUnreadable, folder.path().string()));
}

TEST(ReadFrame, RefusesTruncatedPicturesOfEveryKind) {
  const TempFolder folder;
  ASSERT_TRUE(write_fits(ramp(100, 80), folder / "a.fits"));
  ASSERT_TRUE(write_png(ramp(100, 80), folder / "a.png"));
  ASSERT_TRUE(write_tiff(ramp(100, 80), folder / "a.tiff"));
  for (const char* name : {"a.fits", "a.png", "a.tiff"}) {
    const std::string whole = test::read_text(folder / name);
    for (const double share : {0.9, 0.5, 0.1, 0.01}) {
      test::write_text(
          folder / "cut",
          whole.substr(0, static_cast<std::size_t>(share * static_cast<double>(whole.size()))));
      EXPECT_FALSE(read_frame(folder / "cut")) << name << ' ' << share;
    }
  }
}

TEST(ReadFrame, SurvivesAnyByteGoneWrong) {
  const TempFolder folder;
  ASSERT_TRUE(write_fits(ramp(20, 20), folder / "a.fits"));
  ASSERT_TRUE(write_png(ramp(20, 20), folder / "a.png"));
  ASSERT_TRUE(write_tiff(ramp(20, 20), folder / "a.tiff"));
  base::Random random{12};
  for (const char* name : {"a.fits", "a.png", "a.tiff"}) {
    const std::string whole = test::read_text(folder / name);
    for (int trial = 0; trial < 150; ++trial) {
      std::string bad = whole;
      const double reach = trial % 2 == 0 ? 600.0 : static_cast<double>(bad.size());
      for (int hit = 0; hit < 4; ++hit) {
        const auto place = static_cast<std::size_t>(
            random.uniform(0, std::min(reach, static_cast<double>(bad.size()))));
        bad[place] = static_cast<char>(random.uniform(0, 256));
      }
      test::write_text(folder / "bad", bad);
      const auto frame = read_frame(folder / "bad");
      if (frame) {
        EXPECT_EQ(frame->pixels.size(),
                  static_cast<std::size_t>(frame->width) * static_cast<std::size_t>(frame->height));
      }
    }
  }
}

TEST(CheckSize, RefusesPicturesThatWouldNotFitInMemory) {
  EXPECT_TRUE(image::check_size(10'000, 10'000, "f"));
  EXPECT_THAT(image::check_size(20'000, 20'000, "f"), FailsWith(ErrorCode::kTooLarge, "f"));
  EXPECT_THAT(image::check_size(30'000, 10, "f"), FailsWith(ErrorCode::kTooLarge, "f"));
  EXPECT_THAT(image::check_size(0, 10, "f"), FailsWith(ErrorCode::kMalformed, "f"));
}

}  // namespace
}  // namespace solarchon::media
