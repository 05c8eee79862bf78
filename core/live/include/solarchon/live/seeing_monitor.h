// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <optional>
#include <vector>

#include "solarchon/live/setting.h"

namespace solarchon::live {

/// What the air does, from how places of the picture move against each other in time.
class SeeingMonitor {
 public:
  /// @param keep_s  of the past that counts, above 0
  explicit SeeingMonitor(const Setting& setting, double keep_s = 20.0)
      : setting_(setting), keep_s_(keep_s) {}

  /// Where each place stands, along one direction of its own (arcsec, from anywhere); not finite
  /// where it was not seen. Always the same places in the same order, else the past is forgotten.
  /// @param seconds  growing
  void take(double seconds, std::vector<double> places_arcsec);
  void forget() { past_.clear(); }

  struct Seen {
    Estimate r0_cm;              ///< at 500 nm
    double motion_arcsec = 0.0;  ///< of a place in one direction, slow drift taken out
    double common_share = 0.0;   ///< of its variance in which all places go together, 0 to 1
  };
  /// None before a second and 24 frames with places.
  /// Accuracy: 25 per cent from 1 to 12 cm for 10 s and more, with exposures that are short against
  /// aperture over wind. A mount that trembles makes the air look worse than it is.
  /// Source: seeing::image_motion_arcsec, solved for r0.
  [[nodiscard]] std::optional<Seen> seen() const;

 private:
  struct Sample {
    double seconds;
    std::vector<double> places;
  };
  Setting setting_;
  double keep_s_;
  std::deque<Sample> past_;
};

/// How wide the edge of a disc is drawn (full width at half of its steepest slope, arcsec) by
/// aperture, air, focus and pixels together.
/// @param r0_cm       at 500 nm; none: no air
/// @param defocus_um  of the sensor, either way
/// Accuracy: 5 per cent for a sharp edge. In hydrogen alpha the fringe of spicules softens it by
/// itself; kFringeArcsec is added in squares.
/// Source: the slope of an edge's image is the cosine transform of the transfer function.
[[nodiscard]] double edge_width_arcsec(const Setting& setting, std::optional<double> r0_cm,
                                       double defocus_um);

/// How far out of focus the sensor stands, when an edge is that wide (um); 0 where it is not wider
/// than the air makes it.
[[nodiscard]] double defocus_of(const Setting& setting, std::optional<double> r0_cm,
                                double width_arcsec);

/// Half of the depth of focus (um): a quarter of a wave at the rim of the pupil.
[[nodiscard]] double focus_depth_um(const Setting& setting);

}  // namespace solarchon::live
