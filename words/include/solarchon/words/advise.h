// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "solarchon/advise/advise.h"
#include "solarchon/words/voice.h"

namespace solarchon::words {

struct MisfitWords {
  std::string what;  ///< one sees of it
  std::string why;
};

/// Both empty for a misfit that has no words: a test sees to it that there is none.
[[nodiscard]] MisfitWords misfit_words(std::string_view id, std::string_view variant,
                                       const Voice& voice = english());

/// `Pixels per finest detail`
[[nodiscard]] std::string name_of(const advise::KeyFigure& figure, const Voice& voice = english());

}  // namespace solarchon::words
