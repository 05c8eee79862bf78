// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig.h"

#include <algorithm>

namespace solarchon::optics {

namespace {

/// Rank of a kind along a usual path; kinds() lists them in that order but for rear parts, where
/// folding mirrors stand behind cut filters and before everything narrow.
int rank_of(const Part& part) {
  static const std::vector<std::string_view> kOrder{
      "finder",        "power-supply",     "energy-filter",   "front-film",
      "aperture-mask", "front-etalon",     "telescope",       "inner-etalon",
      "cut-filter",    "diagonal",         "wedge",           "extension",
      "amplifier",     "rear-etalon",      "reducer",         "blocking-filter",
      "band-filter",   "polariser",        "neutral-density", "eyepiece-filter",
      "tilt-adapter",  "eyepiece",         "camera",          "photo-camera",
      "phone",         "projection-screen"};
  const auto found = std::find(kOrder.begin(), kOrder.end(), kind_of(part));
  return static_cast<int>(found - kOrder.begin());
}

/// What every sensor has under the same name. Photographic cameras and phones have colour sensors
/// that are read row after row.
template <typename Kind>
Camera with_sensor_of(const Kind& part) {
  Camera camera;
  camera.width_px = part.width_px;
  camera.height_px = part.height_px;
  camera.pixel_um = part.pixel_um;
  camera.bits = part.bits;
  camera.full_well_e = part.full_well_e;
  camera.read_noise_e = part.read_noise_e;
  camera.peak_quantum_efficiency = part.peak_quantum_efficiency;
  camera.shortest_exposure_ms = part.shortest_exposure_ms;
  camera.longest_exposure_ms = part.longest_exposure_ms;
  camera.rotation_deg = part.rotation_deg;
  camera.colour = true;
  camera.shutter = Shutter::kRolling;
  return camera;
}

/// A full well that nobody gave follows the pixel's area.
Camera with_known_well(Camera camera) {
  if (camera.full_well_e < 1.0) {
    camera.full_well_e = kFullWellPerUm2 * camera.pixel_um * camera.pixel_um;
  }
  return camera;
}

Camera from_photo(const PhotoCamera& photo) {
  Camera camera = with_sensor_of(photo);
  const double saturation_e = kSaturationElectronsPerLuxSecondUm2 * kSaturationLuxSeconds /
                              photo.iso * photo.peak_quantum_efficiency * photo.pixel_um *
                              photo.pixel_um;
  camera.full_well_e =
      photo.full_well_e > 0.0 ? std::min(photo.full_well_e, saturation_e) : saturation_e;
  camera.frame_rate_hz = photo.frame_rate_hz;
  return camera;
}

Camera from_phone(const Phone& phone) {
  constexpr double kUsualClipHz = 30.0;
  Camera camera = with_known_well(with_sensor_of(phone));
  camera.frame_rate_hz = kUsualClipHz;
  return camera;
}

}  // namespace

std::optional<Camera> as_camera(const Part& part) {
  if (const auto* camera = std::get_if<Camera>(&part)) {
    return with_known_well(*camera);
  }
  if (const auto* photo = std::get_if<PhotoCamera>(&part)) {
    return from_photo(*photo);
  }
  if (const auto* phone = std::get_if<Phone>(&part)) {
    return from_phone(*phone);
  }
  return std::nullopt;
}

std::size_t first_behind(const Rig& rig) {
  const auto telescope = find_fitted<Telescope>(rig);
  return telescope ? *telescope + 1 : 0;
}

std::optional<Sensor> sensor_of(const Rig& rig) {
  for (std::size_t i = first_behind(rig); i < rig.elements.size(); ++i) {
    const Element& element = rig.elements[i];
    const auto camera = element.fitted ? as_camera(element.part) : std::nullopt;
    if (camera) {
      const auto* phone = std::get_if<Phone>(&element.part);
      return Sensor{i, *camera,
                    phone != nullptr ? std::optional(phone->lens_focal_length_mm) : std::nullopt};
    }
  }
  return std::nullopt;
}

std::optional<std::size_t> end_of_light(const Rig& rig) {
  std::optional<std::size_t> eyepiece;
  for (std::size_t i = first_behind(rig); i < rig.elements.size(); ++i) {
    const Element& element = rig.elements[i];
    if (!element.fitted) {
      continue;
    }
    if (as_camera(element.part) || std::holds_alternative<ProjectionScreen>(element.part)) {
      return i;
    }
    if (!eyepiece && std::holds_alternative<Eyepiece>(element.part)) {
      eyepiece = i;
    }
  }
  return eyepiece;
}

Receiver receiver_of(const Rig& rig) {
  const auto end = end_of_light(rig);
  if (!end) {
    return Receiver::kNone;
  }
  const Part& part = rig.elements[*end].part;
  if (std::holds_alternative<Eyepiece>(part)) {
    return Receiver::kEye;
  }
  return std::holds_alternative<ProjectionScreen>(part) ? Receiver::kScreen : Receiver::kSensor;
}

std::size_t usual_place(const Rig& rig, const Part& part) {
  const int rank = rank_of(part);
  std::size_t place = rig.elements.size();
  while (place > 0 && rank_of(rig.elements[place - 1].part) > rank) {
    --place;
  }
  return place;
}

std::size_t fitting_place(const Rig& rig, const Element& element) {
  const std::size_t usual = usual_place(rig, element.part);
  const auto telescope = find_fitted<Telescope>(rig);
  if (!telescope || zone_of(element.part) != Zone::kRear || element.front_face == Face::kNone) {
    return usual;
  }
  const auto misfits_at = [&](std::size_t place) {
    Rig tried = rig;
    tried.elements.insert(tried.elements.begin() + static_cast<std::ptrdiff_t>(place), element);
    const auto joints = joints_of(tried);
    return std::count_if(joints.begin(), joints.end(), [](const Joint& joint) {
      return joint.state == JointState::kNeedsAdapter;
    });
  };
  std::size_t best = usual;
  auto fewest = misfits_at(usual);
  const auto away = [usual](std::size_t place) {
    return place > usual ? place - usual : usual - place;
  };
  for (std::size_t place = *telescope + 1; place <= rig.elements.size(); ++place) {
    if (place < rig.elements.size() && zone_of(rig.elements[place].part) == Zone::kBeside) {
      continue;
    }
    const auto misfits = misfits_at(place);
    if (misfits < fewest || (misfits == fewest && away(place) < away(best))) {
      best = place;
      fewest = misfits;
    }
    if (place < rig.elements.size() && zone_of(rig.elements[place].part) == Zone::kEnd) {
      break;
    }
  }
  return best;
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
