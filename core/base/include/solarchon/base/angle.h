// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <numbers>

namespace solarchon::base {

inline constexpr double kPi = std::numbers::pi;
inline constexpr double kDegPerRad = 180.0 / kPi;
inline constexpr double kRadPerDeg = kPi / 180.0;
inline constexpr double kArcminPerDeg = 60.0;
/// By which the Sun's hour angle grows: 15 degrees an hour.
inline constexpr double kSunDegPerHour = 15.0;
inline constexpr double kArcsecPerDeg = 3600.0;
/// Arcseconds per radian.
inline constexpr double kArcsecPerRad = kArcsecPerDeg * kDegPerRad;
inline constexpr double kRadPerArcsec = 1.0 / kArcsecPerRad;

/// Wraps an angle into [0, 360).
/// @param angle_deg  any finite angle (degree)
/// @return           the same direction in [0, 360) (degree); NaN stays NaN
[[nodiscard]] double wrap_360(double angle_deg);

/// Wraps an angle into [-180, 180).
/// @param angle_deg  any finite angle (degree)
/// @return           the same direction in [-180, 180) (degree); NaN stays NaN
[[nodiscard]] double wrap_180(double angle_deg);

/// Circular distance between two directions.
/// @return  0 to 180 (degree)
[[nodiscard]] double angle_between_deg(double first_deg, double second_deg);

}  // namespace solarchon::base
