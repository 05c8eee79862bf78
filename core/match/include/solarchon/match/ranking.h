// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/advise/advise.h"
#include "solarchon/match/clip.h"
#include "solarchon/match/target.h"
#include "solarchon/optics/rig.h"

namespace solarchon::match {

/// One way to set a light path up for a target: with a lens that changes the focal length, without
/// one that is in, with another eyepiece before a phone, with pixels joined or not, and the region
/// that the target needs.
struct Setting {
  std::string lens;     ///< name of the lens or eyepiece that is put in; empty: none
  std::string without;  ///< name of what is taken out for it, or alone; empty: nothing
  int binning = 1;
  Region region;         ///< of the sensor
  optics::Rig rig = {};  ///< with that lens
  double focal_ratio = 0.0;
  double sampling_arcsec_px = 0.0;  ///< of joined pixels
  double pixels_per_detail = 0.0;   ///< of the finest detail that lens and air leave
  double detail_arcsec = 0.0;       ///< that the picture shows: lens, air and two pixels together
  double field_width_arcmin = 0.0;  ///< of the whole sensor
  double field_height_arcmin = 0.0;
  double exposure_ms = 0.0;
  double light_stops = 0.0;  ///< in a pixel, against the light path as it is
  FrameRate rate;
  int panels = 1;        ///< that the target takes
  bool focus = true;     ///< is reached, as far as is known
  bool opposed = false;  ///< the safety rules stop it
  /// What it costs in stops of detail, light, frame rate and panels together; less is better.
  double cost = 0.0;
};

/// Ranks the ways for a target, best first; those that the rules stop or that miss the focus stand
/// last. Not more than two of one lens.
/// @param lenses  amplifiers and reducers to be tried, each alone before the camera or the eyepiece
///                that it looks into, also in the place of those that are in; eyepieces in the
///                place of the one that a phone or compact camera looks into
/// @return        empty without telescope and camera
/// Source: docs/numbers.md, "Ranking".
[[nodiscard]] std::vector<Setting> ranked(const optics::Rig& rig, Target target,
                                          const std::vector<optics::Element>& lenses,
                                          const advise::Situation& situation);

}  // namespace solarchon::match
