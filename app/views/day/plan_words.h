// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QTimeZone>

#include "solarchon/plan/day_plan.h"

namespace solarchon::app {

// Words for what the plan room says, one way for screen and paper.

[[nodiscard]] QString name_of(plan::StepKind kind);
[[nodiscard]] QString name_of(plan::Consumer consumer);
[[nodiscard]] QString name_of(plan::Ground ground);
[[nodiscard]] QString name_of(plan::SkyState state);

/// `10:00 to 10:30`
[[nodiscard]] QString span_words(const sky::Window& window, const QTimeZone& zone);
/// What stands in a run's way and why it matters.
[[nodiscard]] QString conflict_words(const plan::Conflict& conflict, const plan::Wishes& wishes,
                                     const QTimeZone& zone);
[[nodiscard]] QString cure_words(const plan::Cure& cure, const QTimeZone& zone);
/// When to turn the mount for a run; empty when there is nothing to say.
[[nodiscard]] QString turn_words(const plan::TurnDecision& turn, const QTimeZone& zone);
/// `1.4″ (1.0 to 1.9)`
[[nodiscard]] QString seeing_words(const plan::SeeingGuess& seeing);
/// Where the expected seeing comes from.
[[nodiscard]] QString seeing_source_words(const plan::SeeingGuess& seeing);

}  // namespace solarchon::app
