// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/handling.h"

#include <algorithm>
#include <iterator>

namespace solarchon::safety {

namespace {

/// Names of the fitted parts of some kinds.
template <typename... Kinds>
std::vector<std::string> names_of_fitted(const optics::Rig& rig) {
  std::vector<std::string> names;
  for (const optics::Element& element : rig.elements) {
    if (element.fitted && (std::holds_alternative<Kinds>(element.part) || ...)) {
      names.push_back(element.name);
    }
  }
  return names;
}

/// What an order is made from.
struct Setting {
  std::vector<std::string> lamped;  ///< film and glass that a lamp shows the holes of
  std::vector<std::string> worn;    ///< other filters that want a look
  std::vector<std::string> front;   ///< filters before the telescope
  std::vector<std::string> fronts;  ///< the same with masks
  std::vector<std::string> rear;    ///< what dims behind it
  std::vector<std::string> heated;
  std::vector<std::string> tuned;
  std::vector<std::string> ends;  ///< where the light ends
  std::vector<std::string> optical_finders;
  bool telescope = false;
  Axes axes = Axes::kNotSaid;
  std::string_view
      receiver;  ///< eye, screen, video, camera or phone; empty: nothing ends the light
};

std::string_view receiver_word(const optics::Rig& rig) {
  switch (optics::receiver_of(rig)) {
    case optics::Receiver::kEye:
      return "eye";
    case optics::Receiver::kScreen:
      return "screen";
    case optics::Receiver::kSensor: {
      const auto& end = rig.elements[optics::sensor_of(rig)->element].part;
      return std::holds_alternative<optics::Phone>(end)         ? "phone"
             : std::holds_alternative<optics::PhotoCamera>(end) ? "camera"
                                                                : "video";
    }
    case optics::Receiver::kNone:
      break;
  }
  return {};
}

std::string_view axes_word(Axes axes) {
  return axes == Axes::kLevel ? "level" : axes == Axes::kUndriven ? "undriven" : "";
}

Setting setting_of(const optics::Rig& rig, Axes axes) {
  Setting setting;
  for (const optics::Element& element : rig.elements) {
    const bool film = std::holds_alternative<optics::FrontFilm>(element.part) ||
                      std::holds_alternative<optics::EnergyFilter>(element.part);
    if (element.fitted && wants_inspection(element.part)) {
      (film ? setting.lamped : setting.worn).push_back(element.name);
    }
    const auto* finder = std::get_if<optics::Finder>(&element.part);
    if (element.fitted && finder != nullptr && finder->kind == optics::FinderKind::kOptical) {
      setting.optical_finders.push_back(element.name);
    }
  }
  setting.front =
      names_of_fitted<optics::FrontFilm, optics::EnergyFilter, optics::FrontEtalon>(rig);
  setting.fronts = names_of_fitted<optics::ApertureMask, optics::FrontFilm, optics::EnergyFilter,
                                   optics::FrontEtalon>(rig);
  setting.rear = names_of_fitted<optics::Wedge, optics::RearEtalon, optics::BlockingFilter>(rig);
  setting.heated = names_of_fitted<optics::RearEtalon>(rig);
  setting.tuned =
      names_of_fitted<optics::FrontEtalon, optics::InnerEtalon, optics::RearEtalon>(rig);
  if (const auto end = optics::end_of_light(rig)) {
    const auto eyepiece = optics::find_fitted<optics::Eyepiece>(rig);
    if (eyepiece && *eyepiece < *end) {  // what looks into an eyepiece needs that first
      setting.ends.push_back(rig.elements[*eyepiece].name);
    }
    setting.ends.push_back(rig.elements[*end].name);
  }
  setting.receiver = receiver_word(rig);
  setting.telescope = optics::find_fitted<optics::Telescope>(rig).has_value();
  setting.axes = axes;
  return setting;
}

/// A row of an order: when it occurs, and what it speaks of.
struct Row {
  std::string_view id;
  bool (*occurs)(const Setting&);
  std::vector<std::string> Setting::*parts;  ///< null: of none
  std::vector<std::string_view> needs;       ///< those that do not occur are left out
  bool exposes;
  bool waits;
  double minutes;
  std::string_view (*variant)(const Setting&) = nullptr;  ///< null: its sentences hold for all
};

bool always(const Setting& /*setting*/) { return true; }
bool has_lamped(const Setting& setting) { return !setting.lamped.empty(); }
bool has_worn(const Setting& setting) { return !setting.worn.empty(); }
bool has_fronts(const Setting& setting) { return !setting.fronts.empty(); }
bool has_front(const Setting& setting) { return !setting.front.empty(); }
bool has_no_front(const Setting& setting) { return setting.front.empty(); }
bool has_rear(const Setting& setting) { return !setting.rear.empty(); }
bool has_heater(const Setting& setting) { return !setting.heated.empty(); }
bool has_tuner(const Setting& setting) { return !setting.tuned.empty(); }
bool has_end(const Setting& setting) { return !setting.ends.empty(); }
bool has_telescope(const Setting& setting) { return setting.telescope; }
bool may_have_pole(const Setting& setting) {
  return setting.axes == Axes::kNotSaid || setting.axes == Axes::kEquatorial;
}
bool is_level(const Setting& setting) { return setting.axes == Axes::kLevel; }
bool is_driven(const Setting& setting) { return setting.axes != Axes::kUndriven; }
bool an_eye_looks_in(const Setting& setting) {
  return setting.receiver == "eye" || setting.receiver == "phone" || setting.receiver.empty();
}
bool shows_a_picture(const Setting& setting) { return !an_eye_looks_in(setting); }
bool projects(const Setting& setting) { return setting.receiver == "screen"; }
std::string_view by_receiver(const Setting& setting) { return setting.receiver; }
std::string_view by_axes(const Setting& setting) { return axes_word(setting.axes); }

constexpr std::vector<std::string> Setting::*kNoParts = nullptr;

const std::vector<Row>& set_up() {
  static const std::vector<Row> kRows{
      {"inspect", has_lamped, &Setting::lamped, {}, false, false, 3.0},
      {"inspect-rear", has_worn, &Setting::worn, {}, false, false, 2.0},
      {"stand", always, kNoParts, {}, false, false, 5.0},
      {"heater-on", has_heater, &Setting::heated, {"stand"}, false, false, 1.0},
      {"weights", may_have_pole, kNoParts, {"stand"}, false, false, 2.0},
      {"tube", always, kNoParts, {"stand", "weights"}, false, false, 3.0, by_axes},
      {"point-away", always, kNoParts, {"stand", "tube"}, false, false, 2.0},
      {"cap-finders", always, &Setting::optical_finders, {"point-away"}, false, false, 1.0},
      {"cool-down", has_telescope, kNoParts, {"point-away"}, false, true, 15.0},
      {"fit-front", has_fronts, &Setting::fronts, {"inspect", "point-away"}, false, false, 2.0},
      {"fit-rear",
       has_rear,
       &Setting::rear,
       {"inspect", "inspect-rear", "point-away"},
       false,
       false,
       4.0},
      {"fit-end",
       has_end,
       &Setting::ends,
       {"point-away", "fit-front", "fit-rear"},
       false,
       false,
       3.0,
       by_receiver},
      {"balance",
       always,
       kNoParts,
       {"point-away", "fit-front", "fit-rear", "fit-end"},
       false,
       false,
       4.0,
       by_axes},
      {"power", is_driven, kNoParts, {"balance"}, false, false, 3.0},
      {"warm-up", has_heater, &Setting::heated, {"heater-on", "fit-rear"}, false, true, 15.0},
      {"axis", may_have_pole, kNoParts, {"stand"}, false, false, 8.0},
      {"level-base", is_level, kNoParts, {"stand"}, false, false, 3.0},
      {"last-look",
       always,
       kNoParts,
       {"inspect", "inspect-rear", "cap-finders", "fit-front", "fit-rear", "fit-end", "balance"},
       false,
       false,
       1.0},
      {"turn-to-sun", has_front, &Setting::front, {"last-look", "power"}, true, false, 2.0},
      {"turn-and-uncap", has_no_front, &Setting::rear, {"last-look", "power"}, true, false, 2.0},
      {"centre", always, kNoParts, {"turn-to-sun", "turn-and-uncap"}, true, false, 3.0, by_axes},
      {"solar-rate", is_driven, kNoParts, {"centre"}, true, false, 1.0, by_axes},
      {"focus", has_end, &Setting::ends, {"centre"}, true, false, 5.0, by_receiver},
      {"refine-axis", may_have_pole, kNoParts, {"axis", "solar-rate"}, true, false, 15.0},
      {"tune", has_tuner, &Setting::tuned, {"warm-up", "centre", "focus"}, true, true, 5.0},
      {"rehearse", always, kNoParts, {"centre", "focus", "tune"}, true, false, 10.0, by_receiver},
  };
  return kRows;
}

const std::vector<Row>& change() {
  static const std::vector<Row> kRows{
      {"away-again", always, kNoParts, {}, false, false, 0.5},
      {"cap-again", always, kNoParts, {"away-again"}, false, false, 0.5},
      {"swap", always, kNoParts, {"cap-again"}, false, false, 2.0},
      {"caps-behind", always, kNoParts, {"swap"}, false, false, 0.5},
      {"look-again", always, kNoParts, {"swap", "caps-behind"}, false, false, 0.5},
      {"back-to-sun", always, kNoParts, {"look-again"}, true, false, 1.0},
      {"focus-again", has_end, &Setting::ends, {"back-to-sun"}, true, false, 2.0, by_receiver},
  };
  return kRows;
}

const std::vector<Row>& guests() {
  static const std::vector<Row> kRows{
      {"guests-away", always, kNoParts, {}, false, false, 0.5},
      {"tape-front", has_front, &Setting::front, {"guests-away"}, false, false, 2.0},
      {"lock-rear", has_rear, &Setting::rear, {"guests-away"}, false, false, 1.0},
      {"finders-off", always, &Setting::optical_finders, {"guests-away"}, false, false, 1.0},
      {"box-beam", projects, kNoParts, {"guests-away"}, false, false, 3.0},
      {"fence", always, kNoParts, {}, false, false, 3.0, by_receiver},
      {"brief", always, kNoParts, {}, false, false, 2.0, by_receiver},
      {"try-on-card",
       an_eye_looks_in,
       kNoParts,
       {"tape-front", "lock-rear", "finders-off"},
       true,
       false,
       2.0},
      {"try-picture",
       shows_a_picture,
       kNoParts,
       {"tape-front", "lock-rear", "finders-off", "box-beam"},
       true,
       false,
       2.0,
       by_receiver},
      {"hand-over",
       always,
       kNoParts,
       {"fence", "brief", "try-on-card", "try-picture"},
       true,
       false,
       1.0,
       by_receiver},
  };
  return kRows;
}

const std::vector<Row>& pack() {
  static const std::vector<Row> kRows{
      {"pack-away", always, kNoParts, {}, false, false, 0.5},
      {"pack-cap", always, kNoParts, {"pack-away"}, false, false, 0.5},
      {"heater-off", has_heater, &Setting::heated, {"pack-cap"}, false, false, 1.0},
      {"power-off", is_driven, kNoParts, {"pack-cap", "heater-off"}, false, false, 1.0},
      {"take-end", has_end, &Setting::ends, {"pack-cap", "power-off"}, false, false, 2.0},
      {"take-rear", has_rear, &Setting::rear, {"pack-cap", "heater-off"}, false, false, 3.0},
      {"take-front", has_fronts, &Setting::fronts, {"pack-cap", "take-rear"}, false, false, 2.0},
      {"tube-off",
       always,
       kNoParts,
       {"pack-cap", "power-off", "take-end", "take-rear", "take-front"},
       false,
       false,
       2.0,
       by_axes},
      {"weights-off", may_have_pole, kNoParts, {"tube-off"}, false, false, 1.0},
      {"mark-feet", always, kNoParts, {}, false, false, 1.0},
      {"dry", always, kNoParts, {"pack-cap"}, false, false, 5.0},
      {"write-down", always, kNoParts, {}, false, false, 3.0},
  };
  return kRows;
}

const std::vector<Row>& rows_of(Occasion occasion) {
  switch (occasion) {
    case Occasion::kChange:
      return change();
    case Occasion::kGuests:
      return guests();
    case Occasion::kPack:
      return pack();
    case Occasion::kSetUp:
      break;
  }
  return set_up();
}

const HandlingStep* find(const std::vector<HandlingStep>& order, std::string_view id) {
  const auto found = std::find_if(order.begin(), order.end(),
                                  [&](const HandlingStep& step) { return step.id == id; });
  return found != order.end() ? &*found : nullptr;
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
  return wants_inspection(part) || std::holds_alternative<optics::CutFilter>(part) ||
         std::holds_alternative<optics::NeutralDensity>(part);
}

std::vector<HandlingStep> handling_order(const optics::Rig& rig, Occasion occasion, Axes axes) {
  const Setting setting = setting_of(rig, axes);
  std::vector<HandlingStep> order;
  for (const Row& row : rows_of(occasion)) {
    if (!row.occurs(setting)) {
      continue;
    }
    HandlingStep step{row.id, {}, {}, {}, row.exposes, row.waits, row.minutes};
    if (row.variant != nullptr) {
      step.variant = row.variant(setting);
    }
    if (row.parts != nullptr) {
      step.parts = setting.*row.parts;
    }
    std::copy_if(row.needs.begin(), row.needs.end(), std::back_inserter(step.needs),
                 [&](std::string_view need) { return find(order, need) != nullptr; });
    order.push_back(std::move(step));
  }
  return order;
}

std::vector<std::string_view> missing_before(const std::vector<HandlingStep>& order,
                                             const std::set<std::string>& done,
                                             std::string_view step) {
  // Needs stand before who needs them: one walk back through the order finds all.
  std::set<std::string_view> wanted{step};
  std::vector<std::string_view> missing;
  for (auto at = order.rbegin(); at != order.rend(); ++at) {
    if (wanted.count(at->id) == 0) {
      continue;
    }
    wanted.insert(at->needs.begin(), at->needs.end());
    if (at->id != step && done.count(std::string(at->id)) == 0) {
      missing.push_back(at->id);
    }
  }
  std::reverse(missing.begin(), missing.end());
  return missing;
}

}  // namespace solarchon::safety
