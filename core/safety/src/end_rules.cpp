// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include "questions.h"

namespace solarchon::safety {

namespace {

using optics::Eyepiece;
using optics::PhotoCamera;
using optics::ProjectionScreen;
using optics::Receiver;
using optics::TelescopeDesign;

constexpr std::string_view kEyePractice = "Eye-care advice for looking at the Sun";
constexpr std::string_view kProjectionPractice = "Field practice of eyepiece projection";
constexpr std::string_view kCameraPractice = "Camera makers' instructions; field practice";

const double kMostForAnEye = std::pow(10.0, -kLeastEyeDensity);

Objections eyepiece_filter(const Case& at) { return each(fitted<optics::EyepieceFilter>(at.rig)); }

Objections too_bright_for_an_eye(const Case& at) {
  const auto eyepieces = behind<Eyepiece>(at.rig);
  const bool objects =
      eye_looks(at.rig) && !eyepieces.empty() && eye_share(at.train) > kMostForAnEye;
  return when(
      objects, objects ? Place(eyepieces.back()) : std::nullopt,
      objects ? "OD " + in_unit(-std::log10(eye_share(at.train)), "in all, 4.3 wanted.") : "");
}

Objections optical_viewfinder(const Case& at) {
  Objections objections;
  for (const std::size_t place : behind<PhotoCamera>(at.rig)) {
    if (part_at<PhotoCamera>(at.rig, place).viewfinder == optics::Viewfinder::kOptical &&
        eye_share(at.train) > kMostForAnEye) {
      objections.push_back({place, {}});
    }
  }
  return objections;
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
  const bool objects = last && last->irradiance_w_cm2 > kMostSensorWCm2;
  return when(objects, objects ? Place(last->element) : std::nullopt,
              objects ? in_unit(last->irradiance_w_cm2, "W/cm² at the sensor.") : "");
}

Objections sensor_warm(const Case& at) {
  const auto last = sensor_passage(at);
  const bool objects = last && last->irradiance_w_cm2 > kCheckSensorWCm2 &&
                       last->irradiance_w_cm2 <= kMostSensorWCm2;
  return when(objects, objects ? Place(last->element) : std::nullopt,
              objects ? in_unit(last->irradiance_w_cm2, "W/cm² at the sensor.") : "");
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

Objections projection_telescope(const Case& at) {
  const optics::Telescope* telescope = telescope_of(at.rig);
  const bool objects = projects_hot(at) && telescope != nullptr && !plain_refractor(at.rig) &&
                       telescope->design != TelescopeDesign::kNewtonian;
  return when(objects, optics::find_fitted<optics::Telescope>(at.rig));
}

Objections projection_people(const Case& at) {
  if (!projects_open(at)) {
    return {};
  }
  auto screens = behind<ProjectionScreen>(at.rig);
  std::erase_if(screens, [&](std::size_t place) {
    return !at.practice.guests && !part_at<ProjectionScreen>(at.rig, place).people_between;
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
      {{.rule = "eyepiece-filter",
        .severity = Severity::kStop,
        .what = "The dark glass cracks in the hot focus without warning, and an eye is blinded at "
                "once.",
        .why = "A small filter in the eyepiece meets all the heat that the lens gathers.",
        .next_step = "Turn away and cap the tube; throw the small filter away and use a filter in "
                     "front of the lens.",
        .source = kEyePractice},
       eyepiece_filter},
      {{.rule = "too-bright-for-an-eye",
        .severity = Severity::kStop,
        .what = "An eye is harmed, without pain and for good.",
        .why = "All parts together leave more light than any filter made for the eye.",
        .next_step = "Turn away and cap the tube; fit film of OD 5.0 in front, or ND 3 in a wedge.",
        .source = kEyePractice},
       too_bright_for_an_eye},
      {{.rule = "optical-viewfinder",
        .severity = Severity::kStop,
        .what = "The eye at the viewfinder meets what the sensor can stand, and is harmed.",
        .why = "An optical viewfinder looks through the same lens, dimmed for a camera only.",
        .next_step = "Turn away and cap the tube; cover the viewfinder and use the screen, or dim "
                     "for the eye.",
        .source = kEyePractice},
       optical_viewfinder},
      {{.rule = "sensor-heat",
        .severity = Severity::kStop,
        .what = "The sensor or its filters burn within seconds.",
        .why = "The light at the sensor is more than ten times plain sunlight.",
        .next_step = "Turn away and cap the tube; add density before the camera goes back.",
        .source = kCameraPractice},
       sensor_heat},
      {{.rule = "sensor-warm",
        .severity = Severity::kCheck,
        .what = "The sensor warms up, and stray light may reach what its makers never tested.",
        .why = "The light at the sensor is stronger than plain sunlight.",
        .next_step = "Add neutral density, and turn away between exposures.",
        .source = kCameraPractice},
       sensor_warm},
      {{.rule = "projection-eyepiece",
        .severity = Severity::kStop,
        .what = "Cement boils, plastic melts, and glass can burst out of the eyepiece.",
        .why = "Undimmed light comes to a focus in an eyepiece with cement or plastic.",
        .next_step = "Turn away and cap the tube; project with an uncemented eyepiece only.",
        .source = kProjectionPractice},
       projection_eyepiece},
      {{.rule = "projection-telescope",
        .severity = Severity::kStop,
        .what = "Heat inside the tube cracks mirrors, lenses or cement.",
        .why = "Only plain refractors and simple reflectors stand undimmed light for projection.",
        .next_step = "Turn away and cap the tube; use film in front instead.",
        .source = kProjectionPractice},
       projection_telescope},
      {{.rule = "projection-people",
        .severity = Severity::kStop,
        .what = "A face between eyepiece and screen is blinded at once.",
        .why = "People can come between eyepiece and screen.",
        .next_step = "Turn away and cap the tube; box the beam in, or use film in front.",
        .source = kProjectionPractice},
       projection_people},
      {{.rule = "projection-beam",
        .severity = Severity::kCheck,
        .what = "The beam behind the eyepiece burns skin and blinds.",
        .why = "More light is projected than any eye may meet.",
        .next_step = "Box the beam in, cap all finders, never leave it alone, and rest the "
                     "eyepiece often.",
        .source = kProjectionPractice},
       projection_beam},
      {{.rule = "screen-without-eyepiece",
        .severity = Severity::kCheck,
        .what = "The focus itself falls on whatever stands there and sets it on fire.",
        .why = "A screen stands behind the telescope without an eyepiece.",
        .next_step = "Keep the tube capped until an uncemented eyepiece is in.",
        .source = kProjectionPractice},
       screen_without_eyepiece},
      {{.rule = "open-end",
        .severity = Severity::kCheck,
        .what = "Whoever or whatever stands at the open end meets the light that arrives there.",
        .why = "The light path does not end in a camera, an eyepiece or a screen.",
        .next_step = "Keep the tube capped until the whole train is fitted.",
        .source = "Order of handling in the field"},
       open_end},
      {{.rule = "phone-loose",
        .severity = Severity::kCheck,
        .what = "Hands hunt for the exit pupil while faces are near the eyepiece.",
        .why = "The phone has no holder, or no eyepiece to look into.",
        .next_step = "Fix it in a holder over an eyepiece before the tube points at the Sun.",
        .source = kCameraPractice},
       phone_loose},
      {{.rule = "camera-behind-eyepiece",
        .severity = Severity::kCheck,
        .what = "The figures do not hold, and the sensor may meet more heat than they say.",
        .why = "A camera without a lens stands behind an eyepiece.",
        .next_step = "Take the eyepiece out, or use an amplifier.",
        .source = kCameraPractice},
       camera_behind_eyepiece},
  };
  return kRules;
}

}  // namespace solarchon::safety
