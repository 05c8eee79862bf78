// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/frames/frame.h"
#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"
#include "solarchon/scene/synthetic_sun.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/site.h"

namespace solarchon::camera {

/// Everything that decides a simulated frame.
struct Shot {
  optics::Rig rig;
  sky::UtcTime time;
  double exposure_ms = 1.0;       ///< above 0
  double electrons_per_ms = 1.0;  ///< in a pixel at the disc's centre, see light::disc_exposure
  double seeing_arcsec = sky::kUsualSeeingArcsec;  ///< full width at half maximum, 0 to 30
  double pressure_hpa = sky::kSeaLevelHpa;         ///< that etalons tune with
  sky::DiscPlace target;                           ///< what the telescope points at
  double pointing_spread_px = 8.0;  ///< how far the mount misses it, normal in each axis
  std::uint32_t seed = 1;           ///< of noise and pointing
  std::uint32_t sun_seed = 1;       ///< of the synthetic Sun
};

/// What was drawn, for whoever checks a measurement.
struct Truth {
  double centre_x_px = 0.0;
  double centre_y_px = 0.0;
  double radius_px = 0.0;
  double plate_scale_arcsec_px = 0.0;
  sky::PictureOrientation solar;
  sky::DiscView view;
  std::vector<scene::Spot> spots;  ///< those on the near side
};

struct Recording {
  frames::Frame frame;
  Truth truth;
};

/// Records one frame of the synthetic Sun through a rig: diffraction of the aperture, long-exposure
/// seeing, sampling, shot and read noise, full well, bit depth. The same shot gives the same frame.
/// Errors: kMissing (field `rig`) without telescope and camera, kOutOfRange for exposure or seeing,
/// kTooLarge beyond frames::check_size, kCancelled.
/// Accuracy: diffraction is monochromatic at 540 nm; seeing is a Gaussian; wings are not modelled.
[[nodiscard]] base::Result<Recording> simulate(const Shot& shot, const base::Task& task = {});

/// The same shot with neighbouring pixels joined, so that its longer side has at most about that
/// many: a quick look with the same field, brightness and noise per area.
/// @param longest_side_px  at least 16
[[nodiscard]] Shot binned(Shot shot, int longest_side_px);

}  // namespace solarchon::camera
