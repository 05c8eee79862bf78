// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "solarchon/plan/calendar.h"
#include "solarchon/plan/day_plan.h"
#include "solarchon/plan/readiness.h"
#include "solarchon/words/voice.h"

namespace solarchon::words {

/// `Set up`
[[nodiscard]] std::string title_of(plan::StepKind kind, const Voice& voice = english());
/// What to see to in a step. Source: field practice, the order of the work.
[[nodiscard]] std::string advice_for(plan::StepKind kind, const Voice& voice = english());

/// What an item of the list before a day is about: the part and its defect, or the amount.
[[nodiscard]] std::string subject_of(const plan::ReadyItem& item, const Voice& voice = english());

/// The day as entries in order of time: steps, the turn of the mount where a run asks for one, and
/// runs. Runs and the first step carry an alarm.
/// @param place  name of the site
[[nodiscard]] std::vector<plan::CalendarEntry> agenda_of(const plan::Day& day,
                                                         const std::string& place, double alarm_min,
                                                         const Voice& voice = english());

}  // namespace solarchon::words
