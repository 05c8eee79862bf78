// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/base/angle.h"

namespace solarchon::sky {

// Light time over 1 au (day): au / c, IAU 2012 and SI.
inline constexpr double kLightDayPerAu = 499.004783836 / 86400.0;
// Angular radius of the photosphere at 1 au (arcsec): IAU 2015 nominal solar radius.
inline constexpr double kSemidiameterAt1AuArcsec = 959.63;
// Solar radius (au) that shows that angle at 1 au.
inline constexpr double kSolarRadiusAu = kSemidiameterAt1AuArcsec * base::kRadPerArcsec;
inline constexpr double kMetrePerAu = 149597870700.0;      // IAU 2012
inline constexpr double kEarthRotationRadS = 7.292115e-5;  // WGS 84
inline constexpr double kLightMS = 299792458.0;            // SI
// The Earth's turn against the equinox (arcsec of angle per second of UT1).
inline constexpr double kSiderealRateArcsecS = 15.041067;
// Rotation elements of the Sun, IAU Working Group on Cartographic Coordinates.
inline constexpr double kPoleRightAscensionDeg = 286.13;
inline constexpr double kPoleDeclinationDeg = 63.87;
inline constexpr double kPrimeMeridianDeg = 84.176;
inline constexpr double kRotationDegPerDay = 14.1844;

}  // namespace solarchon::sky
