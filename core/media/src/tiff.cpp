// SPDX-License-Identifier: GPL-3.0-or-later
#include "tiff.h"

#include <tiffio.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <memory>

#include "grey.h"
#include "interleaved.h"
#include "solarchon/base/file.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/frame_file.h"

namespace solarchon::media {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

constexpr const char* kSoftware = "solarchon";
constexpr int kFull = 65535;

using TiffHandle = std::unique_ptr<TIFF, void (*)(TIFF*)>;

/// Silences the library, which would print to standard error.
TiffHandle open_tiff(const std::filesystem::path& path, const char* mode) {
  TIFFSetErrorHandler(nullptr);
  TIFFSetWarningHandler(nullptr);
  return {TIFFOpen(path.c_str(), mode), &TIFFClose};
}

struct Layout {
  std::uint32_t width = 0;
  std::uint32_t height = 0;
  std::uint16_t bits = 1;
  std::uint16_t samples = 1;
  std::uint16_t format = SAMPLEFORMAT_UINT;
  std::uint16_t planar = PLANARCONFIG_CONTIG;
  std::uint16_t photometric = PHOTOMETRIC_MINISBLACK;
  std::uint16_t orientation = ORIENTATION_TOPLEFT;
  /// Value of a full pixel, where this program wrote the file; others mean the largest value in it.
  std::uint16_t own_most = 0;

  [[nodiscard]] bool supported() const {
    const bool whole = format == SAMPLEFORMAT_UINT && (bits == 8 || bits == 16);
    const bool real = format == SAMPLEFORMAT_IEEEFP && bits == 32;
    return (whole || real) && planar == PLANARCONFIG_CONTIG && samples >= 1 && samples <= 4 &&
           photometric <= PHOTOMETRIC_RGB;
  }
};

Layout layout_of(TIFF* tiff) {
  Layout layout;
  TIFFGetField(tiff, TIFFTAG_IMAGEWIDTH, &layout.width);
  TIFFGetField(tiff, TIFFTAG_IMAGELENGTH, &layout.height);
  TIFFGetFieldDefaulted(tiff, TIFFTAG_BITSPERSAMPLE, &layout.bits);
  TIFFGetFieldDefaulted(tiff, TIFFTAG_SAMPLESPERPIXEL, &layout.samples);
  TIFFGetFieldDefaulted(tiff, TIFFTAG_SAMPLEFORMAT, &layout.format);
  TIFFGetFieldDefaulted(tiff, TIFFTAG_PLANARCONFIG, &layout.planar);
  TIFFGetField(tiff, TIFFTAG_PHOTOMETRIC, &layout.photometric);
  TIFFGetFieldDefaulted(tiff, TIFFTAG_ORIENTATION, &layout.orientation);
  const char* software = nullptr;
  if (TIFFGetField(tiff, TIFFTAG_SOFTWARE, &software) == 1 && software != nullptr &&
      std::strcmp(software, kSoftware) == 0) {
    TIFFGetField(tiff, TIFFTAG_MAXSAMPLEVALUE, &layout.own_most);
  }
  return layout;
}

float sample(const unsigned char* row, std::size_t index, std::uint16_t bits) {
  if (bits == 8) {
    return row[index];
  }
  if (bits == 16) {
    std::uint16_t value = 0;
    std::memcpy(&value, row + index * sizeof value, sizeof value);
    return value;
  }
  float value = 0.0F;
  std::memcpy(&value, row + index * sizeof value, sizeof value);
  return value;
}

/// Turns rows and columns as the file were to be shown: its first row may be the bottom, or a side.
/// Source: TIFF 6.0, tag 274.
void turn(image::Frame& frame, std::uint16_t orientation) {
  if (orientation < ORIENTATION_TOPRIGHT || orientation > ORIENTATION_LEFTBOT) {
    return;
  }
  const bool sideways = orientation >= ORIENTATION_LEFTTOP;
  const bool from_right =
      orientation == ORIENTATION_TOPRIGHT || orientation == ORIENTATION_BOTRIGHT ||
      orientation == ORIENTATION_RIGHTTOP || orientation == ORIENTATION_RIGHTBOT;
  const bool from_below = orientation == ORIENTATION_BOTRIGHT ||
                          orientation == ORIENTATION_BOTLEFT ||
                          orientation == ORIENTATION_RIGHTBOT || orientation == ORIENTATION_LEFTBOT;
  image::Frame turned;
  turned.width = sideways ? frame.height : frame.width;
  turned.height = sideways ? frame.width : frame.height;
  turned.pixels.resize(frame.pixels.size());
  for (int y = 0; y < turned.height; ++y) {
    for (int x = 0; x < turned.width; ++x) {
      const int across = from_right ? turned.width - 1 - x : x;
      const int down = from_below ? turned.height - 1 - y : y;
      turned.pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(turned.width) +
                    static_cast<std::size_t>(x)] =
          sideways ? frame.at(down, across) : frame.at(across, down);
    }
  }
  frame.width = turned.width;
  frame.height = turned.height;
  frame.pixels = std::move(turned.pixels);
}

}  // namespace

Result<image::Frame> read_tiff(const std::filesystem::path& path) {
  const TiffHandle tiff = open_tiff(path, "r");
  if (!tiff) {
    return fail_because(ErrorCode::kMalformed, path.string(), base::because("damaged"),
                        base::wants("tiff"));
  }
  const Layout layout = layout_of(tiff.get());
  if (const auto sized = image::check_size(layout.width, layout.height, path.string()); !sized) {
    return tl::make_unexpected(sized.error());
  }
  std::error_code ignored;
  if (const auto held = check_held(layout.width, layout.height,
                                   std::filesystem::file_size(path, ignored), path.string());
      !held) {
    return tl::make_unexpected(held.error());
  }
  if (!layout.supported() || TIFFIsTiled(tiff.get()) != 0) {
    return fail_because(ErrorCode::kMalformed, path.string(),
                        base::because("another-layout-of-pixels"), base::wants("tiff-layout"));
  }
  const std::size_t width = layout.width;
  std::vector<unsigned char> row(static_cast<std::size_t>(TIFFScanlineSize(tiff.get())));
  std::vector<float> values(width * layout.height);
  const std::size_t colours = layout.samples >= 3 ? 3 : 1;  // a further sample is opacity
  for (std::uint32_t y = 0; y < layout.height; ++y) {
    if (TIFFReadScanline(tiff.get(), row.data(), y) != 1) {
      return fail_because(ErrorCode::kMalformed, path.string(), base::because("cut-off-or-damaged"),
                          base::wants("whole-tiff"));
    }
    for (std::size_t x = 0; x < width; ++x) {
      float sum = 0.0F;
      for (std::size_t colour = 0; colour < colours; ++colour) {
        sum += sample(row.data(), x * layout.samples + colour, layout.bits);
      }
      values[y * width + x] = sum / static_cast<float>(colours);
    }
  }
  image::Frame frame;
  frame.width = static_cast<int>(layout.width);
  frame.height = static_cast<int>(layout.height);
  frame.saturation = layout.bits == 8 ? 255 : 65535;
  if (layout.format == SAMPLEFORMAT_IEEEFP) {
    Sixteen sixteen = sixteen_bits_of(values);
    frame.pixels = std::move(sixteen.pixels);
    frame.info.pedestal = sixteen.pedestal;
  } else {
    frame.pixels.reserve(values.size());
    for (const float value : values) {
      frame.pixels.push_back(static_cast<std::uint16_t>(std::lround(value)));
    }
  }
  if (layout.format == SAMPLEFORMAT_UINT && layout.bits == 16) {
    frame.saturation = layout.own_most > 0 ? layout.own_most : full_of_sixteen(frame.pixels);
  }
  if (layout.photometric == PHOTOMETRIC_MINISWHITE) {
    for (std::uint16_t& value : frame.pixels) {
      value = static_cast<std::uint16_t>(frame.saturation - value);
    }
  }
  const char* document = nullptr;
  frame.info.simulated = TIFFGetField(tiff.get(), TIFFTAG_DOCUMENTNAME, &document) == 1 &&
                         document != nullptr && std::strcmp(document, kSimulatedWords) == 0;
  turn(frame, layout.orientation);
  if (colours == 1 && image::looks_like_bayer(frame)) {
    image::bayer_to_light(frame);
  }
  return frame;
}

namespace {

/// @param samples  of 16 bits, the planes of a pixel together
/// @param most     value of a full one
Result<void> write_samples(int width, int height, int planes, std::vector<std::uint16_t> samples,
                           int most, const std::string& recipe, bool simulated,
                           const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        TiffHandle tiff = open_tiff(target, "w");
        bool written = tiff != nullptr;
        if (written) {
          TIFFSetField(tiff.get(), TIFFTAG_IMAGEWIDTH, static_cast<std::uint32_t>(width));
          TIFFSetField(tiff.get(), TIFFTAG_IMAGELENGTH, static_cast<std::uint32_t>(height));
          TIFFSetField(tiff.get(), TIFFTAG_BITSPERSAMPLE, 16);
          TIFFSetField(tiff.get(), TIFFTAG_SAMPLESPERPIXEL, planes);
          TIFFSetField(tiff.get(), TIFFTAG_PHOTOMETRIC,
                       planes == 3 ? PHOTOMETRIC_RGB : PHOTOMETRIC_MINISBLACK);
          TIFFSetField(tiff.get(), TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
          TIFFSetField(tiff.get(), TIFFTAG_ROWSPERSTRIP, 16);
          TIFFSetField(tiff.get(), TIFFTAG_SOFTWARE, kSoftware);
          TIFFSetField(tiff.get(), TIFFTAG_MAXSAMPLEVALUE, most);
          if (simulated) {
            TIFFSetField(tiff.get(), TIFFTAG_DOCUMENTNAME, kSimulatedWords);
          }
          if (!recipe.empty()) {
            TIFFSetField(tiff.get(), TIFFTAG_IMAGEDESCRIPTION, recipe.c_str());
          }
          for (int y = 0; y < height && written; ++y) {
            std::uint16_t* row = samples.data() + static_cast<std::ptrdiff_t>(y) * width * planes;
            written = TIFFWriteScanline(tiff.get(), row, static_cast<std::uint32_t>(y)) == 1;
          }
          written = written && TIFFFlush(tiff.get()) == 1;
        }
        if (!written) {
          return fail(ErrorCode::kUnwritable, path.string());
        }
        return {};
      });
}

}  // namespace

Result<void> write_tiff(const image::Frame& frame, const std::filesystem::path& path) {
  return write_samples(frame.width, frame.height, 1, frame.pixels, frame.saturation, {},
                       frame.info.simulated, path);
}

Result<void> write_tiff_picture(const image::Picture& picture, const std::filesystem::path& path) {
  return write_samples(picture.width, picture.height, picture.planes, interleaved(picture), kFull,
                       picture.recipe, picture.info.simulated, path);
}

}  // namespace solarchon::media
