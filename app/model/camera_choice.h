// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <memory>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/capture/source.h"

namespace solarchon::app {

/// Where frames may come from.
struct CameraChoice {
  enum class Kind {
    kSimulated,  ///< played behind the light path in use
    kVideo,      ///< a standard video device
    kDevice      ///< behind a socket, by the line protocol
  };
  Kind kind = Kind::kSimulated;
  QString path = {};
  QString name = {};  ///< plain text of whoever made it
  bool operator==(const CameraChoice&) const = default;
};

/// What there is to look through now; the simulated camera first.
[[nodiscard]] std::vector<CameraChoice> eyes();

/// Opens one that is not simulated; takes a while.
/// @param known  what is known of its frames beforehand
/// Errors: as capture::open_device_source and capture::open_telescope_source.
[[nodiscard]] base::Result<std::unique_ptr<capture::Source>> open_eye(const CameraChoice& eye,
                                                                      const capture::Known& known,
                                                                      const base::Task& task);

}  // namespace solarchon::app
