// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "solarchon/scene/filament.h"
#include "solarchon/scene/magnetism.h"
#include "solarchon/sky/time.h"

namespace solarchon::scene {

/// The filaments of an instant: low ones inside regions, high ones where regions were, and those
/// round the poles. Each is laid along the neutral line that is found near where it belongs.
[[nodiscard]] std::vector<Filament> over_neutral_lines(const Magnetism& magnetism,
                                                       std::uint32_t seed, sky::UtcTime time);

}  // namespace solarchon::scene
