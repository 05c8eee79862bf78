// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "solarchon/base/result.h"
#include "solarchon/words/voice.h"

namespace solarchon::words {

/// One line that names the field, what was given and what would be accepted, without a full stop:
/// `lat: 95 is out of range; accepted: -90 to 90`.
[[nodiscard]] std::string sentence(const base::Error& error, const Voice& voice = english());

/// The same without the field, for a message that stands beside it.
[[nodiscard]] std::string beside_field(const base::Error& error, const Voice& voice = english());

/// What would be accepted, or why something failed; empty for a remark that says nothing.
[[nodiscard]] std::string remark_words(const base::Remark& remark, const Voice& voice = english());

}  // namespace solarchon::words
