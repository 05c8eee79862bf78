// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "solarchon/base/result.h"

namespace solarchon::words {

/// One line that names the field, what was given and what would be accepted, without a full stop:
/// `lat: 95 is outside -90 to 90`.
[[nodiscard]] std::string sentence(const base::Error& error);

/// The same without the field, for a message that stands beside it.
[[nodiscard]] std::string beside_field(const base::Error& error);

}  // namespace solarchon::words
