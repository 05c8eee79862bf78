// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "solarchon/base/json.h"

namespace solarchon::optics {

/// Full-aperture solar film or glass, in front of the telescope.
struct FrontFilm {
  double optical_density = 5.0;      ///< transmission is 10^-density
  double clear_aperture_mm = 100.0;  ///< diameter that light can pass
  bool certified = true;             ///< sold for the Sun, with its maker's certificate
  bool operator==(const FrontFilm&) const = default;
};

/// A lens telescope without lenses deep in its tube.
struct Refractor {
  double aperture_mm = 80.0;
  double focal_length_mm = 480.0;
  bool operator==(const Refractor&) const = default;
};

/// A lens that multiplies the focal length by a factor above 1.
struct Amplifier {
  double factor = 2.0;
  bool operator==(const Amplifier&) const = default;
};

/// A lens that multiplies the focal length by a factor below 1.
struct Reducer {
  double factor = 0.5;
  bool operator==(const Reducer&) const = default;
};

/// A mirror diagonal: folds the path and flips the image.
struct Diagonal {
  bool operator==(const Diagonal&) const = default;
};

/// A monochrome video camera.
struct Camera {
  int width_px = 2048;
  int height_px = 1536;
  double pixel_um = 3.45;
  int bits = 12;
  double full_well_e = 10000.0;  ///< electrons that give the largest number
  double read_noise_e = 2.5;
  double peak_quantum_efficiency = 0.65;
  double shortest_exposure_ms = 0.02;
  double longest_exposure_ms = 60000.0;
  double rotation_deg = 0.0;  ///< turned in its holder, clockwise as seen from the Sun side
  bool operator==(const Camera&) const = default;
};

using Part = std::variant<FrontFilm, Refractor, Amplifier, Reducer, Diagonal, Camera>;

/// One part in the light path.
struct Element {
  std::string id;          ///< unique in its rig, kept for life
  std::string name;        ///< what its owner calls it
  bool fitted = true;      ///< false: laid aside, the light passes as if it were not there
  double length_mm = 0.0;  ///< optical path that it takes up behind the telescope
  Part part;
  bool operator==(const Element&) const = default;
};

/// A light path: parts in the order in which the light meets them.
struct Rig {
  std::string name;
  std::vector<Element> elements;
  bool operator==(const Rig&) const = default;
};

/// The word for a part's kind in files: front-film, refractor, amplifier, reducer, diagonal,
/// camera.
[[nodiscard]] std::string_view kind_of(const Part& part);

/// One adjustable number of a part, for files, editors and checks alike.
struct Parameter {
  std::string_view key;  ///< with its unit, as in files
  base::Range range;
  bool whole;       ///< takes whole numbers only
  double fallback;  ///< taken when a file leaves it out; NaN: it must be there
};

/// The numbers that describe a part of this kind, in their usual order.
[[nodiscard]] const std::vector<Parameter>& parameters_of(const Part& part);
/// Reads or sets one of them by its key; the key must be one of parameters_of.
[[nodiscard]] double parameter(const Part& part, std::string_view key);
void set_parameter(Part& part, std::string_view key, double value);

/// A part of each kind with default values, in the order of a usual path.
[[nodiscard]] const std::vector<Element>& generic_parts();

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

/// An id that no element of the rig has.
[[nodiscard]] std::string fresh_id(const Rig& rig);

}  // namespace solarchon::optics
