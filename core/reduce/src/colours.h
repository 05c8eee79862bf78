// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string>

#include "solarchon/image/frame.h"

namespace solarchon::reduce {

/// Whether a frame's `bayer` names the colours of a mosaic.
[[nodiscard]] bool is_mosaic(const std::string& bayer);
/// The raw mosaic of a colour sensor as three frames: red, green, blue. What a place does not have
/// is the mean of those around it that have it.
[[nodiscard]] std::array<image::Frame, 3> colours_of(const image::Frame& mosaic);

}  // namespace solarchon::reduce
