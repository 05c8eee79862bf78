// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "solarchon/base/range.h"
#include "solarchon/base/result.h"
#include "solarchon/seeing/lattice.h"

namespace solarchon::seeing {

/// A cloud that goes before the Sun.
struct Cloud {
  double stops = 0.0;       ///< that it takes from the light on average; 0: none
  double unevenness = 0.0;  ///< 0 an even veil, 1 lumps with gaps between them
  double drift_arcmin_s = 6.0;
  std::uint32_t seed = 1;
  bool operator==(const Cloud&) const = default;
};

inline constexpr base::Range kCloudStopsRange{0.0, 15.0};
inline constexpr base::Range kUnevennessRange{0.0, 1.0};
inline constexpr base::Range kCloudDriftRange{0.0, 60.0};
/// Errors: kOutOfRange with the member's name (`cloud` for the stops).
[[nodiscard]] base::Result<void> check(const Cloud& cloud);

/// What a cloud takes at any place and instant. Its logarithm is a sum of waves from one arcminute
/// to three degrees, each stronger with the cube root of its length, so that an even veil changes
/// in minutes and the edge of a lump by stops within seconds.
/// Source: a lognormal with the spectrum of liquid water in clouds, -5/3 (Davis and others 1996).
class CloudField {
 public:
  explicit CloudField(const Cloud& cloud);
  /// Stops at a place (arcsec from anywhere), 0 or more; Cloud::stops on the average over hours.
  [[nodiscard]] double stops(double right_arcsec, double down_arcsec, double seconds) const;
  /// The same at the places of a lattice, row by row. Accuracy: 0.001 of Cloud::stops.
  [[nodiscard]] std::vector<float> stops_over(const Lattice& lattice, double seconds) const;

 private:
  struct Wave {
    double right_rad_arcsec;
    double down_rad_arcsec;
    double rad_s;
    double phase_rad;
    double amplitude;
  };
  Cloud cloud_;
  double half_variance_ = 0.0;
  std::vector<Wave> waves_;
};

/// Light that a cloud throws forward over the field near the Sun, of what it takes, against the
/// clear disc's centre: at most about 0.012.
/// @param stops  0 or more
/// Accuracy: a factor of 3; our own figure, within what aureoles of thin cloud are measured to be.
[[nodiscard]] double scattered_share(double stops);

}  // namespace solarchon::seeing
