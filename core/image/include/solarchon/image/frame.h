// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/time.h"

namespace solarchon::image {

/// What is known of a frame besides its pixels. Everything may be unknown.
struct FrameInfo {
  std::optional<sky::UtcTime> time;  ///< start of the exposure
  std::optional<double> exposure_ms;
  std::optional<double> plate_scale_arcsec_px;
  std::optional<sky::PictureOrientation> orientation;  ///< of solar north
  std::optional<double> centre_x_px;                   ///< where the disc's centre is taken to be
  std::optional<double> centre_y_px;
  std::optional<double> wavelength_nm;  ///< middle of the passband
  std::optional<double> band_width_nm;  ///< of the passband, full width at half maximum
  std::optional<double> focal_length_mm;
  std::optional<double> pixel_um;
  /// Value of a pixel that got no light: of a frame in its numbers, of a picture in full pixels.
  std::optional<double> pedestal;
  std::string telescope;
  std::string camera;
  /// The file held the raw mosaic of a colour sensor; the pixels are grey now.
  bool mosaic = false;
  /// The pixels are a raw mosaic still: its colours from the top left, row by row (RGGB, GRBG, GBRG
  /// or BGGR); empty for grey pixels.
  std::string bayer;
  /// No light of the Sun made it: every file says so, and every screen.
  bool simulated = false;

  /// Whether it was taken in that line alone, as it says itself: within 0.5 nm of 656.28 nm, by a
  /// band of less than 2 nm where its width is told.
  [[nodiscard]] bool in_hydrogen_alpha() const;
};

/// A monochrome picture as recorded.
/// Pixel (x, y) is pixels[y * width + x]; row 0 is the top; a pixel's centre lies at whole
/// coordinates, so the picture spans -0.5 to width - 0.5.
struct Frame {
  int width = 0;
  int height = 0;
  int saturation = 65535;  ///< value of a full pixel
  std::vector<std::uint16_t> pixels;
  FrameInfo info;

  [[nodiscard]] std::uint16_t at(int x, int y) const {
    return pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                  static_cast<std::size_t>(x)];
  }
};

/// Largest picture taken in: pixels along a side, and in all.
inline constexpr int kLongestSide = 20000;
inline constexpr std::int64_t kMostPixels = 120'000'000;

/// Checks a picture's size before memory is taken. Errors: kTooLarge, kMalformed (zero or less).
[[nodiscard]] base::Result<void> check_size(std::int64_t width, std::int64_t height,
                                            const std::string& source);

}  // namespace solarchon::image
