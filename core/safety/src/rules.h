// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/safety/safety.h"

namespace solarchon::safety {

/// Asks a rule's question: the parts that it objects to, or one empty place for the whole train.
using Condition = std::vector<std::optional<std::size_t>> (*)(const optics::Rig&,
                                                              const optics::Train&);

/// A rule is a row: a finding without its place, and the question that finds the place.
struct Rule {
  Finding finding;
  Condition objects_to;
};

/// Every rule, in no particular order.
[[nodiscard]] const std::vector<Rule>& rules();

}  // namespace solarchon::safety
