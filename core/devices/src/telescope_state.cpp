// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/telescope_state.h"

#include <algorithm>

#include "solarchon/image/rectangle.h"

namespace solarchon::devices {

namespace {

constexpr int kCut = 8;  // pixels: what most sensors can cut to
constexpr double kLeastShare = 0.05;

}  // namespace

image::Rectangle part_about(int width_px, int height_px, double share, double x_px, double y_px) {
  if (share >= 1.0) {
    return {};
  }
  const auto side = [share](int length) {
    const auto wanted = static_cast<int>(std::max(share, kLeastShare) * length);
    return std::clamp(wanted / kCut * kCut, std::min(kCut, length), length);
  };
  const auto from = [](int length, int part, double at) {
    const auto first = static_cast<int>(at) - part / 2;
    return std::clamp(first, 0, length - part) / kCut * kCut;
  };
  const int width = side(width_px);
  const int height = side(height_px);
  return {from(width_px, width, x_px), from(height_px, height, y_px), width, height};
}

}  // namespace solarchon::devices
