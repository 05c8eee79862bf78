// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"

namespace solarchon::app {

/// A strip that says what a picture shows, as wide as it is: when, with what and in which light it
/// was taken; how long a stretch is; how large the Earth would be; where north and east are; and
/// that a colour is false. What is not known is left out.
/// @param coloured  the picture has a false colour
[[nodiscard]] QImage caption_strip(const image::FrameInfo& info, int width_px, bool coloured);

/// The picture with the strip below it.
[[nodiscard]] image::Picture captioned(const image::Picture& picture);

/// Writes the date and time into a lower corner, as large as is read in a movie.
void stamp_time(image::Picture& picture);

}  // namespace solarchon::app
