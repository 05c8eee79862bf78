// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <vector>

#include "solarchon/sky/time.h"

namespace solarchon::scene {

/// A square picture that repeats itself without a seam, and its halved copies, so that it can be
/// asked for what is left of it in pixels of any size.
class Texture {
 public:
  /// @param tile      row-major, square; its side a power of two
  /// @param pixel_km  of the tile, on the surface
  Texture(std::vector<float> tile, double pixel_km);
  /// The mean over a square of that size, between the copies interpolated.
  /// @param east_km, north_km  any
  /// @param footprint_km       above 0; below a pixel of the tile it is interpolated
  [[nodiscard]] double at(double east_km, double north_km, double footprint_km) const;
  [[nodiscard]] double period_km() const { return period_km_; }
  [[nodiscard]] const std::vector<float>& tile() const { return levels_.front().values; }

 private:
  struct Level {
    int side;
    double pixel_km;
    std::vector<float> values;
    [[nodiscard]] double at(double east_km, double north_km) const;
  };
  std::vector<Level> levels_;
  double period_km_;
};

struct CellTiles;

/// What convection does to the quiet surface at an instant: granules, and the network that lies
/// between larger cells. Made once for an instant and asked by many pixels.
///
/// Cells grow out of the lanes between others, push them aside and are swallowed again, so that
/// they split and dissolve rather than fade; a minute later most are where they were.
class Convection {
 public:
  /// @param seed  of the Sun
  /// Takes some tenths of a second.
  Convection(std::uint32_t seed, sky::UtcTime time);

  /// A place on the surface, for a pixel that covers so much of it.
  struct Place {
    double sin_latitude = 0.0;
    double longitude_rad = 0.0;  ///< Carrington
    double footprint_km = 100.0;
  };
  /// Brightness of granulation about its mean, in units of its own deviation: mean 0, and
  /// deviation 1 for a small footprint.
  [[nodiscard]] double granules(const Place& place) const;
  /// How much of a place is taken by the bright points in the lanes of the network, 0 to 1.
  [[nodiscard]] double network(const Place& place) const;

 private:
  Convection(CellTiles granules, CellTiles network, CellTiles clumps);

  Texture granules_;
  Texture lanes_;    ///< between granules
  Texture network_;  ///< between larger cells
  Texture clumps_;
};

/// The convection of an instant, to the last whole two seconds. The last one that was asked for is
/// kept, so that frames of one moment share it. May be called from any thread.
[[nodiscard]] std::shared_ptr<const Convection> kept_convection(std::uint32_t seed,
                                                                sky::UtcTime time);

inline constexpr double kSolarRadiusKm = 695'700.0;  ///< nominal, IAU 2015 B3

/// Between granules (km). Source: the solar literature's 1.9 arcsec.
inline constexpr double kGranuleKm = 1400.0;
inline constexpr double kNetworkKm = 30'000.0;

/// Deviation of granulation over its mean before any blur.
/// @param cosine  of the angle to the vertical
/// About 0.20 at 500 nm and 0.14 at 630 nm in the middle of the disc, half of it at 0.3.
[[nodiscard]] double granule_contrast(double wavelength_nm, double cosine);
/// Of full faculae against what is around them: nothing in the middle of the disc, most near 0.25.
[[nodiscard]] double facula_contrast(double cosine);

}  // namespace solarchon::scene
