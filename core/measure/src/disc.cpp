// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/measure/disc.h"

#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"
#include "spots.h"

namespace solarchon::measure {

namespace {

/// Puts a spot on the Sun, given the scale and the way the disc hangs.
void locate(SpotMeasurement& spot, const disc::LimbFit& limb, double scale_arcsec_px,
            const sky::PictureOrientation& solar, const sky::DiscView& view) {
  const sky::PictureOffset offset{(spot.x_px - limb.centre_x_px) * scale_arcsec_px,
                                  (limb.centre_y_px - spot.y_px) * scale_arcsec_px};
  if (const auto point = sky::surface_point(sky::to_disc(offset, solar), view)) {
    spot.latitude_deg = point->latitude_deg;
    spot.carrington_longitude_deg = point->carrington_longitude_deg;
  }
}

}  // namespace

base::Result<DiscMeasurement> measure_disc(const image::Frame& frame, const Knowledge& knowledge,
                                           const base::Task& task) {
  const base::Task fitting{task.stop, [&](double done) { task.report(0.6 * done); }};
  const auto limb = disc::fit_limb(frame, fitting);
  if (!limb) {
    return tl::make_unexpected(limb.error());
  }
  DiscMeasurement measured;
  measured.limb = *limb;
  const auto time = knowledge.time ? knowledge.time : frame.info.time;
  measured.solar = knowledge.solar ? knowledge.solar : frame.info.orientation;
  if (time) {
    measured.view = sky::disc_view(*time);
    measured.plate_scale_arcsec_px =
        sky::limb_radius_arcsec(measured.view->distance_au) / limb->radius_px;
  }
  if (frame.info.in_hydrogen_alpha()) {
    // What is dark there is gas, not spots.
    measured.spots_sought = false;
    task.report(1.0);
    return measured;
  }
  auto spots = find_spots(frame, *limb, task);
  if (!spots) {
    return tl::make_unexpected(spots.error());
  }
  measured.spots = std::move(*spots);
  if (measured.view && measured.solar) {
    for (SpotMeasurement& spot : measured.spots) {
      locate(spot, *limb, *measured.plate_scale_arcsec_px, *measured.solar, *measured.view);
    }
  }
  task.report(1.0);
  return measured;
}

}  // namespace solarchon::measure
