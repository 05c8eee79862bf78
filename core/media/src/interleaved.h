// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "solarchon/image/picture.h"

namespace solarchon::media {

/// A picture's values as numbers of 16 bits, the planes of a pixel together, rows from the top.
[[nodiscard]] std::vector<std::uint16_t> interleaved(const image::Picture& picture);

}  // namespace solarchon::media
