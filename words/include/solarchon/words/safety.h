// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "solarchon/safety/handling.h"
#include "solarchon/safety/safety.h"
#include "solarchon/words/voice.h"

namespace solarchon::words {

/// What a rule says, whatever light path it objects to.
struct RuleWords {
  std::string what;  ///< that can happen
  std::string why;
  std::string next_step;  ///< the next safe thing to do
  std::string source;     ///< whose practice the rule is
};

/// All empty for a rule that has no words: a test sees to it that there is none.
[[nodiscard]] RuleWords rule_words(std::string_view rule, const Voice& voice = english());

/// This light path's numbers, or what its owner noted, as a sentence; empty where a rule compares
/// none.
[[nodiscard]] std::string figures_words(const safety::Finding& finding,
                                        const Voice& voice = english());

[[nodiscard]] std::string assumption_words(const safety::Assumption& assumption,
                                           const Voice& voice = english());

/// A step of handling in three sentences.
struct StepWords {
  std::string what;  ///< to do
  std::string why;
  std::string check;  ///< how it is seen that it is done
};
/// All empty for a step that has no words: a test sees to it that there is none.
[[nodiscard]] StepWords handling_words(const safety::HandlingStep& step,
                                       const Voice& voice = english());
/// What holds throughout.
[[nodiscard]] std::string never_alone_words(const Voice& voice = english());

/// `Stop`, `Check first`, `No objection found`: never that something is safe.
[[nodiscard]] std::string name_of(safety::Severity severity, const Voice& voice = english());

}  // namespace solarchon::words
