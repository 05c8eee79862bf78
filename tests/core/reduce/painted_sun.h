// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <numbers>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/image/picture.h"

namespace solarchon::test {

/// How a painted Sun lies in a picture.
struct SunPlace {
  double x_px = 0.0;
  double y_px = 0.0;
  double radius_px = 100.0;
  double turn_deg = 0.0;  ///< clockwise
  double light = 1.0;
  double noise = 0.0;
  double blur_px = 1.2;
};

/// A disc with a darkened limb, grains all over it, and round dark spots, by formulas of its own:
/// nothing of the program draws it.
class PaintedSun {
 public:
  struct Blot {
    double x = 0.0;  ///< in radii, to the right and down
    double y = 0.0;
    double strength = 0.0;
    double size_px = 2.0;  ///< deviation
    double squeeze = 1.0;  ///< narrower by that towards the limb, as what lies on a sphere is
  };
  explicit PaintedSun(int grains, double contrast = 0.06, std::uint32_t seed = 9) {
    base::Random random{seed};
    for (int i = 0; i < grains;) {
      const double x = 2.0 * random.uniform() - 1.0;
      const double y = 2.0 * random.uniform() - 1.0;
      if (x * x + y * y < 0.98) {
        blots.push_back({x, y, random.uniform() < 0.5 ? -contrast : contrast, 1.8});
        ++i;
      }
    }
  }

  /// Over the middle's, by the fifth-order law of Neckel and Labs (1994) at 541.8 nm.
  [[nodiscard]] static double darkening(double mu) {
    return 0.37001 +
           mu * (1.28590 + mu * (-1.24892 + mu * (1.17063 + mu * (-0.79103 + 0.21341 * mu))));
  }

  [[nodiscard]] image::Picture picture(int width, int height, const SunPlace& place,
                                       base::Random& random) const {
    image::Picture made;
    made.width = width;
    made.height = height;
    made.values.resize(made.plane_size());
    std::vector<double> detail(made.plane_size(), 1.0);
    const double c = std::cos(place.turn_deg * std::numbers::pi / 180.0);
    const double s = std::sin(place.turn_deg * std::numbers::pi / 180.0);
    for (const Blot& blot : blots) {
      const double x = place.x_px + place.radius_px * (c * blot.x - s * blot.y);
      const double y = place.y_px + place.radius_px * (s * blot.x + c * blot.y);
      const double size = std::hypot(blot.size_px, place.blur_px);
      const double height_of = blot.strength * blot.size_px * blot.size_px / (size * size);
      const int reach = static_cast<int>(std::ceil(4.0 * size));
      const int left = static_cast<int>(std::lround(x));
      const int top = static_cast<int>(std::lround(y));
      for (int j = std::max(0, top - reach); j <= std::min(height - 1, top + reach); ++j) {
        for (int i = std::max(0, left - reach); i <= std::min(width - 1, left + reach); ++i) {
          double squares = (i - x) * (i - x) + (j - y) * (j - y);
          const double out = std::hypot(x - place.x_px, y - place.y_px);
          if (blot.squeeze < 1.0 && out > 0.0) {
            const double along = ((i - x) * (x - place.x_px) + (j - y) * (y - place.y_px)) / out;
            squares += along * along * (1.0 / (blot.squeeze * blot.squeeze) - 1.0);
          }
          detail[static_cast<std::size_t>(j) * static_cast<std::size_t>(width) +
                 static_cast<std::size_t>(i)] +=
              height_of * std::exp(-squares / (2.0 * size * size));
        }
      }
    }
    for (int j = 0; j < height; ++j) {
      for (int i = 0; i < width; ++i) {
        const std::size_t at = static_cast<std::size_t>(j) * static_cast<std::size_t>(width) +
                               static_cast<std::size_t>(i);
        const double far = std::hypot(i - place.x_px, j - place.y_px);
        const double share = std::min(1.0, far / place.radius_px);
        const double edge =
            0.5 * std::erfc((far - place.radius_px) / (std::numbers::sqrt2 * place.blur_px));
        const double light = darkening(std::sqrt(std::max(0.0, 1.0 - share * share)));
        made.values[at] = static_cast<float>(place.light * 0.7 * light * edge * detail[at] +
                                             place.noise * random.normal());
      }
    }
    return made;
  }

  std::vector<Blot> blots;
};

}  // namespace solarchon::test
