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

std::vector<HandlingStep> handling_order(const optics::Rig& rig) {
  HandlingStep inspect{"inspect", {}};
  for (const optics::Element& element : rig.elements) {
    if (element.fitted && wants_inspection(element.part)) {
      inspect.parts.push_back(element.name);
    }
  }
  std::vector<HandlingStep> order;
  if (!inspect.parts.empty()) {
    order.push_back(std::move(inspect));
  }
  order.push_back({"cap", {}});
  if (const auto front =
          name_of_fitted<optics::FrontFilm, optics::EnergyFilter, optics::FrontEtalon>(rig)) {
    order.push_back({"fit-front", {*front}});
  }
  if (const auto rear =
          name_of_fitted<optics::Wedge, optics::RearEtalon, optics::BlockingFilter>(rig)) {
    order.push_back({"fit-rear", {*rear}});
  }
  if (const auto heated = name_of_fitted<optics::RearEtalon>(rig)) {
    order.push_back({"power", {*heated}});
  }
  for (const std::string_view id : {"turn-and-uncap", "change", "take-down", "never-alone"}) {
    order.push_back({id, {}});
  }
  return order;
}

}  // namespace solarchon::safety
