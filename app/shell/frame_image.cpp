// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/frame_image.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace solarchon::app {

namespace {

/// From black through deep orange and yellow to near white.
const std::array<QRgb, 256>& warm_tints() {
  static const std::array<QRgb, 256> kTints = [] {
    std::array<QRgb, 256> tints{};
    for (int i = 0; i < 256; ++i) {
      const double level = i / 255.0;
      const auto channel = [&](double power) {
        return static_cast<int>(std::lround(255.0 * std::min(1.0, std::pow(level, power))));
      };
      tints.at(static_cast<std::size_t>(i)) = qRgb(channel(0.42), channel(0.92), channel(3.4));
    }
    return tints;
  }();
  return kTints;
}

}  // namespace

QImage frame_image(const frames::Frame& frame, int longest_side_px) {
  const int block =
      std::max(1, (std::max(frame.width, frame.height) + longest_side_px - 1) / longest_side_px);
  const int width = frame.width / block;
  const int height = frame.height / block;
  QImage image(std::max(1, width), std::max(1, height), QImage::Format_RGB32);
  image.fill(Qt::black);
  const double full = static_cast<double>(frame.saturation) * block * block;
  for (int y = 0; y < height; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < width; ++x) {
      std::int64_t sum = 0;
      for (int j = 0; j < block; ++j) {
        for (int i = 0; i < block; ++i) {
          sum += frame.at(x * block + i, y * block + j);
        }
      }
      const double level = std::min(1.0, static_cast<double>(sum) / full);
      line[x] = warm_tints().at(static_cast<std::size_t>(std::lround(level * 255.0)));
    }
  }
  return image;
}

QRectF fitted_rect(const QSizeF& picture, const QRectF& room) {
  const QSizeF size = picture.scaled(room.size(), Qt::KeepAspectRatio);
  return {room.center().x() - size.width() / 2, room.center().y() - size.height() / 2, size.width(),
          size.height()};
}

}  // namespace solarchon::app
