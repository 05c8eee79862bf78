// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/handling.h"

#include <optional>

namespace solarchon::safety {

namespace {

/// Name of the first fitted part of one of these kinds.
template <typename... Kinds>
std::optional<std::string> name_of_fitted(const optics::Rig& rig) {
  for (const optics::Element& element : rig.elements) {
    if (element.fitted && (std::holds_alternative<Kinds>(element.part) || ...)) {
      return element.name;
    }
  }
  return std::nullopt;
}

}  // namespace

bool wants_inspection(const optics::Part& part) {
  return std::holds_alternative<optics::FrontFilm>(part) ||
         std::holds_alternative<optics::EnergyFilter>(part) ||
         std::holds_alternative<optics::FrontEtalon>(part) ||
         std::holds_alternative<optics::InnerEtalon>(part) ||
         std::holds_alternative<optics::Wedge>(part) ||
         std::holds_alternative<optics::RearEtalon>(part) ||
         std::holds_alternative<optics::BlockingFilter>(part);
}

bool protects(const optics::Part& part) {
  return wants_inspection(part) || std::holds_alternative<optics::ApertureMask>(part) ||
         std::holds_alternative<optics::Telescope>(part) ||
         std::holds_alternative<optics::CutFilter>(part) ||
         std::holds_alternative<optics::NeutralDensity>(part) ||
         std::holds_alternative<optics::Finder>(part);
}

std::vector<std::string> handling_order(const optics::Rig& rig) {
  std::string worn;
  for (const optics::Element& element : rig.elements) {
    if (element.fitted && wants_inspection(element.part)) {
      worn += (worn.empty() ? "" : ", ") + element.name;
    }
  }
  std::vector<std::string> order;
  if (!worn.empty()) {
    order.push_back(
        "Hold against a bright lamp, look for pinholes, scratches, loose film: " + worn + ".");
  }
  order.emplace_back("Tube away from the Sun, front cap on. Cap or take off every finder.");
  if (const auto front =
          name_of_fitted<optics::FrontFilm, optics::EnergyFilter, optics::FrontEtalon>(rig)) {
    order.push_back("Fit " + *front + " in front and secure it against wind.");
  }
  if (const auto rear =
          name_of_fitted<optics::Wedge, optics::RearEtalon, optics::BlockingFilter>(rig)) {
    order.push_back("Fit all that belongs behind the tube, with " + *rear +
                    ", before the front is uncapped. Never a plastic cap on the back.");
  }
  if (const auto heated = name_of_fitted<optics::RearEtalon>(rig)) {
    order.push_back("Cables, polarity, power: " + *heated + " warms while the rest is set up.");
  }
  order.emplace_back("Only then turn to the Sun, by the tube's shadow, and uncap.");
  order.emplace_back("To change any part: away from the Sun, cap on, change, cap off, back.");
  order.emplace_back(
      "At the end: away from the Sun, cap on, then take the rear off, the front last.");
  order.emplace_back(
      "Never leave it alone with people about. What its makers say goes before this.");
  return order;
}

}  // namespace solarchon::safety
