// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/devices/telescope_state.h"

namespace solarchon::standins {

/// A heated etalon behind a telescope, and what its owner has to find out.
struct HeaterBuild {
  int steps = 5;  ///< to either side
  double step_angstrom = 0.1;
  double bandwidth_angstrom = 0.5;
  double off_angstrom = 0.0;  ///< of its passband from the line's middle at step 0, red positive
  double starts_c = 20.0;
  int starts_at = 0;       ///< step that it was set to
  double heats_s = 180.0;  ///< to the e-th part of what is missing
  double cools_s = 300.0;
  double quicker = 1.0;  ///< by which it heats and cools faster than real ones, for rehearsals
};

/// The heater at work, in seconds from its beginning.
class StandInHeater {
 public:
  explicit StandInHeater(const HeaterBuild& build);
  void advance(double by_s);
  /// Beyond its range it stays at the last step.
  void tune(int step);
  [[nodiscard]] devices::HeaterState state() const;
  /// Of the passband from the line's middle, red positive.
  [[nodiscard]] double detuned_angstrom() const;

 private:
  [[nodiscard]] double target_c() const;
  /// So far from its target it stands still, for every purpose.
  [[nodiscard]] double still_k() const;
  HeaterBuild build_;
  int step_ = 0;
  double etalon_c_;
};

}  // namespace solarchon::standins
