// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "solarchon/align/advice.h"
#include "solarchon/words/voice.h"

namespace solarchon::words {

/// One sentence, with its figures; empty for an advice that has no words: a test sees to it that
/// there is none.
[[nodiscard]] std::string advice_words(const align::Advice& advice, const Voice& voice = english());

}  // namespace solarchon::words
