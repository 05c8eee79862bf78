// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>

#include "solarchon/optics/parts.h"

namespace solarchon::optics {

inline constexpr double kNmPerAngstrom = 0.1;

/// What one part lets pass: a band, and what leaks beside it.
struct Passing {
  double from_nm = 0.0;
  double to_nm = 1e6;
  double inside = 1.0;   ///< transmission within the band
  double outside = 0.0;  ///< transmission beside it
  [[nodiscard]] double at(double wavelength_nm) const {
    return wavelength_nm >= from_nm && wavelength_nm <= to_nm ? inside : outside;
  }
};

/// Coated glass 0.98, mirrors 0.95; filters by their own figures; unknown parts pass everything,
/// which is the worst case for what stands behind them.
[[nodiscard]] Passing passing_of(const Part& part);

/// Transmission for the light that makes the image: of an etalon the peak of one order.
[[nodiscard]] double image_transmission(const Part& part, double wavelength_nm);

/// Sunlight on its way, split into eleven bands from 300 to 2500 nm, as a share of what fell in.
/// Within a band it knows which share of the width is still open, so that two narrow filters of the
/// same colour are not multiplied into false safety.
class Light {
 public:
  static constexpr std::size_t kBands = 11;
  /// Full sunlight, scaled.
  explicit Light(double scale = 1.0);
  void pass(const Passing& part);
  void scale(double factor);
  void add(const Light& other);
  /// Share of the whole energy that is left, 0 to 1.
  [[nodiscard]] double energy() const;
  /// Share of what the eye sees of it that is left, 0 to 1.
  [[nodiscard]] double luminous() const;

 private:
  [[nodiscard]] double weighed(const std::array<double, kBands>& shares) const;
  std::array<double, kBands> open_{};   ///< share of the band's width that narrow filters left
  std::array<double, kBands> level_{};  ///< transmission there
  std::array<double, kBands> leak_{};   ///< share of the band's energy that leaks beside
};

}  // namespace solarchon::optics
