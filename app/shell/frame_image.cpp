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

QImage quick_image(const frames::Frame& frame, const QRect& part, int longest_side_px, Tone tone) {
  const int block =
      std::max(1, (std::max(part.width(), part.height()) + longest_side_px - 1) / longest_side_px);
  QImage image(std::max(1, part.width() / block), std::max(1, part.height() / block),
               QImage::Format_RGB32);
  image.fill(Qt::black);
  // Every brightness that there is, once.
  constexpr std::size_t kSteps = 1024;
  std::array<QRgb, kSteps> tints{};
  const Tints& plain = tints_for(frame);
  constexpr double kLift = 0.35;
  for (std::size_t i = 0; i < kSteps; ++i) {
    const double level = static_cast<double>(i) / (kSteps - 1);
    const double shown = tone == Tone::kFaint ? std::pow(level, kLift) : level;
    tints.at(i) = plain.at(static_cast<std::size_t>(std::lround(255.0 * shown)));
  }
  const int beside = block > 1 ? block / 2 : 0;
  const int samples = beside > 0 ? 4 : 1;
  const float to_step =
      static_cast<float>(kSteps - 1) / static_cast<float>(std::max(1, frame.saturation) * samples);
  for (int y = 0; y < part.height() / block; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    const std::uint16_t* row = frame.pixels.data() +
                               static_cast<std::ptrdiff_t>(part.top() + y * block) * frame.width +
                               part.left();
    const std::uint16_t* below = row + static_cast<std::ptrdiff_t>(beside) * frame.width;
    for (int x = 0; x < part.width() / block; ++x) {
      const int at = x * block;
      const int sum =
          samples == 1 ? row[at] : row[at] + row[at + beside] + below[at] + below[at + beside];
      const auto step = static_cast<std::size_t>(static_cast<float>(sum) * to_step);
      line[x] = tints.at(std::min(step, kSteps - 1));
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
