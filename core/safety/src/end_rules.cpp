// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include "questions.h"

namespace solarchon::safety {

namespace {

using optics::Eyepiece;
using optics::PhotoCamera;
using optics::ProjectionScreen;
using optics::Receiver;
using optics::TelescopeDesign;

const double kMostForAnEye = std::pow(10.0, -kLeastEyeDensity);

Objections eyepiece_filter(const Case& at) { return each(fitted<optics::EyepieceFilter>(at.rig)); }

Objections too_bright_for_an_eye(const Case& at) {
  const auto eyepieces = behind<Eyepiece>(at.rig);
  const bool objects =
      eye_looks(at.rig) && !eyepieces.empty() && eye_share(at.train) > kMostForAnEye;
  return objects ? when(true, eyepieces.back(),
                        {{-std::log10(eye_share(at.train)), base::Unit::kOpticalDensity},
                         {kLeastEyeDensity, base::Unit::kOpticalDensity}})
                 : Objections{};
}

Objections optical_viewfinder(const Case& at) {
  Objections objections;
  for (const std::size_t place : behind<PhotoCamera>(at.rig)) {
    if (part_at<PhotoCamera>(at.rig, place).viewfinder == optics::Viewfinder::kOptical &&
        eye_share(at.train) > kMostForAnEye) {
      objections.push_back({place});
    }
  }
  return objections;
}

Objections at_the_sensor(const optics::Passage& last) {
  return {{last.element, {{last.irradiance_w_cm2, base::Unit::kWattPerCm2}}}};
}

/// Heat at the sensor, when a sensor ends the path.
std::optional<optics::Passage> sensor_passage(const Case& at) {
  if (optics::receiver_of(at.rig) != Receiver::kSensor || at.train.passages.empty()) {
    return std::nullopt;
  }
  return at.train.passages.back();
}

Objections sensor_heat(const Case& at) {
  const auto last = sensor_passage(at);
  return last && last->irradiance_w_cm2 > kMostSensorWCm2 ? at_the_sensor(*last) : Objections{};
}

Objections sensor_warm(const Case& at) {
  const auto last = sensor_passage(at);
  const bool objects = last && last->irradiance_w_cm2 > kCheckSensorWCm2 &&
                       last->irradiance_w_cm2 <= kMostSensorWCm2;
  return objects ? at_the_sensor(*last) : Objections{};
}

/// A beam is projected that no eye may meet.
bool projects_open(const Case& at) {
  return optics::receiver_of(at.rig) == Receiver::kScreen && eye_share(at.train) > kMostForAnEye;
}

/// The same with so much energy at the eyepiece, or at a bare end, that it heats glass and cement.
bool projects_hot(const Case& at) {
  double share = at.train.energy_share;
  for (const optics::Passage& passage : at.train.passages) {
    if (std::holds_alternative<Eyepiece>(at.rig.elements[passage.element].part)) {
      share = std::max(share, passage.energy_share);
    }
  }
  return optics::receiver_of(at.rig) == Receiver::kScreen && share > kCementShare;
}

Objections projection_eyepiece(const Case& at) {
  if (!projects_hot(at)) {
    return {};
  }
  auto eyepieces = behind<Eyepiece>(at.rig);
  std::erase_if(eyepieces, [&](std::size_t place) {
    return part_at<Eyepiece>(at.rig, place).build == optics::EyepieceBuild::kUncemented;
  });
  return each(eyepieces);
}

/// Undimmed sunlight enters the tube: what stands behind it keeps no heat from its mirrors.
bool hot_in_the_tube(const Case& at) {
  const auto telescope = optics::find_fitted<optics::Telescope>(at.rig);
  return std::any_of(at.train.passages.begin(), at.train.passages.end(),
                     [&](const optics::Passage& passage) {
                       return passage.element == telescope && passage.energy_share > kCementShare;
                     });
}

Objections projection_telescope(const Case& at) {
  const optics::Telescope* telescope = telescope_of(at.rig);
  const bool objects = optics::receiver_of(at.rig) == Receiver::kScreen && hot_in_the_tube(at) &&
                       telescope != nullptr && !plain_refractor(at.rig) &&
                       telescope->design != TelescopeDesign::kNewtonian;
  return when(objects, optics::find_fitted<optics::Telescope>(at.rig));
}

Objections projection_people(const Case& at) {
  if (!projects_open(at)) {
    return {};
  }
  auto screens = behind<ProjectionScreen>(at.rig);
  std::erase_if(screens, [&](std::size_t place) {
    const auto& screen = part_at<ProjectionScreen>(at.rig, place);
    return !screen.people_between && !(at.practice.guests && !screen.boxed_in);
  });
  return each(screens);
}

Objections projection_beam(const Case& at) {
  return projects_open(at) ? each(behind<ProjectionScreen>(at.rig)) : Objections{};
}

Objections open_end(const Case& at) {
  return when(optics::receiver_of(at.rig) == Receiver::kNone, std::nullopt);
}

Objections screen_without_eyepiece(const Case& at) {
  const auto eyepieces = behind<Eyepiece>(at.rig);
  const auto screens = behind<ProjectionScreen>(at.rig);
  const bool projected =
      !screens.empty() && !eyepieces.empty() && eyepieces.front() < screens.front();
  return optics::receiver_of(at.rig) == Receiver::kScreen && !projected ? each(screens)
                                                                        : Objections{};
}

Objections phone_loose(const Case& at) {
  auto phones = fitted<optics::Phone>(at.rig);
  std::erase_if(phones, [&](std::size_t place) {
    return part_at<optics::Phone>(at.rig, place).holder && !fitted<Eyepiece>(at.rig).empty();
  });
  return each(phones);
}

Objections camera_behind_eyepiece(const Case& at) {
  const auto eyepieces = behind<Eyepiece>(at.rig);
  const auto sensor = optics::sensor_of(at.rig);
  const bool objects = !eyepieces.empty() && sensor && !sensor->eyepiece_lens_mm &&
                       eyepieces.front() < sensor->element;
  return when(objects, objects ? Place(sensor->element) : std::nullopt);
}

}  // namespace

const std::vector<Rule>& end_rules() {
  static const std::vector<Rule> kRules{
      {"eyepiece-filter", Severity::kStop, eyepiece_filter},
      {"too-bright-for-an-eye", Severity::kStop, too_bright_for_an_eye},
      {"optical-viewfinder", Severity::kStop, optical_viewfinder},
      {"sensor-heat", Severity::kStop, sensor_heat},
      {"sensor-warm", Severity::kCheck, sensor_warm},
      {"projection-eyepiece", Severity::kStop, projection_eyepiece},
      {"projection-telescope", Severity::kStop, projection_telescope},
      {"projection-people", Severity::kStop, projection_people},
      {"projection-beam", Severity::kCheck, projection_beam},
      {"screen-without-eyepiece", Severity::kCheck, screen_without_eyepiece},
      {"open-end", Severity::kCheck, open_end},
      {"phone-loose", Severity::kCheck, phone_loose},
      {"camera-behind-eyepiece", Severity::kCheck, camera_behind_eyepiece},
  };
  return kRules;
}

}  // namespace solarchon::safety
