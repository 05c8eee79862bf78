// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/optics/connection.h"
#include "solarchon/optics/parameters.h"
#include "solarchon/optics/parts.h"

namespace solarchon::optics {

/// One entry of an etalon's tuning history: what its owner found best.
struct TuningNote {
  std::string date;               ///< as 2027-07-14
  double setting_angstrom = 0.0;  ///< from the middle of the range, red positive
  std::string note;
  bool operator==(const TuningNote&) const = default;
};

/// What its owner knows of one real part.
struct Care {
  std::string serial;
  std::string notes;
  std::string inspected;  ///< date of the last inspection, as 2027-07-14; empty: not logged
  std::string defect;     ///< what an inspection found; empty: nothing
  std::vector<TuningNote> tuning;
  bool operator==(const Care&) const = default;
};

/// One part in the light path.
struct Element {
  std::string id;          ///< unique in its rig, kept for life
  std::string name;        ///< what its owner calls it
  bool fitted = true;      ///< false: laid aside, the light passes as if it were not there
  double length_mm = 0.0;  ///< optical path that it takes up behind the telescope
  Part part;
  Face front_face = Face::kNone;  ///< on the Sun's side
  Face rear_face = Face::kNone;
  Care care = {};
  std::string kit_id = {};  ///< the part of the owner's kit that this is; empty: none
  bool operator==(const Element&) const = default;
};

/// A light path: parts in the order in which the light meets them. Finders and power supplies
/// stand beside the light and may be listed anywhere.
struct Rig {
  std::string name;
  std::vector<Element> elements;
  bool operator==(const Rig&) const = default;
};

/// Who or what meets the light at the end.
enum class Receiver { kNone, kEye, kScreen, kSensor };
/// Where the light ends: the first fitted sensor or screen behind the telescope (anywhere without
/// one), else the first eyepiece. What stands in front of the telescope ends nothing.
[[nodiscard]] std::optional<std::size_t> end_of_light(const Rig& rig);
/// What stands there; an eyepiece there means an eye.
[[nodiscard]] Receiver receiver_of(const Rig& rig);
/// The first place behind the telescope; 0 without one.
[[nodiscard]] std::size_t first_behind(const Rig& rig);

/// Electrons that a square micrometre of a sensor holds where its maker's figure is not known:
/// middle of common video sensors (800 to 1000, some twice as many).
inline constexpr double kFullWellPerUm2 = 840.0;
/// Exposure that saturates a photographic camera, times its ISO (lux seconds).
/// Source: ISO 12232, saturation-based speed.
inline constexpr double kSaturationLuxSeconds = 78.0;
/// Electrons per lux second and square micrometre under sunlight, with a peak efficiency of 1 and
/// light's share of a colour pattern: the sensor that light/exposure.h works with.
inline constexpr double kSaturationElectronsPerLuxSecondUm2 = 10'900.0;

/// A sensor of any kind as a video camera's figures. A photographic camera's full well is what its
/// ISO makes of it, within its own where that is known; others without a figure go by their pixels.
struct Sensor {
  std::size_t element = 0;  ///< place in the rig
  Camera camera;
  std::optional<double> eyepiece_lens_mm;  ///< focal length of the lens that looks into an eyepiece
};
[[nodiscard]] std::optional<Camera> as_camera(const Part& part);
/// The first fitted sensor behind the telescope, or anywhere without one.
[[nodiscard]] std::optional<Sensor> sensor_of(const Rig& rig);

/// The first fitted part of a kind, as its place in the list.
template <typename Kind>
[[nodiscard]] std::optional<std::size_t> find_fitted(const Rig& rig) {
  for (std::size_t i = 0; i < rig.elements.size(); ++i) {
    if (rig.elements[i].fitted && std::holds_alternative<Kind>(rig.elements[i].part)) {
      return i;
    }
  }
  return std::nullopt;
}

/// Where a part of this kind is best put into a rig: front parts before the telescope, rear parts
/// in their usual order before what ends the path, ends and what stands beside last.
[[nodiscard]] std::size_t usual_place(const Rig& rig, const Part& part);

/// The same for one part with its faces: among the places behind the telescope, the one where most
/// joints fit, and of those the nearest to the usual one.
[[nodiscard]] std::size_t fitting_place(const Rig& rig, const Element& element);

/// An id that no element of the rig has.
[[nodiscard]] std::string fresh_id(const Rig& rig);

}  // namespace solarchon::optics
