// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"

namespace solarchon::media {

/// Reads a file whose first bytes are those of TIFF.
[[nodiscard]] base::Result<image::Frame> read_tiff(const std::filesystem::path& path);

[[nodiscard]] base::Result<void> write_tiff_picture(const image::Picture& picture,
                                                    const std::filesystem::path& path);

}  // namespace solarchon::media
