// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/turned.h"

#include <cmath>

#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr double kQuarterDeg = 90.0;

}  // namespace

Turned Turned::north_up(const sky::PictureOrientation& north) {
  Turned turned{north.mirrored, 0};
  const double left_deg = turned.lies(north).north_deg;
  turned.quarters = (4 - static_cast<int>(std::lround(left_deg / kQuarterDeg)) % 4) % 4;
  return turned;
}

QTransform Turned::of(const QSizeF& size) const {
  QTransform whole;
  QSizeF now = size;
  if (mirrored) {
    whole *= QTransform(-1.0, 0.0, 0.0, 1.0, now.width(), 0.0);
  }
  for (int i = 0; i < quarters; ++i) {
    whole *= QTransform(0.0, 1.0, -1.0, 0.0, now.height(), 0.0);
    now.transpose();
  }
  return whole;
}

QImage Turned::image(const QImage& image) const {
  const QImage first = mirrored ? image.mirrored(true, false) : image;
  return quarters == 0 ? first : first.transformed(QTransform().rotate(kQuarterDeg * quarters));
}

sky::PictureOrientation Turned::lies(const sky::PictureOrientation& north) const {
  const double first_deg = mirrored ? -north.north_deg : north.north_deg;
  return {base::wrap_360(first_deg + kQuarterDeg * quarters), north.mirrored != mirrored};
}

}  // namespace solarchon::app
