// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "solarchon/scene/picture.h"
#include "solarchon/sky/disc.h"

namespace solarchon::scene {

/// How the core of a strong line darkens towards the limb: 0.9 is left at a cosine of 0.3.
inline constexpr double kCoreDarkening = 0.1 / 0.7;

/// Fills one row with the photosphere in the continuum, and with what it is in the core of a strong
/// line, which may be null: hardly darkened towards the limb, spots shallower. Both against the
/// disc's centre. May be called from several threads.
using RowPainter = std::function<void(int y, float* row, float* core_row)>;

/// @param photosphere  its spots must stay where they are for as long as the painter is used
[[nodiscard]] RowPainter row_painter(const Photosphere& photosphere, const sky::DiscView& view,
                                     const Grid& grid);

}  // namespace solarchon::scene
