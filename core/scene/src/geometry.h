// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>

#include "solarchon/base/angle.h"

namespace solarchon::scene {

using Vector = std::array<double, 3>;

inline constexpr double kSolarRadiusMm = 695.7;  ///< kSolarRadiusKm in 10^6 m
inline constexpr double kSecondsPerDay = 86400.0;

inline double dot(const Vector& a, const Vector& b) {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

/// On the surface: west, to the pole, and towards longitude 0 on the equator.
inline Vector on_sphere(double latitude_rad, double longitude_rad) {
  return {std::cos(latitude_rad) * std::sin(longitude_rad), std::sin(latitude_rad),
          std::cos(latitude_rad) * std::cos(longitude_rad)};
}

inline Vector scaled_to(const Vector& a, double length) {
  const double scale = length / std::sqrt(dot(a, a));
  return {a[0] * scale, a[1] * scale, a[2] * scale};
}

/// A point plus so much of a direction.
inline Vector along(const Vector& from, const Vector& direction, double way) {
  return {from[0] + way * direction[0], from[1] + way * direction[1], from[2] + way * direction[2]};
}

/// 0 well inside an edge at 0, 1 well outside, rising over +-width.
inline double soft_step(double distance, double width) {
  const double share = std::clamp(0.5 + 0.5 * distance / width, 0.0, 1.0);
  return share * share * (3.0 - 2.0 * share);
}

/// Bits that belong to three whole numbers.
inline std::uint64_t hashed_bits(std::int64_t a, std::int64_t b, std::uint64_t c) {
  auto x = static_cast<std::uint64_t>(a) * 0x9e3779b97f4a7c15ULL ^
           static_cast<std::uint64_t>(b) * 0xbf58476d1ce4e5b9ULL ^ c * 0x94d049bb133111ebULL;
  x = (x ^ (x >> 30U)) * 0xbf58476d1ce4e5b9ULL;
  x = (x ^ (x >> 27U)) * 0x94d049bb133111ebULL;
  return x ^ (x >> 31U);
}

/// A number from -1 to 1 that belongs to three whole ones.
inline double hashed(std::int64_t a, std::int64_t b, std::uint64_t c) {
  return static_cast<double>(hashed_bits(a, b, c) >> 11U) * 0x1p-52 - 1.0;
}

/// The same from 0 to 1.
inline double hashed_share(std::int64_t a, std::int64_t b, std::uint64_t c) {
  return 0.5 + 0.5 * hashed(a, b, c);
}

/// Smooth noise in space, -1 to 1, in lumps about as large as the unit of `place`.
inline double lumps(const Vector& place, std::uint64_t seed) {
  std::array<std::int64_t, 3> cell{};
  Vector share{};
  for (std::size_t i = 0; i < 3; ++i) {
    const double whole = std::floor(place.at(i));
    const double part = place.at(i) - whole;
    cell.at(i) = static_cast<std::int64_t>(whole);
    share.at(i) = part * part * (3.0 - 2.0 * part);
  }
  double sum = 0.0;
  for (std::int64_t corner = 0; corner < 8; ++corner) {
    const std::int64_t x = corner & 1;
    const std::int64_t y = (corner >> 1) & 1;
    const std::int64_t z = corner >> 2;
    const double weight = (x == 1 ? share[0] : 1.0 - share[0]) *
                          (y == 1 ? share[1] : 1.0 - share[1]) *
                          (z == 1 ? share[2] : 1.0 - share[2]);
    sum += weight *
           hashed(cell[0] + x, cell[1] + y, seed + 977U * static_cast<std::uint64_t>(cell[2] + z));
  }
  return sum;
}

/// One of many short lives that follow each other without a pause: which it is now, how far it has
/// come, and how much of it is seen.
struct Turn {
  std::int64_t count = 0;  ///< how many there were before
  double share = 0.0;      ///< of its life
  [[nodiscard]] double seen() const {
    const double wave = std::sin(base::kPi * share);
    return wave * wave;
  }
};
/// @param offset  0 to 1: where in its lives it stands at second 0
inline Turn turn_of(double seconds, double life_s, double offset) {
  const double lives = seconds / life_s + offset;
  const double whole = std::floor(lives);
  return {static_cast<std::int64_t>(whole), lives - whole};
}

}  // namespace solarchon::scene
