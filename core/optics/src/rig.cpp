// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <stdexcept>
#include <type_traits>

namespace solarchon::optics {

namespace {

constexpr double kRequired = std::numeric_limits<double>::quiet_NaN();

/// A parameter with the way to the member that holds it.
template <typename Kind>
struct Member {
  Parameter parameter;
  double (*get)(const Kind&);
  void (*set)(Kind&, double);
};

template <typename Owner, typename Value>
Owner owner_of(Value Owner::*);

/// A row for one data member, such as `row<&Camera::bits>("bits", {8, 16}, kWhole)`.
template <auto Pointer, typename Kind = decltype(owner_of(Pointer))>
Member<Kind> row(std::string_view key, base::Range range, bool whole = false,
                 double fallback = kRequired) {
  return {{key, range, whole, fallback},
          [](const Kind& part) { return static_cast<double>(part.*Pointer); },
          [](Kind& part, double value) {
            part.*Pointer = static_cast<std::remove_reference_t<decltype(part.*Pointer)>>(value);
          }};
}

constexpr bool kWhole = true;

/// The members of each kind: one row a number, for files, editors and range checks.
template <typename Kind>
const std::vector<Member<Kind>>& members();

template <>
const std::vector<Member<FrontFilm>>& members() {
  static const std::vector<Member<FrontFilm>> kMembers{
      row<&FrontFilm::optical_density>("optical_density", {0.0, 9.0}),
      row<&FrontFilm::clear_aperture_mm>("clear_aperture_mm", {1.0, 2000.0})};
  return kMembers;
}
template <>
const std::vector<Member<Refractor>>& members() {
  static const std::vector<Member<Refractor>> kMembers{
      row<&Refractor::aperture_mm>("aperture_mm", {1.0, 1500.0}),
      row<&Refractor::focal_length_mm>("focal_length_mm", {10.0, 20000.0})};
  return kMembers;
}
template <>
const std::vector<Member<Amplifier>>& members() {
  static const std::vector<Member<Amplifier>> kMembers{
      row<&Amplifier::factor>("factor", {1.0, 10.0})};
  return kMembers;
}
template <>
const std::vector<Member<Reducer>>& members() {
  static const std::vector<Member<Reducer>> kMembers{row<&Reducer::factor>("factor", {0.1, 1.0})};
  return kMembers;
}
template <>
const std::vector<Member<Diagonal>>& members() {
  static const std::vector<Member<Diagonal>> kMembers{};
  return kMembers;
}
template <>
const std::vector<Member<Camera>>& members() {
  static const std::vector<Member<Camera>> kMembers{
      row<&Camera::width_px>("width_px", {16, 20000}, kWhole),
      row<&Camera::height_px>("height_px", {16, 20000}, kWhole),
      row<&Camera::pixel_um>("pixel_um", {0.5, 50.0}),
      row<&Camera::bits>("bits", {8, 16}, kWhole),
      row<&Camera::full_well_e>("full_well_e", {100.0, 1e6}, false, 10000.0),
      row<&Camera::read_noise_e>("read_noise_e", {0.0, 1000.0}, false, 2.5),
      row<&Camera::peak_quantum_efficiency>("peak_quantum_efficiency", {0.01, 1.0}, false, 0.65),
      row<&Camera::shortest_exposure_ms>("shortest_exposure_ms", {0.0001, 10000.0}, false, 0.02),
      row<&Camera::longest_exposure_ms>("longest_exposure_ms", {0.001, 3.6e6}, false, 60000.0),
      row<&Camera::rotation_deg>("rotation_deg", {-360.0, 360.0}, false, 0.0)};
  return kMembers;
}

template <typename Kind>
const Member<Kind>& member(std::string_view key) {
  for (const Member<Kind>& candidate : members<Kind>()) {
    if (candidate.parameter.key == key) {
      return candidate;
    }
  }
  throw std::invalid_argument("no such parameter: " + std::string(key));
}

template <typename Kind>
const std::vector<Parameter>& parameters() {
  static const std::vector<Parameter> kParameters = [] {
    std::vector<Parameter> list;
    for (const Member<Kind>& entry : members<Kind>()) {
      list.push_back(entry.parameter);
    }
    return list;
  }();
  return kParameters;
}

}  // namespace

std::string_view kind_of(const Part& part) {
  static constexpr std::array<std::string_view, std::variant_size_v<Part>> kKinds{
      "front-film", "refractor", "amplifier", "reducer", "diagonal", "camera"};
  return kKinds.at(part.index());
}

const std::vector<Parameter>& parameters_of(const Part& part) {
  return std::visit(
      [](const auto& kind) -> const std::vector<Parameter>& {
        return parameters<std::decay_t<decltype(kind)>>();
      },
      part);
}

double parameter(const Part& part, std::string_view key) {
  return std::visit(
      [key](const auto& kind) { return member<std::decay_t<decltype(kind)>>(key).get(kind); },
      part);
}

void set_parameter(Part& part, std::string_view key, double value) {
  std::visit(
      [key, value](auto& kind) { member<std::decay_t<decltype(kind)>>(key).set(kind, value); },
      part);
}

const std::vector<Element>& generic_parts() {
  static const std::vector<Element> kParts{{"", "Front film OD 5.0", true, 0.0, FrontFilm{}},
                                           {"", "Refractor 80 mm f/6", true, 0.0, Refractor{}},
                                           {"", "Mirror diagonal", true, 65.0, Diagonal{}},
                                           {"", "Amplifier 2x", true, 70.0, Amplifier{}},
                                           {"", "Reducer 0.5x", true, 30.0, Reducer{}},
                                           {"", "Mono camera 3 Mpx", true, 12.5, Camera{}}};
  return kParts;
}

std::string fresh_id(const Rig& rig) {
  for (std::size_t number = 1;; ++number) {
    std::string id = "part-" + std::to_string(number);
    const bool taken = std::any_of(rig.elements.begin(), rig.elements.end(),
                                   [&](const Element& element) { return element.id == id; });
    if (!taken) {
      return id;
    }
  }
}

}  // namespace solarchon::optics
