// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/train.h"

#include <algorithm>
#include <cmath>
#include <tuple>

#include "layout.h"
#include "overloaded.h"
#include "solarchon/base/angle.h"
#include "spectrum.h"

namespace solarchon::optics {

using base::kArcsecPerDeg;
using base::kArcsecPerRad;
using base::kPi;
using base::kRadPerArcsec;

namespace {

double disc_area_m2(double diameter_mm) { return kPi * diameter_mm * diameter_mm / 4e6; }

/// Width of a filter in front of the telescope; none for what does not filter.
std::optional<double> front_opening_mm(const Part& part) {
  return std::visit(
      Overloaded{[](const FrontFilm& film) { return std::optional(film.clear_aperture_mm); },
                 [](const EnergyFilter& filter) { return std::optional(filter.clear_aperture_mm); },
                 [](const FrontEtalon& etalon) { return std::optional(etalon.clear_aperture_mm); },
                 [](const auto&) { return std::optional<double>(); }},
      part);
}

/// What the front parts leave open.
struct Opening {
  double telescope_mm = 0.0;  ///< where light can enter at all: lens and masks
  double image_mm = 0.0;      ///< where light enters that every filter covers
  double obstruction_mm = 0.0;
};

Opening opening_of(const Rig& rig, std::optional<std::size_t> telescope) {
  Opening opening;
  bool off_axis = false;
  if (telescope) {
    const auto& tube = std::get<Telescope>(rig.elements[*telescope].part);
    opening = {tube.aperture_mm, tube.aperture_mm, tube.obstruction * tube.aperture_mm};
    for (std::size_t i = *telescope; i < rig.elements.size(); ++i) {
      const auto* inner = std::get_if<InnerEtalon>(&rig.elements[i].part);
      if (inner != nullptr && rig.elements[i].fitted) {
        opening.image_mm =
            std::min(opening.image_mm, inner->clear_aperture_mm * tube.focal_length_mm /
                                           inner->collimator_focal_length_mm);
      }
    }
  }
  for (std::size_t i = 0; i < telescope.value_or(rig.elements.size()); ++i) {
    const Element& element = rig.elements[i];
    if (!element.fitted) {
      continue;
    }
    const auto* mask = std::get_if<ApertureMask>(&element.part);
    if (mask != nullptr && telescope) {
      opening.telescope_mm = std::min(opening.telescope_mm, mask->opening_mm);
      opening.image_mm = std::min(opening.image_mm, mask->opening_mm);
      off_axis = off_axis || mask->off_axis;
    }
    if (const auto width_mm = front_opening_mm(element.part)) {
      opening.image_mm =
          telescope ? std::min(opening.image_mm, *width_mm) : std::max(opening.image_mm, *width_mm);
    }
  }
  if (!telescope) {
    opening.telescope_mm = opening.image_mm;
  }
  if (off_axis) {
    opening.obstruction_mm = 0.0;
  }
  return opening;
}

std::vector<Passage> passages_of(const Rig& rig, std::optional<std::size_t> telescope,
                                 const Opening& opening) {
  const auto end = end_of_light(rig);
  std::vector<Passage> passages;
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const Element& element = rig.elements[i];
    if (!element.fitted || zone_of(element.part) == Zone::kBeside) {
      continue;
    }
    const bool in_front = !telescope || i < *telescope;
    const double own_mm = in_front ? front_opening_mm(element.part).value_or(opening.telescope_mm)
                                   : opening.telescope_mm;
    passages.push_back({.element = i, .beam_width_mm = std::min(own_mm, opening.telescope_mm)});
    if (i == end) {
      break;
    }
  }
  return passages;
}

/// A part of the wrong side of the telescope: it dims nothing.
bool misplaced(const Part& part, bool in_front) {
  const Zone zone = zone_of(part);
  return in_front && (zone == Zone::kRear || zone == Zone::kEnd);
}

/// Power at each part. Light that passes beside a filter too small for the opening goes on
/// undimmed.
void follow_heat(const Rig& rig, std::optional<std::size_t> telescope, const Opening& opening,
                 Train& train) {
  const auto end = end_of_light(rig);
  const double sunlight_w = kSunlightWM2 * disc_area_m2(opening.telescope_mm);
  Light light;
  Light around(0.0);
  for (Passage& passage : train.passages) {
    const Part& part = rig.elements[passage.element].part;
    const bool in_front = !telescope || passage.element < *telescope;
    light.add(around);
    around = Light(0.0);
    const auto width_mm = in_front ? front_opening_mm(part) : std::nullopt;
    if (width_mm && *width_mm < opening.telescope_mm) {
      const double covered = disc_area_m2(*width_mm) / disc_area_m2(opening.telescope_mm);
      around = light;
      around.scale(1.0 - covered);
      light.scale(covered);
    }
    if (telescope && passage.element == *telescope && opening.telescope_mm > 0.0) {
      // A small opening may stand before the secondary or beside it: no more is counted as dark
      // than the secondary's share of the whole aperture.
      const double dark =
          opening.obstruction_mm > 0.0 ? std::get<Telescope>(part).obstruction : 0.0;
      light.scale(1.0 - dark * dark);
    }
    passage.energy_share = light.energy();
    passage.arriving_w = sunlight_w * passage.energy_share;
    if (passage.element == end) {
      train.energy_share = light.energy();
      train.luminous_share = light.luminous();
    }
    if (!telescope || !misplaced(part, in_front)) {
      light.pass(passing_of(part));
    }
    passage.passed_w = sunlight_w * light.energy();
    const double area_cm2 = disc_area_m2(passage.beam_width_mm) * 1e4;
    passage.irradiance_w_cm2 = area_cm2 > 0.0 ? passage.arriving_w / area_cm2 : 0.0;
  }
  light.add(around);
  if (!end) {
    train.energy_share = light.energy();
    train.luminous_share = light.luminous();
  }
}

/// The eyepiece behind the telescope, when there is one.
const Eyepiece* eyepiece_of(const Rig& rig, std::size_t telescope, const Train& train) {
  for (const Passage& passage : train.passages) {
    const auto* eyepiece = std::get_if<Eyepiece>(&rig.elements[passage.element].part);
    if (eyepiece != nullptr && passage.element > telescope) {
      return eyepiece;
    }
  }
  return nullptr;
}

/// The sensor meets the Sun's image, wherever its housing begins. Behind an eyepiece without a lens
/// of its own it may meet the exit pupil, and a phone takes in what its pupil lets through.
void concentrate_on_sensor(const Rig& rig, std::size_t telescope, double telescope_image_mm,
                           Train& train) {
  const auto sensor = sensor_of(rig);
  if (!sensor || train.passages.empty() || train.passages.back().element != sensor->element) {
    return;
  }
  Passage& last = train.passages.back();
  double width_mm = train.solar_image_mm.value_or(telescope_image_mm);
  double share = 1.0;
  const Eyepiece* eyepiece = eyepiece_of(rig, telescope, train);
  if (eyepiece != nullptr && train.look) {
    const double pupil_mm = train.look->exit_pupil_mm;
    const auto* phone = std::get_if<Phone>(&rig.elements[sensor->element].part);
    if (phone == nullptr) {
      width_mm = std::min(telescope_image_mm, pupil_mm);
    } else {
      const double taken = std::min(1.0, phone->pupil_mm / pupil_mm);
      share = taken * taken;
    }
  }
  const double area_cm2 = disc_area_m2(width_mm) * 1e4;
  last.irradiance_w_cm2 = area_cm2 > 0.0 ? last.arriving_w * share / area_cm2 : 0.0;
}

/// Narrows the image's colours by each filter.
Band band_of(const Rig& rig, const std::vector<Passage>& passages,
             const std::optional<EtalonFigures>& etalon) {
  Band band;
  for (const Passage& passage : passages) {
    const Part& part = rig.elements[passage.element].part;
    if (const auto* blocking = std::get_if<BlockingFilter>(&part)) {
      band.line = true;
      band.width_nm = blocking->width_angstrom * kNmPerAngstrom;
    } else if (const auto* narrow = std::get_if<BandFilter>(&part)) {
      if (!band.line && (!band.width_nm || narrow->width_nm < *band.width_nm)) {
        band.width_nm = narrow->width_nm;
        band.wavelength_nm = narrow->centre_nm;
      }
    } else if (std::holds_alternative<EnergyFilter>(part) ||
               std::holds_alternative<CutFilter>(part)) {
      const Passing passing = passing_of(part);
      band.from_nm = std::max(band.from_nm, passing.from_nm);
      band.to_nm = std::min(band.to_nm, passing.to_nm);
    }
  }
  if (etalon) {
    band.line = true;
    band.width_nm = etalon->bandwidth_angstrom * kNmPerAngstrom;
  }
  if (band.line) {
    band.wavelength_nm = kHydrogenAlphaNm;
  } else if (!band.width_nm &&
             (band.wavelength_nm < band.from_nm || band.wavelength_nm > band.to_nm) &&
             band.to_nm > band.from_nm) {
    band.wavelength_nm = 0.5 * (band.from_nm + band.to_nm);
  }
  return band;
}

/// An open gap that is tuned by tilt follows the weather; a solid one holds no air.
bool follows_the_air(double refractive_index, Tuning tuning) {
  constexpr double kOpenGap = 1.01;
  return refractive_index < kOpenGap && tuning == Tuning::kTilt;
}

/// @param focal_length_mm  of the telescope alone; 0 without one
std::optional<EtalonFigures> etalon_of(const Rig& rig, const Train& train, double focal_length_mm,
                                       double semidiameter_rad, double pressure_hpa,
                                       std::vector<double>& passes) {
  EtalonFigures figures;
  for (const Passage& passage : train.passages) {
    const Part& part = rig.elements[passage.element].part;
    if (const auto* front = std::get_if<FrontEtalon>(&part)) {
      passes.insert(passes.end(), front->double_stacked ? 2 : 1, front->bandwidth_angstrom);
      figures.limb_shift_angstrom =
          std::min(figures.limb_shift_angstrom,
                   oblique_shift_angstrom(semidiameter_rad, front->refractive_index));
      if (follows_the_air(front->refractive_index, front->tuning)) {
        figures.pressure_shift_angstrom = pressure_shift_angstrom(pressure_hpa);
      }
    } else if (const auto* inner = std::get_if<InnerEtalon>(&part)) {
      passes.push_back(inner->bandwidth_angstrom);
      const double field_rad = focal_length_mm > 0.0 ? semidiameter_rad * focal_length_mm /
                                                           inner->collimator_focal_length_mm
                                                     : semidiameter_rad;
      figures.limb_shift_angstrom = std::min(
          figures.limb_shift_angstrom, oblique_shift_angstrom(field_rad, inner->refractive_index));
      if (follows_the_air(inner->refractive_index, inner->tuning)) {
        figures.pressure_shift_angstrom = pressure_shift_angstrom(pressure_hpa);
      }
    } else if (const auto* rear = std::get_if<RearEtalon>(&part)) {
      figures.focal_ratio =
          train.aperture_mm > 0.0 && passage.image_mm > 0.0
              ? passage.image_mm / (2.0 * std::tan(semidiameter_rad)) / train.aperture_mm
              : 0.0;
      passes.push_back(
          figures.focal_ratio > 0.0
              ? in_cone(rear->bandwidth_angstrom, figures.focal_ratio, rear->refractive_index)
                    .bandwidth_angstrom
              : rear->bandwidth_angstrom);
    }
  }
  if (passes.empty()) {
    return std::nullopt;
  }
  figures.bandwidth_angstrom = passes.front();
  for (std::size_t i = 1; i < passes.size(); ++i) {
    figures.bandwidth_angstrom = stacked_bandwidth_angstrom(figures.bandwidth_angstrom, passes[i]);
  }
  return figures;
}

void add_focal_figures(Train& train, double focal_length_mm, double semidiameter_arcsec) {
  const double wavelength_mm = train.band.wavelength_nm * 1e-6;
  const double ratio = focal_length_mm / train.aperture_mm;
  train.effective_focal_length_mm = focal_length_mm;
  train.focal_ratio = ratio;
  train.solar_image_mm = 2.0 * focal_length_mm * std::tan(semidiameter_arcsec * kRadPerArcsec);
  train.diffraction_cutoff_arcsec = wavelength_mm / train.aperture_mm * kArcsecPerRad;
  train.airy_radius_arcsec = 1.22 * *train.diffraction_cutoff_arcsec;
  train.depth_of_focus_um = 2.0 * train.band.wavelength_nm * 1e-3 * ratio * ratio;
}

void add_sensor_figures(const Rig& rig, Train& train, const Camera& camera) {
  const double focal_length_mm = *train.effective_focal_length_mm;
  const double pixel_mm = camera.pixel_um * 1e-3;
  const auto field_arcmin = [&](int pixels) {
    return 2.0 * std::atan(pixels * pixel_mm / (2.0 * focal_length_mm)) * kArcsecPerRad / 60.0;
  };
  train.sampling_arcsec_px = pixel_mm / focal_length_mm * kArcsecPerRad;
  train.sampling_px_per_cutoff = *train.diffraction_cutoff_arcsec / *train.sampling_arcsec_px;
  train.critical_focal_ratio = 2.0 * camera.pixel_um / (train.band.wavelength_nm * 1e-3);
  train.field_width_arcmin = field_arcmin(camera.width_px);
  train.field_height_arcmin = field_arcmin(camera.height_px);
  train.disc_fits = *train.solar_image_mm <= pixel_mm * std::min(camera.width_px, camera.height_px);
  constexpr double kWidestThatInterferesNm = 1.0;  // wider light interferes over microns only
  if (train.band.width_nm && *train.band.width_nm <= kWidestThatInterferesNm) {
    double tilt_deg = 0.0;
    for (const Passage& passage : train.passages) {
      const auto* adapter = std::get_if<TiltAdapter>(&rig.elements[passage.element].part);
      tilt_deg += adapter != nullptr ? adapter->tilt_deg : 0.0;
    }
    train.fringes = fringes_of(tilt_deg, *train.focal_ratio, camera.pixel_um,
                               pixel_mm * std::max(camera.width_px, camera.height_px),
                               train.band.wavelength_nm);
  }
}

/// Radius of the light for the middle of the disc at the rear face of a part before the image.
double at_rear_face(const Rig& rig, const Passage& passage, double image_mm) {
  const double left_mm = image_mm - passage.position_mm;
  const double length_mm = rig.elements[passage.element].length_mm;
  return left_mm > length_mm ? passage.axis_radius_mm * (1.0 - length_mm / left_mm) : 0.0;
}

/// Radius of the light for the middle of the disc just behind a rear etalon's amplifier: that of
/// the slow cone which it makes.
double behind_amplifier(const Passage& passage, double aperture_mm, double image_mm,
                        double semidiameter_arcsec) {
  const double focal_length_mm =
      0.5 * passage.image_mm / std::tan(semidiameter_arcsec * kRadPerArcsec);
  const double left_mm = std::max(0.0, image_mm - passage.position_mm);
  return focal_length_mm > 0.0 ? 0.5 * aperture_mm * left_mm / focal_length_mm : 0.0;
}

/// The tightest opening behind the telescope, and the blocking filter's margin: the field that it
/// leaves, which its glass at the rear of its housing decides.
/// @param image_mm  where the image lies along the axis
void add_openings(const Rig& rig, Train& train, double image_mm, double semidiameter_arcsec) {
  const double to_corner =
      train.field_width_arcmin
          ? 30.0 * std::hypot(*train.field_width_arcmin, *train.field_height_arcmin) /
                semidiameter_arcsec
          : 0.0;
  for (const Passage& passage : train.passages) {
    const Part& part = rig.elements[passage.element].part;
    const auto width_mm = rear_opening_mm(part);
    // A rear etalon stands behind its own amplifier, where the light for each point of the image is
    // parallel to the axis and already as far from it as in the image.
    const bool telecentric = std::holds_alternative<RearEtalon>(part);
    const double offset_mm = telecentric ? 0.5 * passage.image_mm : passage.limb_offset_mm;
    if (!width_mm || offset_mm <= 0.0) {
      continue;
    }
    if (std::holds_alternative<BlockingFilter>(part)) {
      const double margin_mm = *width_mm - 2.0 * offset_mm;
      train.blocking_margin_mm = std::min(train.blocking_margin_mm.value_or(margin_mm), margin_mm);
    }
    const double radius_mm = 0.5 * *width_mm;
    const double axis_radius_mm =
        std::holds_alternative<BlockingFilter>(part) ? at_rear_face(rig, passage, image_mm)
        : telecentric ? behind_amplifier(passage, train.aperture_mm, image_mm, semidiameter_arcsec)
                      : passage.axis_radius_mm;
    const double field_arcmin = 2.0 * semidiameter_arcsec / 60.0 * radius_mm / offset_mm;
    const Vignetting here{passed_share(axis_radius_mm, offset_mm, radius_mm),
                          passed_share(axis_radius_mm, offset_mm * to_corner, radius_mm),
                          field_arcmin, passage.element};
    if (!train.vignetting) {
      train.vignetting = here;
      continue;
    }
    const double narrowest = std::min(train.vignetting->field_arcmin, field_arcmin);
    const double corner = std::min(train.vignetting->corner_share, here.corner_share);
    if (std::tie(here.limb_share, here.field_arcmin) <
        std::tie(train.vignetting->limb_share, train.vignetting->field_arcmin)) {
      train.vignetting = here;
    }
    train.vignetting->field_arcmin = narrowest;
    train.vignetting->corner_share = corner;
  }
}

void add_focus(const Telescope& telescope, double needed_mm, Train& train) {
  if (telescope.focuser_travel_mm <= 0.0) {
    return;
  }
  const double racked_out_mm = telescope.back_focus_mm - needed_mm;
  train.focus =
      Focus{needed_mm, racked_out_mm, racked_out_mm, telescope.focuser_travel_mm - racked_out_mm};
}

std::optional<Supply> supply_of(const Rig& rig) {
  Supply supply;
  std::optional<double> volts;
  for (const Element& element : rig.elements) {
    if (const auto* etalon = std::get_if<RearEtalon>(&element.part); etalon && element.fitted) {
      supply.needed_w += etalon->heater_w;
      volts = etalon->heater_v;
    }
  }
  if (!volts || supply.needed_w <= 0.0) {
    return std::nullopt;
  }
  for (const Element& element : rig.elements) {
    const auto* source = std::get_if<PowerSupply>(&element.part);
    if (source == nullptr || !element.fitted) {
      continue;
    }
    supply.listed = true;
    constexpr double kVoltTolerance = 0.1;
    if (std::abs(source->volts - *volts) <= kVoltTolerance * *volts) {
      supply.offered_w = std::max(supply.offered_w, source->watts);
    } else {
      supply.wrong_voltage = true;
    }
  }
  supply.wrong_voltage = supply.wrong_voltage && supply.offered_w <= 0.0;
  return supply;
}

/// Focal length, look and sensor, once the parts stand in their places.
void add_image_figures(const Rig& rig, std::size_t telescope, double focal_length_mm,
                       double semidiameter_arcsec, Train& train) {
  const Eyepiece* eyepiece = eyepiece_of(rig, telescope, train);
  if (eyepiece != nullptr) {
    train.look = through_eyepiece(*eyepiece, focal_length_mm, train.aperture_mm, train.obstruction,
                                  semidiameter_arcsec);
  }
  const auto sensor = sensor_of(rig);
  const bool seen = sensor && sensor->element > telescope;
  const auto* phone = seen ? std::get_if<Phone>(&rig.elements[sensor->element].part) : nullptr;
  if (phone != nullptr && eyepiece != nullptr) {
    focal_length_mm *= phone->lens_focal_length_mm / eyepiece->focal_length_mm;
    // A pupil smaller than the light at the eyepiece takes its middle, where the shadow of the
    // secondary stands: that covers a larger share of what is taken.
    const double taken_mm =
        std::min(train.aperture_mm, phone->pupil_mm * train.look->magnification);
    constexpr double kAllDark = 0.99;
    train.obstruction = std::min(kAllDark, train.obstruction * train.aperture_mm / taken_mm);
    train.aperture_mm = taken_mm;
  }
  add_focal_figures(train, focal_length_mm, semidiameter_arcsec);
  if (seen && (phone == nullptr || eyepiece != nullptr)) {
    add_sensor_figures(rig, train, sensor->camera);
  }
}

}  // namespace

Train follow_light(const Rig& rig, double semidiameter_arcsec, double pressure_hpa) {
  Train train;
  const auto telescope = find_fitted<Telescope>(rig);
  const Opening opening = opening_of(rig, telescope);
  const double semidiameter_rad = semidiameter_arcsec * kRadPerArcsec;
  train.passages = passages_of(rig, telescope, opening);
  std::optional<Layout> layout;
  double telescope_focal_length_mm = 0.0;
  if (telescope) {
    const auto& tube = std::get<Telescope>(rig.elements[*telescope].part);
    train.aperture_mm = opening.image_mm;
    train.obstruction = std::min(0.99, opening.obstruction_mm / opening.image_mm);
    train.half_turn = tube.design != TelescopeDesign::kBinocular;
    layout = lay_out(rig, *telescope, train.aperture_mm, semidiameter_rad, train.passages);
    telescope_focal_length_mm = layout->telescope_focal_length_mm;
    train.impossible_spacing = layout->impossible_spacing;
    add_focus(tube, layout->needed_back_mm, train);
  }
  LineBand line;
  train.etalon = etalon_of(rig, train, telescope_focal_length_mm, semidiameter_rad, pressure_hpa,
                           line.passes_angstrom);
  train.band = band_of(rig, train.passages, train.etalon);
  if (train.band.line) {
    if (const auto blocking = find_fitted<BlockingFilter>(rig)) {
      line.blocking_angstrom =
          std::get<BlockingFilter>(rig.elements[*blocking].part).width_angstrom;
    }
    train.line = line;
  }
  const auto end = end_of_light(rig);
  double from_nm = 0.0;
  double to_nm = 1e6;
  for (Passage& passage : train.passages) {
    const Part& part = rig.elements[passage.element].part;
    const Passing passing = passing_of(part);
    passage.passes_from_nm = from_nm = std::max(from_nm, passing.from_nm);
    passage.passes_to_nm = to_nm = std::min(to_nm, passing.to_nm);
    if (passage.element != end) {
      train.transmission *= image_transmission(part, train.band.wavelength_nm);
    }
    train.mirrors +=
        std::holds_alternative<Diagonal>(part) || std::holds_alternative<Wedge>(part) ? 1 : 0;
  }
  if (telescope) {
    add_image_figures(rig, *telescope, layout->focal_length_mm, semidiameter_arcsec, train);
    add_openings(rig, train, layout->image_mm, semidiameter_arcsec);
    if (train.look && train.vignetting) {
      constexpr double kArcminPerDeg = 60.0;
      train.look->true_field_deg =
          std::min(train.look->true_field_deg, train.vignetting->field_arcmin / kArcminPerDeg);
      train.look->whole_disc_seen =
          train.look->true_field_deg >= 2.0 * semidiameter_arcsec / kArcsecPerDeg;
    }
  }
  follow_heat(rig, telescope, opening, train);
  if (telescope) {
    concentrate_on_sensor(rig, *telescope,
                          2.0 * layout->focal_length_mm * std::tan(semidiameter_rad), train);
  }
  train.supply = supply_of(rig);
  train.joints = joints_of(rig);
  return train;
}

std::optional<double> measured_focal_length_mm(const Rig& rig, double scale_arcsec_px) {
  const auto telescope = find_fitted<Telescope>(rig);
  if (!telescope || scale_arcsec_px <= 0.0) {
    return std::nullopt;
  }
  constexpr double kMostApart = 1.0 / 3.0;
  constexpr double kUsualSemidiameter = 960.0;
  constexpr int kRounds = 8;  // a moved mirror's share stays: each round is some times nearer
  Rig scaled = rig;
  auto& tube = std::get<Telescope>(scaled.elements[*telescope].part);
  const double given_mm = tube.focal_length_mm;
  for (int round = 0; round < kRounds; ++round) {
    const Train train = follow_light(scaled, kUsualSemidiameter);
    if (!train.sampling_arcsec_px) {
      return std::nullopt;
    }
    tube.focal_length_mm *= *train.sampling_arcsec_px / scale_arcsec_px;
    if (std::abs(tube.focal_length_mm / given_mm - 1.0) > kMostApart) {
      return std::nullopt;
    }
  }
  return tube.focal_length_mm;
}

sky::PictureOrientation picture_orientation(const Rig& rig, const Train& train) {
  sky::PictureOrientation orientation;
  double turn_deg = train.half_turn ? 180.0 : 0.0;
  // A diagonal stands upright: each mirror flips the picture top to bottom, which is a mirror
  // image left to right turned by 180 degrees.
  turn_deg += 180.0 * train.mirrors;
  if (const auto sensor = sensor_of(rig)) {
    // Turning the camera clockwise turns the picture in it the other way.
    turn_deg -= sensor->camera.rotation_deg;
    // The lens of a phone turns the picture of the eyepiece once more.
    turn_deg += sensor->eyepiece_lens_mm ? 180.0 : 0.0;
  }
  orientation.north_deg = base::wrap_360(turn_deg);
  orientation.mirrored = train.mirrored();
  return orientation;
}

}  // namespace solarchon::optics
