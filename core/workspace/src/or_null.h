// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/json.h"
#include "solarchon/sky/day.h"

namespace solarchon::workspace {

/// What is not known is null in a report.
template <typename T>
base::Json or_null(const std::optional<T>& value) {
  return value ? base::Json(*value) : base::Json(nullptr);
}

/// An instant as its ISO text, or null.
[[nodiscard]] inline base::Json instant(const std::optional<sky::UtcTime>& time) {
  return time ? base::Json(sky::to_iso(*time)) : base::Json(nullptr);
}

[[nodiscard]] inline base::Json span(const sky::Window& window) {
  return {{"start_utc", sky::to_iso(window.start)}, {"end_utc", sky::to_iso(window.end)}};
}

}  // namespace solarchon::workspace
