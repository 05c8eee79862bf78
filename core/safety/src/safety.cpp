// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/safety.h"

#include <algorithm>

#include "rules.h"

namespace solarchon::safety {

std::string_view word_of(Severity severity) {
  switch (severity) {
    case Severity::kStop:
      return "stop";
    case Severity::kCheck:
      return "check";
    case Severity::kNoObjection:
      break;
  }
  return "no-objection";
}

Assessment assess(const optics::Rig& rig, const optics::Train& train) {
  Assessment assessment;
  for (const Rule& rule : rules()) {
    for (const std::optional<std::size_t>& place : rule.objects_to(rig, train)) {
      Finding finding = rule.finding;
      finding.element = place;
      assessment.findings.push_back(finding);
    }
  }
  std::stable_sort(assessment.findings.begin(), assessment.findings.end(),
                   [](const Finding& a, const Finding& b) { return a.severity > b.severity; });
  if (!assessment.findings.empty()) {
    assessment.verdict = assessment.findings.front().severity;
  }
  assessment.assumptions = {"The filter was inspected today: no pinhole, scratch or loose film.",
                            "It is held so that wind, or a hand, cannot take it off.",
                            "Every finder is capped or removed.",
                            "The parts are what this light path says they are.",
                            "Makers' instructions, local rules and eye-care advice come first."};
  return assessment;
}

}  // namespace solarchon::safety
