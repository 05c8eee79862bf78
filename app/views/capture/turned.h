// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QSizeF>
#include <QTransform>

#include "solarchon/sky/disc.h"

namespace solarchon::app {

/// A picture turned for the eye: mirrored left to right first, then turned clockwise.
struct Turned {
  bool mirrored = false;
  int quarters = 0;  ///< 0 to 3
  bool operator==(const Turned&) const = default;

  /// The one that brings north up, as near as quarter turns do, and east to the left.
  [[nodiscard]] static Turned north_up(const sky::PictureOrientation& north);
  /// From places in a picture of that size to places in the turned one.
  [[nodiscard]] QTransform of(const QSizeF& size) const;
  [[nodiscard]] QSizeF size_of(const QSizeF& size) const {
    return quarters % 2 == 0 ? size : size.transposed();
  }
  [[nodiscard]] QImage image(const QImage& image) const;
  /// How the sky lies in the turned picture.
  [[nodiscard]] sky::PictureOrientation lies(const sky::PictureOrientation& north) const;
};

}  // namespace solarchon::app
