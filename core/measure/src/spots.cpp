// SPDX-License-Identifier: GPL-3.0-or-later
#include "spots.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <utility>
#include <vector>

#include "soft_spot.h"
#include "solarchon/base/angle.h"
#include "solarchon/disc/limb.h"
#include "solarchon/image/frame.h"

namespace solarchon::measure {

using image::Frame;

namespace {

constexpr int kRings = 200;
constexpr double kOutermost = 0.985;  // of the radius: beyond it the limb's own fall confuses
constexpr float kSpotBelow = 0.87F;   // half way from photosphere to penumbra
constexpr std::size_t kLeastPixels = 5;

/// The part of the frame that holds the disc, as brightness against the photosphere around.
struct FlatDisc {
  int left;
  int top;
  int width;
  int height;
  std::vector<float> values;  ///< 1 outside the outermost ring

  [[nodiscard]] std::size_t index(int x, int y) const {
    return static_cast<std::size_t>(y) * static_cast<std::size_t>(width) +
           static_cast<std::size_t>(x);
  }
};

/// Whether the Moon is at a place, or so near that its edge darkens it.
bool behind_moon(const disc::LimbFit& limb, double x, double y) {
  constexpr double kLeast_px = 3.0;
  constexpr double kBlurs = 4.0;
  return limb.moon && limb.moon->hides(x, y, std::max(kLeast_px, kBlurs * limb.blur_px));
}

/// Median brightness of each ring between centre and outermost share, of what the Moon leaves.
std::vector<double> ring_medians(const Frame& frame, const disc::LimbFit& limb, double black) {
  std::vector<std::vector<float>> rings(kRings);
  for (int y = 0; y < frame.height; ++y) {
    for (int x = y % 2; x < frame.width; x += 2) {
      const double share = std::hypot(x - limb.centre_x_px, y - limb.centre_y_px) / limb.radius_px;
      // Rings of equal area have equally sure medians.
      const auto ring = static_cast<std::size_t>(share * share * kRings);
      if (ring < rings.size() && !behind_moon(limb, x, y)) {
        rings[ring].push_back(static_cast<float>(frame.at(x, y) - black));
      }
    }
  }
  std::vector<double> medians(kRings, 0.0);
  double last = 0.0;
  for (std::size_t i = 0; i < rings.size(); ++i) {
    auto& values = rings[i];
    if (!values.empty()) {
      const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
      std::nth_element(values.begin(), middle, values.end());
      last = static_cast<double>(*middle);
    }
    medians[i] = last;
  }
  // A disc cut by the frame may lack its inner rings.
  for (std::size_t i = rings.size() - 1; i > 0; --i) {
    if (medians[i - 1] == 0.0) {
      medians[i - 1] = medians[i];
    }
  }
  // A large spot may fill the innermost rings, which are round plates: they go on as their
  // neighbours fall, which is even by area there.
  constexpr std::size_t kFilled = 3;
  constexpr std::size_t kNear = 4;
  double near = 0.0;
  double farther = 0.0;
  for (std::size_t i = 0; i < kNear; ++i) {
    near += medians[kFilled + i] / kNear;
    farther += medians[kFilled + kNear + i] / kNear;
  }
  const double fall = (near - farther) / kNear;  // from ring to ring
  for (std::size_t i = 0; i < kFilled; ++i) {
    constexpr double kMiddle = kFilled + 0.5 * (kNear - 1);
    medians[i] = near + fall * (kMiddle - static_cast<double>(i));
  }
  return medians;
}

/// The dark level: median outside the disc, or 0 where nothing is outside.
double black_level(const Frame& frame, const disc::LimbFit& limb) {
  std::vector<std::uint16_t> outside;
  constexpr int kEvery = 7;
  for (int y = 0; y < frame.height; y += kEvery) {
    for (int x = 0; x < frame.width; x += kEvery) {
      if (std::hypot(x - limb.centre_x_px, y - limb.centre_y_px) > 1.1 * limb.radius_px) {
        outside.push_back(frame.at(x, y));
      }
    }
  }
  if (outside.empty()) {
    return 0.0;
  }
  const auto middle = outside.begin() + static_cast<std::ptrdiff_t>(outside.size() / 2);
  std::nth_element(outside.begin(), middle, outside.end());
  return *middle;
}

/// A pixel's value, or what its neighbours make it when it stands alone: hot and dead pixels,
/// specks of dust. It goes by their median when it differs from it by a tenth of the level and by
/// far more than they differ among themselves.
double without_speck(const Frame& frame, int x, int y, double level) {
  constexpr double kLeastShare = 0.1;
  constexpr double kSpreads = 2.5;
  const double here = frame.at(x, y);
  if (x < 1 || y < 1 || x + 1 >= frame.width || y + 1 >= frame.height) {
    return here;
  }
  std::array<double, 8> around{
      static_cast<double>(frame.at(x - 1, y)),     static_cast<double>(frame.at(x + 1, y)),
      static_cast<double>(frame.at(x, y - 1)),     static_cast<double>(frame.at(x, y + 1)),
      static_cast<double>(frame.at(x - 1, y - 1)), static_cast<double>(frame.at(x + 1, y - 1)),
      static_cast<double>(frame.at(x - 1, y + 1)), static_cast<double>(frame.at(x + 1, y + 1))};
  const auto alike = std::count_if(around.begin(), around.begin() + 4, [&](double value) {
    return std::abs(here - value) <= kLeastShare * level;
  });
  if (alike >= 3) {
    return here;  // nearly every pixel
  }
  std::sort(around.begin(), around.end());
  const double median = 0.5 * (around[3] + around[4]);
  const double spread = around[6] - around[1];  // one of the eight may be a speck itself
  const double away = std::abs(here - median);
  return away > kLeastShare * level && away > kSpreads * spread ? median : here;
}

FlatDisc flatten(const Frame& frame, const disc::LimbFit& limb) {
  const double black = black_level(frame, limb);
  const std::vector<double> medians = ring_medians(frame, limb, black);
  const auto expected = [&](double share) {
    const double place = std::clamp(share * share * kRings - 0.5, 0.0, kRings - 1.001);
    const auto ring = static_cast<std::size_t>(place);
    const double part = place - static_cast<double>(ring);
    return medians[ring] * (1.0 - part) + medians[ring + 1] * part;
  };
  FlatDisc flat{};
  flat.left = std::max(1, static_cast<int>(limb.centre_x_px - limb.radius_px));
  flat.top = std::max(1, static_cast<int>(limb.centre_y_px - limb.radius_px));
  flat.width = std::min(frame.width - 1, static_cast<int>(limb.centre_x_px + limb.radius_px) + 1) -
               flat.left;
  flat.height =
      std::min(frame.height - 1, static_cast<int>(limb.centre_y_px + limb.radius_px) + 1) -
      flat.top;
  if (flat.width <= 0 || flat.height <= 0) {
    flat.width = flat.height = 0;
    return flat;
  }
  flat.values.assign(flat.index(0, flat.height), 1.0F);
  // One pixel wider on each side than the disc.
  std::vector<float> clean;
  const auto clean_width = static_cast<std::size_t>(flat.width) + 2;
  clean.reserve(clean_width * (static_cast<std::size_t>(flat.height) + 2));
  const double middle_level = std::max(1.0, medians.front());
  for (int y = -1; y <= flat.height; ++y) {
    for (int x = -1; x <= flat.width; ++x) {
      clean.push_back(
          static_cast<float>(without_speck(frame, x + flat.left, y + flat.top, middle_level)));
    }
  }
  for (int y = 0; y < flat.height; ++y) {
    for (int x = 0; x < flat.width; ++x) {
      const int fx = x + flat.left;
      const int fy = y + flat.top;
      const double share =
          std::hypot(fx - limb.centre_x_px, fy - limb.centre_y_px) / limb.radius_px;
      const double level = expected(share);
      if (share >= kOutermost || level <= 0.0 || behind_moon(limb, fx, fy)) {
        continue;
      }
      // A light binomial average keeps shot noise from breaking spots up.
      double near = 0.0;
      for (int dy = -1; dy <= 1; ++dy) {
        for (int dx = -1; dx <= 1; ++dx) {
          const std::size_t place = static_cast<std::size_t>(y + dy + 1) * clean_width +
                                    static_cast<std::size_t>(x + dx + 1);
          near += (2 - std::abs(dx)) * (2 - std::abs(dy)) * static_cast<double>(clean[place]);
        }
      }
      flat.values[flat.index(x, y)] = static_cast<float>((near / 16.0 - black) / level);
    }
  }
  return flat;
}

/// One connected spot.
struct Blob {
  std::vector<std::pair<int, int>> pixels;
  double weight = 0.0;
  double x = 0.0;
  double y = 0.0;
  float darkest = 1.0F;
};

class BlobFinder {
 public:
  explicit BlobFinder(const FlatDisc& flat) : flat_(flat), taken_(flat.values.size(), 0) {}

  /// Whether a spot may begin there: dark, and of none that was gathered.
  [[nodiscard]] bool begins_at(int x, int y) const {
    const std::size_t at = flat_.index(x, y);
    return taken_[at] == 0 && flat_.values[at] < kSpotBelow;
  }

  /// Gathers the connected dark pixels around a start.
  Blob gather(int start_x, int start_y) {
    Blob blob;
    take(start_x, start_y, blob);
    for (std::size_t next = 0; next < blob.pixels.size(); ++next) {
      const auto [x, y] = blob.pixels[next];
      for (int dy = -1; dy <= 1; ++dy) {
        for (int dx = -1; dx <= 1; ++dx) {
          const int nx = x + dx;
          const int ny = y + dy;
          if (nx >= 0 && ny >= 0 && nx < flat_.width && ny < flat_.height && begins_at(nx, ny)) {
            take(nx, ny, blob);
          }
        }
      }
    }
    return blob;
  }

  /// From its darkest pixel outwards, and over its rim as far as softness reaches.
  SpotProfile profile_of(const Blob& blob, double reach_px) {
    SpotProfile profile;
    for (const auto& [x, y] : blob.pixels) {
      profile.depths.push_back(depth_at(x, y));
    }
    std::sort(profile.depths.begin(), profile.depths.end(), std::greater<>());
    std::vector<std::pair<int, int>> edge = blob.pixels;
    std::vector<std::size_t> marked;
    for (int ring = 0; ring < static_cast<int>(std::ceil(reach_px)); ++ring) {
      std::vector<std::pair<int, int>> next;
      // Corners count in every other ring, so that it grows round.
      const bool corners = ring % 2 == 1;
      for (const auto& [x, y] : edge) {
        for (int dy = -1; dy <= 1; ++dy) {
          for (int dx = -1; dx <= 1; ++dx) {
            const int nx = x + dx;
            const int ny = y + dy;
            if ((dx != 0 && dy != 0 && !corners) || nx < 0 || ny < 0 || nx >= flat_.width ||
                ny >= flat_.height) {
              continue;
            }
            const std::size_t at = flat_.index(nx, ny);
            if (taken_[at] == 0 && flat_.values[at] >= kSpotBelow) {
              taken_[at] = 1;
              marked.push_back(at);
              next.emplace_back(nx, ny);
              profile.depths.push_back(depth_at(nx, ny));
            }
          }
        }
      }
      edge = std::move(next);
    }
    for (const std::size_t at : marked) {
      taken_[at] = 0;
    }
    return profile;
  }

 private:
  [[nodiscard]] double depth_at(int x, int y) const {
    return 1.0 - static_cast<double>(flat_.values[flat_.index(x, y)]);
  }

  void take(int x, int y, Blob& blob) {
    taken_[flat_.index(x, y)] = 1;
    const double weight = std::max(0.0, depth_at(x, y));
    blob.pixels.emplace_back(x, y);
    blob.weight += weight;
    blob.x += weight * (x + flat_.left);
    blob.y += weight * (y + flat_.top);
    blob.darkest = std::min(blob.darkest, flat_.values[flat_.index(x, y)]);
  }

  const FlatDisc& flat_;
  std::vector<char> taken_;
};

/// How dark something has to be in its darkest part to be no lane between granules, and no noise:
/// darker by far than the darkest fiftieth of the surface, of which spots take less.
float darkest_of_surface(const FlatDisc& flat) {
  constexpr std::size_t kEvery = 5;
  constexpr std::size_t kFiftieth = 50;
  constexpr double kFarther = 3.4;
  constexpr double kMostDark = 0.35;  // the lanes of the sharpest pictures are lighter
  std::vector<float> surface;
  for (std::size_t i = 0; i < flat.values.size(); i += kEvery) {
    if (flat.values[i] != 1.0F) {
      surface.push_back(flat.values[i]);
    }
  }
  if (surface.empty()) {
    return kSpotBelow;
  }
  const auto dark = surface.begin() + static_cast<std::ptrdiff_t>(surface.size() / kFiftieth);
  std::nth_element(surface.begin(), dark, surface.end());
  const double depth = kFarther * (1.0 - static_cast<double>(*dark));
  return std::min(kSpotBelow, static_cast<float>(1.0 - std::min(kMostDark, depth)));
}

SpotMeasurement to_measurement(const Blob& blob, const SoftSpot& soft, const disc::LimbFit& limb) {
  SpotMeasurement spot;
  spot.x_px = blob.x / blob.weight;
  spot.y_px = blob.y / blob.weight;
  const double share =
      std::hypot(spot.x_px - limb.centre_x_px, spot.y_px - limb.centre_y_px) / limb.radius_px;
  const double tilt = 1.0 / std::sqrt(std::max(1e-3, 1.0 - share * share));
  const double to_muh = tilt * 1e6 / (2.0 * base::kPi * limb.radius_px * limb.radius_px);
  spot.area_muh = soft.area_px * to_muh;
  spot.umbra_muh = soft.umbra_px * to_muh;
  spot.contrast = static_cast<double>(blob.darkest);
  spot.from_centre_deg = std::asin(std::min(1.0, share)) * base::kDegPerRad;
  return spot;
}

}  // namespace

base::Result<std::vector<SpotMeasurement>> find_spots(const Frame& frame, const disc::LimbFit& limb,
                                                      const base::Task& task) {
  const FlatDisc flat = flatten(frame, limb);
  const float least_dark = darkest_of_surface(flat);
  // The light average of flatten softens further (0.5), and so do rings a pixel wide.
  constexpr double kAverage_px2 = 0.6;
  const double sigma_px = std::sqrt(limb.blur_px * limb.blur_px + kAverage_px2);
  constexpr double kReach = 2.5;
  BlobFinder finder(flat);
  std::vector<SpotMeasurement> spots;
  for (int y = 0; y < flat.height; ++y) {
    if (task.stopped()) {
      return base::fail(base::ErrorCode::kCancelled, "spots");
    }
    for (int x = 0; x < flat.width; ++x) {
      if (finder.begins_at(x, y)) {
        const Blob blob = finder.gather(x, y);
        if (blob.pixels.size() >= kLeastPixels && blob.darkest < least_dark) {
          const SoftSpot soft = fit_soft_spot(finder.profile_of(blob, kReach * sigma_px), sigma_px);
          spots.push_back(to_measurement(blob, soft, limb));
        }
      }
    }
  }
  std::stable_sort(
      spots.begin(), spots.end(),
      [](const SpotMeasurement& a, const SpotMeasurement& b) { return a.area_muh > b.area_muh; });
  return spots;
}

}  // namespace solarchon::measure
