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
constexpr int kThicknesses = 20;
constexpr int kVelocities = 25;
constexpr double kFastest = 260.0;  // km/s
constexpr double kSlow = 12.0;      // about which the table is fine

/// What a filter passes of each of the three parts of a pixel's light: continuum, core, cloud; the
/// fourth is there so that all are worked on at once.
using Passed = float __attribute__((vector_size(16)));
enum Part { kContinuum, kCore, kCloud };

Passed between(Passed a, Passed b, float part) { return a + part * (b - a); }

/// Sums over the passband, made once for a picture and then looked up.
class Table {
 public:
  Table(const LinePassband& passband, double first_shift, double last_shift)
      : first_(first_shift),
        shifts_(shifts_between(first_shift, last_shift)),
        step_((last_shift - first_shift) / (shifts_ - 1)),
        per_step_(static_cast<float>(1.0 / step_)),
        cells_(static_cast<std::size_t>(shifts_) * kThicknesses * kVelocities),
        places_(kSpeeds + 1) {
    const double quiet = quiet_light(passband);
    base::each_row(shifts_ * kVelocities, {},
                   [&](int row) { fill(passband, row / kVelocities, row % kVelocities, quiet); });
    for (int i = 0; i <= kSpeeds; ++i) {
      places_[static_cast<std::size_t>(i)] =
          static_cast<float>(place_of((2.0 * i / kSpeeds - 1.0) * kFastest));
    }
  }

  /// @param shift     of the passband against the line of the place (angstrom)
  [[nodiscard]] Passed at(float shift, float thickness, float velocity) const {
    const auto split = [](float place, int count) {
      const float held = std::clamp(place, 0.0F, static_cast<float>(count) - 1.001F);
      const int low = static_cast<int>(held);
      return std::pair(low, held - static_cast<float>(low));
    };
    const auto [s, ds] = split((shift - static_cast<float>(first_)) * per_step_, shifts_);
    const auto [t, dt] = split(thickness / (1.0F + thickness) * (kThicknesses - 1), kThicknesses);
    const auto [speed, part] = split((velocity * kPerFastest + 1.0F) * 0.5F * kSpeeds, kSpeeds + 1);
    const auto at_speed = static_cast<std::size_t>(speed);
    const auto [v, dv] =
        split(places_[at_speed] + part * (places_[at_speed + 1] - places_[at_speed]), kVelocities);
    const auto along_velocity = [this, v = v, dv = dv](int shift_at, int thickness_at) {
      const Passed* cell = &cells_[index(shift_at, thickness_at, v)];
      return between(cell[0], cell[1], dv);
    };
    return between(between(along_velocity(s, t), along_velocity(s, t + 1), dt),
                   between(along_velocity(s + 1, t), along_velocity(s + 1, t + 1), dt), ds);
  }

 private:
  static constexpr int kSpeeds = 1040;  // half a km/s apart
  static constexpr float kPerFastest = static_cast<float>(1.0 / kFastest);
  /// A fiftieth of an angstrom apart the profile is straight to a thousandth of the continuum.
  static int shifts_between(double first, double last) {
    constexpr double kFine = 0.025;  // angstrom
    constexpr int kFewest = 3;
    constexpr int kMost = 17;
    return std::clamp(static_cast<int>(std::ceil((last - first) / kFine)) + 1, kFewest, kMost);
  }
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

  void fill(const LinePassband& passband, int shift, int v, double quiet) {
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
      cells_[index(shift, t, v)] = Passed{static_cast<float>(continuum), static_cast<float>(core),
                                          static_cast<float>(cloud), 0.0F};
    }
  }

  double first_;
  int shifts_;
  double step_;
  float per_step_;
  std::vector<Passed> cells_;
  std::vector<float> places_;  ///< of velocities, evenly from the fastest towards us
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
  constexpr double kMiddleLatitude = 0.25;  // sine; the rest is a hundredth of an angstrom
  const double limb_angstrom = rotation_km_s(1.0, kMiddleLatitude, view.b0_deg) * kAngstromPerKmS;
  Picture picture(layers.continuum.size());
  base::each_row(layers.height, {}, [&](int y) {
    const std::size_t start = static_cast<std::size_t>(y) * static_cast<std::size_t>(layers.width);
    const double dy = grid.centre_y_px - y;
    for (int x = 0; x < layers.width; ++x) {
      const std::size_t at = start + static_cast<std::size_t>(x);
      const double dx = x - grid.centre_x_px;
      const double west = std::clamp(facing.west(dx, dy) / facing.limb_px(), -1.0, 1.0);
      const double shift = passband.centre_angstrom + field_shift(x, y) - limb_angstrom * west;
      const Passed passed =
          table.at(static_cast<float>(shift), layers.thickness[at], layers.velocity_km_s[at]);
      picture[at] = passed[kContinuum] * layers.continuum[at] + passed[kCore] * layers.core[at] +
                    passed[kCloud] * layers.source[at];
    }
  });
  return picture;
}

}  // namespace solarchon::scene
