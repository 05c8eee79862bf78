// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <vector>

#include "solarchon/base/middle.h"
#include "solarchon/disc/disc_model.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/finishing.h"

namespace solarchon::reduce {

using image::Picture;

namespace {

constexpr double kDark = 0.85;    ///< of the light around it
constexpr float kNone = 1e6F;     ///< no dark detail anywhere
constexpr double kWithin = 0.92;  ///< of the radius: nearer to the limb its own fall counts
constexpr int kFurthest_px = 9;
constexpr float kQuiet_px = 24.0F;

/// How far each pixel is from the next one that is dark (px), to 5 per cent.
std::vector<float> far_from(const std::vector<float>& light, int width, int height) {
  std::vector<float> far(light.size(), kNone);
  for (std::size_t i = 0; i < light.size(); ++i) {
    if (light[i] > 0.0F && light[i] < static_cast<float>(kDark)) {
      far[i] = 0.0F;
    }
  }
  constexpr float kStraight = 0.955F;
  constexpr float kAslant = 1.369F;  // Borgefors 1986
  const auto pass = [&](int from, int to, int step) {
    for (int y = from; y != to; y += step) {
      const int begin = step > 0 ? 0 : width - 1;
      const int end = step > 0 ? width : -1;
      for (int x = begin; x != end; x += step) {
        float& here = far[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
                          static_cast<std::size_t>(x)];
        const auto look = [&](int i, int j, float cost) {
          if (i >= 0 && j >= 0 && i < width && j < height) {
            here = std::min(
                here, cost + far[static_cast<std::size_t>(j) * static_cast<std::size_t>(width) +
                                 static_cast<std::size_t>(i)]);
          }
        };
        look(x - step, y, kStraight);
        look(x - 1, y - step, kAslant);
        look(x, y - step, kStraight);
        look(x + 1, y - step, kAslant);
      }
    }
  };
  pass(0, height, 1);
  pass(height - 1, -1, -1);
  return far;
}

/// A picture over the light that the Sun has there; 0 where that is not asked.
std::vector<float> without_darkening(const Picture& picture,
                                     const std::optional<disc::DiscModel>& disc) {
  std::vector<float> even = picture.values;
  std::vector<double> some;
  for (std::size_t i = 0; i < even.size(); i += 7) {
    some.push_back(static_cast<double>(even[i]));
  }
  const double middle = std::max(1e-6, base::middle_of(std::move(some)));
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      float& value = even[static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width) +
                          static_cast<std::size_t>(x)];
      double light = middle;
      if (disc) {
        const double far = std::hypot(x - disc->limb.centre_x_px, y - disc->limb.centre_y_px);
        light = far < kWithin * disc->limb.radius_px ? disc->inside(far) : 0.0;
      }
      value = light > 0.0 ? std::max(1e-6F, value / static_cast<float>(light)) : 0.0F;
    }
  }
  return even;
}

/// What a ring about the dark detail has over what is far from it, and how sure that is.
struct Excess {
  double mean = 0.0;
  double error = 0.0;
};
std::vector<Excess> excesses(const std::vector<float>& light, const std::vector<float>& far) {
  struct Sum {
    double values = 0.0;
    double squares = 0.0;
    double count = 0.0;
    void add(double value) {
      values += value;
      squares += value * value;
      count += 1.0;
    }
  };
  Sum quiet;
  std::vector<Sum> rings(kFurthest_px + 1);
  for (std::size_t i = 0; i < light.size(); ++i) {
    if (light[i] <= 0.0F || far[i] < 0.5F) {
      continue;
    }
    if (far[i] >= kQuiet_px) {
      quiet.add(static_cast<double>(light[i]));
    } else if (const auto ring = static_cast<std::size_t>(std::lround(far[i]));
               ring < rings.size()) {
      rings[ring].add(static_cast<double>(light[i]));
    }
  }
  constexpr double kEnough = 60.0;
  std::vector<Excess> made(rings.size());
  if (quiet.count < kEnough) {
    return made;
  }
  const double mean = quiet.values / quiet.count;
  const double spread = std::sqrt(std::max(0.0, quiet.squares / quiet.count - mean * mean)) / mean;
  for (std::size_t ring = 0; ring < rings.size(); ++ring) {
    if (rings[ring].count >= kEnough) {
      constexpr double kAlike = 16.0;  // pixels of one grain
      made[ring] = {rings[ring].values / rings[ring].count / mean - 1.0,
                    spread * std::sqrt(kAlike / rings[ring].count)};
    }
  }
  return made;
}

}  // namespace

double rim_about_dark(const Picture& before, const Picture& after) {
  if (before.width != after.width || before.height != after.height) {
    return 0.0;
  }
  const Picture was = image::grey_of(before);
  const Picture is = image::grey_of(after);
  constexpr double kClear_px = 4.0;
  const auto disc = disc::disc_in(was, was.values, kClear_px, {});
  const std::vector<float> old_light = without_darkening(was, disc);
  const std::vector<float> far = far_from(old_light, was.width, was.height);
  const std::vector<Excess> old_rings = excesses(old_light, far);
  const std::vector<Excess> new_rings = excesses(without_darkening(is, disc), far);
  double most = 0.0;
  for (std::size_t ring = 0; ring < old_rings.size(); ++ring) {
    most = std::max(most, new_rings[ring].mean - 2.0 * new_rings[ring].error -
                              std::max(0.0, old_rings[ring].mean));
  }
  return most;
}

}  // namespace solarchon::reduce
