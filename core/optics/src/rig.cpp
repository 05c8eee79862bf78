// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig.h"

#include <algorithm>

namespace solarchon::optics {

namespace {

/// Rank of a kind along a usual path; kinds() lists them in that order but for rear parts, where
/// folding mirrors stand behind cut filters and before everything narrow.
int rank_of(const Part& part) {
  static const std::vector<std::string_view> kOrder{
      "finder",       "power-supply", "energy-filter",   "front-film",      "aperture-mask",
      "front-etalon", "telescope",    "cut-filter",      "diagonal",        "wedge",
      "extension",    "amplifier",    "rear-etalon",     "reducer",         "blocking-filter",
      "band-filter",  "polariser",    "neutral-density", "eyepiece-filter", "tilt-adapter",
      "eyepiece",     "camera",       "photo-camera",    "phone",           "projection-screen"};
  const auto found = std::find(kOrder.begin(), kOrder.end(), kind_of(part));
  return static_cast<int>(found - kOrder.begin());
}

Camera from_photo(const PhotoCamera& photo) {
  constexpr double kBaseIso = 100.0;
  Camera camera;
  camera.width_px = photo.width_px;
  camera.height_px = photo.height_px;
  camera.pixel_um = photo.pixel_um;
  camera.bits = photo.bits;
  camera.full_well_e = photo.full_well_e * kBaseIso / photo.iso;
  camera.read_noise_e = photo.read_noise_e;
  camera.peak_quantum_efficiency = photo.peak_quantum_efficiency;
  camera.shortest_exposure_ms = photo.shortest_exposure_ms;
  camera.longest_exposure_ms = photo.longest_exposure_ms;
  camera.rotation_deg = photo.rotation_deg;
  camera.colour = true;
  camera.shutter = Shutter::kRolling;
  camera.frame_rate_hz = photo.frame_rate_hz;
  return camera;
}

Camera from_phone(const Phone& phone) {
  Camera camera;
  camera.width_px = phone.width_px;
  camera.height_px = phone.height_px;
  camera.pixel_um = phone.pixel_um;
  camera.bits = phone.bits;
  camera.full_well_e = phone.full_well_e;
  camera.read_noise_e = phone.read_noise_e;
  camera.peak_quantum_efficiency = phone.peak_quantum_efficiency;
  camera.shortest_exposure_ms = phone.shortest_exposure_ms;
  camera.longest_exposure_ms = phone.longest_exposure_ms;
  camera.rotation_deg = phone.rotation_deg;
  camera.colour = true;
  camera.shutter = Shutter::kRolling;
  return camera;
}

}  // namespace

std::optional<Camera> as_camera(const Part& part) {
  if (const auto* camera = std::get_if<Camera>(&part)) {
    return *camera;
  }
  if (const auto* photo = std::get_if<PhotoCamera>(&part)) {
    return from_photo(*photo);
  }
  if (const auto* phone = std::get_if<Phone>(&part)) {
    return from_phone(*phone);
  }
  return std::nullopt;
}

std::optional<Sensor> sensor_of(const Rig& rig) {
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
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

Receiver receiver_of(const Rig& rig) {
  if (sensor_of(rig)) {
    return Receiver::kSensor;
  }
  if (find_fitted<ProjectionScreen>(rig)) {
    return Receiver::kScreen;
  }
  return find_fitted<Eyepiece>(rig) ? Receiver::kEye : Receiver::kNone;
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
