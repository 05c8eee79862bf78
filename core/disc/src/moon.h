// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "circle.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"

namespace solarchon::disc {

/// The Moon in front of a disc: a dark circle of about its size, with an edge as round as the
/// limb's. Clouds have none.
/// @param crossings  places all over the picture where it goes from bright to dark
/// @param block_px   how exactly these are known
/// @param window_px  in which edges are read
[[nodiscard]] std::optional<MoonDisc> find_moon(const image::Frame& frame, const Circle& sun,
                                                const std::vector<EdgePoint>& crossings,
                                                double block_px, double window_px);

}  // namespace solarchon::disc
