// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/disc_painting.h"

#include <QCoreApplication>
#include <cmath>
#include <optional>

#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

void paint_grid(QPainter& painter, const QPointF& centre, double radius_px,
                const sky::DiscView& view, const sky::PictureOrientation& solar) {
  const double scale = radius_px / sky::limb_radius_arcsec(view.distance_au);
  const auto draw_line = [&](const auto& point_at, int from, int to) {
    std::optional<QPointF> last;
    for (int step = from; step <= to; step += 3) {
      const auto [latitude, longitude] = point_at(step);
      const auto seen = sky::disc_place(latitude, longitude, view);
      if (!seen) {
        last.reset();
        continue;
      }
      const sky::PictureOffset offset = sky::to_picture(*seen, solar);
      const QPointF at = centre + QPointF(offset.right * scale, -offset.up * scale);
      if (last) {
        painter.drawLine(*last, at);
      }
      last = at;
    }
  };
  for (int latitude = -60; latitude <= 60; latitude += 30) {
    draw_line([&](int step) { return std::pair<double, double>(latitude, step); }, 0, 360);
  }
  for (int longitude = 0; longitude < 360; longitude += 30) {
    draw_line([&](int step) { return std::pair<double, double>(step, longitude); }, -90, 90);
  }
}

/// A short radial mark outside the disc with a word.
void paint_mark(QPainter& painter, const QPointF& centre, double radius_px, double angle_deg,
                const QString& word, bool bold) {
  const double angle = angle_deg * base::kRadPerDeg;
  const QPointF way(std::sin(angle), -std::cos(angle));
  painter.drawLine(centre + way * (radius_px + 2), centre + way * (radius_px + 12));
  painter.setFont(Theme::drawn_font(TextSize::kMedium, bold));
  const QPointF at = centre + way * (radius_px + 24);
  QRectF room(at.x() - 24, at.y() - 10, 48, 20);
  if (const QRectF open = painter.clipBoundingRect();
      painter.hasClipping() && (room.top() < open.top() || room.bottom() > open.bottom())) {
    // Where the picture ends too soon the word stands beside its mark.
    const QPointF beside = centre + way * (radius_px + 8) + QPointF(26, 0);
    room = QRectF(beside.x() - 24, beside.y() - 10, 48, 20);
  }
  painter.drawText(room, Qt::AlignCenter, word);
}

void paint_empty(QPainter& painter, const QRectF& room, const QString& hint) {
  const Palette& c = Theme::colours();
  QPen dashed = Theme::line(c.rule, 2.0);
  dashed.setStyle(Qt::DashLine);
  painter.setPen(dashed);
  painter.drawRect(room);
  painter.setPen(c.faint_ink);
  painter.drawText(room, Qt::AlignCenter | Qt::TextWordWrap, hint);
}

void paint_ring(QPainter& painter, const QPointF& centre, double radius_px,
                const sky::PictureOrientation& north) {
  painter.drawEllipse(centre, radius_px, radius_px);
  const double hand = north.mirrored ? 1.0 : -1.0;
  for (int position = 0; position < 360; position += 10) {
    const double angle_deg = north.north_deg + hand * position;
    if (position % 30 != 0) {
      const double angle = angle_deg * base::kRadPerDeg;
      const QPointF way(std::sin(angle), -std::cos(angle));
      painter.drawLine(centre + way * radius_px, centre + way * (radius_px + 6));
      continue;
    }
    const QString word = position == 0    ? QObject::tr("N")
                         : position == 90 ? QObject::tr("E")
                                          : QStringLiteral("%1\u00b0").arg(position);
    paint_mark(painter, centre, radius_px, angle_deg, word, position <= 90 && position % 90 == 0);
  }
}

void paint_compass(QPainter& painter, const QPointF& centre, const sky::PictureOrientation& north) {
  constexpr double kRadius = 12.0;
  painter.drawEllipse(centre, kRadius, kRadius);
  const double east_deg = north.north_deg + (north.mirrored ? 90.0 : -90.0);
  paint_mark(painter, centre, kRadius, north.north_deg, QObject::tr("N"), true);
  paint_mark(painter, centre, kRadius, east_deg, QObject::tr("E"), true);
}

}  // namespace solarchon::app
