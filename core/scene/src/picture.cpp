// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/scene/picture.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::scene {

using base::kRadPerDeg;

namespace {

constexpr double kPenumbra = 0.74;  // brightness against the photosphere around, white light
constexpr double kUmbra = 0.20;
constexpr double kSoftRim = 0.06;      // half width of a rim, against the spot's radius
constexpr double kReach = 1.45;        // no rim wave reaches farther than this many radii
constexpr double kAureoleFall = 0.35;  // e-folding distance of scattered light, in solar radii
constexpr int kSamples = 4;            // a side

using Vector = std::array<double, 3>;  // west, north, towards the observer

double dot(const Vector& a, const Vector& b) { return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]; }

/// 0 well inside an edge at 0, 1 well outside, rising over +-width.
double soft_step(double distance, double width) {
  const double share = std::clamp(0.5 + 0.5 * distance / width, 0.0, 1.0);
  return share * share * (3.0 - 2.0 * share);
}

/// A spot in the frame of the observer, ready to be asked.
struct PlacedSpot {
  Vector centre;
  Vector solar_west;
  Vector solar_north;
  double radius_rad;
  double cos_reach;
  const Spot* spot;

  /// Brightness against the photosphere at a surface point.
  [[nodiscard]] double at(const Vector& point) const {
    if (dot(centre, point) < cos_reach) {
      return 1.0;
    }
    const double x = dot(solar_west, point);
    const double y = dot(solar_north, point);
    const double angle = std::atan2(y, x);
    double wave = 0.0;
    for (std::size_t i = 0; i < spot->wave.size(); ++i) {
      wave +=
          spot->wave.at(i) * std::cos(static_cast<double>(i + 2) * angle + spot->phase_rad.at(i));
    }
    // The squared radius carries the wave, so that the area stays that of the circle.
    const double rim = radius_rad * std::sqrt(1.0 + wave);
    const double distance = std::hypot(x, y) / rim;
    const double outside = soft_step(distance - 1.0, kSoftRim);
    const double outside_umbra = soft_step(distance - spot->umbra_share, kSoftRim);
    const double inner = kUmbra + (kPenumbra - kUmbra) * outside_umbra;
    return inner + (1.0 - inner) * outside;
  }
};

class Painter {
 public:
  Painter(const std::vector<Spot>& spots, const sky::DiscView& view,
          const light::LimbDarkening& darkening, const Grid& grid)
      : darkening_(darkening),
        grid_(grid),
        distance_radii_(1.0 / std::sin(std::atan(sky::limb_radius_arcsec(view.distance_au) *
                                                 base::kRadPerArcsec))),
        limb_px_(sky::limb_radius_arcsec(view.distance_au) / grid.scale_arcsec_px) {
    const sky::DiscPlace right = sky::to_disc({1.0, 0.0}, grid.solar);
    const sky::DiscPlace up = sky::to_disc({0.0, 1.0}, grid.solar);
    right_ = {right.west_arcsec, right.north_arcsec};
    up_ = {up.west_arcsec, up.north_arcsec};
    for (const Spot& spot : spots) {
      place(spot, view);
    }
  }

  /// Fills one row.
  void paint_row(int y, float* row) const {
    const double dy = grid_.centre_y_px - y;
    std::vector<const PlacedSpot*> near;
    for (std::size_t i = 0; i < spots_.size(); ++i) {
      if (std::abs(boxes_[i].up_px - dy) <= boxes_[i].radius_px) {
        near.push_back(&spots_[i]);
      }
    }
    for (int x = 0; x < grid_.width; ++x) {
      const double dx = x - grid_.centre_x_px;
      const double radius_px = std::hypot(dx, dy);
      const bool at_limb = std::abs(radius_px - limb_px_) < 1.5;
      row[x] = static_cast<float>(at_limb || in_spot(dx, dy) ? average(dx, dy, near)
                                                             : sample(dx, dy, radius_px, near));
    }
  }

 private:
  struct Box {
    double right_px;
    double up_px;
    double radius_px;
  };

  void place(const Spot& spot, const sky::DiscView& view) {
    const double latitude = spot.latitude_deg * kRadPerDeg;
    const double longitude = (spot.carrington_longitude_deg - view.l0_deg) * kRadPerDeg;
    const double b0 = view.b0_deg * kRadPerDeg;
    // Heliographic to observer's frame: turn by B0 about the west axis.
    const auto turned = [&](double west, double pole, double meridian) {
      return Vector{west, pole * std::cos(b0) - meridian * std::sin(b0),
                    pole * std::sin(b0) + meridian * std::cos(b0)};
    };
    PlacedSpot placed{};
    placed.centre = turned(std::cos(latitude) * std::sin(longitude), std::sin(latitude),
                           std::cos(latitude) * std::cos(longitude));
    placed.solar_west = turned(std::cos(longitude), 0.0, -std::sin(longitude));
    placed.solar_north = turned(-std::sin(latitude) * std::sin(longitude), std::cos(latitude),
                                -std::sin(latitude) * std::cos(longitude));
    placed.radius_rad = spot.radius_deg * kRadPerDeg;
    placed.cos_reach = std::cos(kReach * placed.radius_rad);
    placed.spot = &spot;
    if (placed.centre[2] < -std::sin(kReach * placed.radius_rad)) {
      return;
    }
    const double depth = distance_radii_ - placed.centre[2];
    const double px_per_radius = base::kArcsecPerRad / grid_.scale_arcsec_px / depth;
    const sky::PictureOffset offset = sky::to_picture(
        {placed.centre[0] * px_per_radius, placed.centre[1] * px_per_radius}, grid_.solar);
    spots_.push_back(placed);
    boxes_.push_back(
        {offset.right, offset.up, kReach * placed.radius_rad * px_per_radius * 1.02 + 2.0});
  }

  [[nodiscard]] bool in_spot(double dx, double dy) const {
    return std::any_of(boxes_.begin(), boxes_.end(), [&](const Box& box) {
      const double x = dx - box.right_px;
      const double y = dy - box.up_px;
      return x * x + y * y < box.radius_px * box.radius_px;
    });
  }

  /// Brightness at one point of the picture, offsets from the disc's centre in pixels, y up.
  [[nodiscard]] double sample(double dx, double dy, double radius_px,
                              const std::vector<const PlacedSpot*>& near) const {
    const double tangent = radius_px * grid_.scale_arcsec_px * base::kRadPerArcsec;
    const double sine = tangent / std::sqrt(1.0 + tangent * tangent);
    const double sin_emergence = distance_radii_ * sine;
    if (sin_emergence >= 1.0) {
      return kAureole * std::exp((1.0 - radius_px / limb_px_) / kAureoleFall);
    }
    const double cos_emergence = std::sqrt(1.0 - sin_emergence * sin_emergence);
    double brightness = darkening_.at(cos_emergence) + kAureole;
    if (!near.empty()) {
      // Angle at the Sun's centre is the emergence less the small angle at the observer.
      const double cos_axis = std::sqrt(1.0 - sine * sine);
      const double sin_central = sin_emergence * cos_axis - cos_emergence * sine;
      const double scale = radius_px > 0.0 ? sin_central / radius_px : 0.0;
      const Vector point{(dx * right_[0] + dy * up_[0]) * scale,
                         (dx * right_[1] + dy * up_[1]) * scale,
                         cos_emergence * cos_axis + sin_emergence * sine};
      for (const PlacedSpot* spot : near) {
        brightness *= spot->at(point);
      }
    }
    return brightness;
  }

  [[nodiscard]] double average(double dx, double dy,
                               const std::vector<const PlacedSpot*>& near) const {
    double sum = 0.0;
    for (int j = 0; j < kSamples; ++j) {
      for (int i = 0; i < kSamples; ++i) {
        const double x = dx + (i + 0.5) / kSamples - 0.5;
        const double y = dy + (j + 0.5) / kSamples - 0.5;
        sum += sample(x, y, std::hypot(x, y), near);
      }
    }
    return sum / (kSamples * kSamples);
  }

  const light::LimbDarkening& darkening_;
  const Grid& grid_;
  double distance_radii_;
  double limb_px_;
  std::array<double, 2> right_{};
  std::array<double, 2> up_{};
  std::vector<PlacedSpot> spots_;
  std::vector<Box> boxes_;
};

}  // namespace

base::Result<Picture> draw(const std::vector<Spot>& spots, const sky::DiscView& view,
                           const light::LimbDarkening& darkening, const Grid& grid,
                           const base::Task& task) {
  const auto width = static_cast<std::size_t>(grid.width);
  Picture picture(width * static_cast<std::size_t>(grid.height));
  const Painter painter(spots, view, darkening, grid);
  for (int y = 0; y < grid.height; ++y) {
    if (task.stopped()) {
      return base::fail(base::ErrorCode::kCancelled, "picture");
    }
    painter.paint_row(y, picture.data() + static_cast<std::size_t>(y) * width);
    task.report(static_cast<double>(y + 1) / grid.height);
  }
  return picture;
}

}  // namespace solarchon::scene
