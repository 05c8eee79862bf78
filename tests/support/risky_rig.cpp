// SPDX-License-Identifier: GPL-3.0-or-later
#include "tests/support/risky_rig.h"

#include <cmath>
#include <utility>
#include <vector>

namespace solarchon::test {

namespace {

using optics::Part;

/// Draws one of some values.
template <typename Value, std::size_t Count>
Value one_of(base::Random& random, const Value (&values)[Count]) {
  return values[random.below(Count)];
}

bool chance(base::Random& random, double share) { return random.uniform() < share; }

Part any_telescope(base::Random& random) {
  optics::Telescope tube;
  tube.aperture_mm = one_of(random, {40.0, 60.0, 80.0, 100.0, 102.0, 120.0, 150.0, 152.0, 200.0});
  tube.focal_length_mm = tube.aperture_mm * random.uniform(4.0, 14.0);
  tube.design = chance(random, 0.75) ? optics::TelescopeDesign::kDoublet
                                     : static_cast<optics::TelescopeDesign>(random.below(8));
  tube.obstruction = tube.design == optics::TelescopeDesign::kNewtonian ? 0.3 : 0.0;
  return tube;
}

Part any_front(base::Random& random, double aperture_mm) {
  const double width_mm = aperture_mm + one_of(random, {-10.0, 0.0, 4.0, 4.0, 4.0});
  switch (random.below(6)) {
    case 0:
      return optics::EnergyFilter{.clear_aperture_mm = width_mm,
                                  .pass_to_nm = one_of(random, {720.0, 900.0, 1500.0, 400.0})};
    case 1:
      return optics::ApertureMask{.opening_mm = one_of(random, {40.0, 60.0, 80.0})};
    case 2:
      return optics::FrontEtalon{.clear_aperture_mm = width_mm,
                                 .own_rejection = chance(random, 0.8)};
    default:
      return optics::FrontFilm{.optical_density = one_of(random, {5.0, 5.0, 4.0, 3.8, 3.0, 1.2}),
                               .clear_aperture_mm = width_mm,
                               .certified = chance(random, 0.9)};
  }
}

Part any_wedge(base::Random& random) {
  return optics::Wedge{.rated_aperture_mm = one_of(random, {100.0, 150.0, 125.0}),
                       .reflected_share = one_of(random, {0.046, 0.046, 0.04, 0.06, 0.1}),
                       .built_in_density = one_of(random, {0.0, 0.0, 0.6, 1.8, 3.0, 3.0}),
                       .heat_port = static_cast<optics::HeatPort>(random.below(2)),
                       .plastic_near_port = chance(random, 0.1),
                       .person_behind_port = chance(random, 0.1)};
}

Part any_glass(base::Random& random) {
  switch (random.below(12)) {
    case 0:
      return optics::CutFilter{};
    case 1:
    case 2:
      return optics::NeutralDensity{one_of(random, {0.6, 0.9, 1.8, 3.0})};
    case 3:
      return optics::BandFilter{one_of(random, {540.0, 395.0, 656.0}), random.uniform(0.5, 60.0)};
    case 4:
      return optics::Polariser{.crossing_deg = one_of(random, {0.0, 60.0, 90.0})};
    case 5:
      return optics::Amplifier{.factor = one_of(random, {1.5, 2.0, 3.0}),
                               .focal_length_mm = one_of(random, {0.0, 82.0})};
    case 6:
      return optics::Reducer{.factor = 0.5, .focal_length_mm = one_of(random, {0.0, 101.0})};
    case 7:
      return optics::BlockingFilter{one_of(random, {6.0, 10.0, 15.0})};
    case 8:
      return optics::RearEtalon{};
    case 9:
      return optics::InnerEtalon{.own_rejection = chance(random, 0.8)};
    case 10:
      return optics::Diagonal{static_cast<optics::DiagonalKind>(random.below(2))};
    default:
      return optics::EyepieceFilter{};
  }
}

Part any_eyepiece(base::Random& random) {
  return optics::Eyepiece{.focal_length_mm = one_of(random, {6.0, 12.5, 20.0, 32.0}),
                          .build = static_cast<optics::EyepieceBuild>(random.below(3))};
}

Part any_end(base::Random& random) {
  switch (random.below(5)) {
    case 0:
      return any_eyepiece(random);
    case 1:
      return optics::ProjectionScreen{.people_between = chance(random, 0.3)};
    case 2:
      return optics::PhotoCamera{.viewfinder = static_cast<optics::Viewfinder>(random.below(3))};
    case 3:
      return optics::Phone{.holder = chance(random, 0.8)};
    default:
      return optics::Camera{};
  }
}

}  // namespace

optics::Rig risky_rig(base::Random& random) {
  optics::Rig rig;
  const auto add = [&](Part part, double length_mm) {
    optics::Element element;
    element.id = optics::fresh_id(rig);
    element.fitted = chance(random, 0.95);
    element.length_mm = length_mm;
    element.part = std::move(part);
    rig.elements.push_back(std::move(element));
  };
  const Part tube = any_telescope(random);
  for (std::size_t i = random.below(3); i > 0; --i) {
    add(any_front(random, std::get<optics::Telescope>(tube).aperture_mm), 0.0);
  }
  if (chance(random, 0.97)) {
    add(tube, 0.0);
  }
  for (std::size_t i = random.below(3); i > 0; --i) {
    add(any_glass(random), random.uniform(0.0, 60.0));
  }
  if (chance(random, 0.6)) {
    add(any_wedge(random), random.uniform(40.0, 120.0));
  }
  for (std::size_t i = random.below(3); i > 0; --i) {
    add(any_glass(random), random.uniform(0.0, 60.0));
  }
  const Part end = any_end(random);
  const bool through_eyepiece = std::holds_alternative<optics::Phone>(end) ||
                                std::holds_alternative<optics::ProjectionScreen>(end);
  if (chance(random, through_eyepiece ? 0.9 : 0.1)) {
    add(any_eyepiece(random), random.uniform(0.0, 20.0));
  }
  if (chance(random, 0.95)) {
    add(end, random.uniform(0.0, 80.0));
  }
  // A third of all paths have a part or two in the wrong place.
  if (rig.elements.size() > 1 && chance(random, 0.33)) {
    for (std::size_t i = 1 + random.below(2); i > 0; --i) {
      std::swap(rig.elements[random.below(rig.elements.size())],
                rig.elements[random.below(rig.elements.size())]);
    }
  }
  return rig;
}

}  // namespace solarchon::test
