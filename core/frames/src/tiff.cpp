// SPDX-License-Identifier: GPL-3.0-or-later
#include "tiff.h"

#include <tiffio.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <memory>

#include "solarchon/base/file.h"

namespace solarchon::frames {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

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
  return std::isfinite(value) ? value : 0.0F;
}

}  // namespace

Result<Frame> read_tiff(const std::filesystem::path& path) {
  const TiffHandle tiff = open_tiff(path, "r");
  if (!tiff) {
    return fail(ErrorCode::kMalformed, path.string(), "damaged", "a TIFF picture");
  }
  const Layout layout = layout_of(tiff.get());
  if (const auto sized = check_size(layout.width, layout.height, path.string()); !sized) {
    return tl::make_unexpected(sized.error());
  }
  if (!layout.supported() || TIFFIsTiled(tiff.get()) != 0) {
    return fail(ErrorCode::kMalformed, path.string(), "another layout of pixels",
                "grey or RGB, 8 or 16 bit or real numbers, in strips");
  }
  const std::size_t width = layout.width;
  std::vector<unsigned char> row(static_cast<std::size_t>(TIFFScanlineSize(tiff.get())));
  std::vector<float> values(width * layout.height);
  const std::size_t colours = layout.samples >= 3 ? 3 : 1;  // a further sample is opacity
  for (std::uint32_t y = 0; y < layout.height; ++y) {
    if (TIFFReadScanline(tiff.get(), row.data(), y) != 1) {
      return fail(ErrorCode::kMalformed, path.string(), "cut off or damaged",
                  "a whole TIFF picture");
    }
    for (std::size_t x = 0; x < width; ++x) {
      float sum = 0.0F;
      for (std::size_t colour = 0; colour < colours; ++colour) {
        sum += sample(row.data(), x * layout.samples + colour, layout.bits);
      }
      values[y * width + x] = sum / static_cast<float>(colours);
    }
  }
  Frame frame;
  frame.width = static_cast<int>(layout.width);
  frame.height = static_cast<int>(layout.height);
  frame.saturation = layout.bits == 8 ? 255 : 65535;
  float low = 0.0F;
  float gain = 1.0F;
  if (layout.format == SAMPLEFORMAT_IEEEFP) {
    const auto [least, most] = std::minmax_element(values.begin(), values.end());
    low = *least;
    gain = *most > *least ? 65535.0F / (*most - *least) : 0.0F;
  }
  frame.pixels.resize(values.size());
  const bool inverted = layout.photometric == PHOTOMETRIC_MINISWHITE;
  for (std::size_t i = 0; i < values.size(); ++i) {
    const long value = std::lround(std::clamp((values[i] - low) * gain, 0.0F, 65535.0F));
    frame.pixels[i] = static_cast<std::uint16_t>(inverted ? frame.saturation - value : value);
  }
  return frame;
}

Result<void> write_tiff(const Frame& frame, const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        TiffHandle tiff = open_tiff(target, "w");
        bool written = tiff != nullptr;
        if (written) {
          TIFFSetField(tiff.get(), TIFFTAG_IMAGEWIDTH, static_cast<std::uint32_t>(frame.width));
          TIFFSetField(tiff.get(), TIFFTAG_IMAGELENGTH, static_cast<std::uint32_t>(frame.height));
          TIFFSetField(tiff.get(), TIFFTAG_BITSPERSAMPLE, 16);
          TIFFSetField(tiff.get(), TIFFTAG_SAMPLESPERPIXEL, 1);
          TIFFSetField(tiff.get(), TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_MINISBLACK);
          TIFFSetField(tiff.get(), TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
          TIFFSetField(tiff.get(), TIFFTAG_ROWSPERSTRIP, 16);
          std::vector<std::uint16_t> row(static_cast<std::size_t>(frame.width));
          for (int y = 0; y < frame.height && written; ++y) {
            std::copy_n(frame.pixels.begin() + static_cast<std::ptrdiff_t>(y) * frame.width,
                        frame.width, row.begin());
            written = TIFFWriteScanline(tiff.get(), row.data(), static_cast<std::uint32_t>(y)) == 1;
          }
          written = written && TIFFFlush(tiff.get()) == 1;
        }
        if (!written) {
          return fail(ErrorCode::kUnwritable, path.string());
        }
        return {};
      });
}

}  // namespace solarchon::frames
