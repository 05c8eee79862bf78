// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/match/mosaic.h"

#include <algorithm>
#include <cmath>
#include <string>

namespace solarchon::match {

namespace {

constexpr base::Range kFieldRange{10.0, 20000.0};

/// How many panels cover a length, and how far apart they then stand.
struct Spread {
  int count = 1;
  double apart = 0.0;
};
Spread spread(double length, double field, double overlap) {
  constexpr double kHardlyMore = 1.01;  // a second panel for a hundredth shows the same again
  if (length <= kHardlyMore * field) {
    return {};
  }
  const int count = 1 + static_cast<int>(std::ceil((length - field) / (field - overlap) - 1e-9));
  return {count, (length - field) / (count - 1)};
}

}  // namespace

base::Result<Mosaic> mosaic_of(const MosaicWish& wish) {
  const auto checked =
      base::checked("field_width_arcsec", wish.field_width_arcsec, kFieldRange)
          .and_then([&](double) {
            return base::checked("field_height_arcsec", wish.field_height_arcsec, kFieldRange);
          })
          .and_then([&](double) { return base::checked("overlap", wish.overlap, kOverlapRange); })
          .and_then([&](double) {
            return base::checked("margin_arcsec", wish.margin_arcsec, kMosaicMarginRange);
          });
  if (!checked) {
    return tl::make_unexpected(checked.error());
  }
  const double overlap = wish.overlap * std::min(wish.field_width_arcsec, wish.field_height_arcsec);
  const double reach = wish.radius_arcsec + wish.margin_arcsec;
  const Spread across = spread(2.0 * reach, wish.field_width_arcsec, overlap);
  const Spread down = spread(2.0 * reach, wish.field_height_arcsec, overlap);
  if (across.count * down.count > kMostPanels) {
    return base::fail(base::ErrorCode::kTooLarge, "panels",
                      std::to_string(across.count * down.count));
  }
  Mosaic mosaic;
  mosaic.columns = across.count;
  mosaic.rows = down.count;
  for (int row = 0; row < down.count; ++row) {
    for (int i = 0; i < across.count; ++i) {
      const int column = row % 2 == 0 ? i : across.count - 1 - i;
      const Panel panel{(column - 0.5 * (across.count - 1)) * across.apart,
                        (0.5 * (down.count - 1) - row) * down.apart};
      const double off_x =
          std::max(0.0, std::abs(panel.right_arcsec) - 0.5 * wish.field_width_arcsec);
      const double off_y =
          std::max(0.0, std::abs(panel.up_arcsec) - 0.5 * wish.field_height_arcsec);
      if (std::hypot(off_x, off_y) >= reach) {
        continue;
      }
      if (!mosaic.panels.empty()) {
        const Panel& before = mosaic.panels.back();
        mosaic.slewed_arcsec += std::hypot(panel.right_arcsec - before.right_arcsec,
                                           panel.up_arcsec - before.up_arcsec);
      }
      mosaic.panels.push_back(panel);
    }
  }
  return mosaic;
}

}  // namespace solarchon::match
