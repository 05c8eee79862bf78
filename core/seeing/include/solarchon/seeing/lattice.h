// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace solarchon::seeing {

/// Places of a field in equal steps, row by row.
struct Lattice {
  double left_arcsec = 0.0;  ///< of the first place
  double top_arcsec = 0.0;
  double step_arcsec = 1.0;  ///< above 0
  int columns = 2;           ///< 1 or more
  int rows = 2;              ///< 1 or more
  double row_delay_s = 0.0;  ///< by which each row is looked at later than the one above
};

}  // namespace solarchon::seeing
