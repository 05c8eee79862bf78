// SPDX-License-Identifier: GPL-3.0-or-later
#include "painter.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <memory>

#include "facing.h"
#include "geometry.h"
#include "solarchon/base/angle.h"
#include "solarchon/light/limb_darkening.h"

namespace solarchon::scene {

using base::kRadPerDeg;

namespace {

constexpr double kPenumbra = 0.76;  // mean brightness against the photosphere around, white light
constexpr double kDarkestUmbra = 0.10;  // of large spots
constexpr double kBrightestUmbra = 0.30;
constexpr double kFilamentKm = 350.0;  // wide, in a penumbra
constexpr double kBridge = 0.66;       // brightness of a bridge of light
constexpr double kFinestShown = 2.5;   // arcsec a pixel: no granulation beyond
constexpr double kQuietShare = 0.12;   // of the faculae of a group, in the quiet network
constexpr double kSoftRim = 0.06;      // half width of a rim, against the spot's radius
constexpr double kReach = 1.45;        // no rim wave reaches farther than this many radii
constexpr double kAureoleFall = 0.35;  // e-folding distance of scattered light, in solar radii
constexpr int kSamples = 4;            // a side
constexpr double kSpotInCore = 0.4;    // power of a spot's brightness in the core of a strong line
constexpr double kInWings = 0.35;      // of granulation, in those of the line

/// Smooth noise along a circle of so many steps, drawn out along the radius.
double filament(double along, double across, std::int64_t steps, std::uint64_t seed) {
  const auto left = static_cast<std::int64_t>(std::floor(along));
  const auto low = static_cast<std::int64_t>(std::floor(across));
  const auto eased = [](double share) { return share * share * (3.0 - 2.0 * share); };
  const double dx = eased(along - static_cast<double>(left));
  const double dy = eased(across - static_cast<double>(low));
  const auto value = [&](std::int64_t x, std::int64_t y) {
    return hashed(((x % steps) + steps) % steps, y, seed);
  };
  return (1.0 - dy) * ((1.0 - dx) * value(left, low) + dx * value(left + 1, low)) +
         dy * ((1.0 - dx) * value(left, low + 1) + dx * value(left + 1, low + 1));
}

/// A spot in the frame of the observer, ready to be asked.
struct PlacedSpot {
  Vector centre;
  Vector solar_west;
  Vector solar_north;
  double radius_rad;
  double cos_reach;
  const Spot* spot;
  double umbra;            ///< its brightness
  double rim_width;        ///< half of it, against the radius
  std::int64_t filaments;  ///< round the penumbra
  std::uint64_t seed;

  /// Brightness against the photosphere at a surface point.
  /// @param detail  0: filaments are not shown, 1: wholly
  [[nodiscard]] double at(const Vector& point, double detail) const {
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
    // Lobes and bays, of the umbra more than of the whole: no spot is round.
    constexpr double kLobesAcross = 2.4;
    constexpr double kLobes = 0.14;
    constexpr double kUmbralLobes = 0.26;
    const double scale = kLobesAcross / radius_rad;
    const Vector there{scale * x + 7.5, scale * y + 3.5, 0.5};
    const Vector finer{2.1 * there[0], 2.1 * there[1], 0.5};
    double distance = std::hypot(x, y) / rim *
                      (1.0 + kLobes * (lumps(there, seed) + 0.5 * lumps(finer, seed + 1)));
    const double to_umbra = 1.0 + kUmbralLobes * lumps(finer, seed + 2);
    const double turned = angle / (2.0 * base::kPi) * static_cast<double>(filaments);
    const double streak =
        detail > 0.0 ? detail * filament(turned, 3.0 * distance, filaments, seed) : 0.0;
    constexpr double kRagged = 0.12;  // of the radius, by which filaments stand out
    constexpr double kUmbralRagged = 0.05;
    const double from_umbra = distance * to_umbra + kUmbralRagged * streak;
    distance += kRagged * streak;
    const double outside = soft_step(distance - 1.0, rim_width);
    const double outside_umbra = soft_step(from_umbra - spot->umbra_share, kSoftRim);
    constexpr double kStreaks = 0.13;
    const double penumbra = kPenumbra + kStreaks * streak;
    double inner = umbra + (penumbra - umbra) * outside_umbra;
    if (bridged()) {
      // Across the umbra, beside its middle, as wide as a granule or two.
      const double way = spot->phase_rad[0];
      const double beside = (x * std::cos(way) + y * std::sin(way)) / rim -
                            0.3 * spot->umbra_share * std::sin(spot->phase_rad[1]);
      constexpr double kHalfWide = 0.05;
      const double on_it = 1.0 - soft_step(std::abs(beside) - kHalfWide, 0.5 * kHalfWide);
      inner += (1.0 - outside_umbra) * on_it * (kBridge - inner);
    }
    return inner + (1.0 - inner) * outside;
  }

  /// Large spots break up along such bridges.
  [[nodiscard]] bool bridged() const {
    constexpr double kLargeDeg = 1.2;
    constexpr double kOneIn = 0.065;  // waves of the rim lie between 0.02 and 0.1
    return spot->radius_deg > kLargeDeg && spot->wave[2] > kOneIn;
  }
};

/// Where faculae stand round a spot.
struct Plage {
  Vector centre;
  double sharpness;  ///< of exp(sharpness (cos distance - 1))
  double strength;
};

class Painter {
 public:
  Painter(const Photosphere& photosphere, const sky::DiscView& view, const Grid& grid)
      : darkening_(photosphere.wavelength_nm),
        grid_(grid),
        convection_(shows_granules(grid.scale_arcsec_px) ? photosphere.convection.get() : nullptr),
        contrast_at_limb_(granule_contrast(photosphere.wavelength_nm, 0.0)),
        contrast_gain_(granule_contrast(photosphere.wavelength_nm, 1.0) - contrast_at_limb_),
        facing_(view, grid),
        pixel_km_(facing_.pixel_km()) {
    detail_ = std::clamp(2.0 - pixel_km_ / kFilamentKm, 0.0, 1.0);
    shown_ = std::clamp(2.0 * (kFinestShown - grid.scale_arcsec_px), 0.0, 1.0);
    for (const Spot& spot : photosphere.spots) {
      place(spot, view);
    }
  }

  /// Fills one row.
  /// @param core_row  in the core of a strong line; may be null
  void paint_row(int y, float* row, float* core_row) const {
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
      const bool at_limb = std::abs(radius_px - facing_.limb_px()) < 1.5;
      const Emergence emerged = facing_.emergence(dx, dy, radius_px);
      const Sample seen =
          at_limb || in_spot(dx, dy) ? average(dx, dy, near) : sample(emerged, radius_px, near);
      // Only what no spot covers is granulated.
      constexpr double kCovered = 0.8;
      double brightness = seen.quiet * seen.spots;
      if (convection_ != nullptr && emerged.on_disc && seen.spots > kCovered) {
        const double share = shown_ * (seen.spots - kCovered) / (1.0 - kCovered);
        brightness *= 1.0 + (core_row == nullptr ? share : kInWings * share) * structure(emerged);
      }
      row[x] = static_cast<float>(brightness);
      if (core_row != nullptr) {
        const double left = seen.spots < 1.0 ? std::pow(seen.spots, kSpotInCore) : 1.0;
        core_row[x] = static_cast<float>(seen.core * left);
      }
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
    constexpr double kSmallDeg = 0.15;
    constexpr double kLargeDeg = 0.75;
    const double grown = std::clamp(
        (spot.radius_deg * spot.umbra_share - kSmallDeg) / (kLargeDeg - kSmallDeg), 0.0, 1.0);
    placed.umbra = kBrightestUmbra + (kDarkestUmbra - kBrightestUmbra) * grown;
    // Pores are neither as dark nor as sharp as the umbrae of spots.
    constexpr double kPoreFrom = 0.8;  // of the umbra's share
    constexpr double kPore = 0.42;
    constexpr double kPoreRim = 0.22;
    placed.rim_width = kSoftRim;
    if (spot.umbra_share > kPoreFrom) {
      placed.umbra = kPore + (kDarkestUmbra - kPore) * grown;
      placed.rim_width = kPoreRim;
    }
    constexpr double kMiddle = 0.7;  // of the radius, where filaments are counted
    placed.filaments = std::max<std::int64_t>(
        8,
        std::llround(2.0 * base::kPi * kMiddle * placed.radius_rad * kSolarRadiusKm / kFilamentKm));
    placed.seed = static_cast<std::uint64_t>(std::llround(spot.phase_rad[2] * 1e9));
    if (convection_ != nullptr) {
      constexpr double kWideDeg = 2.5;
      const double wide = (kWideDeg + 1.5 * spot.radius_deg) * kRadPerDeg;
      plages_.push_back({placed.centre, 1.0 / (wide * wide), std::min(1.0, 0.6 * spot.radius_deg)});
    }
    if (placed.centre[2] < -std::sin(kReach * placed.radius_rad)) {
      return;
    }
    const double depth = facing_.distance_radii() - placed.centre[2];
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

  /// What is seen at one point.
  struct Sample {
    double quiet;        ///< brightness without spots
    double core;         ///< the same in the core of a strong line
    double spots = 1.0;  ///< what they leave of it
  };

  [[nodiscard]] Sample sample(const Emergence& seen, double radius_px,
                              const std::vector<const PlacedSpot*>& near) const {
    if (!seen.on_disc) {
      const double aureole =
          kAureole * std::exp((1.0 - radius_px / facing_.limb_px()) / kAureoleFall);
      return {aureole, aureole};
    }
    Sample sample{darkening_.at(seen.cosine) + kAureole,
                  1.0 - kCoreDarkening * (1.0 - seen.cosine) + kAureole};
    for (const PlacedSpot* spot : near) {
      sample.spots *= spot->at(seen.point, detail_);
    }
    return sample;
  }

  /// Granulation and faculae, about the mean brightness.
  [[nodiscard]] double structure(const Emergence& seen) const {
    const Vector& point = seen.point;
    const Facing::Place on_sun = facing_.place(point);
    constexpr double kSteepest = 0.1;  // cosine; pixels there cover the more
    const Convection::Place place{on_sun.sin_latitude, on_sun.longitude_rad,
                                  pixel_km_ / std::sqrt(std::max(kSteepest, seen.cosine))};
    // The contrast falls evenly with the cosine.
    double structure =
        (contrast_at_limb_ + contrast_gain_ * seen.cosine) * convection_->granules(place);
    constexpr double kSeenBelow = 0.9;  // cosine; faculae are lost nearer to the middle
    if (seen.cosine < kSeenBelow) {
      structure += facula_contrast(seen.cosine) * activity(point) * convection_->network(place);
    }
    return structure;
  }

  /// How much of the network is filled with faculae there.
  [[nodiscard]] double activity(const Vector& point) const {
    constexpr double kMost = 5.0;  // bright points stand out above the mean of a region
    double active = kQuietShare;
    for (const Plage& plage : plages_) {
      const double far = plage.sharpness * (1.0 - dot(plage.centre, point));
      constexpr double kNothing = 6.0;
      active += far < kNothing ? plage.strength * std::exp(-far) : 0.0;
    }
    return kMost * std::min(1.0, active);
  }

  [[nodiscard]] Sample average(double dx, double dy,
                               const std::vector<const PlacedSpot*>& near) const {
    double sum = 0.0;
    double quiet = 0.0;
    double core = 0.0;
    for (int j = 0; j < kSamples; ++j) {
      for (int i = 0; i < kSamples; ++i) {
        const double x = dx + (i + 0.5) / kSamples - 0.5;
        const double y = dy + (j + 0.5) / kSamples - 0.5;
        const double radius_px = std::hypot(x, y);
        const Sample one = sample(facing_.emergence(x, y, radius_px), radius_px, near);
        sum += one.quiet * one.spots;
        quiet += one.quiet;
        core += one.core;
      }
    }
    return {quiet / (kSamples * kSamples), core / (kSamples * kSamples), sum / quiet};
  }

  light::LimbDarkening darkening_;
  Grid grid_;
  const Convection* convection_;  ///< null where no pixel would show it
  double contrast_at_limb_;       ///< of granulation
  double contrast_gain_;          ///< from there to the middle
  Facing facing_;
  double pixel_km_;      ///< on the surface, in the middle of the disc
  double detail_ = 0.0;  ///< how far filaments are shown
  double shown_ = 0.0;   ///< how far granulation is
  std::vector<PlacedSpot> spots_;
  std::vector<Box> boxes_;
  std::vector<Plage> plages_;
};

}  // namespace

bool shows_granules(double scale_arcsec_px) { return scale_arcsec_px < kFinestShown; }

RowPainter row_painter(const Photosphere& photosphere, const sky::DiscView& view,
                       const Grid& grid) {
  const auto painter = std::make_shared<const Painter>(photosphere, view, grid);
  return [painter](int y, float* row, float* core_row) { painter->paint_row(y, row, core_row); };
}

}  // namespace solarchon::scene
