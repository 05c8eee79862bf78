// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/frames/frame.h"
#include "solarchon/frames/picture.h"

namespace solarchon::frames {

/// Reads a file whose first bytes are those of PNG.
[[nodiscard]] base::Result<Frame> read_png(const std::filesystem::path& path);

[[nodiscard]] base::Result<void> write_png_picture(const Picture& picture,
                                                   const std::filesystem::path& path);

}  // namespace solarchon::frames
