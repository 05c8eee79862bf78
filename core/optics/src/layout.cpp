// SPDX-License-Identifier: GPL-3.0-or-later
#include "layout.h"

#include <algorithm>
#include <cmath>

#include "overloaded.h"

namespace solarchon::optics {

namespace {

constexpr double kFrontStandoffMm = 60.0;  // how far a front cell sits before the lens
constexpr double kEyeReliefMm = 15.0;
constexpr double kLeastFactor = 0.05;  // a reducer near its own focal length makes no image

/// What a lens multiplies the focal length by, with the image so far behind it. A factor at its
/// floor means that there is no such image.
double factor_at(const Part& part, double image_distance_mm) {
  return std::visit(Overloaded{[&](const Amplifier& lens) {
                                 return lens.focal_length_mm > 0.0
                                            ? 1.0 + image_distance_mm / lens.focal_length_mm
                                            : lens.factor;
                               },
                               [&](const Reducer& lens) {
                                 return lens.focal_length_mm > 0.0
                                            ? std::max(kLeastFactor, 1.0 - image_distance_mm /
                                                                               lens.focal_length_mm)
                                            : lens.factor;
                               },
                               [](const RearEtalon& etalon) { return etalon.telecentric_factor; },
                               [](const auto&) { return 1.0; }},
                    part);
}

bool bends(const Part& part) {
  return std::holds_alternative<Amplifier>(part) || std::holds_alternative<Reducer>(part) ||
         std::holds_alternative<RearEtalon>(part);
}

bool forms_the_image(const Part& part) {
  return std::holds_alternative<Camera>(part) || std::holds_alternative<PhotoCamera>(part) ||
         std::holds_alternative<Eyepiece>(part);
}

/// The part in which the telescope's image lies: the first sensor or eyepiece, else the last part.
std::size_t image_passage(const Rig& rig, std::size_t telescope,
                          const std::vector<Passage>& passages) {
  for (std::size_t i = 0; i < passages.size(); ++i) {
    const std::size_t element = passages[i].element;
    if (element > telescope && forms_the_image(rig.elements[element].part)) {
      return i;
    }
  }
  return passages.size() - 1;
}

/// Places worked backwards from the image. A lens scales what is left of the way to it.
void place_parts(const Rig& rig, std::size_t telescope, std::size_t image_at,
                 double telescope_focal_length_mm, std::vector<Passage>& passages, Layout& layout) {
  double from_image_mm = 0.0;
  double to_focus_mm = 0.0;
  for (std::size_t i = image_at + 1; i-- > 0;) {
    Passage& passage = passages[i];
    if (passage.element <= telescope) {
      break;
    }
    const Element& element = rig.elements[passage.element];
    if (std::holds_alternative<InnerEtalon>(element.part)) {
      continue;  // it takes no room behind the tube
    }
    from_image_mm += element.length_mm;
    to_focus_mm += element.length_mm;
    if (bends(element.part)) {
      passage.factor = factor_at(element.part, to_focus_mm);
      if (*passage.factor <= kLeastFactor) {
        layout.impossible_spacing = passage.element;
      }
      layout.focal_length_mm *= *passage.factor;
      to_focus_mm /= *passage.factor;
    }
    passage.position_mm = -from_image_mm;
  }
  layout.needed_back_mm = to_focus_mm;
  const double image_mm = std::max(0.0, telescope_focal_length_mm - to_focus_mm) + from_image_mm;
  layout.image_mm = image_mm;
  double behind_mm = image_mm;
  for (std::size_t i = 0; i < passages.size(); ++i) {
    Passage& passage = passages[i];
    if (passage.element == telescope) {
      passage.position_mm = 0.0;
    } else if (passage.element < telescope) {
      passage.position_mm = -kFrontStandoffMm;
    } else if (const auto* inner = std::get_if<InnerEtalon>(&rig.elements[passage.element].part);
               inner != nullptr && i <= image_at) {
      passage.position_mm =
          std::max(0.0, telescope_focal_length_mm - inner->collimator_focal_length_mm);
    } else if (i <= image_at) {
      passage.position_mm += image_mm;
    } else {
      const auto* screen = std::get_if<ProjectionScreen>(&rig.elements[passage.element].part);
      behind_mm += screen != nullptr ? screen->distance_mm : kEyeReliefMm;
      passage.position_mm = behind_mm;
    }
  }
}

/// Behind an eyepiece the light goes through the exit pupil and spreads by the magnified angle.
void widen_behind(const Rig& rig, double aperture_mm, double semidiameter_rad,
                  double focal_length_mm, const Passage& eyepiece, Passage& passage) {
  const auto* lens = std::get_if<Eyepiece>(&rig.elements[eyepiece.element].part);
  if (lens == nullptr) {
    passage.beam_width_mm = eyepiece.beam_width_mm;
    return;
  }
  const double magnification = focal_length_mm / lens->focal_length_mm;
  const double distance_mm = passage.position_mm - eyepiece.position_mm;
  constexpr double kMostAngle = 1.5;  // radians
  passage.axis_radius_mm = 0.5 * aperture_mm / magnification;
  passage.limb_offset_mm =
      std::holds_alternative<ProjectionScreen>(rig.elements[passage.element].part)
          ? distance_mm * std::tan(std::min(kMostAngle, semidiameter_rad * magnification))
          : 0.0;
  passage.beam_width_mm = 2.0 * (passage.axis_radius_mm + passage.limb_offset_mm);
}

/// Widths by two paraxial rays: the one from the rim of the lens to the middle of the image, and
/// the one from the middle of the lens to its rim. A lens that multiplies the focal length by k
/// divides the slope of the first by k.
void trace_widths(const Rig& rig, std::size_t telescope, std::size_t image_at, double aperture_mm,
                  double telescope_focal_length_mm, double semidiameter_rad, const Layout& layout,
                  std::vector<Passage>& passages) {
  double rim_mm = 0.5 * aperture_mm;
  double rim_slope = -rim_mm / telescope_focal_length_mm;
  double field_mm = 0.0;
  double field_slope = std::tan(semidiameter_rad);
  double reached_mm = 0.0;
  double focal_length_mm = telescope_focal_length_mm;
  for (std::size_t i = 0; i < passages.size(); ++i) {
    Passage& passage = passages[i];
    if (passage.element <= telescope) {
      continue;
    }
    if (i > image_at) {
      widen_behind(rig, aperture_mm, semidiameter_rad, layout.focal_length_mm, passages[image_at],
                   passage);
      continue;
    }
    const double step_mm = passage.position_mm - reached_mm;
    rim_mm += rim_slope * step_mm;
    field_mm += field_slope * step_mm;
    reached_mm = passage.position_mm;
    passage.axis_radius_mm = std::abs(rim_mm);
    passage.limb_offset_mm = std::abs(field_mm);
    passage.beam_width_mm = 2.0 * (passage.axis_radius_mm + passage.limb_offset_mm);
    constexpr double kAtFocusMm = 1e-6;  // a lens in the focus itself bends neither ray
    if (passage.factor && std::abs(rim_mm) > kAtFocusMm) {
      const double power = rim_slope * (1.0 - 1.0 / *passage.factor) / rim_mm;
      rim_slope -= power * rim_mm;
      field_slope -= power * field_mm;
    }
    focal_length_mm *= passage.factor.value_or(1.0);
    passage.image_mm = 2.0 * focal_length_mm * std::tan(semidiameter_rad);
  }
}

}  // namespace

std::optional<double> rear_opening_mm(const Part& part) {
  const double width_mm =
      std::visit(Overloaded{[](const Diagonal& kind) { return kind.clear_aperture_mm; },
                            [](const Wedge& kind) { return kind.clear_aperture_mm; },
                            [](const RearEtalon& kind) { return kind.clear_aperture_mm; },
                            [](const BlockingFilter& kind) { return kind.clear_aperture_mm; },
                            [](const Amplifier& kind) { return kind.clear_aperture_mm; },
                            [](const Reducer& kind) { return kind.clear_aperture_mm; },
                            [](const Extension& kind) { return kind.clear_aperture_mm; },
                            [](const Eyepiece& kind) { return kind.field_stop_mm; },
                            [](const auto&) { return 0.0; }},
                 part);
  return width_mm > 0.0 ? std::optional(width_mm) : std::nullopt;
}

Layout lay_out(const Rig& rig, std::size_t telescope, double aperture_mm, double semidiameter_rad,
               std::vector<Passage>& passages) {
  const double focal_length_mm = std::get<Telescope>(rig.elements[telescope].part).focal_length_mm;
  Layout layout;
  layout.focal_length_mm = focal_length_mm;
  const std::size_t image_at = image_passage(rig, telescope, passages);
  layout.telescope_focal_length_mm = focal_length_mm;
  place_parts(rig, telescope, image_at, focal_length_mm, passages, layout);
  if (const auto& tube = std::get<Telescope>(rig.elements[telescope].part);
      tube.mirror_factor > 0.0 && tube.back_focus_mm > 0.0) {
    // Where the image lies does not depend on the focal length: a second look is exact.
    constexpr double kLeast = 0.5;
    const double grown_mm = tube.mirror_factor * (layout.needed_back_mm - tube.back_focus_mm);
    const double longer_mm = std::max(kLeast * focal_length_mm, focal_length_mm + grown_mm);
    layout = {};
    layout.focal_length_mm = longer_mm;
    layout.telescope_focal_length_mm = longer_mm;
    place_parts(rig, telescope, image_at, longer_mm, passages, layout);
  }
  trace_widths(rig, telescope, image_at, aperture_mm, layout.telescope_focal_length_mm,
               semidiameter_rad, layout, passages);
  return layout;
}

}  // namespace solarchon::optics
