// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/base/range.h"
#include "solarchon/base/result.h"

namespace solarchon::match {

/// What is to be covered, and with what.
struct MosaicWish {
  double field_width_arcsec = 600.0;  ///< of one panel, along the picture's rows
  double field_height_arcsec = 450.0;
  double radius_arcsec = 960.0;  ///< of the round thing to be covered
  double margin_arcsec = 120.0;  ///< round it, for prominences
  double overlap = 0.25;         ///< of neighbouring panels, against the smaller side of a panel
};
inline constexpr base::Range kOverlapRange{0.05, 0.6};
inline constexpr base::Range kMosaicMarginRange{0.0, 600.0};
inline constexpr int kMostPanels = 400;

/// The middle of one panel, from the middle of the disc; along the picture's own axes.
struct Panel {
  double right_arcsec = 0.0;
  double up_arcsec = 0.0;
};
struct Mosaic {
  std::vector<Panel> panels;  ///< in the order of recording: row by row, every other one backwards
  int columns = 0;
  int rows = 0;
  double slewed_arcsec = 0.0;  ///< from each to the next, together
};
/// Panels that touch nothing are left out; a hundredth of a panel that is missing at the margin
/// asks for no second one. Errors: kOutOfRange: `field_width_arcsec`, `field_height_arcsec` (10 or
/// more), `overlap`, `margin_arcsec`; kTooLarge (`panels`) for more than kMostPanels.
[[nodiscard]] base::Result<Mosaic> mosaic_of(const MosaicWish& wish);

}  // namespace solarchon::match
