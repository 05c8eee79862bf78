// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/optics/rig.h"

namespace solarchon::optics {

/// Whether light goes the same way through both: what their owner notes of a part, and which of the
/// kit it is, changes nothing.
[[nodiscard]] bool same_light(Rig a, Rig b);

}  // namespace solarchon::optics
