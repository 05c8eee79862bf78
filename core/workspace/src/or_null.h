// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/base/json.h"

namespace solarchon::workspace {

/// What is not known is null in a report.
template <typename T>
base::Json or_null(const std::optional<T>& value) {
  return value ? base::Json(*value) : base::Json(nullptr);
}

}  // namespace solarchon::workspace
