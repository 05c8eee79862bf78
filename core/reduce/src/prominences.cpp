// SPDX-License-Identifier: GPL-3.0-or-later
#include "prominences.h"

#include <algorithm>
#include <cmath>
#include <vector>

#include "solarchon/base/middle.h"
#include "solarchon/base/parallel.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Result;
using image::Picture;

namespace {

/// The middle of each ring of a pixel's width, from the limb outwards.
std::vector<double> glow_of(const Picture& picture, const disc::LimbFit& limb) {
  std::vector<std::vector<double>> rings;
  for (int y = 0; y < picture.height; ++y) {
    for (int x = 0; x < picture.width; ++x) {
      const double out = std::hypot(x - limb.centre_x_px, y - limb.centre_y_px) - limb.radius_px;
      if (out < 0.0) {
        continue;
      }
      const auto ring = static_cast<std::size_t>(out);
      if (ring >= rings.size()) {
        rings.resize(ring + 1);
      }
      rings[ring].push_back(static_cast<double>(picture.at(x, y)));
    }
  }
  std::vector<double> glow;
  glow.reserve(rings.size());
  for (std::vector<double>& ring : rings) {
    // Fewer would be the prominence itself.
    constexpr std::size_t kEnough = 40;
    glow.push_back(ring.size() >= kEnough ? base::middle_of(std::move(ring))
                                          : (glow.empty() ? 0.0 : glow.back()));
  }
  return glow;
}

double at_ring(const std::vector<double>& glow, double out) {
  if (glow.empty()) {
    return 0.0;
  }
  const double at = std::clamp(out - 0.5, 0.0, static_cast<double>(glow.size()) - 1.0);
  const auto ring = static_cast<std::size_t>(at);
  const std::size_t next = std::min(ring + 1, glow.size() - 1);
  const double part = at - static_cast<double>(ring);
  return glow[ring] * (1.0 - part) + glow[next] * part;
}

/// The brightness that all but a thousandth of the values stay below.
double brightest(std::vector<double> values) {
  if (values.empty()) {
    return 0.0;
  }
  constexpr double kShare = 0.999;
  const auto place =
      values.begin() + static_cast<std::ptrdiff_t>(kShare * static_cast<double>(values.size() - 1));
  std::nth_element(values.begin(), place, values.end());
  return *place;
}

}  // namespace

Result<Picture> with_prominences(const Picture& disc, const disc::LimbFit& limb,
                                 const Picture& prominences, std::optional<double> wished,
                                 double& gain, const base::Task& task) {
  constexpr double kOtherDisc = 0.05;
  const auto other = disc::fit_limb(image::frame_of(prominences), {task.stop, {}});
  if (!other) {
    return tl::make_unexpected(other.error());
  }
  if (std::abs(other->radius_px / limb.radius_px - 1.0) > kOtherDisc) {
    return base::fail_because(ErrorCode::kMalformed, "prominences", base::because("another-disc"));
  }
  const Picture grey = image::grey_of(prominences);
  const std::vector<double> glow = glow_of(grey, *other);
  const double scale = other->radius_px / limb.radius_px;
  // From the limb on they come in over twice the edge's softness.
  const double soft_px = 2.0 * std::max(1.0, std::max(limb.blur_px, other->blur_px / scale));
  Picture made = disc;
  std::vector<float> added(disc.plane_size(), 0.0F);
  const bool done = base::each_row(disc.height, task, [&](int y) {
    for (int x = 0; x < disc.width; ++x) {
      const double right = x - limb.centre_x_px;
      const double down = y - limb.centre_y_px;
      const double out = std::hypot(right, down) - limb.radius_px;
      const double from_x = other->centre_x_px + right * scale;
      const double from_y = other->centre_y_px + down * scale;
      if (out <= 0.0 || !image::lies_on(grey, from_x, from_y)) {
        continue;
      }
      const double in = std::min(1.0, out / soft_px);
      const double more =
          static_cast<double>(image::sampled(grey, 0, from_x, from_y)) - at_ring(glow, out * scale);
      added[static_cast<std::size_t>(y) * static_cast<std::size_t>(disc.width) +
            static_cast<std::size_t>(x)] =
          static_cast<float>(std::max(0.0, more) * in * in * (3.0 - 2.0 * in));
    }
  });
  if (!done) {
    return base::fail(ErrorCode::kCancelled, "prominences");
  }
  // The edge of the disc, and what of the prominences is brightest.
  std::vector<double> edge;
  std::vector<double> bright;
  for (int y = 0; y < disc.height; ++y) {
    for (int x = 0; x < disc.width; ++x) {
      const double far = std::hypot(x - limb.centre_x_px, y - limb.centre_y_px) / limb.radius_px;
      constexpr double kEdgeFrom = 0.9;
      constexpr double kEdgeTo = 0.97;
      if (far > kEdgeFrom && far < kEdgeTo) {
        edge.push_back(static_cast<double>(disc.at(x, y)));
      } else if (far > 1.0) {
        bright.push_back(static_cast<double>(
            added[static_cast<std::size_t>(y) * static_cast<std::size_t>(disc.width) +
                  static_cast<std::size_t>(x)]));
      }
    }
  }
  // By how much the longer exposure has them brighter than the disc's picture.
  const double exposed = disc.info.exposure_ms && prominences.info.exposure_ms
                             ? *prominences.info.exposure_ms / *disc.info.exposure_ms
                             : 1.0;
  const double top = brightest(std::move(bright));
  const double factor =
      wished ? *wished / exposed : (top > 0.0 ? base::middle_of(std::move(edge)) / top : 1.0);
  gain = factor * exposed;
  for (int plane = 0; plane < made.planes; ++plane) {
    for (std::size_t i = 0; i < added.size(); ++i) {
      made.values[static_cast<std::size_t>(plane) * made.plane_size() + i] +=
          static_cast<float>(factor) * added[i];
    }
  }
  return made;
}

}  // namespace solarchon::reduce
