// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/wall_chart.h"

#include <QDateTime>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/shell/phrases.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr double kLowestDeg = -8.0;

}  // namespace

WallChart::WallChart(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
  setAccessibleName(tr("Path of the Sun over the horizon"));
  connect(&document_, &Document::changed, this, qOverload<>(&QWidget::update));
}

WallChart::Span WallChart::span() const {
  const sky::SunDay& day = document_.day();
  double highest = -90.0;
  double middle = 180.0;
  for (const sky::ArcPoint& point : day.arc) {
    if (point.altitude_deg > highest) {
      highest = point.altitude_deg;
      middle = point.azimuth_deg;
    }
  }
  // Culmination is due south or north, but for the poles; the chart shows a round half.
  middle = base::angle_between_deg(middle, 180.0) < 90.0 ? 180.0 : 0.0;
  double half = 60.0;
  for (const sky::ArcPoint& point : day.arc) {
    if (point.altitude_deg > kLowestDeg) {
      half = std::max(half, base::angle_between_deg(point.azimuth_deg, middle) + 6.0);
    }
  }
  return {middle, std::min(180.0, half)};
}

QRectF WallChart::area() const { return QRectF(rect()).adjusted(44, 12, -12, -30); }

QPointF WallChart::place(double azimuth_deg, double altitude_deg) const {
  const Span s = span();
  const QRectF box = area();
  const double across = base::wrap_180(azimuth_deg - s.middle_deg) / s.half_deg;
  // Seen from the northern half one faces south, with east on the left; facing north, on the right.
  const double top = std::max(
      30.0, std::min(90.0, 10.0 * std::ceil((document_.day().transit_altitude_deg + 8.0) / 10.0)));
  const double up = (altitude_deg - kLowestDeg) / (top - kLowestDeg);
  return {box.center().x() + across * box.width() / 2.0, box.bottom() - up * box.height()};
}

void WallChart::paint_grid(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF box = area();
  const Span s = span();
  const double horizon = place(s.middle_deg, 0.0).y();
  painter.fillRect(QRectF(box.left(), box.top(), box.width(), horizon - box.top()), c.sky);
  painter.fillRect(QRectF(box.left(), horizon, box.width(), box.bottom() - horizon), c.shade);
  painter.setFont(Theme::font(TextSize::kSmall));
  for (int altitude = 0; altitude <= 90; altitude += 10) {
    const double y = place(s.middle_deg, altitude).y();
    if (y < box.top() - 1) {
      break;
    }
    painter.setPen(Theme::line(altitude == 0 ? c.ink : c.rule, altitude == 0 ? 2.0 : 1.0));
    painter.drawLine(QPointF(box.left(), y), QPointF(box.right(), y));
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(0, y - 8, 38, 16), Qt::AlignRight | Qt::AlignVCenter,
                     QStringLiteral("%1\u00b0").arg(altitude));
  }
  for (int azimuth = 0; azimuth < 360; azimuth += 15) {
    if (base::angle_between_deg(azimuth, s.middle_deg) > s.half_deg) {
      continue;
    }
    const double x = place(azimuth, 0.0).x();
    const bool cardinal = azimuth % 45 == 0;
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.drawLine(QPointF(x, horizon), QPointF(x, horizon + (cardinal ? 8 : 4)));
    if (cardinal) {
      painter.setPen(c.ink);
      painter.setFont(Theme::font(TextSize::kSmall, azimuth % 90 == 0));
      painter.drawText(QRectF(x - 40, box.bottom() + 6, 80, 18), Qt::AlignCenter,
                       QStringLiteral("%1 %2\u00b0").arg(compass_point(azimuth)).arg(azimuth));
    }
  }
}

void WallChart::paint_path(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const auto& arc = document_.day().arc;
  painter.setClipRect(area());
  for (std::size_t i = 1; i < arc.size(); ++i) {
    const QPointF from = place(arc[i - 1].azimuth_deg, arc[i - 1].altitude_deg);
    const QPointF to = place(arc[i].azimuth_deg, arc[i].altitude_deg);
    if (std::abs(from.x() - to.x()) > area().width() / 2) {
      continue;  // the path runs off one side and in at the other
    }
    const bool up = arc[i].altitude_deg > 0.0;
    QPen pen = Theme::line(up ? c.ink : c.faint_ink, up ? 2.5 : 1.0);
    pen.setStyle(up ? Qt::SolidLine : Qt::DotLine);
    painter.setPen(pen);
    painter.drawLine(from, to);
  }
  painter.setClipping(false);
}

void WallChart::paint_hours(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QTimeZone zone = document_.zone();
  painter.setFont(Theme::font(TextSize::kSmall));
  const auto& arc = document_.day().arc;
  for (std::size_t i = 1; i + 1 < arc.size(); ++i) {
    // The whole hour of the site between this point and the next.
    const std::int64_t step = arc[i + 1].time.unix_ms - arc[i].time.unix_ms;
    const QDateTime local = QDateTime::fromMSecsSinceEpoch(arc[i].time.unix_ms + step, zone);
    const std::int64_t past = local.time().msecsSinceStartOfDay() % 3'600'000;
    if (past >= step || arc[i].altitude_deg < 0.0) {
      continue;
    }
    const double part = 1.0 - static_cast<double>(past) / static_cast<double>(step);
    const double azimuth =
        arc[i].azimuth_deg + part * base::wrap_180(arc[i + 1].azimuth_deg - arc[i].azimuth_deg);
    const double altitude =
        arc[i].altitude_deg + part * (arc[i + 1].altitude_deg - arc[i].altitude_deg);
    const QPointF at = place(azimuth, altitude);
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.setBrush(c.sheet);
    painter.drawEllipse(at, 3.5, 3.5);
    // The hour stands outside the path: left while it climbs, right while it falls.
    const QPointF along = place(arc[i + 1].azimuth_deg, arc[i + 1].altitude_deg) -
                          place(arc[i].azimuth_deg, arc[i].altitude_deg);
    const double length = std::max(1e-6, std::hypot(along.x(), along.y()));
    QPointF outward(along.y() / length, -along.x() / length);
    if (outward.y() > 0.0) {
      outward = -outward;
    }
    const QPointF label = at + outward * 16.0;
    painter.setPen(c.ink);
    painter.drawText(QRectF(label.x() - 20, label.y() - 8, 40, 16), Qt::AlignCenter,
                     local.toString(QStringLiteral("H")));
  }
}

void WallChart::paint_sun(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const sky::LocalSun& sun = document_.answers().local;
  if (sun.altitude_deg < kLowestDeg) {
    return;
  }
  const QPointF at = place(sun.azimuth_deg, sun.altitude_deg);
  painter.setPen(Theme::line(c.accent, 1.0));
  painter.drawLine(at, QPointF(at.x(), place(sun.azimuth_deg, 0.0).y()));
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(c.sun);
  painter.drawEllipse(at, 13, 13);
}

void WallChart::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  paint_grid(painter);
  paint_path(painter);
  paint_hours(painter);
  paint_sun(painter);
}

}  // namespace solarchon::app
