// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/json.h"
#include "solarchon/sky/day.h"

namespace solarchon::workspace {

using base::or_null;

/// An instant as its ISO text, or null.
[[nodiscard]] inline base::Json instant(const std::optional<sky::UtcTime>& time) {
  return time ? base::Json(sky::to_iso(*time)) : base::Json(nullptr);
}

[[nodiscard]] inline base::Json span(const sky::Window& window) {
  return {{"start_utc", sky::to_iso(window.start)}, {"end_utc", sky::to_iso(window.end)}};
}

}  // namespace solarchon::workspace
