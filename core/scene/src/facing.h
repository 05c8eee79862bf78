// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "geometry.h"
#include "solarchon/scene/picture.h"
#include "solarchon/sky/disc.h"

namespace solarchon::scene {

/// Where a point of a picture lies on the Sun.
struct Emergence {
  bool on_disc = false;
  double cosine = 0.0;  ///< to the vertical there
  Vector point{};       ///< west, north, towards the observer
};

/// The Sun as it faces the observer in a picture.
class Facing {
 public:
  Facing(const sky::DiscView& view, const Grid& grid);

  /// @param dx, dy      from the disc's centre (px), y up
  /// @param radius_px   their length
  [[nodiscard]] Emergence emergence(double dx, double dy, double radius_px) const;
  /// Of a point of the surface: the sine of its latitude, and its Carrington longitude (rad).
  struct Place {
    double sin_latitude;
    double longitude_rad;
  };
  [[nodiscard]] Place place(const Vector& point) const;

  [[nodiscard]] double limb_px() const { return limb_px_; }
  [[nodiscard]] double distance_radii() const { return distance_radii_; }
  /// On the surface, in the middle of the disc.
  [[nodiscard]] double pixel_km() const { return pixel_km_; }
  /// Of an offset in the picture (px, y up) towards solar west.
  [[nodiscard]] double west(double dx, double dy) const { return dx * right_[0] + dy * up_[0]; }

 private:
  double scale_arcsec_px_;
  double cos_b0_;
  double sin_b0_;
  double l0_rad_;
  double distance_radii_;
  double limb_px_;
  double pixel_km_;
  std::array<double, 2> right_{};
  std::array<double, 2> up_{};
};

}  // namespace solarchon::scene
