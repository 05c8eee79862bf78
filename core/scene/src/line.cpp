// SPDX-License-Identifier: GPL-3.0-or-later
// Light of the layers through a narrow passband.
#include <algorithm>
#include <array>
#include <cmath>

#include "facing.h"
#include "solarchon/base/parallel.h"
#include "solarchon/light/hydrogen_alpha.h"
#include "solarchon/scene/chromosphere.h"

namespace solarchon::scene {

using base::kRadPerDeg;

namespace {

constexpr double kCloudWidth = 0.40;  // angstrom, to 1/e
constexpr double kAngstromPerKmS = 1.0 / 45.7;
constexpr int kShifts = 17;
constexpr int kThicknesses = 20;
constexpr int kVelocities = 25;
constexpr double kFastest = 260.0;  // km/s
constexpr double kSlow = 12.0;      // about which the table is fine

/// What a filter passes of each of the three parts of a pixel's light.
struct Passed {
  float continuum;
  float core;
  float cloud;
};

/// Sums over the passband, made once for a picture and then looked up.
class Table {
 public:
  Table(const LinePassband& passband, double first_shift, double last_shift)
      : first_(first_shift),
        step_(std::max(1e-6, (last_shift - first_shift) / (kShifts - 1))),
        cells_(static_cast<std::size_t>(kShifts) * kThicknesses * kVelocities) {
    const double quiet = quiet_light(passband);
    base::each_row(kShifts, {}, [&](int shift) { fill(passband, shift, quiet); });
  }

  /// @param shift     of the passband against the line of the place (angstrom)
  [[nodiscard]] Passed at(double shift, double thickness, double velocity) const {
    const auto split = [](double place, int count) {
      const double held = std::clamp(place, 0.0, count - 1.001);
      const int low = static_cast<int>(held);
      return std::pair(low, static_cast<float>(held - low));
    };
    const auto [s, ds] = split((shift - first_) / step_, kShifts);
    const auto [t, dt] = split(thickness / (1.0 + thickness) * (kThicknesses - 1), kThicknesses);
    const auto [v, dv] = split(place_of(velocity), kVelocities);
    Passed out{0.0F, 0.0F, 0.0F};
    for (int i = 0; i < 2; ++i) {
      for (int j = 0; j < 2; ++j) {
        const float weight = (i == 0 ? 1.0F - ds : ds) * (j == 0 ? 1.0F - dt : dt);
        const Passed* cell = &cells_[index(s + i, t + j, v)];
        const float low = weight * (1.0F - dv);
        const float high = weight * dv;
        out.continuum += low * cell[0].continuum + high * cell[1].continuum;
        out.core += low * cell[0].core + high * cell[1].core;
        out.cloud += low * cell[0].cloud + high * cell[1].cloud;
      }
    }
    return out;
  }

 private:
  [[nodiscard]] static std::size_t index(int shift, int thickness, int velocity) {
    return (static_cast<std::size_t>(shift) * kThicknesses + static_cast<std::size_t>(thickness)) *
               kVelocities +
           static_cast<std::size_t>(velocity);
  }
  [[nodiscard]] static double place_of(double velocity) {
    static const double most = std::asinh(kFastest / kSlow);
    return (std::asinh(velocity / kSlow) / most + 1.0) * 0.5 * (kVelocities - 1);
  }

  /// The quiet disc's centre through the passband.
  static double quiet_light(const LinePassband& passband) {
    double light = 0.0;
    const double half = 0.5 * static_cast<double>(passband.transmission.size() - 1);
    for (std::size_t i = 0; i < passband.transmission.size(); ++i) {
      const double offset = (static_cast<double>(i) - half) * passband.step_angstrom;
      light += passband.transmission[i] * light::hydrogen_alpha_profile(offset);
    }
    return light;
  }

  void fill(const LinePassband& passband, int shift, double quiet) {
    const double half = 0.5 * static_cast<double>(passband.transmission.size() - 1);
    const double centre = first_ + shift * step_;
    const std::size_t count = passband.transmission.size();
    std::vector<double> from_continuum(count);
    std::vector<double> from_core(count);
    std::vector<double> offsets(count);
    for (std::size_t i = 0; i < count; ++i) {
      offsets[i] = (static_cast<double>(i) - half) * passband.step_angstrom + centre;
      const double profile = light::hydrogen_alpha_profile(offsets[i]);
      const double deep = (1.0 - profile) / (1.0 - light::kHydrogenAlphaCore);
      from_continuum[i] = passband.transmission[i] * profile * (1.0 - deep) / quiet;
      from_core[i] = passband.transmission[i] * profile * deep / quiet;
    }
    static const double most = std::asinh(kFastest / kSlow);
    for (int v = 0; v < kVelocities; ++v) {
      const double velocity = kSlow * std::sinh((2.0 * v / (kVelocities - 1) - 1.0) * most);
      std::vector<double> shape(count);
      for (std::size_t i = 0; i < count; ++i) {
        const double off = (offsets[i] - velocity * kAngstromPerKmS) / kCloudWidth;
        shape[i] = std::exp(-off * off);
      }
      for (int t = 0; t < kThicknesses; ++t) {
        constexpr double kThickest = 40.0;
        const double share = static_cast<double>(t) / (kThicknesses - 1);
        const double thickness = share < 1.0 ? share / (1.0 - share) : kThickest;
        double continuum = 0.0;
        double core = 0.0;
        double cloud = 0.0;
        for (std::size_t i = 0; i < count; ++i) {
          const double passed = std::exp(-thickness * shape[i]);
          continuum += from_continuum[i] * passed;
          core += from_core[i] * passed;
          cloud += passband.transmission[i] / quiet * (1.0 - passed);
        }
        cells_[index(shift, t, v)] = {static_cast<float>(continuum), static_cast<float>(core),
                                      static_cast<float>(cloud)};
      }
    }
  }

  double first_;
  double step_;
  std::vector<Passed> cells_;
};

}  // namespace

double rotation_km_s(double west, double sin_latitude, double b0_deg) {
  const double deg_per_day = 14.522 - 2.84 * sin_latitude * sin_latitude;
  return deg_per_day * kRadPerDeg / kSecondsPerDay * kSolarRadiusKm * west *
         std::cos(b0_deg * kRadPerDeg);
}

Picture through(const Layers& layers, const LinePassband& passband, const sky::DiscView& view,
                const Grid& grid) {
  const Facing facing(view, grid);
  const auto field_shift = [&](double x, double y) {
    const double dx = x - passband.middle_x_px;
    const double dy = y - passband.middle_y_px;
    return passband.edge_shift_angstrom * (dx * dx + dy * dy) /
           (passband.edge_px * passband.edge_px);
  };
  double least = 0.0;
  double most = 0.0;
  for (const double x : {0.0, layers.width - 1.0}) {
    for (const double y : {0.0, layers.height - 1.0}) {
      least = std::min(least, field_shift(x, y));
      most = std::max(most, field_shift(x, y));
    }
  }
  constexpr double kRotation = 0.05;  // angstrom, at the limbs
  const Table table(passband, passband.centre_angstrom + least - kRotation,
                    passband.centre_angstrom + most + kRotation);
  Picture picture(layers.continuum.size());
  base::each_row(layers.height, {}, [&](int y) {
    const std::size_t start = static_cast<std::size_t>(y) * static_cast<std::size_t>(layers.width);
    const double dy = grid.centre_y_px - y;
    for (int x = 0; x < layers.width; ++x) {
      const std::size_t at = start + static_cast<std::size_t>(x);
      const double dx = x - grid.centre_x_px;
      const double west = std::clamp(facing.west(dx, dy) / facing.limb_px(), -1.0, 1.0);
      constexpr double kMiddleLatitude = 0.25;  // sine; the rest is a hundredth of an angstrom
      const double shift = passband.centre_angstrom + field_shift(x, y) -
                           rotation_km_s(west, kMiddleLatitude, view.b0_deg) * kAngstromPerKmS;
      const Passed passed = table.at(shift, static_cast<double>(layers.thickness[at]),
                                     static_cast<double>(layers.velocity_km_s[at]));
      picture[at] = passed.continuum * layers.continuum[at] + passed.core * layers.core[at] +
                    passed.cloud * layers.source[at];
    }
  });
  return picture;
}

}  // namespace solarchon::scene
