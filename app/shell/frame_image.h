// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QRect>
#include <QRectF>

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"

namespace solarchon::app {

/// A frame as a picture for the screen: brightness by the frame's own full scale, tinted warm (a
/// false colour, which views say).
/// @param longest_side_px  larger frames are averaged down to about this
[[nodiscard]] QImage frame_image(const image::Frame& frame, int longest_side_px);

/// How brightness becomes tint.
enum class Tone {
  kPlain,
  kFaint  ///< what is faint is lifted, as for prominences over the limb
};
/// A part of a frame at once, for a picture that keeps coming: of each block of pixels at most four
/// are looked at.
/// @param part  within the frame
[[nodiscard]] QImage quick_image(const image::Frame& frame, const QRect& part, int longest_side_px,
                                 Tone tone);

/// A picture that was worked out, pixel for pixel: in its own colours, or tinted where it is grey.
[[nodiscard]] QImage picture_image(const image::Picture& picture);

/// Where a picture of that size is drawn in a room, keeping its shape.
[[nodiscard]] QRectF fitted_rect(const QSizeF& picture, const QRectF& room);

}  // namespace solarchon::app
