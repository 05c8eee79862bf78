// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/image/frame.h"

namespace solarchon::media {

/// Reads a file whose first bytes are those of JPEG, as grey of 8 bits: the mean of its colours.
[[nodiscard]] base::Result<image::Frame> read_jpeg(const std::filesystem::path& path);

}  // namespace solarchon::media
