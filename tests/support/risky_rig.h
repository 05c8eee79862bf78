// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/base/random.h"
#include "solarchon/optics/rig.h"

namespace solarchon::test {

/// A light path as somebody in a hurry may put it together: wedges, projection, cameras of every
/// depth and parts out of order are frequent. Most have a telescope.
[[nodiscard]] optics::Rig risky_rig(base::Random& random);

}  // namespace solarchon::test
