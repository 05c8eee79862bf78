// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>
#include <vector>

#include "solarchon/base/figure.h"

namespace solarchon::align {

/// What is to be said: a sentence of words/align by its id, and its figures.
struct Advice {
  std::string_view id;
  std::vector<base::Figure> figures = {};
};

}  // namespace solarchon::align
