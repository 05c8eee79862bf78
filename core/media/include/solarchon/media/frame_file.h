// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <string>

#include "solarchon/base/result.h"
#include "solarchon/image/frame.h"

namespace solarchon::media {

/// What files that have no keyword for it say of a simulated picture.
inline constexpr const char* kSimulatedWords = "Simulated: no picture of the Sun";

/// Refuses pictures of which the file cannot hold so many: nothing that a sensor recorded packs two
/// thousand pixels into a byte, and a small file must not take all memory.
/// @param bytes  of the file
/// Errors: kMalformed with the reason `claims-more-than-it-holds`.
[[nodiscard]] base::Result<void> check_held(std::int64_t width, std::int64_t height,
                                            std::uintmax_t bytes, const std::string& source);

/// Reads a FITS, PNG, TIFF or JPEG picture; the kind is told from the first bytes, not from the
/// name. Colour is averaged to one channel, also that of a raw mosaic, which each pixel takes from
/// its neighbours. Real numbers come to 0..65535 so that 0 stays no light: a full pixel is the one
/// that DATAMAX tells, else the power of two above the highest; a few wild ones do not count. A
/// TIFF is turned as its orientation tag says. Of a FITS file the first picture is read, in the
/// primary unit or an extension, tile-compressed or not. Whatever its header says of time,
/// exposure, scale and solar orientation (WCS) goes into `info`. Errors: kUnreadable, kMalformed
/// (damaged, cut off, claiming more than the file holds, or of another kind), kTooLarge.
[[nodiscard]] base::Result<image::Frame> read_frame(const std::filesystem::path& path);

/// Writes FITS 4.0 with the solar coordinates that are known (HPLN-TAN, HPLT-TAN), rows from the
/// bottom as the standard recommends. Whole or not at all.
/// Errors: kUnwritable.
[[nodiscard]] base::Result<void> write_fits(const image::Frame& frame,
                                            const std::filesystem::path& path);

/// Writes a 16-bit grey PNG, stretched so that saturation is white. Whole or not at all.
/// Errors: kUnwritable.
[[nodiscard]] base::Result<void> write_png(const image::Frame& frame,
                                           const std::filesystem::path& path);

/// Writes a 16-bit grey TIFF, values as recorded. Whole or not at all.
/// Errors: kUnwritable.
[[nodiscard]] base::Result<void> write_tiff(const image::Frame& frame,
                                            const std::filesystem::path& path);

}  // namespace solarchon::media
