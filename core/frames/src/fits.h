// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>

#include "solarchon/frames/clip_writer.h"
#include "solarchon/frames/frame.h"
#include "solarchon/frames/picture.h"

namespace solarchon::frames {

/// Reads a file whose first bytes are those of FITS.
[[nodiscard]] base::Result<Frame> read_fits(const std::filesystem::path& path);

/// A picture that write_fits_picture wrote; none where the file is another's.
[[nodiscard]] base::Result<std::optional<Picture>> read_fits_picture(
    const std::filesystem::path& path);
[[nodiscard]] base::Result<void> write_fits_picture(const Picture& picture,
                                                    const std::filesystem::path& path);

/// Where things stand in a cube without frames that was just made.
struct CubeHeader {
  std::int64_t data = 0;   ///< where the first frame will begin
  std::int64_t count = 0;  ///< where the card of its third axis stands
};
/// Makes the header of a cube, in a file that must not be there yet. Errors: kUnwritable.
[[nodiscard]] base::Result<CubeHeader> begin_cube(const std::filesystem::path& path,
                                                  const ClipFormat& format);

}  // namespace solarchon::frames
