// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/part_glyph.h"

#include <QPainterPath>
#include <algorithm>

#include "solarchon/optics/parameters.h"

namespace solarchon::app {

namespace {

void convex(QPainter& painter, double x, double y, double half, double bulge) {
  QPainterPath lens;
  lens.moveTo(x, y - half);
  lens.quadTo(x - bulge, y, x, y + half);
  lens.quadTo(x + bulge, y, x, y - half);
  painter.drawPath(lens);
}

void concave(QPainter& painter, double x, double y, double half) {
  QPainterPath lens;
  lens.moveTo(x - 7, y - half);
  lens.quadTo(x, y, x - 7, y + half);
  lens.lineTo(x + 7, y + half);
  lens.quadTo(x, y, x + 7, y - half);
  lens.closeSubpath();
  painter.drawPath(lens);
}

void plate(QPainter& painter, double x, double y, double half, double thickness) {
  painter.drawRect(QRectF(x, y - half, thickness, 2 * half));
}

void tube(QPainter& painter, const PartBox& box) {
  painter.drawLine(QPointF(box.x, box.y - box.half), QPointF(box.x + box.depth, box.y - box.half));
  painter.drawLine(QPointF(box.x, box.y + box.half), QPointF(box.x + box.depth, box.y + box.half));
}

/// Two halves of an opaque cover with a gap between.
void mask(QPainter& painter, const PartBox& box) {
  const QBrush solid(painter.pen().color());
  painter.fillRect(QRectF(box.x - 2, box.y - box.half - 14, 4, 14), solid);
  painter.fillRect(QRectF(box.x - 2, box.y + box.half, 4, 14), solid);
}

void telescope(QPainter& painter, const optics::Telescope& part, const PartBox& box) {
  using optics::TelescopeDesign;
  convex(painter, box.x, box.y, box.half, 12);
  switch (part.design) {
    case TelescopeDesign::kNewtonian:
    case TelescopeDesign::kSchmidt:
    case TelescopeDesign::kMaksutov: {
      const double dark = std::max(3.0, part.obstruction * box.half);
      painter.fillRect(QRectF(box.x - 14, box.y - dark, 5, 2 * dark), painter.pen().color());
      break;
    }
    case TelescopeDesign::kTriplet:
      painter.drawLine(QPointF(box.x, box.y - box.half), QPointF(box.x, box.y + box.half));
      break;
    case TelescopeDesign::kRearGroup:
      convex(painter, box.x + 60, box.y, box.half * 0.5, 8);
      break;
    default:
      break;
  }
}

void fold(QPainter& painter, const PartBox& box, bool wedge) {
  const double half = box.half + 6.0;
  const QRectF square(box.x, box.y - half, std::max(2.0 * half, box.depth), 2.0 * half);
  painter.drawRect(square);
  painter.drawLine(square.bottomLeft(), square.topRight());
  if (wedge) {  // the heat goes on through the back
    const double back = square.right();
    for (const double offset : {-6.0, 0.0, 6.0}) {
      painter.drawLine(QPointF(back + 3, box.y + offset), QPointF(back + 12, box.y + offset));
    }
  }
}

/// Parallel light between two lenses, with the gap in it.
void inner_etalon(QPainter& painter, const PartBox& box) {
  concave(painter, box.x - 10, box.y, box.half);
  plate(painter, box.x - 1, box.y, box.half, 3);
  plate(painter, box.x + 5, box.y, box.half, 3);
  convex(painter, box.x + 16, box.y, box.half, 6);
}

void rear_etalon(QPainter& painter, const PartBox& box) {
  painter.drawRect(QRectF(box.x, box.y - box.half - 5, box.depth, 2 * box.half + 10));
  concave(painter, box.x + 10, box.y, box.half);
  const double gap = box.x + box.depth * 0.6;
  painter.drawLine(QPointF(gap, box.y - box.half), QPointF(gap, box.y + box.half));
  painter.drawLine(QPointF(gap + 4, box.y - box.half), QPointF(gap + 4, box.y + box.half));
}

void camera(QPainter& painter, const PartBox& box) {
  painter.drawRect(QRectF(box.x, box.y - box.half - 6, box.depth, 2 * box.half + 12));
  QPen sensor = painter.pen();
  sensor.setWidthF(4.0);
  painter.setPen(sensor);
  const double end = box.x + box.depth;
  painter.drawLine(QPointF(end, box.y - box.half), QPointF(end, box.y + box.half));
}

}  // namespace

void paint_part_glyph(QPainter& painter, const optics::Part& part, const PartBox& box) {
  const std::string_view kind = optics::kind_of(part);
  if (const auto* kind_of_tube = std::get_if<optics::Telescope>(&part)) {
    telescope(painter, *kind_of_tube, box);
  } else if (kind == "front-film") {
    painter.fillRect(QRectF(box.x - 2, box.y - box.half, 4, 2 * box.half), painter.pen().color());
  } else if (kind == "aperture-mask") {
    mask(painter, box);
  } else if (kind == "front-etalon") {
    plate(painter, box.x - 6, box.y, box.half, 4);
    plate(painter, box.x + 2, box.y, box.half, 4);
  } else if (kind == "inner-etalon") {
    inner_etalon(painter, box);
  } else if (kind == "energy-filter") {
    plate(painter, box.x - 3, box.y, box.half, 6);
  } else if (kind == "reducer") {
    convex(painter, box.x, box.y, box.half, 12);
  } else if (kind == "amplifier") {
    concave(painter, box.x, box.y, box.half);
  } else if (kind == "diagonal" || kind == "wedge") {
    fold(painter, box, kind == "wedge");
  } else if (kind == "rear-etalon") {
    rear_etalon(painter, box);
  } else if (kind == "extension") {
    tube(painter, box);
  } else if (kind == "tilt-adapter") {
    painter.drawLine(QPointF(box.x, box.y - box.half), QPointF(box.x + 6, box.y + box.half));
    tube(painter, box);
  } else if (kind == "eyepiece") {
    convex(painter, box.x + 8, box.y, box.half, 9);
    tube(painter, {box.x, box.y, box.half, 16});
  } else if (kind == "projection-screen") {
    plate(painter, box.x, box.y, box.half + 12, 3);
  } else if (optics::zone_of(part) == optics::Zone::kEnd) {
    camera(painter, box);
  } else {  // thin glass
    plate(painter, box.x, box.y, box.half, 3);
  }
}

}  // namespace solarchon::app
