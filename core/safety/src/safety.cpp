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
std::vector<Assumption> assumptions_of(const Case& at) {
  std::vector<Assumption> assumptions{
      {"inspected-today"}, {"held-in-front"}, {"finders-capped"}, {"parts-as-listed"}};
  const auto etalons = behind<optics::RearEtalon>(at.rig);
  if (!etalons.empty()) {
    const double makers_mm =
        optics::parameter(at.rig.elements[etalons.front()].part, "rejection_above_mm");
    const double school_mm = kSchoolsMm.at(at.practice.school);
    if (makers_mm > school_mm) {
      assumptions.push_back({"maker-milder-than-school", {in_mm(makers_mm), in_mm(school_mm)}});
    } else if (makers_mm > 0.0) {
      assumptions.push_back({"maker-rejection", {in_mm(makers_mm)}});
    } else if (at.practice.school > 0) {
      assumptions.push_back({"milder-school", {in_mm(school_mm), in_mm(kSchoolsMm.front())}});
    }
    assumptions.push_back({"rear-etalon-before-uncapping"});
  }
  const auto wedges = before_the_end(at.rig, behind<optics::Wedge>(at.rig));
  if (!wedges.empty()) {
    assumptions.push_back({"wedge-gets-hot"});
    const auto cuts = behind<optics::CutFilter>(at.rig);
    if (!cuts.empty() && cuts.front() < wedges.front() && !heat_rejected_in_front(at.rig)) {
      assumptions.push_back({"cut-filter-reflects"});
    }
  }
  if (at.practice.inspection_days > Practice{}.inspection_days) {
    const auto days = [](int count) {
      return base::Figure{static_cast<double>(count), base::Unit::kDay};
    };
    assumptions.push_back({"rare-inspections",
                           {days(at.practice.inspection_days), days(Practice{}.inspection_days)}});
  }
  if (at.practice.guests) {
    assumptions.push_back({"somebody-stays"});
  }
  assumptions.push_back({"makers-come-first"});
  return assumptions;
}

}  // namespace

double nominal_limit_mm(double stated_mm) {
  constexpr double kStep = 25.0;
  constexpr double kInchMm = 25.4;
  const double inches = stated_mm / kStep;
  return inches >= 1.0 && inches == std::floor(inches) ? std::ceil(inches * kInchMm) : stated_mm;
}

Assessment assess(const optics::Rig& rig, const optics::Train& train, const Practice& practice,
                  std::optional<sky::UtcTime> today) {
  static const std::vector<const Rule*> kRules = all_rules();
  const Case at{rig, train, practice, today};
  Assessment assessment;
  for (const Rule* rule : kRules) {
    for (Objection& objection : rule->objects_to(at)) {
      assessment.findings.push_back({rule->id, rule->severity, objection.element,
                                     std::move(objection.figures), objection.variant,
                                     std::move(objection.noted)});
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
    book.push_back({rule->id, rule->severity});
  }
  return book;
}

}  // namespace solarchon::safety
