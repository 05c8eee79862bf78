// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/capture/recorder.h"

namespace solarchon::capture {

/// Writes what is known of a clip beside it, whole or not at all.
/// @param done  the recording has ended
[[nodiscard]] base::Result<void> write_sidecar(const RecordPlan& plan, const RecordState& state,
                                               double rate_hz, bool done);

}  // namespace solarchon::capture
