// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures that others write: made here by the libraries themselves, or byte by byte.
#include <fitsio.h>
#include <tiffio.h>

#include <cstdio>

#include <jpeglib.h>

#include <cmath>
#include <limits>

#include "solarchon/base/random.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/frame_file.h"
#include "tests/support/support.h"

namespace solarchon::media {
namespace {

using base::ErrorCode;
using test::TempFolder;

constexpr int kWide = 60;
constexpr int kHigh = 40;

double ramp(int x, int y) { return 100.0 * y + x; }

/// A FITS file whose first unit holds nothing and whose second is a picture.
void write_extension(const std::filesystem::path& path, bool compressed) {
  fitsfile* file = nullptr;
  int status = 0;
  long size[2] = {kWide, kHigh};
  fits_create_diskfile(&file, path.c_str(), &status);
  fits_create_img(file, BYTE_IMG, 0, size, &status);
  if (compressed) {
    fits_set_compression_type(file, RICE_1, &status);
  }
  fits_create_img(file, SHORT_IMG, 2, size, &status);
  double wavelength = 656.28;
  fits_update_key(file, TDOUBLE, "WAVELNTH", &wavelength, nullptr, &status);
  std::vector<short> row(kWide);
  for (int y = 0; y < kHigh; ++y) {
    for (int x = 0; x < kWide; ++x) {
      row[static_cast<std::size_t>(x)] = static_cast<short>(ramp(x, kHigh - 1 - y));
    }
    fits_write_img(file, TSHORT, 1 + static_cast<LONGLONG>(y) * kWide, kWide, row.data(), &status);
  }
  fits_close_file(file, &status);
  ASSERT_EQ(status, 0);
}

TEST(ForeignFits, AreReadFromExtensionsPlainOrCompressed) {
  const TempFolder folder;
  for (const bool compressed : {false, true}) {
    const auto path = folder / (compressed ? "c.fits" : "e.fits");
    write_extension(path, compressed);
    const auto frame = read_frame(path);
    ASSERT_TRUE(frame) << frame.error().value;
    ASSERT_EQ(frame->width, kWide);
    ASSERT_EQ(frame->height, kHigh);
    for (int y = 0; y < kHigh; y += 7) {
      EXPECT_EQ(frame->at(3, y), static_cast<int>(ramp(3, y)));
    }
    EXPECT_NEAR(*frame->info.wavelength_nm, 656.28, 1e-9);
  }
}

/// A header of these cards, then so many bytes.
std::string fits_of(const std::vector<std::string>& cards, std::size_t data_bytes) {
  std::string header;
  const auto add = [&](std::string card) {
    card.resize(80, ' ');
    header += card;
  };
  for (const std::string& card : cards) {
    add(card);
  }
  add("END");
  header.resize((header.size() + 2879) / 2880 * 2880, ' ');
  return header + std::string(data_bytes, '\0');
}

TEST(ForeignFits, WithImpossibleAxesAreRefusedBeforeTheLibraryReadsThem) {
  const TempFolder folder;
  for (const char* axes : {"105", "999", "10", "-1", "1000000000000", "x"}) {
    test::write_text(folder / "a.fits",
                     fits_of({"SIMPLE  =                    T", "BITPIX  =                    8",
                              std::string("NAXIS   =                  ") + axes},
                             2880));
    const auto frame = read_frame(folder / "a.fits");
    ASSERT_FALSE(frame) << axes;
    EXPECT_EQ(frame.error().code, ErrorCode::kMalformed);
  }
}

TEST(ForeignFits, ThatClaimMoreThanTheyHoldAreRefusedWithoutTakingMemory) {
  const TempFolder folder;
  test::write_text(folder / "a.fits",
                   fits_of({"SIMPLE  =                    T", "BITPIX  =                    8",
                            "NAXIS   =                    3", "NAXIS1  =                20000",
                            "NAXIS2  =                 6000", "NAXIS3  =                    4"},
                           20));
  const auto frame = read_frame(folder / "a.fits");
  ASSERT_FALSE(frame);
  EXPECT_EQ(frame.error().reason, base::because("cut-off"));
}

TEST(ForeignFits, AFewWildOrBlankValuesDoNotHideTheRest) {
  const TempFolder folder;
  const auto path = (folder / "a.fits").string();
  fitsfile* file = nullptr;
  int status = 0;
  long size[2] = {kWide, kHigh};
  fits_create_diskfile(&file, path.c_str(), &status);
  fits_create_img(file, FLOAT_IMG, 2, size, &status);
  std::vector<float> values;
  for (int y = 0; y < kHigh; ++y) {
    for (int x = 0; x < kWide; ++x) {
      values.push_back(static_cast<float>(1e-3 * ramp(x, y)));
    }
  }
  values[5] = 1e9F;
  values[77] = -1e9F;
  values[200] = std::numeric_limits<float>::quiet_NaN();
  values[201] = std::numeric_limits<float>::infinity();
  fits_write_img(file, TFLOAT, 1, static_cast<LONGLONG>(values.size()), values.data(), &status);
  fits_close_file(file, &status);
  ASSERT_EQ(status, 0);
  const image::Frame frame = read_frame(path).value();
  // The ramp ends at 3.959, so that a full pixel is the next power of two; the wild ones stand at
  // the range's ends.
  const double gain = 65535.0 * 1e-3 / 4.0;
  EXPECT_NEAR(frame.at(30, 0), gain * ramp(30, kHigh - 1), 1.0);
  EXPECT_NEAR(frame.at(30, 20), gain * ramp(30, kHigh - 21), 1.0);
  EXPECT_EQ(frame.at(5, kHigh - 1), 65535);
  EXPECT_EQ(frame.at(17, kHigh - 2), 0);
}

/// A TIFF of eight by five pixels whose value says where it is to be shown.
void write_tiff_as(const std::filesystem::path& path, std::uint16_t orientation) {
  constexpr int kShownWide = 8;
  constexpr int kShownHigh = 5;
  const bool sideways = orientation >= 5;
  const int wide = sideways ? kShownHigh : kShownWide;
  const int high = sideways ? kShownWide : kShownHigh;
  TIFF* tiff = TIFFOpen(path.c_str(), "w");
  TIFFSetField(tiff, TIFFTAG_IMAGEWIDTH, wide);
  TIFFSetField(tiff, TIFFTAG_IMAGELENGTH, high);
  TIFFSetField(tiff, TIFFTAG_BITSPERSAMPLE, 8);
  TIFFSetField(tiff, TIFFTAG_SAMPLESPERPIXEL, 1);
  TIFFSetField(tiff, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_MINISBLACK);
  TIFFSetField(tiff, TIFFTAG_ORIENTATION, orientation);
  // What row 0 and column 0 of the file are when it is shown (TIFF 6.0, tag 274).
  for (int row = 0; row < high; ++row) {
    std::vector<unsigned char> line;
    for (int column = 0; column < wide; ++column) {
      int x = 0;
      int y = 0;
      switch (orientation) {
        case 1:
          x = column, y = row;
          break;  // top, left
        case 2:
          x = kShownWide - 1 - column, y = row;
          break;  // top, right
        case 3:
          x = kShownWide - 1 - column, y = kShownHigh - 1 - row;
          break;  // bottom, right
        case 4:
          x = column, y = kShownHigh - 1 - row;
          break;  // bottom, left
        case 5:
          x = row, y = column;
          break;  // left, top
        case 6:
          x = kShownWide - 1 - row, y = column;
          break;  // right, top
        case 7:
          x = kShownWide - 1 - row, y = kShownHigh - 1 - column;
          break;  // right, bottom
        default:
          x = row, y = kShownHigh - 1 - column;
          break;  // left, bottom
      }
      line.push_back(static_cast<unsigned char>(10 * y + x));
    }
    TIFFWriteScanline(tiff, line.data(), static_cast<std::uint32_t>(row));
  }
  TIFFClose(tiff);
}

TEST(ForeignTiff, HangAsTheirOrientationTagSays) {
  const TempFolder folder;
  for (std::uint16_t orientation = 1; orientation <= 8; ++orientation) {
    write_tiff_as(folder / "a.tiff", orientation);
    const image::Frame frame = read_frame(folder / "a.tiff").value();
    ASSERT_EQ(frame.width, 8) << orientation;
    ASSERT_EQ(frame.height, 5) << orientation;
    for (int y = 0; y < 5; ++y) {
      for (int x = 0; x < 8; ++x) {
        EXPECT_EQ(frame.at(x, y), 10 * y + x) << orientation;
      }
    }
  }
}

/// A disc through a mosaic of red, green, green and blue.
image::Frame mosaic_disc(double red, double blue) {
  image::Frame frame;
  frame.width = 200;
  frame.height = 160;
  frame.saturation = 65535;
  base::Random random{5};
  for (int y = 0; y < frame.height; ++y) {
    for (int x = 0; x < frame.width; ++x) {
      const double share = std::hypot(x - 97.3, y - 81.6) / 60.0;
      const double colour = y % 2 == 0 ? (x % 2 == 0 ? red : 1.0) : (x % 2 == 0 ? 1.0 : blue);
      const double mean = share < 1.0 ? 30000.0 * std::sqrt(1.0 - 0.7 * share * share) : 300.0;
      frame.pixels.push_back(
          static_cast<std::uint16_t>(mean * colour * (1.0 + 0.01 * random.normal())));
    }
  }
  return frame;
}

TEST(ForeignPictures, OfARawColourSensorAreReadAsGreyAndSaidSo) {
  const TempFolder folder;
  for (const auto& [red, blue] : {std::pair(0.6, 0.45), std::pair(1.2, 0.9)}) {
    const image::Frame raw = mosaic_disc(red, blue);
    ASSERT_TRUE(write_fits(raw, folder / "a.fits"));
    ASSERT_TRUE(write_png(raw, folder / "a.png"));
    ASSERT_TRUE(write_tiff(raw, folder / "a.tiff"));
    for (const char* name : {"a.fits", "a.png", "a.tiff"}) {
      const image::Frame grey = read_frame(folder / name).value();
      EXPECT_TRUE(grey.info.mosaic) << name;
      // Neighbours no longer differ by their colour: all have a quarter of red and of blue.
      const double mean = 0.25 * red + 0.5 + 0.25 * blue;
      for (int x = 95; x < 99; ++x) {
        EXPECT_NEAR(grey.at(x, 80), 30000.0 * mean, 900.0) << name;
      }
    }
  }
  image::Frame grey = mosaic_disc(1.0, 1.0);
  ASSERT_TRUE(write_fits(grey, folder / "g.fits"));
  const image::Frame back = read_frame(folder / "g.fits").value();
  EXPECT_FALSE(back.info.mosaic);
  EXPECT_EQ(back.pixels, grey.pixels);
}

/// Columns of light that brighten downwards, a dark row at the top, in eight bits or the noise of a
/// cap that is on.
image::Frame eight_bits(bool capped) {
  image::Frame frame;
  frame.width = 80;
  frame.height = 60;
  frame.saturation = 255;
  base::Random random{3};
  for (int y = 0; y < frame.height; ++y) {
    for (int x = 0; x < frame.width; ++x) {
      frame.pixels.push_back(static_cast<std::uint16_t>(capped ? 100.0 + 6.0 * random.normal()
                                                               : std::min(255, 4 * y + x / 8)));
    }
  }
  return frame;
}

TEST(EightBits, AreReadAsWhatTheyAreFromSixteen) {
  const TempFolder folder;
  for (const bool capped : {false, true}) {
    image::Frame frame = eight_bits(capped);
    frame.saturation = 65535;  // as a program writes them that knows sixteen bits alone
    fitsfile* file = nullptr;
    int status = 0;
    long size[2] = {frame.width, frame.height};
    const auto path = folder / (capped ? "capped.fits" : "open.fits");
    fits_create_diskfile(&file, path.c_str(), &status);
    fits_create_img(file, USHORT_IMG, 2, size, &status);
    fits_write_img(file, TUSHORT, 1, static_cast<LONGLONG>(frame.pixels.size()),
                   frame.pixels.data(), &status);
    fits_close_file(file, &status);
    ASSERT_EQ(status, 0);
    EXPECT_EQ(read_frame(path).value().saturation, capped ? 65535 : 255);
    EXPECT_EQ(ClipReader::open(path).value().facts().saturation, capped ? 65535 : 255);
  }
}

TEST(Tiff, KeepsWhatAFullPixelIs) {
  const TempFolder folder;
  for (const int saturation : {255, 4095, 65535}) {
    image::Frame frame = eight_bits(false);
    frame.saturation = saturation;
    ASSERT_TRUE(write_tiff(frame, folder / "a.tiff"));
    const image::Frame back = read_frame(folder / "a.tiff").value();
    EXPECT_EQ(back.saturation, saturation);
    EXPECT_EQ(back.pixels, frame.pixels);
  }
}

TEST(FitsHeaders, SayWhereRowsBeginWhatIsDarkAndHowManyAxesTheirCoordinatesHave) {
  const TempFolder folder;
  image::Frame frame = eight_bits(false);
  frame.info.pedestal = 41.0;
  frame.info.plate_scale_arcsec_px = 2.0;
  frame.info.orientation = sky::PictureOrientation{30.0, false};
  const auto picture = folder / "a.fits";
  const auto cube = folder / "c.fits";
  ASSERT_TRUE(write_fits(frame, picture));
  ASSERT_TRUE(write_fits_cube(
      2, 10.0, [&](int) -> base::Result<image::Frame> { return frame; }, cube));
  for (const auto& [path, axes] : {std::pair(picture, 2), std::pair(cube, 3)}) {
    fitsfile* file = nullptr;
    int status = 0;
    int told = 0;
    double pedestal = 0.0;
    char order[FLEN_VALUE] = "";
    fits_open_diskfile(&file, path.c_str(), READONLY, &status);
    fits_read_key(file, TINT, "WCSAXES", &told, nullptr, &status);
    fits_read_key(file, TDOUBLE, "PEDESTAL", &pedestal, nullptr, &status);
    fits_read_key(file, TSTRING, "ROWORDER", order, nullptr, &status);
    fits_close_file(file, &status);
    ASSERT_EQ(status, 0);
    EXPECT_EQ(told, axes);
    EXPECT_EQ(pedestal, 41.0);
    EXPECT_STREQ(order, "BOTTOM-UP");
    EXPECT_EQ(ClipReader::open(path).value().facts().info.pedestal, 41.0);
  }
  EXPECT_EQ(read_frame(picture).value().info.pedestal, 41.0);
}

/// The same pixels, once with the lowest row first and once with the top one, hang the same way.
TEST(FitsHeaders, OfRowsFromTheTopAreBelieved) {
  const TempFolder folder;
  const image::Frame frame = eight_bits(false);
  for (const bool from_top : {false, true}) {
    const auto path = folder / (from_top ? "top.fits" : "low.fits");
    fitsfile* file = nullptr;
    int status = 0;
    long size[3] = {frame.width, frame.height, 2};
    fits_create_diskfile(&file, path.c_str(), &status);
    fits_create_img(file, USHORT_IMG, 3, size, &status);
    std::string order = from_top ? "TOP-DOWN" : "BOTTOM-UP";
    fits_update_key(file, TSTRING, "ROWORDER", order.data(), nullptr, &status);
    std::string axis = "HPLN-TAN";
    fits_update_key(file, TSTRING, "CTYPE1", axis.data(), nullptr, &status);
    axis = "HPLT-TAN";
    fits_update_key(file, TSTRING, "CTYPE2", axis.data(), nullptr, &status);
    // North along the file's second axis, west along its first, the disc's centre in pixel (11,
    // 21).
    for (auto [key, value] : {std::pair("CDELT1", 2.0), std::pair("CDELT2", 2.0),
                              std::pair("CRPIX1", 11.0), std::pair("CRPIX2", 21.0)}) {
      fits_update_key(file, TDOUBLE, key, &value, nullptr, &status);
    }
    for (int plane = 0; plane < 2; ++plane) {
      for (int y = 0; y < frame.height; ++y) {
        const int row = from_top ? y : frame.height - 1 - y;
        std::vector<std::uint16_t> values(
            frame.pixels.begin() + static_cast<std::ptrdiff_t>(row) * frame.width,
            frame.pixels.begin() + static_cast<std::ptrdiff_t>(row + 1) * frame.width);
        fits_write_img(file, TUSHORT,
                       1 + (static_cast<LONGLONG>(plane) * frame.height + y) * frame.width,
                       frame.width, values.data(), &status);
      }
    }
    fits_close_file(file, &status);
    ASSERT_EQ(status, 0);
    ClipReader clip = ClipReader::open(path).value();
    image::Frame read;
    ASSERT_TRUE(clip.read(1, read));
    EXPECT_EQ(read.pixels, frame.pixels) << order;
    image::Frame part;
    ASSERT_TRUE(clip.read_part(1, {10, 20, 30, 15}, part));
    EXPECT_EQ(part.at(0, 0), frame.at(10, 20)) << order;
    EXPECT_EQ(part.at(29, 14), frame.at(39, 34)) << order;
    const image::FrameInfo& info = clip.facts().info;
    EXPECT_NEAR(*info.centre_x_px, 10.0, 1e-9);
    EXPECT_NEAR(*info.centre_y_px, from_top ? 20.0 : frame.height - 21.0, 1e-9);
    // Where rows go down, north does; west to the right of it makes the picture a mirror image.
    EXPECT_NEAR(info.orientation->north_deg, from_top ? 180.0 : 0.0, 1e-9);
    EXPECT_EQ(info.orientation->mirrored, from_top) << order;
  }
}

/// A JPEG as a phone writes it: colour, its chroma at half the size; or grey, in growing detail.
void write_jpeg(const std::filesystem::path& path, bool colour) {
  jpeg_compress_struct jpeg{};
  jpeg_error_mgr errors{};
  jpeg.err = jpeg_std_error(&errors);
  jpeg_create_compress(&jpeg);
  std::FILE* file = std::fopen(path.c_str(), "wb");
  ASSERT_NE(file, nullptr);
  jpeg_stdio_dest(&jpeg, file);
  jpeg.image_width = kWide;
  jpeg.image_height = kHigh;
  jpeg.input_components = colour ? 3 : 1;
  jpeg.in_color_space = colour ? JCS_RGB : JCS_GRAYSCALE;
  jpeg_set_defaults(&jpeg);
  jpeg_set_quality(&jpeg, 95, TRUE);
  if (!colour) {
    jpeg_simple_progression(&jpeg);
  }
  jpeg_start_compress(&jpeg, TRUE);
  std::vector<JSAMPLE> row;
  for (int y = 0; y < kHigh; ++y) {
    row.clear();
    for (int x = 0; x < kWide; ++x) {
      const int grey = 40 + 2 * x + y;
      for (int plane = 0; plane < jpeg.input_components; ++plane) {
        row.push_back(static_cast<JSAMPLE>(colour ? grey + 30 - 30 * plane : grey));
      }
    }
    JSAMPROW line = row.data();
    jpeg_write_scanlines(&jpeg, &line, 1);
  }
  jpeg_finish_compress(&jpeg);
  jpeg_destroy_compress(&jpeg);
  std::fclose(file);
}

TEST(ForeignJpeg, IsReadInGreyAndInColour) {
  const TempFolder folder;
  for (const bool colour : {false, true}) {
    const auto path = folder / "photo.dat";  // told by its first bytes
    write_jpeg(path, colour);
    const auto frame = read_frame(path);
    ASSERT_TRUE(frame) << frame.error().value;
    ASSERT_EQ(frame->width, kWide);
    ASSERT_EQ(frame->height, kHigh);
    EXPECT_EQ(frame->saturation, 255);
    for (int y = 0; y < kHigh; y += 3) {
      for (int x = 0; x < kWide; x += 3) {
        EXPECT_NEAR(frame->at(x, y), 40 + 2 * x + y, 4) << colour << " " << x << " " << y;
      }
    }
  }
}

TEST(ForeignJpeg, IsRefusedWhereItEndsEarlyOrIsNone) {
  const TempFolder folder;
  const auto path = folder / "photo.jpg";
  write_jpeg(path, true);
  const std::string whole = test::read_text(path);
  for (const std::size_t length : {whole.size() - 40, whole.size() / 2, std::size_t{30}}) {
    test::write_text(path, whole.substr(0, length));
    const auto frame = read_frame(path);
    ASSERT_FALSE(frame) << length;
    EXPECT_EQ(frame.error().code, ErrorCode::kMalformed);
  }
  std::string huge = whole;
  const std::size_t size_at = huge.find("\xff\xc0") + 5;  // height and width, two bytes each
  huge.replace(size_at, 4, "\x4e\x20\x4e\x20");           // 20 000 each way, in a few kilobytes
  test::write_text(path, huge);
  EXPECT_FALSE(read_frame(path));
}

}  // namespace
}  // namespace solarchon::media
