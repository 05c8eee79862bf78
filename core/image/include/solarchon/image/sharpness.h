// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/image/frame.h"

namespace solarchon::image {

/// How much light a frame holds.
struct Level {
  double bright = 0.0;  ///< brightest part of the picture, of full scale: 99.5 per cent lie below
  double disc = 0.0;    ///< middle of what is brighter than half of that
  double dark = 0.0;    ///< darkest part: 1 per cent lies below
  double clipped_share = 0.0;  ///< of all pixels that are full
};
/// Looks at some hundred thousand pixels, evenly over the frame. An empty frame gives zeros.
[[nodiscard]] Level level_of(const image::Frame& frame);

/// Detail in a frame, as a figure that grows with sharpness and with nothing else.
struct Sharpness {
  /// Mean square of the brightness' slope over `scale_px`, noise taken out, over the square of the
  /// brightness: neither light nor noise changes it. 0 where there is no light.
  double detail = 0.0;
  double noise = 0.0;  ///< of one pixel, of full scale
};
/// @param scale_px  detail's size, 1 to 16: best half of what the aperture resolves
/// @param black     of full scale, without light
/// Only what is brighter than a quarter of the bright part counts. Pixels beyond some 150 000 are
/// passed over, in stripes.
/// Accuracy: noise of up to a tenth of the disc's brightness changes `detail` by less than 5 per
/// cent of a sharp frame's; light by 1 per cent.
[[nodiscard]] Sharpness sharpness_of(const image::Frame& frame, int scale_px, double black = 0.0);
/// The same of a part of a frame, whose bright part is known (Level::bright of the whole).
[[nodiscard]] Sharpness sharpness_of(const image::Frame& frame, int scale_px, double black,
                                     double bright);

}  // namespace solarchon::image
