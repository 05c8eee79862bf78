// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <stdexcept>

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

#define SOLARCHON_MEMBER(Kind, name, low, high, whole, fallback)                              \
  Member<Kind> {                                                                              \
    {#name, {low, high}, whole, fallback},                                                    \
        [](const Kind& part) { return static_cast<double>(part.name); },                      \
        [](Kind& part, double value) { part.name = static_cast<decltype(part.name)>(value); } \
  }

/// The members of each kind: one row a number, for files, editors and range checks.
template <typename Kind>
const std::vector<Member<Kind>>& members();

template <>
const std::vector<Member<FrontFilm>>& members() {
  static const std::vector<Member<FrontFilm>> kMembers{
      SOLARCHON_MEMBER(FrontFilm, optical_density, 0.0, 9.0, false, kRequired),
      SOLARCHON_MEMBER(FrontFilm, clear_aperture_mm, 1.0, 2000.0, false, kRequired)};
  return kMembers;
}
template <>
const std::vector<Member<Refractor>>& members() {
  static const std::vector<Member<Refractor>> kMembers{
      SOLARCHON_MEMBER(Refractor, aperture_mm, 1.0, 1500.0, false, kRequired),
      SOLARCHON_MEMBER(Refractor, focal_length_mm, 10.0, 20000.0, false, kRequired)};
  return kMembers;
}
template <>
const std::vector<Member<Amplifier>>& members() {
  static const std::vector<Member<Amplifier>> kMembers{
      SOLARCHON_MEMBER(Amplifier, factor, 1.0, 10.0, false, kRequired)};
  return kMembers;
}
template <>
const std::vector<Member<Reducer>>& members() {
  static const std::vector<Member<Reducer>> kMembers{
      SOLARCHON_MEMBER(Reducer, factor, 0.1, 1.0, false, kRequired)};
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
      SOLARCHON_MEMBER(Camera, width_px, 16, 20000, true, kRequired),
      SOLARCHON_MEMBER(Camera, height_px, 16, 20000, true, kRequired),
      SOLARCHON_MEMBER(Camera, pixel_um, 0.5, 50.0, false, kRequired),
      SOLARCHON_MEMBER(Camera, bits, 8, 16, true, kRequired),
      SOLARCHON_MEMBER(Camera, full_well_e, 100.0, 1e6, false, 10000.0),
      SOLARCHON_MEMBER(Camera, read_noise_e, 0.0, 1000.0, false, 2.5),
      SOLARCHON_MEMBER(Camera, peak_quantum_efficiency, 0.01, 1.0, false, 0.65),
      SOLARCHON_MEMBER(Camera, shortest_exposure_ms, 0.0001, 10000.0, false, 0.02),
      SOLARCHON_MEMBER(Camera, longest_exposure_ms, 0.001, 3.6e6, false, 60000.0),
      SOLARCHON_MEMBER(Camera, rotation_deg, -360.0, 360.0, false, 0.0)};
  return kMembers;
}
#undef SOLARCHON_MEMBER

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
    const std::string id = "part-" + std::to_string(number);
    const bool taken = std::any_of(rig.elements.begin(), rig.elements.end(),
                                   [&](const Element& element) { return element.id == id; });
    if (!taken) {
      return id;
    }
  }
}

}  // namespace solarchon::optics
