// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/camera/marks.h"
#include "solarchon/image/frame.h"
#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"
#include "solarchon/scene/chromosphere.h"
#include "solarchon/scene/filament.h"
#include "solarchon/scene/synthetic_sun.h"
#include "solarchon/seeing/air.h"
#include "solarchon/seeing/cloud.h"
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
  /// Of a short exposure: the air as it is at that instant moves and bends the picture, and blurs
  /// it less than `seeing_arcsec`, which then counts for nothing. None: a long exposure.
  std::optional<seeing::Air> air = {};
  double air_s = 0.0;  ///< by which the air has moved on since `time`, while the Sun stood still
  double pressure_hpa = sky::kSeaLevelHpa;  ///< that etalons tune with
  sky::DiscPlace target;                    ///< what the telescope points at
  double tube_up_deg = 0.0;                 ///< position angle of the tube's up: north 0
  double pointing_spread_px = 8.0;          ///< how far the mount misses it, normal in each axis
  std::uint32_t seed = 1;                   ///< of noise and pointing
  std::uint32_t sun_seed = 1;               ///< of the synthetic Sun
  std::optional<double> activity = {};      ///< its level, 0 to 1; none: by the date
  /// Full width of the passband on hydrogen alpha, instead of the train's: 0.05 to 20.
  std::optional<double> band_angstrom = {};
  double detune_angstrom = 0.0;  ///< of the passband, red positive: -5 to 5
  double defocus_um = 0.0;       ///< of the sensor, either way: -20000 to 20000
  seeing::Cloud cloud = {};
  Marks marks = {};
  /// Each pixel of a colour camera holds one colour of its Bayer pattern; else all are grey.
  bool mosaic = false;
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
  /// In hydrogen alpha: filaments that are seen, on the disc or over the limb.
  struct SeenFilament {
    scene::FilamentView view;
    double length_km = 0.0;
  };
  std::vector<SeenFilament> filaments = {};
  std::vector<scene::FlareNow> flares = {};  ///< on the near side, in hydrogen alpha
  std::optional<double> r0_cm;               ///< of the air at that instant, at 500 nm
  /// By how much the air has moved the middle of the frame (px); other places move otherwise.
  sky::PictureOffset shift_px = {};
  double cloud_stops = 0.0;  ///< in the middle of the frame, at that instant
};

struct Recording {
  image::Frame frame;
  Truth truth;
};

/// Records one frame of the synthetic Sun through a rig, in white light or in hydrogen alpha as its
/// filters pick it: cloud, diffraction of the aperture with its obstruction, defocus, seeing of a
/// long or a short exposure, vignetting, the sensor's marks, sampling, shot and read noise, full
/// well, bit depth. The same shot
/// gives the same frame. The scene of the last frame is kept, so that the next one of the same
/// moment and place is not drawn anew. Errors: kMissing (field `rig`) without telescope and camera,
/// kOutOfRange for a figure out of the range that is told above, kTooLarge beyond
/// image::check_size, kCancelled. Accuracy: diffraction is monochromatic; the seeing of a long
/// exposure is a Gaussian; wings are not modelled. Source of short exposures:
/// seeing::short_exposure_transfer, seeing::Turbulence.
[[nodiscard]] base::Result<Recording> simulate(const Shot& shot, const base::Task& task = {});

/// The same shot with neighbouring pixels joined, so that its longer side has at most about that
/// many: a quick look with the same field, brightness and noise per area.
/// @param longest_side_px  at least 16
[[nodiscard]] Shot binned(Shot shot, int longest_side_px);

}  // namespace solarchon::camera
