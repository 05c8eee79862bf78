// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

namespace solarchon::app {

/// What dialogs offer, by the one list of frames/endings.h.
[[nodiscard]] QString picture_filter();
[[nodiscard]] QString clip_filter();  ///< clips, and pictures too

}  // namespace solarchon::app
