// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/scene/filament.h"
#include "solarchon/scene/magnetism.h"
#include "solarchon/scene/picture.h"
#include "solarchon/scene/synthetic_sun.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/time.h"

namespace solarchon::scene {

/// A flare, as it stands at an instant.
struct FlareNow {
  double latitude_deg = 0.0;
  double carrington_longitude_deg = 0.0;
  double age_s = 0.0;       ///< since it began
  double brightness = 0.0;  ///< of its ribbons against the continuum, 0 to 1.2
};

/// What lies over the photosphere at an instant: fibrils along the field, plage, filaments, loops,
/// surges, flares, and the fringe at the limb. Made once for an instant, and asked by pictures.
class Chromosphere {
 public:
  Chromosphere(const SyntheticSun& sun, sky::UtcTime time);

  [[nodiscard]] const Magnetism& magnetism() const { return *magnetism_; }
  /// Those whose ribbons shine brighter than a hundredth of the continuum.
  [[nodiscard]] std::vector<FlareNow> flares() const;

 private:
  friend class CloudPainter;
  std::uint32_t seed_;
  double seconds_;
  std::shared_ptr<const Magnetism> magnetism_;
};

/// What each pixel of a picture holds, before it is looked at through a filter. Kept, it can be
/// seen through one filter after another at once.
struct Layers {
  int width = 0;
  int height = 0;
  Picture continuum;                 ///< the photosphere, against the disc's centre
  Picture core;                      ///< the same in the core of the line
  std::vector<float> thickness;      ///< optical, of what lies over it, in the core of its line
  std::vector<float> source;         ///< its own light, in units of the continuum
  std::vector<float> velocity_km_s;  ///< away from the observer, against the surface there
};

/// Lays out the Sun for hydrogen alpha.
/// Takes about 0.5 microseconds a pixel, at most about a second for a whole disc.
/// Errors: kCancelled.
[[nodiscard]] base::Result<Layers> lay_out(const Photosphere& photosphere,
                                           const Chromosphere& chromosphere,
                                           const sky::DiscView& view, const Grid& grid,
                                           const base::Task& task = {});

/// What a filter passes about the line.
struct LinePassband {
  double step_angstrom = 0.02;
  /// Row of transmissions, the middle one at `centre_angstrom`; an odd number of them.
  std::vector<double> transmission;
  double centre_angstrom = 0.0;  ///< against the line at rest, red positive
  /// How far the passband lies from there at `edge_px` from the picture's middle; grows with the
  /// square. Negative: blue.
  double edge_shift_angstrom = 0.0;
  double edge_px = 1.0;
  double middle_x_px = 0.0;  ///< of the field, where the passband is that of the axis
  double middle_y_px = 0.0;
};

/// The picture that a filter makes of the layers: 1 is the quiet centre of the disc as it is seen
/// with the filter on the line. The Sun's rotation shifts the line from limb to limb.
/// Source: Beckers' cloud model: I0 exp(-t) + S (1 - exp(-t)) at each wavelength, with the line
/// profile light::hydrogen_alpha_profile and clouds whose lines are 0.4 angstrom wide.
[[nodiscard]] Picture through(const Layers& layers, const LinePassband& passband,
                              const sky::DiscView& view, const Grid& grid);

/// Away from the observer (km/s), by the Sun's rotation.
/// @param west  of the disc's centre, in solar radii
/// @param sin_latitude  of the place
[[nodiscard]] double rotation_km_s(double west, double sin_latitude, double b0_deg);

}  // namespace solarchon::scene
