// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/disc/disc_size.h"

#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "solarchon/sky/disc.h"

namespace solarchon::disc {

std::optional<double> disc_over_expected(const image::Frame& frame, double scale_arcsec_px,
                                         const base::Task& task) {
  const auto limb = fit_limb(frame, task);
  constexpr double kEnough = 0.16;  // of the limb
  constexpr double kRound_px = 2.0;
  if (!limb || limb->saturated || limb->seen_share < kEnough || limb->scatter_px > kRound_px) {
    return std::nullopt;
  }
  const double distance_au = frame.info.time ? sky::disc_view(*frame.info.time).distance_au : 1.0;
  return limb->radius_px * scale_arcsec_px / sky::limb_radius_arcsec(distance_au);
}

}  // namespace solarchon::disc
