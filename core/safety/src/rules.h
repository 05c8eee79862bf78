// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "solarchon/safety/safety.h"

namespace solarchon::safety {

/// What a rule looks at.
struct Case {
  const optics::Rig& rig;
  const optics::Train& train;
  const Practice& practice;
  std::optional<sky::UtcTime> today;
};

/// Where a rule objects: a part, or the whole train, with this train's numbers.
struct Objection {
  std::optional<std::size_t> element = {};
  std::vector<base::Figure> figures = {};
  std::string_view variant = {};
  std::string noted = {};
};
using Objections = std::vector<Objection>;

/// A rule is a row: its id, how much it weighs, and the question that finds the place. What it says
/// stands in words/ under the id.
struct Rule {
  std::string_view id;
  Severity severity;
  Objections (*objects_to)(const Case&);
};

/// The rules by where they look: filters in front, wedges and etalons behind, what stands at the
/// end, and how the parts are ordered, fed and kept.
[[nodiscard]] const std::vector<Rule>& front_rules();
[[nodiscard]] const std::vector<Rule>& rear_rules();
[[nodiscard]] const std::vector<Rule>& end_rules();
[[nodiscard]] const std::vector<Rule>& order_rules();

}  // namespace solarchon::safety
