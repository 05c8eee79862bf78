// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

namespace solarchon::app {

/// What a frame, a clip or a product is called in lists: `3 Jul 2027, 08:10 UTC · stack · School
/// refractor`, for files that this program named by day and time (UTC, as the folder and the name
/// have it); its light path where a file beside it tells. Others by folder and name.
[[nodiscard]] QString words_of_file(const QString& file);

}  // namespace solarchon::app
