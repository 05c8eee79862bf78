// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "solarchon/base/enum_words.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/sun.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// What else a mount's computer knows by day.
enum class Body { kMoon, kMercury, kVenus, kMars, kJupiter, kSaturn };
inline constexpr base::EnumWords<Body, 6> kBodyWords{
    {"moon", "mercury", "venus", "mars", "jupiter", "saturn"}};

/// A place on the sphere, as seen from the centre of the Earth.
struct EquatorialPlace {
  double right_ascension_deg = 0.0;  ///< [0, 360)
  double declination_deg = 0.0;
  double distance_au = 1.0;
  bool operator==(const EquatorialPlace&) const = default;
};

/// Apparent place, true equator and equinox of date.
/// @param time  kFirstTime to kLastTime
/// Accuracy from 2000 to 2050: the Moon 2 arcsec, planets 0.5 arcmin. May be called from any
/// thread. Source: the Moon by ELP 2000-82B (libnova), planets by ERFA eraPlan94, with light time
/// and aberration.
[[nodiscard]] EquatorialPlace body_place(Body body, UtcTime time);

/// The bright star nearest to each pole of the sky, by whose name a mount is told of the pole.
enum class PoleStar { kPolaris, kSigmaOctantis };
inline constexpr base::EnumWords<PoleStar, 2> kPoleStarWords{{"polaris", "sigma-octantis"}};
/// Of the pole that is raised there; on the equator the northern one.
[[nodiscard]] PoleStar pole_star(double latitude_deg);
/// Its apparent place, true equator and equinox of date.
/// @param time  kFirstTime to kLastTime
/// Accuracy: 1 arcsec. Source: places, motions and parallaxes of the Hipparcos catalogue (ESA 1997,
/// new reduction by van Leeuwen 2007), brought to date by ERFA.
[[nodiscard]] EquatorialPlace star_place(PoleStar star, UtcTime time);

/// The Sun for a catalogue of the year 2000: astrometric, axes of the ICRS; with light time,
/// without aberration, as a device expects it that takes precession, nutation and aberration into
/// account. Accuracy: 0.1 arcsec, 1972 to 2100. Source: ERFA eraEpv00.
[[nodiscard]] EquatorialPlace sun_of_j2000(UtcTime time);

/// The apparent place of the Sun in the same form.
[[nodiscard]] EquatorialPlace place_of(const GeocentricSun& sun);

/// Where a site sees a place.
struct LocalPlace {
  double hour_angle_deg = 0.0;        ///< geocentric, west positive, [-180, 180)
  double azimuth_deg = 0.0;           ///< topocentric, from north through east, [0, 360)
  double altitude_airless_deg = 0.0;  ///< topocentric
  double altitude_deg = 0.0;          ///< topocentric, refracted
};

/// @param place              apparent, of date
/// @param sidereal_time_deg  Greenwich apparent, of the same instant
/// Accuracy: 0.1 arcsec for the place given; diurnal parallax and aberration are applied.
[[nodiscard]] LocalPlace local_place(const EquatorialPlace& place, double sidereal_time_deg,
                                     const Observer& observer);

/// The same place as a site sees it, among stars: so far away that it is the same from everywhere.
/// @param place              apparent, of date, from the centre of the Earth
/// @param sidereal_time_deg  Greenwich apparent, of the same instant
/// Accuracy: as local_place; without refraction. Diurnal aberration stays in it (0.3 arcsec).
[[nodiscard]] EquatorialPlace topocentric_place(const EquatorialPlace& place,
                                                double sidereal_time_deg, const Observer& observer);

/// Angle between two places (degree), both seen from one point.
[[nodiscard]] double separation_deg(const EquatorialPlace& first, const EquatorialPlace& second);

}  // namespace solarchon::sky
