// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <utility>
#include <vector>

#include "solarchon/advise/advise.h"

namespace solarchon::advise {

/// Every single change worth trying on a rig.
[[nodiscard]] std::vector<Change> edits_of(const optics::Rig& rig, const optics::Train& train,
                                           const Situation& situation,
                                           const std::vector<optics::Element>& kit,
                                           const std::vector<optics::Element>& catalogue);

/// Finds adapters for joints, and remembers what it found.
class Adapters {
 public:
  Adapters(const std::vector<optics::Element>& kit, const std::vector<optics::Element>& catalogue);
  /// Takes out adapters that a change has stranded, and puts adapters into every joint that wants
  /// one, but those of `left_alone`, by the ids of the parts behind them. @return  what was put in
  std::vector<optics::Element> fit(optics::Rig& rig, const std::vector<std::string>& left_alone);

 private:
  [[nodiscard]] const std::vector<optics::Element>& chain(optics::Face rear, optics::Face front);
  const std::vector<optics::Element>& kit_;
  const std::vector<optics::Element>& catalogue_;
  std::map<std::pair<optics::Face, optics::Face>, std::vector<optics::Element>> chains_;
};

/// The rig with a change made, but for its adapters.
[[nodiscard]] optics::Rig with_change(const optics::Rig& rig, const Change& change);

}  // namespace solarchon::advise
