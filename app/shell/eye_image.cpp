// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/eye_image.h"

#include <QObject>
#include <algorithm>
#include <cmath>

#include "solarchon/image/frame.h"

namespace solarchon::app {

namespace {

/// Share of the screen's white that the disc's centre takes: an eye tells brightness by its
/// logarithm, from 10 to 30 000 cd/m2 here.
double brightness_of(double luminance_cd_m2) {
  constexpr double kDarkest = 1.0;
  constexpr double kBrightest = 4.5;
  const double place =
      (std::log10(std::max(1.0, luminance_cd_m2)) - kDarkest) / (kBrightest - kDarkest);
  return std::clamp(0.25 + 0.75 * place, 0.25, 1.0);
}

}  // namespace

QImage eye_image(const camera::EyeSight& sight) {
  const image::Frame& frame = sight.frame;
  QImage image(frame.width, frame.height, QImage::Format_RGB32);
  constexpr double kScreen = 1.0 / 2.2;
  constexpr double kLevel = 0.7;  // of the disc's centre in the frame
  const double bright = brightness_of(sight.luminance_cd_m2);
  for (int y = 0; y < frame.height; ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < frame.width; ++x) {
      const double level =
          std::clamp((frame.at(x, y) / (1.0 * frame.saturation) - 0.01) / kLevel, 0.0, 1.3);
      const auto channel = [&](double share) {
        return static_cast<int>(
            std::lround(255.0 * std::min(1.0, bright * std::pow(level * share, kScreen))));
      };
      line[x] = qRgb(channel(sight.colour[0]), channel(sight.colour[1]), channel(sight.colour[2]));
    }
  }
  return image;
}

QString glare_words(const camera::EyeSight& sight) {
  switch (sight.glare) {
    case camera::Glare::kDim:
      return QObject::tr("Dim: a dark cloth over the head helps.");
    case camera::Glare::kDazzling:
      return QObject::tr("Dazzling: more filter is needed.");
    case camera::Glare::kEasy:
      break;
  }
  return QObject::tr("As bright as a day outside.");
}

}  // namespace solarchon::app
