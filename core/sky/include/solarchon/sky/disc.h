// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// How the solar disc hangs in the sky, and from where it is seen.
struct DiscView {
  double p_deg = 0.0;   ///< position angle of the solar north pole, from celestial north by east
  double b0_deg = 0.0;  ///< heliographic latitude of the disc's centre
  double l0_deg = 0.0;  ///< Carrington longitude of the disc's centre, [0, 360)
  double distance_au = 1.0;
  double carrington_rotation = 0.0;  ///< whole rotations + 1 - L0/360
};

/// Orientation of the disc for an observer at the centre of the Earth.
/// Accuracy: 0.005 degree (P, B0), 0.01 degree (L0) against an independent library.
/// Source: IAU rotation elements of the Sun (alpha 286.13, delta +63.87, W = 84.176 + 14.1844 d)
/// at the instant the light left the near point of the surface; no stellar aberration.
[[nodiscard]] DiscView disc_view(UtcTime time);

/// A direction relative to the centre of the disc, on the tangent plane (arcsec): helioprojective.
struct DiscPlace {
  double west_arcsec = 0.0;   ///< towards solar west
  double north_arcsec = 0.0;  ///< towards solar north
  bool operator==(const DiscPlace&) const = default;
};

/// A point of the solar surface.
struct SurfacePoint {
  double latitude_deg = 0.0;              ///< heliographic, north positive
  double carrington_longitude_deg = 0.0;  ///< [0, 360)
  double cos_emergence = 1.0;  ///< cosine of the angle between line of sight and vertical; 1 centre
};

/// What surface point a direction shows.
/// @return  none when the direction misses the Sun
/// Source: Thompson, Astronomy and Astrophysics 449 (2006) 791, finite distance.
[[nodiscard]] std::optional<SurfacePoint> surface_point(const DiscPlace& place,
                                                        const DiscView& view);

/// Where a surface point is seen; none when it lies on the far side.
/// The inverse of surface_point.
[[nodiscard]] std::optional<DiscPlace> disc_place(double latitude_deg,
                                                  double carrington_longitude_deg,
                                                  const DiscView& view);

/// How the sky lies in a picture, top row up. For celestial or for solar north, as the user says.
struct PictureOrientation {
  double north_deg = 0.0;  ///< direction of north, from up, clockwise, [0, 360)
  bool mirrored = false;   ///< east lies clockwise of north; unmirrored it lies counter-clockwise
  bool operator==(const PictureOrientation&) const = default;
};

/// The solar orientation of a picture whose celestial orientation is known.
/// @param p_deg  position angle of the solar pole (degree)
[[nodiscard]] PictureOrientation solar_orientation(const PictureOrientation& celestial,
                                                   double p_deg);

/// An offset in a picture, x to the right and y up, in any unit.
struct PictureOffset {
  double right = 0.0;
  double up = 0.0;
};

/// Offset in the picture to offset on the sky, and back. The unit stays the caller's.
[[nodiscard]] DiscPlace to_disc(const PictureOffset& offset, const PictureOrientation& solar);
[[nodiscard]] PictureOffset to_picture(const DiscPlace& place, const PictureOrientation& solar);

/// Angular radius of the photosphere (arcsec) at a distance (au, above 0.1).
[[nodiscard]] double semidiameter_arcsec(double distance_au);

/// The same limb on the tangent plane, where pictures are drawn (arcsec); 0.01 arcsec more.
[[nodiscard]] double limb_radius_arcsec(double distance_au);

}  // namespace solarchon::sky
