// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "solarchon/seeing/air.h"
#include "solarchon/seeing/lattice.h"

namespace solarchon::seeing {

/// A displacement in the picture (arcsec).
struct Shift {
  double right = 0.0;
  double down = 0.0;
};

/// Where the air shows each place of a field at an instant: smooth, and never the same twice.
class MotionField {
 public:
  /// @param right, down  of the place, from anywhere (arcsec)
  [[nodiscard]] Shift at(double right_arcsec, double down_arcsec) const;

 private:
  friend class Turbulence;
  struct Wave {
    double right_rad_arcsec;  ///< how its phase grows over the field
    double down_rad_arcsec;
    double phase_rad;
    double right_arcsec;  ///< its amplitude
    double down_arcsec;
  };
  std::vector<Wave> waves_;
};

/// What the air does at the places of a lattice: each member holds rows * columns values.
struct LatticeMotion {
  std::vector<float> right_arcsec;
  std::vector<float> down_arcsec;
  std::vector<float>
      log_r0;  ///< by how much the logarithm of r0 is larger there than in the middle
};

/// Two layers of distortion that the wind carries along: one near the ground, which moves hundreds
/// of arcseconds together, and one high up, which moves some. Time runs; any instant can be asked
/// for, and the same instant shows the same.
///
/// Each layer is a sum of waves whose strength follows the tilts of Kolmogorov's turbulence over
/// the aperture, frozen and drawn over it by the wind: neighbouring frames are alike for about
/// aperture / wind.
class Turbulence {
 public:
  Turbulence(const Air& air, double wavelength_nm, double aperture_mm);
  /// Fried's parameter at 500 nm (cm) at an instant: it wanders about its median within minutes.
  [[nodiscard]] double r0_cm(double seconds) const;
  [[nodiscard]] MotionField motion(double seconds) const;
  /// The same over a lattice, some ten times faster than place by place, and how the blur differs
  /// over it: by Air::wander times 0.4, in patches of one to four arcminutes that the wind carries.
  /// Accuracy: 0.001 of the motion's deviation against `motion`.
  [[nodiscard]] LatticeMotion motion_over(const Lattice& lattice, double seconds) const;

 private:
  struct LayerWave {
    double right_per_m;  ///< wave number (rad/m)
    double down_per_m;
    double phase_rad;
    double right_arcsec;
    double down_arcsec;
    double height_m;
    double wind_right_m_s;
    double wind_down_m_s;
  };
  void add_layer(double height_m, double wind_m_s, double variance_arcsec2, std::uint32_t layer);

  /// Of the blur over the field: phases per arcsecond and second.
  struct CalmWave {
    double right_rad_arcsec;
    double down_rad_arcsec;
    double rad_s;
    double phase_rad;
    double amplitude;
  };
  void add_calm(std::uint32_t seed);
  [[nodiscard]] double strength(double seconds) const;

  Air air_;
  double aperture_m_;
  std::vector<LayerWave> waves_;
  std::vector<CalmWave> calm_;
};

}  // namespace solarchon::seeing
