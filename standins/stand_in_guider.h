// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/devices/telescope_state.h"
#include "solarchon/sky/disc.h"

namespace solarchon::standins {

/// Motors that move a telescope by a little, and their faults.
struct GuiderBuild {
  double speed_arcsec_s = 30.0;
  double backlash_arcsec = 3.0;  ///< of the northern axis: it trails its motor by up to so much
};

/// The guider at work.
class StandInGuider {
 public:
  explicit StandInGuider(const GuiderBuild& build) : build_(build) {}
  void advance(double by_s);
  void nudge(double west_arcsec, double north_arcsec);
  [[nodiscard]] devices::GuiderState state() const;
  /// By how much it looks elsewhere in truth.
  [[nodiscard]] sky::DiscPlace looks() const { return {motor_.west_arcsec, looks_north_arcsec_}; }

 private:
  GuiderBuild build_;
  sky::DiscPlace motor_;
  sky::DiscPlace target_;
  double looks_north_arcsec_ = 0.0;
};

}  // namespace solarchon::standins
