// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/train.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::optics {

using base::kArcsecPerRad;
using base::kPi;
using base::kRadPerArcsec;

namespace {

constexpr double kGlassTransmission = 0.98;  // a coated doublet
constexpr double kMirrorReflection = 0.95;   // enhanced aluminium
constexpr double kFilmStandoffMm = 60.0;     // how far a film cell sits before the lens

template <class... Cases>
struct Overloaded : Cases... {
  using Cases::operator()...;
};
template <class... Cases>
Overloaded(Cases...) -> Overloaded<Cases...>;

double disc_area_m2(double diameter_mm) { return kPi * diameter_mm * diameter_mm / 4e6; }

/// Share of the arriving light that goes on.
double transmission_of(const Part& part) {
  return std::visit(
      Overloaded{[](const FrontFilm& film) { return std::pow(10.0, -film.optical_density); },
                 [](const Refractor&) { return kGlassTransmission; },
                 [](const Amplifier&) { return kGlassTransmission; },
                 [](const Reducer&) { return kGlassTransmission; },
                 [](const Diagonal&) { return kMirrorReflection; },
                 [](const Camera&) { return 0.0; }},
      part);
}

double factor_of(const Part& part) {
  if (const auto* amplifier = std::get_if<Amplifier>(&part)) {
    return amplifier->factor;
  }
  if (const auto* reducer = std::get_if<Reducer>(&part)) {
    return reducer->factor;
  }
  return 1.0;
}

/// Places of the parts behind the telescope, worked backwards from the focus at the camera (or the
/// last part). An amplifier or reducer scales what is left of the way to the focus.
void place_parts(const Rig& rig, std::size_t telescope, double focal_length_mm,
                 std::vector<Passage>& passages) {
  double from_sensor_mm = 0.0;
  double to_focus_mm = 0.0;
  for (auto passage = passages.rbegin(); passage != passages.rend() && passage->element > telescope;
       ++passage) {
    const Element& element = rig.elements[passage->element];
    from_sensor_mm += element.length_mm;
    to_focus_mm = (to_focus_mm + element.length_mm) / factor_of(element.part);
    passage->position_mm = -from_sensor_mm;
  }
  const double sensor_mm = std::max(0.0, focal_length_mm - to_focus_mm) + from_sensor_mm;
  for (Passage& passage : passages) {
    if (passage.element > telescope) {
      passage.position_mm += sensor_mm;
    } else {
      passage.position_mm = passage.element == telescope ? 0.0 : -kFilmStandoffMm;
    }
  }
}

/// Widths of the light that heads for the image of the Sun, by two paraxial rays: the one from the
/// rim of the lens to the middle of the image, and the one from the middle of the lens to its rim.
/// A lens that multiplies the focal length by k divides the slope of the first by k.
void trace_widths(const Rig& rig, std::size_t telescope, double aperture_mm, double focal_length_mm,
                  double semidiameter_rad, std::vector<Passage>& passages) {
  double rim_mm = 0.5 * aperture_mm;
  double rim_slope = -rim_mm / focal_length_mm;
  double field_mm = 0.0;
  double field_slope = std::tan(semidiameter_rad);
  double reached_mm = 0.0;
  for (Passage& passage : passages) {
    if (passage.element <= telescope) {
      continue;
    }
    const double step_mm = passage.position_mm - reached_mm;
    rim_mm += rim_slope * step_mm;
    field_mm += field_slope * step_mm;
    reached_mm = passage.position_mm;
    passage.beam_width_mm = 2.0 * (std::abs(rim_mm) + std::abs(field_mm));
    const double factor = factor_of(rig.elements[passage.element].part);
    constexpr double kAtFocusMm = 1e-6;  // a lens in the focus itself bends neither ray
    if (factor != 1.0 && std::abs(rim_mm) > kAtFocusMm) {
      const double power = rim_slope * (1.0 - 1.0 / factor) / rim_mm;
      rim_slope -= power * rim_mm;
      field_slope -= power * field_mm;
    }
  }
}

/// Power at each part. Light that passes beside a film too small for the lens goes on undimmed.
void follow_heat(const Rig& rig, double opening_mm, std::vector<Passage>& passages) {
  double power_w = kSunlightWM2 * disc_area_m2(opening_mm);
  double around_w = 0.0;
  for (Passage& passage : passages) {
    const Part& part = rig.elements[passage.element].part;
    if (const auto* film = std::get_if<FrontFilm>(&part); film != nullptr && around_w == 0.0) {
      const double covered =
          std::min(1.0, disc_area_m2(film->clear_aperture_mm) / disc_area_m2(opening_mm));
      around_w = power_w * (1.0 - covered);
      power_w *= covered;
    } else {
      power_w += around_w;
      around_w = 0.0;
    }
    passage.arriving_w = power_w;
    passage.passed_w = power_w * transmission_of(part);
    const double area_cm2 = disc_area_m2(passage.beam_width_mm) * 1e4;
    passage.irradiance_w_cm2 = area_cm2 > 0.0 ? passage.arriving_w / area_cm2 : 0.0;
    power_w = passage.passed_w;
  }
}

void add_focal_figures(Train& train, double focal_length_mm, double semidiameter_arcsec,
                       double wavelength_nm) {
  const double wavelength_mm = wavelength_nm * 1e-6;
  const double ratio = focal_length_mm / train.aperture_mm;
  train.effective_focal_length_mm = focal_length_mm;
  train.focal_ratio = ratio;
  train.solar_image_mm = 2.0 * focal_length_mm * std::tan(semidiameter_arcsec * kRadPerArcsec);
  train.diffraction_cutoff_arcsec = wavelength_mm / train.aperture_mm * kArcsecPerRad;
  train.airy_radius_arcsec = 1.22 * *train.diffraction_cutoff_arcsec;
  train.depth_of_focus_um = 2.0 * wavelength_nm * 1e-3 * ratio * ratio;
}

void add_sensor_figures(Train& train, const Camera& camera, double wavelength_nm) {
  const double focal_length_mm = *train.effective_focal_length_mm;
  const double pixel_mm = camera.pixel_um * 1e-3;
  const auto field_arcmin = [&](int pixels) {
    return 2.0 * std::atan(pixels * pixel_mm / (2.0 * focal_length_mm)) * kArcsecPerRad / 60.0;
  };
  train.sampling_arcsec_px = pixel_mm / focal_length_mm * kArcsecPerRad;
  train.sampling_px_per_cutoff = *train.diffraction_cutoff_arcsec / *train.sampling_arcsec_px;
  train.critical_focal_ratio = 2.0 * camera.pixel_um / (wavelength_nm * 1e-3);
  train.field_width_arcmin = field_arcmin(camera.width_px);
  train.field_height_arcmin = field_arcmin(camera.height_px);
  train.disc_fits = *train.solar_image_mm <= pixel_mm * std::min(camera.width_px, camera.height_px);
}

}  // namespace

Train follow_light(const Rig& rig, double semidiameter_arcsec, double wavelength_nm) {
  Train train;
  const auto telescope = find_fitted<Refractor>(rig);
  const auto camera = find_fitted<Camera>(rig);
  double opening_mm = 0.0;
  double lens_focal_length_mm = 0.0;
  double focal_length_mm = 0.0;
  if (telescope) {
    const auto& lens = std::get<Refractor>(rig.elements[*telescope].part);
    opening_mm = lens.aperture_mm;
    train.aperture_mm = lens.aperture_mm;
    lens_focal_length_mm = focal_length_mm = lens.focal_length_mm;
    train.half_turn = true;
  }
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    const Element& element = rig.elements[i];
    if (!element.fitted) {
      continue;
    }
    const auto* film = std::get_if<FrontFilm>(&element.part);
    if (film != nullptr && !telescope) {
      opening_mm = std::max(opening_mm, film->clear_aperture_mm);
    }
    if (film != nullptr && telescope && i < *telescope) {
      train.aperture_mm = std::min(train.aperture_mm, film->clear_aperture_mm);
    }
    train.passages.push_back({.element = i,
                              .beam_width_mm = film != nullptr
                                                   ? std::min(film->clear_aperture_mm, opening_mm)
                                                   : opening_mm});
    if (std::holds_alternative<Camera>(element.part)) {
      break;
    }
    train.transmission *= transmission_of(element.part);
    train.mirrors += std::holds_alternative<Diagonal>(element.part) ? 1 : 0;
    if (telescope && i > *telescope) {
      focal_length_mm *= factor_of(element.part);
    }
  }
  if (telescope) {
    add_focal_figures(train, focal_length_mm, semidiameter_arcsec, wavelength_nm);
    place_parts(rig, *telescope, lens_focal_length_mm, train.passages);
    trace_widths(rig, *telescope, train.aperture_mm, lens_focal_length_mm,
                 semidiameter_arcsec * kRadPerArcsec, train.passages);
    if (camera && *camera > *telescope) {
      add_sensor_figures(train, std::get<Camera>(rig.elements[*camera].part), wavelength_nm);
    }
  }
  follow_heat(rig, opening_mm, train.passages);
  return train;
}

sky::PictureOrientation picture_orientation(const Rig& rig, const Train& train) {
  sky::PictureOrientation orientation;
  double turn_deg = train.half_turn ? 180.0 : 0.0;
  // A diagonal stands upright: each mirror flips the picture top to bottom, which is a mirror
  // image left to right turned by 180 degrees.
  turn_deg += 180.0 * train.mirrors;
  if (const auto camera = find_fitted<Camera>(rig)) {
    // Turning the camera clockwise turns the picture in it the other way.
    turn_deg -= std::get<Camera>(rig.elements[*camera].part).rotation_deg;
  }
  orientation.north_deg = base::wrap_360(turn_deg);
  orientation.mirrored = train.mirrored();
  return orientation;
}

}  // namespace solarchon::optics
