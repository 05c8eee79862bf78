// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "solarchon/live/judge.h"
#include "solarchon/words/voice.h"

namespace solarchon::words {

/// What limits a live picture, and the next thing to do.
struct LimitWords {
  std::string says;
  std::string next;
};
[[nodiscard]] LimitWords limit_words(const live::Judgement& judgement,
                                     const Voice& voice = english());

}  // namespace solarchon::words
