// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/image/plane.h"

namespace solarchon::image {

/// The sum of `bin` by `bin` pixels, in which single pixels' noise is small. Its saturation is that
/// of as many full pixels, up to 65535.
void bin_down(const Frame& frame, int bin, Frame& into);

/// The mean of `bin` by `bin` pixels; what is left over at the right and below is left out.
/// @param small  its memory is used again
void bin_down(const Plane& picture, int bin, Plane& small);
/// The same of a picture's first plane, one pixel at least.
[[nodiscard]] Picture binned(const Picture& picture, int bin);

}  // namespace solarchon::image
