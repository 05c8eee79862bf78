// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/safety.h"

#include <algorithm>
#include <cmath>

#include "questions.h"

namespace solarchon::safety {

namespace {

std::vector<const Rule*> all_rules() {
  std::vector<const Rule*> rules;
  for (const auto* list : {&front_rules(), &rear_rules(), &end_rules(), &order_rules()}) {
    for (const Rule& rule : *list) {
      rules.push_back(&rule);
    }
  }
  return rules;
}

/// What nobody can see in a drawing, and which setting the verdict depends on.
std::vector<std::string> assumptions_of(const Case& at) {
  std::vector<std::string> assumptions{
      "Every filter was inspected today: no pinhole, scratch or loose film.",
      "What stands in front is held so that wind, or a hand, cannot take it off.",
      "Every finder that is not listed is capped or removed.",
      "The parts are what this light path says they are."};
  const auto etalons = behind<optics::RearEtalon>(at.rig);
  if (!etalons.empty()) {
    const double makers_mm =
        optics::parameter(at.rig.elements[etalons.front()].part, "rejection_above_mm");
    if (makers_mm > 0.0) {
      const double school_mm = kSchoolsMm.at(at.practice.school);
      assumptions.push_back("Its maker asks for heat rejection from " + in_unit(makers_mm, "mm") +
                            " of aperture; that figure was used" +
                            (makers_mm > school_mm ? ", though the school that you chose says " +
                                                         in_unit(school_mm, "mm") + "."
                                                   : "."));
    } else if (at.practice.school > 0) {
      assumptions.push_back(
          "You chose the school that runs a rear etalon without rejection up to " +
          in_unit(kSchoolsMm.at(at.practice.school), "mm") + "; the strict one says " +
          in_unit(kSchoolsMm.front(), "mm") + ".");
    }
    assumptions.emplace_back("The rear etalon is fitted before the tube is uncapped.");
  }
  const auto wedges = before_the_end(at.rig, behind<optics::Wedge>(at.rig));
  if (!wedges.empty()) {
    assumptions.emplace_back("The back of the wedge gets hot; nothing and nobody touches it.");
    const auto cuts = behind<optics::CutFilter>(at.rig);
    if (!cuts.empty() && cuts.front() < wedges.front() && !heat_rejected_in_front(at.rig)) {
      assumptions.emplace_back(
          "The cut filter before the wedge reflects what it does not pass; one that absorbs it "
          "cracks there.");
    }
  }
  if (at.practice.inspection_days > Practice{}.inspection_days) {
    assumptions.push_back("You chose to have filters inspected every " +
                          std::to_string(at.practice.inspection_days) + " days; " +
                          std::to_string(Practice{}.inspection_days) + " is usual here.");
  }
  if (at.practice.guests) {
    assumptions.emplace_back(
        "Somebody stays at the telescope all the time; front filters are taped on.");
  }
  assumptions.emplace_back("Makers' instructions, local rules and eye-care advice come first.");
  return assumptions;
}

}  // namespace

double nominal_limit_mm(double stated_mm) {
  constexpr double kStep = 25.0;
  constexpr double kInchMm = 25.4;
  const double inches = stated_mm / kStep;
  return inches >= 1.0 && inches == std::floor(inches) ? std::ceil(inches * kInchMm) : stated_mm;
}

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

Assessment assess(const optics::Rig& rig, const optics::Train& train, const Practice& practice,
                  std::optional<sky::UtcTime> today) {
  static const std::vector<const Rule*> kRules = all_rules();
  const Case at{rig, train, practice, today};
  Assessment assessment;
  for (const Rule* rule : kRules) {
    for (Objection& objection : rule->objects_to(at)) {
      Finding finding = rule->finding;
      finding.element = objection.element;
      finding.figures = std::move(objection.figures);
      assessment.findings.push_back(std::move(finding));
    }
  }
  std::stable_sort(assessment.findings.begin(), assessment.findings.end(),
                   [](const Finding& a, const Finding& b) { return a.severity > b.severity; });
  if (!assessment.findings.empty()) {
    assessment.verdict = assessment.findings.front().severity;
  }
  assessment.assumptions = assumptions_of(at);
  return assessment;
}

std::vector<Finding> rule_book() {
  std::vector<Finding> book;
  for (const Rule* rule : all_rules()) {
    book.push_back(rule->finding);
  }
  return book;
}

}  // namespace solarchon::safety
