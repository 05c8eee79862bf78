// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "solarchon/base/json.h"
#include "solarchon/base/result.h"
#include "solarchon/camera/simulate.h"

namespace solarchon::cli {

struct RecordOptions {
  double frames = 1;
  double rate_hz = 30.0;
  std::string out;
};

/// Writes one frame, or a clip: a FITS cube, or a series of TIFF files; and says what was drawn.
/// Errors: kOutOfRange (`frames`, `rate`), those of camera::simulate and of writing.
[[nodiscard]] base::Result<base::Json> recorded(const camera::Shot& shot,
                                                const RecordOptions& options);

}  // namespace solarchon::cli
