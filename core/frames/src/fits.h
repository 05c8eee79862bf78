// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/frames/frame.h"

namespace solarchon::frames {

/// Reads a file whose first bytes are those of FITS.
[[nodiscard]] base::Result<Frame> read_fits(const std::filesystem::path& path);

}  // namespace solarchon::frames
