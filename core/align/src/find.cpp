// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/align/find.h"

#include <algorithm>
#include <cmath>
#include <tuple>

#include "solarchon/base/angle.h"
#include "solarchon/optics/train.h"

namespace solarchon::align {

namespace {

constexpr double kArcminPerRad = base::kArcminPerDeg * base::kDegPerRad;

/// What is seen through an eyepiece, or falls on the whole width of the sensor (arcmin).
std::optional<double> field_of(const optics::Train& train) {
  if (train.look) {
    return train.look->true_field_deg * base::kArcminPerDeg;
  }
  if (train.field_width_arcmin && train.field_height_arcmin) {
    const double sensor = std::min(*train.field_width_arcmin, *train.field_height_arcmin);
    return train.vignetting ? std::min(sensor, train.vignetting->field_arcmin) : sensor;
  }
  return std::nullopt;
}

/// The rig with its amplifiers laid aside; none where it has none.
std::optional<optics::Rig> without_amplifiers(const optics::Rig& rig, Start& start) {
  optics::Rig wider = rig;
  bool any = false;
  for (optics::Element& element : wider.elements) {
    if (element.fitted && std::holds_alternative<optics::Amplifier>(element.part)) {
      element.fitted = false;
      start.part = any ? start.part : element.name;
      start.part_id = any ? start.part_id : element.id;
      any = true;
    }
  }
  return any ? std::optional(std::move(wider)) : std::nullopt;
}

/// The rig with an eyepiece in the place of whatever ends the light.
optics::Rig with_eyepiece(const optics::Rig& rig, const optics::Element& eyepiece) {
  optics::Rig changed;
  changed.name = rig.name;
  for (const optics::Element& element : rig.elements) {
    if (optics::zone_of(element.part) != optics::Zone::kEnd) {
      changed.elements.push_back(element);
    }
  }
  optics::Element fitted = eyepiece;
  fitted.id = optics::fresh_id(changed);
  fitted.fitted = true;
  const std::size_t place = optics::usual_place(changed, fitted.part);
  changed.elements.insert(changed.elements.begin() + static_cast<std::ptrdiff_t>(place),
                          std::move(fitted));
  return changed;
}

/// Every eyepiece that could be taken: of the rig, then of the kit, each once.
std::vector<optics::Element> eyepieces_of(const optics::Rig& rig,
                                          const std::vector<optics::Element>& kit) {
  std::vector<optics::Element> found;
  for (const auto* list : {&rig.elements, &kit}) {
    for (const optics::Element& element : *list) {
      const auto* eyepiece = std::get_if<optics::Eyepiece>(&element.part);
      const bool known = std::any_of(found.begin(), found.end(), [&](const optics::Element& other) {
        return other.name == element.name && other.part == element.part;
      });
      if (eyepiece != nullptr && !known) {
        found.push_back(element);
      }
    }
  }
  return found;
}

}  // namespace

std::optional<double> usual_tube_mm(const optics::Rig& rig) {
  const auto place = optics::find_fitted<optics::Telescope>(rig);
  if (!place) {
    return std::nullopt;
  }
  constexpr double kFolded = 0.25;
  const auto& telescope = std::get<optics::Telescope>(rig.elements[*place].part);
  const bool folded = telescope.design == optics::TelescopeDesign::kSchmidt ||
                      telescope.design == optics::TelescopeDesign::kMaksutov;
  return std::clamp(telescope.focal_length_mm * (folded ? kFolded : 1.0), kTubeRange.low,
                    kTubeRange.high);
}

double shadow_accuracy_arcmin(double tube_mm) { return kShadowStepMm / tube_mm * kArcminPerRad; }

std::vector<Start> starts_of(const optics::Rig& rig, const std::vector<optics::Element>& kit,
                             double accuracy_arcmin, double semidiameter_arcsec,
                             const safety::Practice& practice) {
  std::vector<Start> starts;
  const auto consider = [&](Start start, const optics::Rig& changed) {
    const optics::Train train = optics::follow_light(changed, semidiameter_arcsec);
    const bool refused =
        safety::assess(changed, train, practice).verdict == safety::Severity::kStop;
    if (const auto field = field_of(train); field && !refused) {
      start.field_arcmin = *field;
      start.enough = *field >= 2.0 * accuracy_arcmin;
      starts.push_back(std::move(start));
    }
    return !refused;
  };
  if (!consider({}, rig)) {
    return {};
  }
  if (Start start{StartKind::kWithoutAmplifier};
      const auto wider = without_amplifiers(rig, start)) {
    consider(std::move(start), *wider);
  }
  for (const optics::Element& eyepiece : eyepieces_of(rig, kit)) {
    const optics::Rig changed = with_eyepiece(rig, eyepiece);
    if (changed != rig) {
      consider({StartKind::kEyepiece, eyepiece.name, eyepiece.id}, changed);
    }
  }
  // Kinds stand in the order of how much they change; of eyepieces the strongest that is enough.
  const auto least =
      std::min_element(starts.begin(), starts.end(), [](const Start& a, const Start& b) {
        return std::tuple(!a.enough, a.kind, a.field_arcmin) <
               std::tuple(!b.enough, b.kind, b.field_arcmin);
      });
  const auto by_field = [](const Start& a, const Start& b) {
    return a.field_arcmin > b.field_arcmin;
  };
  if (least != starts.end() && least->enough) {
    std::rotate(starts.begin(), least, least + 1);
    std::stable_sort(starts.begin() + 1, starts.end(), by_field);
  } else {
    std::stable_sort(starts.begin(), starts.end(), by_field);
  }
  return starts;
}

}  // namespace solarchon::align
