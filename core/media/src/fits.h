// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/clip_writer.h"

namespace solarchon::media {

/// Reads a file whose first bytes are those of FITS.
[[nodiscard]] base::Result<image::Frame> read_fits(const std::filesystem::path& path);

/// A picture that write_fits_picture wrote; none where the file is another's.
[[nodiscard]] base::Result<std::optional<image::Picture>> read_fits_picture(
    const std::filesystem::path& path);
[[nodiscard]] base::Result<void> write_fits_picture(const image::Picture& picture,
                                                    const std::filesystem::path& path);

/// Where things stand in a cube without frames that was just made.
struct CubeHeader {
  std::int64_t data = 0;   ///< where the first frame will begin
  std::int64_t count = 0;  ///< where the card of its third axis stands
};
/// Makes the header of a cube, in a file that must not be there yet. Errors: kUnwritable.
[[nodiscard]] base::Result<CubeHeader> begin_cube(const std::filesystem::path& path,
                                                  const ClipFormat& format);

}  // namespace solarchon::media
