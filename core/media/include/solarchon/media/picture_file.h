// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

#include "solarchon/base/result.h"
#include "solarchon/image/picture.h"

namespace solarchon::media {

/// Reads a picture with what its recipe says. FITS keeps planes and depth; of PNG and TIFF colour
/// is averaged and real numbers are scaled as read_frame does. Errors: as
/// read_frame.
[[nodiscard]] base::Result<image::Picture> read_picture(const std::filesystem::path& path);

/// Writes a picture by the ending of its name, with its recipe inside: `.fits` keeps real numbers
/// of 32 bits (RECIPE, solar coordinates where they are known; planes are its third axis); `.png`
/// and
/// `.tif`/`.tiff` hold 16 bits a plane, 0 to 1 from black to white (PNG: text `Recipe`; TIFF: image
/// description). Whole or not at all.
/// Errors: kUnknownValue (`path`) for another ending; kUnwritable.
[[nodiscard]] base::Result<void> write_picture(const image::Picture& picture,
                                               const std::filesystem::path& path);

}  // namespace solarchon::media
