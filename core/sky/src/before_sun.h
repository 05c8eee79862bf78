// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include "solarchon/sky/bodies.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/sun.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// Two round bodies as a site sees them, airless: the Sun, and what may stand before it.
struct Pair {
  double separation_arcsec = 0.0;         ///< of the two middles
  double sun_semidiameter_arcsec = 0.0;   ///< at 1 au 959.63
  double body_semidiameter_arcsec = 0.0;  ///< as large as it is from the site
  double position_angle_deg = 0.0;  ///< of the body from the Sun, north through east, [0, 360)
};

/// @param body         the Moon, Mercury or Venus
/// @param body_place   from the centre of the Earth, of date
/// Accuracy: that of the places; on the ellipsoid, distances from the site. The Moon's radius is
/// 0.2725076 equatorial radii of the Earth (IAU 1982), Mercury's 2439.7 km, Venus' 6051.8 km (IAU
/// 2015), all smooth.
[[nodiscard]] Pair pair_of(const GeocentricSun& sun, Body body, const EquatorialPlace& body_place,
                           const Site& site);

/// The pair over some hours, interpolated: the whole series of the body is asked for a few times.
class PairTrack {
 public:
  /// @param half_hours  to both sides of the centre; 14 at most
  PairTrack(Body body, UtcTime centre, double half_hours, const Observer& observer);
  [[nodiscard]] UtcTime start() const { return centre_ - hours(half_hours_); }
  [[nodiscard]] UtcTime end() const { return centre_ + hours(half_hours_); }
  /// @param time  from start to end
  /// Accuracy: within 0.01 arcsec of pair_of.
  [[nodiscard]] Pair at(UtcTime time) const;
  [[nodiscard]] GeocentricSun sun_at(UtcTime time) const { return sun_.at(time); }

 private:
  static constexpr int kKnots = 11;
  Body body_;
  UtcTime centre_;
  double half_hours_;
  Site site_;
  SunEphemeris sun_;
  std::array<std::array<double, 3>, kKnots>
      knots_{};  ///< of the body, from the Earth's centre (au)
};

}  // namespace solarchon::sky
