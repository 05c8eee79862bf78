// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/live/dust_detector.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "solarchon/base/middle.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/sharpness.h"

namespace solarchon::live {

namespace {

constexpr int kBlockPx = 4;
constexpr int kAround = 16;  ///< blocks to each side that are the surroundings
constexpr std::size_t kLeastPlaces = 4;
constexpr std::size_t kMostPlaces = 8;
constexpr double kMoved_px = 10.0;
constexpr double kShallowest = 0.012;
constexpr std::size_t kMostSpecks = 40;
constexpr float kUnknown = std::numeric_limits<float>::quiet_NaN();

/// Sums over rectangles of a picture of blocks.
class Sums {
 public:
  Sums(const std::vector<float>& values, int across, int down)
      : across_(across), sums_(static_cast<std::size_t>(across + 1) * (down + 1), 0.0) {
    for (int y = 0; y < down; ++y) {
      double row = 0.0;
      for (int x = 0; x < across; ++x) {
        row += static_cast<double>(
            values[static_cast<std::size_t>(y) * static_cast<std::size_t>(across) +
                   static_cast<std::size_t>(x)]);
        at(x + 1, y + 1) = at(x + 1, y) + row;
      }
    }
  }
  /// From the first to before the second corner.
  [[nodiscard]] double over(int left, int top, int right, int bottom) const {
    return at(right, bottom) - at(left, bottom) - at(right, top) + at(left, top);
  }

 private:
  [[nodiscard]] const double& at(int x, int y) const {
    return sums_[static_cast<std::size_t>(y) * static_cast<std::size_t>(across_ + 1) +
                 static_cast<std::size_t>(x)];
  }
  double& at(int x, int y) {
    return sums_[static_cast<std::size_t>(y) * static_cast<std::size_t>(across_ + 1) +
                 static_cast<std::size_t>(x)];
  }
  int across_;
  std::vector<double> sums_;
};

/// Blocks that hang together with one, below a level; they are taken out of the picture.
std::vector<std::size_t> take_out(std::vector<float>& picture, int across, int down,
                                  std::size_t from, float below) {
  std::vector<std::size_t> all{from};
  picture[from] = 0.0F;
  for (std::size_t i = 0; i < all.size(); ++i) {
    const int x = static_cast<int>(all[i] % static_cast<std::size_t>(across));
    const int y = static_cast<int>(all[i] / static_cast<std::size_t>(across));
    for (int v = std::max(0, y - 1); v <= std::min(down - 1, y + 1); ++v) {
      for (int u = std::max(0, x - 1); u <= std::min(across - 1, x + 1); ++u) {
        const auto at = static_cast<std::size_t>(v) * static_cast<std::size_t>(across) +
                        static_cast<std::size_t>(u);
        if (picture[at] < below) {
          picture[at] = 0.0F;
          all.push_back(at);
        }
      }
    }
  }
  return all;
}

/// What a shadow takes of the light at its deepest block. The surroundings that blocks are measured
/// against hold the shadow too, and are as much darker as its share in them says.
double depth_of(const std::vector<float>& standing, int across, int down,
                const std::vector<std::size_t>& blocks, std::size_t deepest) {
  const auto columns = static_cast<std::size_t>(across);
  const int x = static_cast<int>(deepest % columns);
  const int y = static_cast<int>(deepest / columns);
  const double width = std::min(across, x + kAround + 1) - std::max(0, x - kAround);
  const double height = std::min(down, y + kAround + 1) - std::max(0, y - kAround);
  const double off = static_cast<double>(standing[deepest]);
  double shadow = 0.0;  // blocks as deep as the deepest that would take as much light
  for (const std::size_t block : blocks) {
    const int right = std::abs(static_cast<int>(block % columns) - x);
    const int below = std::abs(static_cast<int>(block / columns) - y);
    if (std::max(right, below) <= kAround) {
      shadow += static_cast<double>(standing[block]) / off;
    }
  }
  return std::min(1.0, -off / (1.0 - (1.0 + off) * shadow / (width * height)));
}

}  // namespace

void DustDetector::take(const image::Frame& frame, double right_px, double down_px) {
  if (frame.width != width_px_ || frame.height != height_px_) {
    forget();
    found_.reset();
    width_px_ = frame.width;
    height_px_ = frame.height;
    across_ = width_px_ / kBlockPx;
    down_ = height_px_ / kBlockPx;
  }
  const bool near = std::any_of(kept_.begin(), kept_.end(), [&](const Kept& one) {
    return std::hypot(one.right_px - right_px, one.down_px - down_px) < kMoved_px;
  });
  if (near || std::min(across_, down_) < 2 * kAround + 2) {
    return;
  }
  kept_.push_back({right_px, down_px, residue(frame)});
  if (kept_.size() > kMostPlaces) {
    kept_.pop_front();
  }
  if (kept_.size() >= kLeastPlaces) {
    look();
  }
}

std::vector<float> DustDetector::residue(const image::Frame& frame) const {
  const auto size = static_cast<std::size_t>(across_) * static_cast<std::size_t>(down_);
  const image::Level level = image::level_of(frame);
  constexpr double kOnTheDisc = 0.35;
  const double least = kOnTheDisc * level.bright * frame.saturation;
  std::vector<float> blocks(size, 0.0F);
  std::vector<float> on(size, 0.0F);
  for (int y = 0; y < down_; ++y) {
    for (int x = 0; x < across_; ++x) {
      double sum = 0.0;
      int full = 0;
      for (int v = 0; v < kBlockPx; ++v) {
        for (int u = 0; u < kBlockPx; ++u) {
          const std::uint16_t value = frame.at(x * kBlockPx + u, y * kBlockPx + v);
          sum += value;
          full += value >= frame.saturation ? 1 : 0;
        }
      }
      const double mean = sum / (kBlockPx * kBlockPx);
      if (mean >= least && full == 0) {
        const auto i = static_cast<std::size_t>(y) * static_cast<std::size_t>(across_) +
                       static_cast<std::size_t>(x);
        blocks[i] = static_cast<float>(mean);
        on[i] = 1.0F;
      }
    }
  }
  const Sums light(blocks, across_, down_);
  const Sums covered(on, across_, down_);
  std::vector<float> off(size, kUnknown);
  for (int y = 0; y < down_; ++y) {
    for (int x = 0; x < across_; ++x) {
      const auto i = static_cast<std::size_t>(y) * static_cast<std::size_t>(across_) +
                     static_cast<std::size_t>(x);
      const int left = std::max(0, x - kAround);
      const int right = std::min(across_, x + kAround + 1);
      const int top = std::max(0, y - kAround);
      const int bottom = std::min(down_, y + kAround + 1);
      const double count = covered.over(left, top, right, bottom);
      constexpr double kWhole = 0.97;  // near the disc's edge the surroundings slope
      if (on[i] > 0.0F && count > kWhole * (right - left) * (bottom - top)) {
        off[i] = static_cast<float>(
            static_cast<double>(blocks[i]) * count / light.over(left, top, right, bottom) - 1.0);
      }
    }
  }
  return off;
}

std::vector<float> DustDetector::standing() const {
  std::vector<float> standing(kept_.front().off.size(), 0.0F);
  std::vector<double> seen;
  for (std::size_t i = 0; i < standing.size(); ++i) {
    seen.clear();
    for (const Kept& one : kept_) {
      if (!std::isnan(one.off[i])) {
        seen.push_back(static_cast<double>(one.off[i]));
      }
    }
    if (seen.size() >= kLeastPlaces) {
      standing[i] = static_cast<float>(base::middle_of(seen));
    }
  }
  return standing;
}

std::optional<double> DustDetector::about(const Kept& one, double x, double y) const {
  double sum = 0.0;
  int count = 0;
  const int u = static_cast<int>(std::lround(x));
  const int v = static_cast<int>(std::lround(y));
  for (int down = std::max(0, v - 1); down <= std::min(down_ - 1, v + 1); ++down) {
    for (int right = std::max(0, u - 1); right <= std::min(across_ - 1, u + 1); ++right) {
      const float off = one.off[static_cast<std::size_t>(down) * static_cast<std::size_t>(across_) +
                                static_cast<std::size_t>(right)];
      if (!std::isnan(off)) {
        sum += static_cast<double>(off);
        ++count;
      }
    }
  }
  return count > 0 ? std::optional(sum / count) : std::nullopt;
}

bool DustDetector::stays(int x, int y, double depth) const {
  // Followed along with the Sun from any of the places, dust is left behind; a spot comes along.
  constexpr double kLeftBehind = 0.7;
  for (const Kept& from : kept_) {
    double sum = 0.0;
    int count = 0;
    for (const Kept& to : kept_) {
      if (const auto off = about(to, x + (to.right_px - from.right_px) / kBlockPx,
                                 y + (to.down_px - from.down_px) / kBlockPx)) {
        sum += *off;
        ++count;
      }
    }
    if (count == 0 || -sum / count > kLeftBehind * depth) {
      return false;
    }
  }
  return true;
}

void DustDetector::look() {
  const std::vector<float> standing = this->standing();
  std::vector<float> left = standing;
  std::vector<double> sizes;
  for (const float one : standing) {
    if (one != 0.0F) {
      sizes.push_back(static_cast<double>(std::abs(one)));
    }
  }
  found_.emplace();
  if (sizes.empty()) {
    return;
  }
  constexpr double kSure = 5.0 * 1.4826;
  const auto below =
      static_cast<float>(-std::max(kShallowest, kSure * base::middle_of(std::move(sizes))));
  for (std::size_t i = 0; i < standing.size(); ++i) {
    if (left[i] >= below) {
      continue;
    }
    const std::vector<std::size_t> blocks = take_out(left, across_, down_, i, below);
    const std::size_t deepest =
        *std::min_element(blocks.begin(), blocks.end(),
                          [&](std::size_t a, std::size_t b) { return standing[a] < standing[b]; });
    const int x = static_cast<int>(deepest % static_cast<std::size_t>(across_));
    const int y = static_cast<int>(deepest / static_cast<std::size_t>(across_));
    double depth = 0.0;  // as stays() sees it: over some blocks
    int count = 0;
    for (const Kept& one : kept_) {
      if (const auto off = about(one, x, y)) {
        depth -= *off;
        ++count;
      }
    }
    depth /= std::max(1, count);
    constexpr std::size_t kLeastBlocks = 2;
    if (blocks.size() >= kLeastBlocks && stays(x, y, depth)) {
      const double area = static_cast<double>(blocks.size()) * kBlockPx * kBlockPx;
      found_->push_back({kBlockPx * (x + 0.5) - 0.5, kBlockPx * (y + 0.5) - 0.5,
                         2.0 * std::sqrt(area / std::numbers::pi),
                         depth_of(standing, across_, down_, blocks, deepest)});
    }
  }
  std::sort(found_->begin(), found_->end(),
            [](const Speck& a, const Speck& b) { return a.depth > b.depth; });
  if (found_->size() > kMostSpecks) {
    found_->resize(kMostSpecks);
  }
}

}  // namespace solarchon::live
