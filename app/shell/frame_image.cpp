// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/frame_image.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/finishing.h"

namespace solarchon::app {

namespace {

/// Brightness in 256 steps, as a false colour shows it.
using Tints = std::array<QRgb, 256>;

Tints tints_of(reduce::Tint tint) {
  Tints tints{};
  for (int i = 0; i < 256; ++i) {
    const auto colour = reduce::tint_of(tint, static_cast<float>(i) / 255.0F);
    const auto channel = [&](std::size_t plane) {
      return static_cast<int>(std::lround(255.0F * std::min(1.0F, colour.at(plane))));
    };
    tints.at(static_cast<std::size_t>(i)) = qRgb(channel(0), channel(1), channel(2));
  }
  return tints;
}

/// By the line that the frame was taken in.
const Tints& tints_for(const image::Frame& frame) {
  static const std::array<Tints, 4> kTints{
      tints_of(reduce::Tint::kNone), tints_of(reduce::Tint::kWhiteLight),
      tints_of(reduce::Tint::kHydrogenAlpha), tints_of(reduce::Tint::kCalcium)};
  return kTints.at(static_cast<std::size_t>(reduce::tint_for(frame.info)));
}

}  // namespace

QImage frame_image(const image::Frame& frame, int longest_side_px) {
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

QImage quick_image(const image::Frame& frame, const QRect& part, int longest_side_px, Tone tone) {
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

QImage picture_image(const image::Picture& picture) {
  if (picture.planes == 1) {
    const image::Frame frame = image::frame_of(picture);
    return quick_image(frame, QRect(0, 0, frame.width, frame.height),
                       std::max(frame.width, frame.height), Tone::kPlain);
  }
  QImage image(picture.width, picture.height, QImage::Format_RGB32);
  const auto channel = [&](int x, int y, int plane) {
    return static_cast<int>(std::lround(255.0F * std::clamp(picture.at(x, y, plane), 0.0F, 1.0F)));
  };
  for (int y = 0; y < picture.height; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < picture.width; ++x) {
      line[x] = qRgb(channel(x, y, 0), channel(x, y, 1), channel(x, y, 2));
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
