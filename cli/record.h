// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "solarchon/base/json_fwd.h"
#include "solarchon/base/result.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/sky/site.h"

namespace solarchon::cli {

struct RecordOptions {
  double frames = 1;
  double rate_hz = 30.0;
  std::string out;
  std::vector<double> pole_error_deg;  ///< too high, and too far east
  std::string mount;                   ///< one of plan::kMountWords; empty: one that keeps still
  double periodic_error_arcsec = 0.0;
};

/// Where a shot is taken from: what a mount makes of the Sun's way depends on it.
struct Stand {
  sky::Observer observer;
  sky::PictureOrientation celestial;  ///< of the picture
};

/// Writes one frame, or a clip: a FITS cube, lossless video, or a series of TIFF files; and says
/// what was drawn. A clip's frames come from camera::Stream.
/// Errors: kOutOfRange (`frames`, `rate`, `pole-error`, `periodic-error`), kUnknownValue (`mount`),
/// those of camera::simulate and of writing.
[[nodiscard]] base::Result<base::Json> recorded(const camera::Shot& shot, const Stand& stand,
                                                const RecordOptions& options);

}  // namespace solarchon::cli
