// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string>

#include "solarchon/image/frame.h"

namespace solarchon::image {

// The raw mosaic of a colour sensor: of each two by two pixels one stands behind a red filter, two
// (a diagonal) behind green and one behind blue. What lies between the pixels of a colour is taken
// straight from its nearest ones; beyond the edge the mosaic goes on as its mirror image, which
// keeps its colours.

enum class BayerColour : unsigned char { kRed, kGreen, kBlue };

/// Whether a frame's `bayer` names the colours of a mosaic: RGGB, GRBG, GBRG or BGGR.
[[nodiscard]] bool is_bayer(const std::string& pattern);

/// True when a grey picture is the raw mosaic of a colour sensor: over its bright part the four
/// places of each two by two pixels differ on the average by more than a scene's own structure
/// does.
[[nodiscard]] bool looks_like_bayer(const Frame& frame);

/// Makes it grey: each pixel gets a quarter of red, half of green and a quarter of blue, as they
/// are there, so that no pattern is left whatever their ratio. The pattern need not be known, and a
/// part of a frame gives the same as the whole but for its border. Sets info.mosaic and empties
/// info.bayer. Frames of one pixel's width or height stay as they are.
/// Accuracy: detail keeps its place; of noise that differs from pixel to pixel 0.375 are left.
void bayer_to_light(Frame& frame);
/// The same where a frame says that it is a mosaic; others stay as they are.
void to_grey(Frame& frame);

/// One colour at each pixel, in the frame's own numbers.
/// @param mosaic  two pixels or more along both sides, info.bayer as is_bayer accepts
/// @param into    its memory is used again; its info is empty
void take_bayer_colour(const Frame& mosaic, BayerColour colour, Frame& into);

/// The places of a colour in each two by two pixels, from the top left: one, or two (green).
struct BayerSites {
  int count = 1;
  std::array<int, 2> column{};  ///< 0 or 1
  std::array<int, 2> row{};
};
[[nodiscard]] BayerSites sites_of(const std::string& pattern, BayerColour colour);

}  // namespace solarchon::image
