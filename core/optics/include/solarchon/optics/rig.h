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
/// Of the fitted parts behind the telescope: a sensor counts before a screen, a screen before the
/// eye at a bare eyepiece.
[[nodiscard]] Receiver receiver_of(const Rig& rig);

/// A sensor of any kind as a video camera's figures. A photographic camera's full well shrinks with
/// its ISO; a phone's is its own.
struct Sensor {
  std::size_t element = 0;  ///< place in the rig
  Camera camera;
  std::optional<double> eyepiece_lens_mm;  ///< focal length of the lens that looks into an eyepiece
};
[[nodiscard]] std::optional<Camera> as_camera(const Part& part);
/// The first fitted sensor.
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
