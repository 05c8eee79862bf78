// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/parameters.h"

#include <algorithm>
#include <array>
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
template <typename Kind>
using Members = std::vector<Member<Kind>>;

template <typename Owner, typename Value>
Owner owner_of(Value Owner::*);

/// A row for one data member, such as `row<&Camera::bits>({"bits", Form::kWhole, {8, 16}, 12})`.
template <auto Pointer, typename Kind = decltype(owner_of(Pointer))>
Member<Kind> row(Parameter parameter) {
  using Value = std::remove_reference_t<decltype(std::declval<Kind&>().*Pointer)>;
  return {std::move(parameter), [](const Kind& part) { return static_cast<double>(part.*Pointer); },
          [](Kind& part, double value) {
            if constexpr (std::is_same_v<Value, bool>) {
              part.*Pointer = value != 0.0;
            } else if constexpr (std::is_enum_v<Value>) {
              part.*Pointer = static_cast<Value>(static_cast<int>(value));
            } else {
              part.*Pointer = static_cast<Value>(value);
            }
          }};
}

template <auto Pointer>
auto number(std::string_view key, base::Range range, double fallback = kRequired) {
  return row<Pointer>({key, Form::kNumber, range, fallback});
}
template <auto Pointer>
auto whole(std::string_view key, base::Range range, double fallback = kRequired) {
  return row<Pointer>({key, Form::kWhole, range, fallback});
}
template <auto Pointer>
auto flag(std::string_view key, bool fallback) {
  return row<Pointer>({key, Form::kFlag, {0.0, 1.0}, fallback ? 1.0 : 0.0});
}
template <auto Pointer>
auto choice(std::string_view key, std::vector<std::string> words) {
  const double last = static_cast<double>(words.size()) - 1.0;
  return row<Pointer>({key, Form::kChoice, {0.0, last}, 0.0, std::move(words)});
}
template <auto Pointer>
auto clear_aperture() {
  return number<Pointer>("clear_aperture_mm", {0.0, 2000.0}, 0.0);
}

constexpr base::Range kDensity{0.0, 9.0};
constexpr base::Range kWidthMm{1.0, 2000.0};
constexpr base::Range kShare{0.0, 1.0};
constexpr base::Range kAngstrom{0.05, 50.0};
constexpr base::Range kNm{200.0, 3000.0};
constexpr base::Range kIndex{1.0, 3.0};
constexpr base::Range kPixels{16, 20000};
constexpr base::Range kRate{0.1, 10000.0};
constexpr base::Range kFullWell{0.0, 1e6};

/// The members of each kind: one row a property, for files, editors and range checks.
template <typename Kind>
const Members<Kind>& members();

template <>
const Members<FrontFilm>& members() {
  using K = FrontFilm;
  static const Members<K> kMembers{number<&K::optical_density>("optical_density", kDensity),
                                   number<&K::clear_aperture_mm>("clear_aperture_mm", kWidthMm),
                                   // Nothing is certified by silence.
                                   flag<&K::certified>("certified", false),
                                   choice<&K::material>("material", {"film", "glass"}),
                                   flag<&K::quick_release>("quick_release", true)};
  return kMembers;
}
template <>
const Members<EnergyFilter>& members() {
  using K = EnergyFilter;
  static const Members<K> kMembers{
      number<&K::clear_aperture_mm>("clear_aperture_mm", kWidthMm),
      number<&K::pass_from_nm>("pass_from_nm", kNm, 620.0),
      number<&K::pass_to_nm>("pass_to_nm", kNm, 720.0),
      number<&K::peak_transmission>("peak_transmission", kShare, 0.90)};
  return kMembers;
}
template <>
const Members<ApertureMask>& members() {
  using K = ApertureMask;
  static const Members<K> kMembers{number<&K::opening_mm>("opening_mm", kWidthMm),
                                   flag<&K::off_axis>("off_axis", false)};
  return kMembers;
}
template <>
const Members<FrontEtalon>& members() {
  using K = FrontEtalon;
  static const Members<K> kMembers{
      number<&K::clear_aperture_mm>("clear_aperture_mm", kWidthMm),
      number<&K::bandwidth_angstrom>("bandwidth_angstrom", kAngstrom),
      flag<&K::double_stacked>("double_stacked", false),
      flag<&K::own_rejection>("own_rejection", false),
      choice<&K::tuning>("tuning", {"tilt", "pressure"}),
      number<&K::refractive_index>("refractive_index", kIndex, 1.0),
      number<&K::peak_transmission>("peak_transmission", kShare, 0.60)};
  return kMembers;
}
template <>
const Members<Telescope>& members() {
  using K = Telescope;
  static const Members<K> kMembers{
      number<&K::aperture_mm>("aperture_mm", {1.0, 1500.0}),
      number<&K::focal_length_mm>("focal_length_mm", {10.0, 20000.0}),
      choice<&K::design>("design", {"doublet", "triplet", "rear-group", "newtonian", "schmidt",
                                    "maksutov", "camera-lens", "binocular"}),
      number<&K::obstruction>("obstruction", {0.0, 0.9}, 0.0),
      number<&K::back_focus_mm>("back_focus_mm", {0.0, 2000.0}, 0.0),
      number<&K::focuser_travel_mm>("focuser_travel_mm", {0.0, 1000.0}, 0.0),
      number<&K::mirror_factor>("mirror_factor", {0.0, 20.0}, 0.0)};
  return kMembers;
}
template <>
const Members<InnerEtalon>& members() {
  using K = InnerEtalon;
  static const Members<K> kMembers{
      number<&K::clear_aperture_mm>("clear_aperture_mm", kWidthMm),
      number<&K::bandwidth_angstrom>("bandwidth_angstrom", kAngstrom),
      number<&K::collimator_focal_length_mm>("collimator_focal_length_mm", {5.0, 5000.0}, 200.0),
      flag<&K::own_rejection>("own_rejection", false),
      row<&K::tuning>({"tuning", Form::kChoice, {0.0, 1.0}, 1.0, {"tilt", "pressure"}}),
      number<&K::refractive_index>("refractive_index", kIndex, 1.0),
      number<&K::peak_transmission>("peak_transmission", kShare, 0.60)};
  return kMembers;
}
template <>
const Members<Diagonal>& members() {
  using K = Diagonal;
  static const Members<K> kMembers{choice<&K::kind>("reflector", {"mirror", "prism"}),
                                   clear_aperture<&K::clear_aperture_mm>()};
  return kMembers;
}
template <>
const Members<Wedge>& members() {
  using K = Wedge;
  static const Members<K> kMembers{
      number<&K::rated_aperture_mm>("rated_aperture_mm", kWidthMm),
      number<&K::built_in_density>("built_in_density", kDensity, 0.0),
      number<&K::reflected_share>("reflected_share", {0.01, 0.1}, 0.046),
      choice<&K::heat_port>("heat_port", {"trap", "open"}),
      flag<&K::plastic_near_port>("plastic_near_port", false),
      flag<&K::person_behind_port>("person_behind_port", false),
      clear_aperture<&K::clear_aperture_mm>()};
  return kMembers;
}
template <>
const Members<CutFilter>& members() {
  using K = CutFilter;
  static const Members<K> kMembers{
      number<&K::peak_transmission>("peak_transmission", kShare, 0.95)};
  return kMembers;
}
template <>
const Members<NeutralDensity>& members() {
  using K = NeutralDensity;
  static const Members<K> kMembers{number<&K::optical_density>("optical_density", kDensity)};
  return kMembers;
}
template <>
const Members<BandFilter>& members() {
  using K = BandFilter;
  static const Members<K> kMembers{
      number<&K::centre_nm>("centre_nm", kNm), number<&K::width_nm>("width_nm", {0.1, 500.0}),
      number<&K::peak_transmission>("peak_transmission", kShare, 0.85)};
  return kMembers;
}
template <>
const Members<Polariser>& members() {
  using K = Polariser;
  static const Members<K> kMembers{
      number<&K::crossing_deg>("crossing_deg", {0.0, 90.0}, 0.0),
      number<&K::open_transmission>("open_transmission", kShare, 0.40),
      number<&K::least_transmission>("least_transmission", kShare, 1e-4)};
  return kMembers;
}
template <>
const Members<RearEtalon>& members() {
  using K = RearEtalon;
  static const Members<K> kMembers{
      number<&K::bandwidth_angstrom>("bandwidth_angstrom", kAngstrom),
      number<&K::telecentric_factor>("telecentric_factor", {1.0, 10.0}, 4.3),
      number<&K::from_focal_ratio>("from_focal_ratio", {1.0, 100.0}, 4.0),
      number<&K::to_focal_ratio>("to_focal_ratio", {1.0, 100.0}, 9.0),
      number<&K::rejection_above_mm>("rejection_above_mm", {0.0, 1000.0}, 0.0),
      number<&K::clear_aperture_mm>("clear_aperture_mm", {0.0, 2000.0}, 20.0),
      number<&K::refractive_index>("refractive_index", kIndex, 1.58),
      number<&K::peak_transmission>("peak_transmission", kShare, 0.04),
      number<&K::tuning_range_angstrom>("tuning_range_angstrom", {0.0, 10.0}, 0.5),
      number<&K::tuning_step_angstrom>("tuning_step_angstrom", {0.01, 5.0}, 0.1),
      number<&K::warm_up_min>("warm_up_min", {0.0, 120.0}, 10.0),
      number<&K::heater_w>("heater_w", {0.0, 200.0}, 7.5),
      number<&K::heater_v>("heater_v", {1.0, 60.0}, 5.0)};
  return kMembers;
}
template <>
const Members<BlockingFilter>& members() {
  using K = BlockingFilter;
  static const Members<K> kMembers{
      number<&K::clear_aperture_mm>("clear_aperture_mm", kWidthMm),
      number<&K::width_angstrom>("width_angstrom", {0.5, 100.0}, 6.0),
      number<&K::peak_transmission>("peak_transmission", kShare, 0.50)};
  return kMembers;
}
template <>
const Members<Amplifier>& members() {
  using K = Amplifier;
  static const Members<K> kMembers{
      number<&K::factor>("factor", {1.0, 10.0}),
      number<&K::focal_length_mm>("lens_focal_length_mm", {0.0, 5000.0}, 0.0),
      clear_aperture<&K::clear_aperture_mm>()};
  return kMembers;
}
template <>
const Members<Reducer>& members() {
  using K = Reducer;
  static const Members<K> kMembers{
      number<&K::factor>("factor", {0.1, 1.0}),
      number<&K::focal_length_mm>("lens_focal_length_mm", {0.0, 5000.0}, 0.0),
      clear_aperture<&K::clear_aperture_mm>()};
  return kMembers;
}
template <>
const Members<Extension>& members() {
  using K = Extension;
  static const Members<K> kMembers{clear_aperture<&K::clear_aperture_mm>()};
  return kMembers;
}
template <>
const Members<TiltAdapter>& members() {
  using K = TiltAdapter;
  static const Members<K> kMembers{number<&K::tilt_deg>("tilt_deg", {0.0, 15.0})};
  return kMembers;
}
template <>
const Members<EyepieceFilter>& members() {
  using K = EyepieceFilter;
  static const Members<K> kMembers{number<&K::optical_density>("optical_density", kDensity)};
  return kMembers;
}
template <>
const Members<Eyepiece>& members() {
  using K = Eyepiece;
  static const Members<K> kMembers{
      number<&K::focal_length_mm>("focal_length_mm", {1.0, 100.0}),
      number<&K::apparent_field_deg>("apparent_field_deg", {10.0, 120.0}, 50.0),
      number<&K::field_stop_mm>("field_stop_mm", {0.0, 100.0}, 0.0),
      // What nobody vouches for is taken as cemented: it must not be used to project.
      row<&K::build>(
          {"build", Form::kChoice, {0.0, 2.0}, 1.0, {"uncemented", "cemented", "plastic"}})};
  return kMembers;
}
template <>
const Members<ProjectionScreen>& members() {
  using K = ProjectionScreen;
  static const Members<K> kMembers{number<&K::distance_mm>("distance_mm", {10.0, 10000.0}),
                                   flag<&K::people_between>("people_between", false),
                                   flag<&K::boxed_in>("boxed_in", false)};
  return kMembers;
}
template <>
const Members<Camera>& members() {
  using K = Camera;
  static const Members<K> kMembers{
      whole<&K::width_px>("width_px", kPixels),
      whole<&K::height_px>("height_px", kPixels),
      number<&K::pixel_um>("pixel_um", {0.5, 50.0}),
      whole<&K::bits>("bits", {8, 16}),
      flag<&K::colour>("colour", false),
      number<&K::full_well_e>("full_well_e", kFullWell, 0.0),
      number<&K::read_noise_e>("read_noise_e", {0.0, 1000.0}, 2.5),
      number<&K::peak_quantum_efficiency>("peak_quantum_efficiency", {0.01, 1.0}, 0.65),
      number<&K::shortest_exposure_ms>("shortest_exposure_ms", {0.0001, 10000.0}, 0.02),
      number<&K::longest_exposure_ms>("longest_exposure_ms", {0.001, 3.6e6}, 60000.0),
      number<&K::rotation_deg>("rotation_deg", {-360.0, 360.0}, 0.0),
      choice<&K::shutter>("shutter", {"global", "rolling"}),
      number<&K::frame_rate_hz>("frame_rate_hz", kRate, 55.0),
      number<&K::interface_mb_s>("interface_mb_s", {0.1, 100000.0}, 350.0)};
  return kMembers;
}
template <>
const Members<PhotoCamera>& members() {
  using K = PhotoCamera;
  static const Members<K> kMembers{
      whole<&K::width_px>("width_px", kPixels), whole<&K::height_px>("height_px", kPixels),
      number<&K::pixel_um>("pixel_um", {0.5, 50.0}), whole<&K::bits>("bits", {8, 16}, 14),
      number<&K::iso>("iso", {25.0, 409600.0}, 100.0),
      // A viewfinder that nobody describes may lead to an eye.
      row<&K::viewfinder>(
          {"viewfinder", Form::kChoice, {0.0, 2.0}, 2.0, {"none", "electronic", "optical"}}),
      row<&K::files>({"files", Form::kChoice, {0.0, 2.0}, 0.0, {"raw", "jpeg", "raw-and-jpeg"}}),
      number<&K::full_well_e>("full_well_e", kFullWell, 0.0),
      number<&K::read_noise_e>("read_noise_e", {0.0, 1000.0}, 3.0),
      number<&K::peak_quantum_efficiency>("peak_quantum_efficiency", {0.01, 1.0}, 0.50),
      number<&K::shortest_exposure_ms>("shortest_exposure_ms", {0.0001, 10000.0}, 0.25),
      number<&K::longest_exposure_ms>("longest_exposure_ms", {0.001, 3.6e6}, 30000.0),
      number<&K::rotation_deg>("rotation_deg", {-360.0, 360.0}, 0.0),
      number<&K::frame_rate_hz>("frame_rate_hz", kRate, 8.0)};
  return kMembers;
}
template <>
const Members<Phone>& members() {
  using K = Phone;
  static const Members<K> kMembers{
      number<&K::lens_focal_length_mm>("lens_focal_length_mm", {1.0, 200.0}),
      whole<&K::width_px>("width_px", kPixels),
      whole<&K::height_px>("height_px", kPixels),
      number<&K::pixel_um>("pixel_um", {0.5, 50.0}),
      number<&K::pupil_mm>("pupil_mm", {0.5, 50.0}, 2.8),
      flag<&K::holder>("holder", false),
      whole<&K::bits>("bits", {8, 16}, 8),
      number<&K::full_well_e>("full_well_e", kFullWell, 0.0),
      number<&K::read_noise_e>("read_noise_e", {0.0, 1000.0}, 2.0),
      number<&K::peak_quantum_efficiency>("peak_quantum_efficiency", {0.01, 1.0}, 0.60),
      number<&K::shortest_exposure_ms>("shortest_exposure_ms", {0.0001, 10000.0}, 0.05),
      number<&K::longest_exposure_ms>("longest_exposure_ms", {0.001, 3.6e6}, 250.0),
      number<&K::rotation_deg>("rotation_deg", {-360.0, 360.0}, 0.0)};
  return kMembers;
}
template <>
const Members<Finder>& members() {
  using K = Finder;
  static const Members<K> kMembers{choice<&K::kind>("finder", {"optical", "pinhole"}),
                                   flag<&K::capped>("capped", false)};
  return kMembers;
}
template <>
const Members<PowerSupply>& members() {
  using K = PowerSupply;
  static const Members<K> kMembers{number<&K::volts>("volts", {1.0, 60.0}),
                                   number<&K::watts>("watts", {0.1, 5000.0}),
                                   number<&K::watt_hours>("watt_hours", {0.0, 100000.0}, 0.0)};
  return kMembers;
}
template <>
const Members<UnknownPart>& members() {
  static const Members<UnknownPart> kMembers{};
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

constexpr std::size_t kKnownKinds = std::variant_size_v<Part> - 1;

struct KindRow {
  std::string_view word;
  Zone zone;
};

/// In the order of the alternatives of Part.
constexpr std::array<KindRow, kKnownKinds> kKindRows{
    {{"front-film", Zone::kFront},      {"energy-filter", Zone::kFront},
     {"aperture-mask", Zone::kFront},   {"front-etalon", Zone::kFront},
     {"telescope", Zone::kTelescope},   {"inner-etalon", Zone::kRear},
     {"diagonal", Zone::kRear},         {"wedge", Zone::kRear},
     {"cut-filter", Zone::kRear},       {"neutral-density", Zone::kRear},
     {"band-filter", Zone::kRear},      {"polariser", Zone::kRear},
     {"rear-etalon", Zone::kRear},      {"blocking-filter", Zone::kRear},
     {"amplifier", Zone::kRear},        {"reducer", Zone::kRear},
     {"extension", Zone::kRear},        {"tilt-adapter", Zone::kRear},
     {"eyepiece-filter", Zone::kRear},  {"eyepiece", Zone::kEnd},
     {"projection-screen", Zone::kEnd}, {"camera", Zone::kEnd},
     {"photo-camera", Zone::kEnd},      {"phone", Zone::kEnd},
     {"finder", Zone::kBeside},         {"power-supply", Zone::kBeside}}};

template <std::size_t... Indices>
Part part_at(std::size_t index, std::index_sequence<Indices...> /*all*/) {
  using Make = Part (*)();
  static constexpr std::array<Make, sizeof...(Indices)> kMakers{
      [] { return Part(std::in_place_index<Indices>); }...};
  return kMakers.at(index)();
}

}  // namespace

std::string_view kind_of(const Part& part) {
  if (const auto* unknown = std::get_if<UnknownPart>(&part)) {
    return unknown->kind;
  }
  return kKindRows.at(part.index()).word;
}

const std::vector<std::string>& kinds() {
  static const std::vector<std::string> kWords = [] {
    std::vector<std::string> list;
    list.reserve(kKindRows.size());
    for (const KindRow& kind : kKindRows) {
      list.emplace_back(kind.word);
    }
    return list;
  }();
  return kWords;
}

std::optional<Part> part_of_kind(std::string_view kind) {
  const auto found = std::find_if(kKindRows.begin(), kKindRows.end(),
                                  [&](const KindRow& candidate) { return candidate.word == kind; });
  if (found == kKindRows.end()) {
    return std::nullopt;
  }
  return part_at(static_cast<std::size_t>(found - kKindRows.begin()),
                 std::make_index_sequence<kKnownKinds>());
}

Zone zone_of(const Part& part) {
  return part.index() < kKnownKinds ? kKindRows.at(part.index()).zone : Zone::kUnknown;
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

}  // namespace solarchon::optics
