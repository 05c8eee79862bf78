// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>
#include <QPointF>
#include <QRectF>
#include <QString>

#include "solarchon/sky/disc.h"

namespace solarchon::app {

/// Draws the heliographic grid, every 30 degrees, on a disc.
/// @param centre     of the disc on the painter
/// @param radius_px  of the limb
/// @param solar      how the Sun lies in the picture
void paint_grid(QPainter& painter, const QPointF& centre, double radius_px,
                const sky::DiscView& view, const sky::PictureOrientation& solar);

/// A short radial mark outside a circle with a word behind it.
/// @param angle_deg  in the picture, from up, clockwise
void paint_mark(QPainter& painter, const QPointF& centre, double radius_px, double angle_deg,
                const QString& word, bool bold);

/// The face of a picture that is not there yet: a dashed frame with a hint in it.
void paint_empty(QPainter& painter, const QRectF& room, const QString& hint);

/// A ring graduated in position angle: marks every 10 degrees, words every 30, north and east
/// named.
/// @param north  how the sky (or the Sun) lies in the picture
void paint_ring(QPainter& painter, const QPointF& centre, double radius_px,
                const sky::PictureOrientation& north);

/// North and east alone, about a small circle.
void paint_compass(QPainter& painter, const QPointF& centre, const sky::PictureOrientation& north);

}  // namespace solarchon::app
