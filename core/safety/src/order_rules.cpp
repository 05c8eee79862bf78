// SPDX-License-Identifier: GPL-3.0-or-later
#include "questions.h"
#include "solarchon/safety/handling.h"

namespace solarchon::safety {

namespace {

using optics::Zone;

constexpr std::string_view kHandling = "Order of handling in the field";
constexpr std::string_view kFigures = "Limits of this program";

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
      objections.push_back({i, {}});
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
      objections.push_back({i, {}});
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
      objections.push_back({i, element.care.defect});
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
      objections.push_back({i, "Last inspected on " + element.care.inspected + "."});
    }
  }
  return objections;
}

}  // namespace

const std::vector<Rule>& order_rules() {
  static const std::vector<Rule> kRules{
      {{.rule = "finder-uncapped",
        .severity = Severity::kStop,
        .what = "Its beam blinds an eye that passes, and burns hair, cloth and its own crosshair.",
        .why = "An optical finder looks at the Sun without a cap.",
        .next_step = "Turn the tube away and cap it; cap the finder or take it off.",
        .source = kHandling},
       finder_uncapped},
      {{.rule = "logged-defect",
        .severity = Severity::kStop,
        .what = "A damaged part can let the full light through, or fail in the heat.",
        .why = "An inspection found a defect, and nobody has cleared it.",
        .next_step = "Turn away and cap the tube; lay the part aside until it is replaced.",
        .source = kHandling},
       logged_defect},
      {{.rule = "inspection-overdue",
        .severity = Severity::kCheck,
        .what = "A pinhole or scratch that nobody has seen lets light through.",
        .why = "The last inspection on record is older than you asked for.",
        .next_step =
            "Hold the filter against a bright lamp, look for pinholes, scratches and loose "
            "film, and log the date.",
        .source = kHandling},
       inspection_overdue},
      {{.rule = "no-telescope",
        .severity = Severity::kCheck,
        .what = "Nothing can be worked out behind a missing lens.",
        .why = "The light path has no telescope.",
        .next_step = "Add a telescope to the light path.",
        .source = kFigures},
       no_telescope},
      {{.rule = "second-of-a-kind",
        .severity = Severity::kCheck,
        .what = "The figures follow the first telescope, the first eyepiece and the first camera "
                "only.",
        .why = "The light path holds more than one.",
        .next_step = "Lay the spare one aside.",
        .source = kFigures},
       second_of_a_kind},
      {{.rule = "part-out-of-place",
        .severity = Severity::kCheck,
        .what = "The figures do not hold, and a part may stand in full sunlight.",
        .why = "This kind of part belongs elsewhere in the path.",
        .next_step = "Move it: front filters and masks before the telescope, everything else "
                     "between telescope and eyepiece or camera.",
        .source = kHandling},
       out_of_place},
      {{.rule = "unknown-part",
        .severity = Severity::kCheck,
        .what = "Nobody knows what it does to the light.",
        .why = "This program does not know this kind of part, and takes it as clear glass.",
        .next_step = "Replace it by a part that the program knows, or judge it yourself.",
        .source = kFigures},
       unknown_part},
  };
  return kRules;
}

}  // namespace solarchon::safety
