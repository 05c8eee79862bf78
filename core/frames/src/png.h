// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/frames/frame.h"

namespace solarchon::frames {

/// Reads a file whose first bytes are those of PNG.
[[nodiscard]] base::Result<Frame> read_png(const std::filesystem::path& path);

}  // namespace solarchon::frames
