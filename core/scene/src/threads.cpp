// SPDX-License-Identifier: GPL-3.0-or-later
#include "threads.h"

#include <algorithm>
#include <cmath>

#include "solarchon/base/parallel.h"
#include "solarchon/scene/convection.h"

namespace solarchon::scene {

using base::kPi;
using base::kRadPerDeg;

namespace {

/// A thread where it falls in the picture.
struct Placed {
  double x_px;
  double y_px;
  double dx_px;  ///< to its other end
  double dy_px;
  double depth;  ///< of its middle, towards the observer, in solar radii
  double radius_px;
  float thickness;
  float source;
  float velocity_km_s;
  double top_px;
  double bottom_px;
};

/// From the surface's frame to the observer's.
class Observer {
 public:
  Observer(const sky::DiscView& view, const Grid& grid)
      : grid_(grid),
        cos_b0_(std::cos(view.b0_deg * kRadPerDeg)),
        sin_b0_(std::sin(view.b0_deg * kRadPerDeg)),
        cos_l0_(std::cos(view.l0_deg * kRadPerDeg)),
        sin_l0_(std::sin(view.l0_deg * kRadPerDeg)),
        distance_radii_(1.0 / std::sin(std::atan(sky::limb_radius_arcsec(view.distance_au) *
                                                 base::kRadPerArcsec))) {}

  [[nodiscard]] Vector turned(const Vector& v) const {
    const double west = v[0] * cos_l0_ - v[2] * sin_l0_;
    const double meridian = v[2] * cos_l0_ + v[0] * sin_l0_;
    return {west, v[1] * cos_b0_ - meridian * sin_b0_, v[1] * sin_b0_ + meridian * cos_b0_};
  }
  [[nodiscard]] sky::PictureOffset in_picture(const Vector& seen) const {
    const double px = px_per_radius(seen[2]);
    return sky::to_picture({seen[0] * px, seen[1] * px}, grid_.solar);
  }
  [[nodiscard]] double px_per_radius(double depth) const {
    return base::kArcsecPerRad / grid_.scale_arcsec_px / (distance_radii_ - depth);
  }

 private:
  const Grid& grid_;
  double cos_b0_;
  double sin_b0_;
  double cos_l0_;
  double sin_l0_;
  double distance_radii_;
};

constexpr double kBlurReach = 2.0;  // of a thread's radius, beyond which nothing is left
constexpr double kLeastPx = 0.75;   // radius; thinner ones are spread out

void splash(const Placed& thread, const Grid& grid, double limb_px, int row, Splashed& out) {
  const double y = grid.centre_y_px - row - thread.y_px;
  const double reach = kBlurReach * thread.radius_px;
  const double from = std::min(thread.x_px, thread.x_px + thread.dx_px) - reach;
  const double to = std::max(thread.x_px, thread.x_px + thread.dx_px) + reach;
  const int first = std::max(0, static_cast<int>(std::ceil(from + grid.centre_x_px)));
  const int last = std::min(grid.width - 1, static_cast<int>(std::floor(to + grid.centre_x_px)));
  const double square = std::max(1e-9, thread.dx_px * thread.dx_px + thread.dy_px * thread.dy_px);
  const double inverse = 1.0 / (thread.radius_px * thread.radius_px);
  const double up = y + thread.y_px;
  const std::size_t start = static_cast<std::size_t>(row) * static_cast<std::size_t>(grid.width);
  for (int column = first; column <= last; ++column) {
    const double right = column - grid.centre_x_px;
    const double x = right - thread.x_px;
    const double share = std::clamp((x * thread.dx_px + y * thread.dy_px) / square, 0.0, 1.0);
    const double off_x = x - share * thread.dx_px;
    const double off_y = y - share * thread.dy_px;
    const double far = (off_x * off_x + off_y * off_y) * inverse;
    if (far > kBlurReach * kBlurReach ||
        (thread.depth < 0.0 && right * right + up * up < limb_px * limb_px)) {
      continue;
    }
    const float here = thread.thickness * static_cast<float>(std::exp(-far));
    const std::size_t at = start + static_cast<std::size_t>(column);
    out.thickness[at] += here;
    out.source[at] += here * thread.source;
    out.velocity_km_s[at] += here * thread.velocity_km_s;
  }
}

}  // namespace

base::Result<Splashed> splashed(const std::vector<Thread>& threads, const sky::DiscView& view,
                                const Grid& grid, const base::Task& task) {
  const Observer observer(view, grid);
  const double limb_px = sky::limb_radius_arcsec(view.distance_au) / grid.scale_arcsec_px;
  std::vector<Placed> placed;
  for (const Thread& thread : threads) {
    const Vector from = observer.turned(thread.from);
    const Vector to = observer.turned(thread.to);
    const double depth = 0.5 * (from[2] + to[2]);
    constexpr double kHidden = -0.45;  // nothing reaches over the limb from so far behind
    if (depth < kHidden) {
      continue;
    }
    const sky::PictureOffset first = observer.in_picture(from);
    const sky::PictureOffset last = observer.in_picture(to);
    const double wanted_px = thread.radius_km / kSolarRadiusKm * observer.px_per_radius(depth);
    const double radius_px = std::max(kLeastPx, wanted_px);
    // Spread out, it is as much thinner.
    const auto thickness = static_cast<float>(thread.thickness * wanted_px / radius_px);
    const Vector velocity = observer.turned(thread.velocity_km_s);
    const double reach = kBlurReach * radius_px;
    placed.push_back({first.right, first.up, last.right - first.right, last.up - first.up, depth,
                      radius_px, thickness, static_cast<float>(thread.source),
                      static_cast<float>(-velocity[2]),
                      grid.centre_y_px - std::max(first.up, last.up) - reach,
                      grid.centre_y_px - std::min(first.up, last.up) + reach});
  }
  constexpr int kBand = 16;  // rows
  const int bands = (grid.height + kBand - 1) / kBand;
  std::vector<std::vector<std::uint32_t>> in_band(static_cast<std::size_t>(bands));
  for (std::size_t i = 0; i < placed.size(); ++i) {
    const int first = std::max(0, static_cast<int>(std::floor(placed[i].top_px / kBand)));
    const int last = std::min(bands - 1, static_cast<int>(std::floor(placed[i].bottom_px / kBand)));
    for (int band = first; band <= last; ++band) {
      in_band[static_cast<std::size_t>(band)].push_back(static_cast<std::uint32_t>(i));
    }
  }
  const std::size_t pixels =
      static_cast<std::size_t>(grid.width) * static_cast<std::size_t>(grid.height);
  Splashed out{std::vector<float>(pixels), std::vector<float>(pixels), std::vector<float>(pixels)};
  const bool done = base::each_row(grid.height, task, [&](int row) {
    for (const std::uint32_t i : in_band[static_cast<std::size_t>(row / kBand)]) {
      if (placed[i].top_px <= row && row <= placed[i].bottom_px) {
        splash(placed[i], grid, limb_px, row, out);
      }
    }
  });
  if (!done) {
    return base::fail(base::ErrorCode::kCancelled, "picture");
  }
  return out;
}

}  // namespace solarchon::scene
