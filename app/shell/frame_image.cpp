// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/frame_image.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/light/hydrogen_alpha.h"

namespace solarchon::app {

namespace {

/// From black through deep orange and yellow to near white.
using Tints = std::array<QRgb, 256>;

Tints tints_of(double red, double green, double blue) {
  Tints tints{};
  for (int i = 0; i < 256; ++i) {
    const double level = i / 255.0;
    const auto channel = [&](double power) {
      return static_cast<int>(std::lround(255.0 * std::min(1.0, std::pow(level, power))));
    };
    tints.at(static_cast<std::size_t>(i)) = qRgb(channel(red), channel(green), channel(blue));
  }
  return tints;
}

/// Yellow-orange for white light, red-orange for hydrogen alpha.
const Tints& tints_for(const frames::Frame& frame) {
  static const Tints kWhite = tints_of(0.42, 0.92, 3.4);
  static const Tints kLine = tints_of(0.40, 1.35, 3.2);
  constexpr double kBesideNm = 0.5;
  const auto& wavelength_nm = frame.info.wavelength_nm;
  return wavelength_nm && std::abs(*wavelength_nm - light::kHydrogenAlphaNm) < kBesideNm ? kLine
                                                                                         : kWhite;
}

}  // namespace

QImage frame_image(const frames::Frame& frame, int longest_side_px) {
  const int block =
      std::max(1, (std::max(frame.width, frame.height) + longest_side_px - 1) / longest_side_px);
  const int width = frame.width / block;
  const int height = frame.height / block;
  QImage image(std::max(1, width), std::max(1, height), QImage::Format_RGB32);
  image.fill(Qt::black);
  const Tints& tints = tints_for(frame);
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
      line[x] = tints.at(static_cast<std::size_t>(std::lround(level * 255.0)));
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
