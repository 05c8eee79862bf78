// SPDX-License-Identifier: GPL-3.0-or-later
#include "questions.h"
#include "solarchon/safety/handling.h"

namespace solarchon::safety {

namespace {

using optics::Zone;

Objections no_telescope(const Case& at) {
  return when(!optics::find_fitted<optics::Telescope>(at.rig), std::nullopt);
}

Objections second_of_a_kind(const Case& at) {
  Objections objections;
  int telescopes = 0;
  int sensors = 0;
  int eyepieces = 0;
  for (std::size_t i = 0; i < at.rig.elements.size(); ++i) {
    const auto& element = at.rig.elements[i];
    if (!element.fitted) {
      continue;
    }
    if ((std::holds_alternative<optics::Telescope>(element.part) && ++telescopes > 1) ||
        (std::holds_alternative<optics::Eyepiece>(element.part) && ++eyepieces > 1) ||
        (optics::as_camera(element.part) && ++sensors > 1)) {
      objections.push_back({i});
    }
  }
  return objections;
}

/// A fitted part behind the telescope stands before this place.
bool something_between(const optics::Rig& rig, std::size_t telescope, std::size_t place) {
  for (std::size_t i = telescope + 1; i < place; ++i) {
    if (rig.elements[i].fitted && optics::zone_of(rig.elements[i].part) != Zone::kBeside) {
      return true;
    }
  }
  return false;
}

Objections out_of_place(const Case& at) {
  Objections objections;
  const auto telescope = optics::find_fitted<optics::Telescope>(at.rig);
  const std::size_t end = end_of_path(at.rig);
  for (std::size_t i = 0; i < at.rig.elements.size(); ++i) {
    const auto& element = at.rig.elements[i];
    const Zone zone = optics::zone_of(element.part);
    const bool rear_part = zone == Zone::kRear || zone == Zone::kEnd;
    // Film and etalons behind the lens have a rule of their own that stops.
    const bool front_part = std::holds_alternative<optics::EnergyFilter>(element.part) ||
                            std::holds_alternative<optics::ApertureMask>(element.part);
    const bool wrong_side =
        telescope && (i < *telescope ? rear_part : front_part && i > *telescope);
    const bool behind_the_end = i > end && zone == Zone::kRear;
    const bool not_inside = std::holds_alternative<optics::InnerEtalon>(element.part) &&
                            telescope && i > *telescope && something_between(at.rig, *telescope, i);
    if (element.fitted && (wrong_side || behind_the_end || not_inside)) {
      objections.push_back({i});
    }
  }
  return objections;
}

Objections unknown_part(const Case& at) { return each(fitted<optics::UnknownPart>(at.rig)); }

Objections finder_uncapped(const Case& at) {
  auto finders = fitted<optics::Finder>(at.rig);
  std::erase_if(finders, [&](std::size_t place) {
    const auto& finder = part_at<optics::Finder>(at.rig, place);
    return finder.kind == optics::FinderKind::kPinhole || finder.capped;
  });
  return each(finders);
}

Objections logged_defect(const Case& at) {
  Objections objections;
  for (std::size_t i = 0; i < at.rig.elements.size(); ++i) {
    const auto& element = at.rig.elements[i];
    if (element.fitted && protects(element.part) && !element.care.defect.empty()) {
      objections.push_back({.element = i, .noted = element.care.defect});
    }
  }
  return objections;
}

Objections inspection_overdue(const Case& at) {
  Objections objections;
  if (!at.today) {
    return objections;
  }
  for (std::size_t i = 0; i < at.rig.elements.size(); ++i) {
    const auto& element = at.rig.elements[i];
    if (!element.fitted || !wants_inspection(element.part) || element.care.inspected.empty()) {
      continue;
    }
    const auto then = sky::parse_utc(element.care.inspected, "inspected");
    constexpr double kMsPerDay = 86'400'000.0;
    const double days =
        then ? static_cast<double>(at.today->unix_ms - then->unix_ms) / kMsPerDay : 0.0;
    if (days > at.practice.inspection_days) {
      objections.push_back({.element = i, .noted = element.care.inspected});
    }
  }
  return objections;
}

}  // namespace

const std::vector<Rule>& order_rules() {
  static const std::vector<Rule> kRules{
      {"finder-uncapped", Severity::kStop, finder_uncapped},
      {"logged-defect", Severity::kStop, logged_defect},
      {"inspection-overdue", Severity::kCheck, inspection_overdue},
      {"no-telescope", Severity::kCheck, no_telescope},
      {"second-of-a-kind", Severity::kCheck, second_of_a_kind},
      {"part-out-of-place", Severity::kCheck, out_of_place},
      {"unknown-part", Severity::kCheck, unknown_part},
  };
  return kRules;
}

}  // namespace solarchon::safety
