// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/ground_plan.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr double kMargin = 40.0;
constexpr std::int64_t kHourMs = 3600000;
constexpr double kLongestShare = 0.86;   // of the ring, for the longest shadow that is drawn
constexpr double kLongestInBeads = 3.0;  // times the bead's height; longer ones are cut there

}  // namespace

GroundPlan::GroundPlan(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("ground-plan"));
  setAccessibleName(tr("The ground around the mount, from above"));
}

void GroundPlan::show_scene(Scene scene, const QString& words) {
  scene_ = std::move(scene);
  setAccessibleDescription(words);
  update();
}

QPointF GroundPlan::centre() const { return QRectF(rect()).center(); }

double GroundPlan::radius() const { return std::min(width(), height()) / 2.0 - kMargin; }

QPointF GroundPlan::place(double azimuth_deg, double share) const {
  const double turned = (azimuth_deg - scene_.north.axis_azimuth_deg) * base::kRadPerDeg;
  return centre() + share * radius() * QPointF(std::sin(turned), -std::cos(turned));
}

double GroundPlan::share_of(double length_mm) const {
  double longest = scene_.north.shadow ? scene_.north.shadow->length_mm : 0.0;
  for (const align::PlumbShadow& shadow : scene_.coming) {
    longest = std::max(longest, shadow.length_mm);
  }
  if (scene_.way == align::NorthWay::kHighest && scene_.north.in_meridian) {
    longest = std::max(longest, scene_.north.in_meridian->length_mm);
  }
  longest = std::clamp(longest, 1.0, kLongestInBeads * scene_.tools.plumb_mm);
  return kLongestShare * std::min(1.0, length_mm / longest);
}

void GroundPlan::write(QPainter& painter, const QPointF& at, const QString& words) const {
  const QFontMetricsF metrics = painter.fontMetrics();
  QRectF box(0, 0, metrics.horizontalAdvance(words) + 8.0, metrics.height() + 2.0);
  box.moveCenter(at);
  box.moveLeft(std::clamp(box.left(), 2.0, std::max(2.0, width() - 2.0 - box.width())));
  box.moveTop(std::clamp(box.top(), 2.0, std::max(2.0, height() - 2.0 - box.height())));
  QColor ground = Theme::colours().ground;
  ground.setAlphaF(0.85F);
  painter.fillRect(box, ground);
  painter.drawText(box, Qt::AlignCenter, words);
}

void GroundPlan::paint_ring(QPainter& painter) const {
  constexpr int kTick = 10;
  constexpr int kNamed = 30;
  constexpr int kQuarter = 90;
  const Palette& c = Theme::colours();
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(c.sheet);
  painter.drawEllipse(centre(), radius(), radius());
  for (int azimuth = 0; azimuth < 360; azimuth += kTick) {
    const bool named = azimuth % kNamed == 0;
    painter.setPen(Theme::line(c.ink, named ? 1.5 : 1.0));
    painter.drawLine(place(azimuth, 1.0), place(azimuth, named ? 0.95 : 0.975));
    const bool quarter = azimuth % kQuarter == 0;
    painter.setFont(Theme::drawn_font(quarter ? TextSize::kMedium : TextSize::kSmall, quarter));
    painter.setPen(quarter ? c.ink : c.faint_ink);
    if (named) {
      const double beyond = 1.0 + 18.0 / radius();
      QRectF box(0, 0, 44, 20);
      box.moveCenter(place(azimuth, beyond));
      painter.drawText(box, Qt::AlignCenter,
                       quarter ? compass_point(azimuth) : QStringLiteral("%1\u00b0").arg(azimuth));
    }
  }
  if (scene_.sun_up) {
    painter.setPen(Theme::line(c.ink, 1.5));
    painter.setBrush(c.sun);
    painter.drawEllipse(place(scene_.sun_azimuth_deg, 1.0), 9, 9);
  }
}

void GroundPlan::paint_axis(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const double up = scene_.north.axis_azimuth_deg;
  painter.setPen(Theme::line(c.accent, 3.0));
  painter.drawLine(place(up + 180.0, 0.14), place(up, 0.9));
  const QPointF tip = place(up, 0.94);
  const QPointF back = place(up, 0.86);
  const QPointF side(7, 0);
  painter.setBrush(c.accent);
  painter.drawPolygon(QPolygonF({tip, back + side, back - side}));
  painter.setPen(c.accent);
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  write(painter, place(up, 0.72) + QPointF(34, 0), tr("axis"));
}

void GroundPlan::paint_feet(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const bool marks = scene_.way == align::NorthWay::kMarks;
  const double share = marks ? 0.5 : 0.17;
  QPolygonF feet;
  for (const double turned : {0.0, 120.0, 240.0}) {
    feet << place(scene_.north.axis_azimuth_deg + turned, share);
  }
  painter.setPen(Theme::line(marks ? c.ink : c.faint_ink, marks ? 4.0 : 2.5));
  for (const QPointF& foot : feet) {
    painter.drawLine(centre(), foot);
  }
  if (!marks) {
    return;
  }
  painter.setPen(Theme::line(c.rule, 1.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawPolygon(feet);
  painter.setPen(Theme::line(c.stop, 2.5));
  for (const QPointF& foot : feet) {
    painter.drawLine(foot + QPointF(-9, -9), foot + QPointF(9, 9));
    painter.drawLine(foot + QPointF(-9, 9), foot + QPointF(9, -9));
  }
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  write(painter, (feet[1] + feet[2]) / 2.0 + QPointF(0, 16),
        tr("%1 mm").arg(number(scene_.tools.feet_apart_mm, 0)));
}

void GroundPlan::paint_needle(QPainter& painter) const {
  if (!scene_.tools.magnetic_declination_deg || !scene_.north.compass_bearing_deg) {
    return;
  }
  const Palette& c = Theme::colours();
  const double north = *scene_.tools.magnetic_declination_deg;
  const double from_axis = base::wrap_180(north - scene_.north.axis_azimuth_deg);
  QPen needle = Theme::line(c.stop, 3.0);
  painter.setPen(needle);
  painter.drawLine(centre(), place(north, 0.8));
  painter.setPen(Theme::line(c.faint_ink, 3.0));
  painter.drawLine(centre(), place(north + 180.0, 0.8));
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  write(painter, place(north, 0.56) + QPointF(from_axis < 0.0 ? -70 : 70, 0), tr("needle"));
  painter.setFont(Theme::drawn_font(TextSize::kLarge, true));
  write(painter, centre() + QPointF(0, radius() * 0.34),
        tr("reads %1\u00b0").arg(number(*scene_.north.compass_bearing_deg, 1)));
}

void GroundPlan::paint_coming(QPainter& painter) const {
  const Palette& c = Theme::colours();
  QPainterPath way;
  for (std::size_t i = 0; i < scene_.coming.size(); ++i) {
    const align::PlumbShadow& shadow = scene_.coming[i];
    const QPointF tip = place(shadow.direction_deg, share_of(shadow.length_mm));
    i == 0 ? way.moveTo(tip) : way.lineTo(tip);
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(c.faint_ink, 1.5));
  painter.drawPath(way);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (std::size_t i = 0; i < scene_.coming.size(); ++i) {
    const align::PlumbShadow& shadow = scene_.coming[i];
    const double share = share_of(shadow.length_mm);
    const QPointF tip = place(shadow.direction_deg, share);
    painter.setPen(Theme::line(c.faint_ink, 1.5));
    painter.setBrush(c.sheet);
    painter.drawEllipse(tip, 3, 3);
    // Full hours, outside of the way.
    if (shadow.time.unix_ms % kHourMs == 0) {
      painter.setPen(c.faint_ink);
      write(painter, place(shadow.direction_deg, share + 24.0 / radius()),
            clock_at(shadow.time, scene_.zone));
    }
  }
}

void GroundPlan::paint_shadow(QPainter& painter, const align::PlumbShadow& shadow) const {
  const Palette& c = Theme::colours();
  const QPointF tip = place(shadow.direction_deg, share_of(shadow.length_mm));
  painter.setPen(QPen(c.ink, 6.0, Qt::SolidLine, Qt::FlatCap));
  painter.drawLine(centre(), tip);
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.ink);
  painter.drawEllipse(tip, 6, 6);
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
  const double across = shadow.to_axis_deg < 0.0 ? 1.0 : -1.0;  // away from the axis
  write(painter, place(shadow.direction_deg + across * 11.0, 0.66 * share_of(shadow.length_mm)),
        tr("shadow %1\u00b0").arg(number(shadow.direction_deg, 1)));
}

void GroundPlan::paint_angle(QPainter& painter, const align::PlumbShadow& shadow) const {
  constexpr double kShare = 0.3;
  constexpr double kLeastDeg = 2.0;
  if (std::abs(shadow.to_axis_deg) < kLeastDeg) {
    return;
  }
  const Palette& c = Theme::colours();
  const QRectF box(centre() - QPointF(1, 1) * kShare * radius(), QSizeF(2, 2) * kShare * radius());
  // Qt counts from the right, against the clock, in sixteenths.
  const double from_up = base::wrap_180(shadow.direction_deg - scene_.north.axis_azimuth_deg);
  painter.setPen(Theme::line(c.accent, 2.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawArc(box, static_cast<int>(std::lround((90.0 - from_up) * 16.0)),
                  static_cast<int>(std::lround(-shadow.to_axis_deg * 16.0)));
  painter.setPen(c.accent);
  painter.setFont(Theme::drawn_font(TextSize::kLarge, true));
  constexpr double kLabelShare = 0.6;  // beyond the way of the shadow's tip
  write(painter, place(shadow.direction_deg + shadow.to_axis_deg / 2.0, kLabelShare),
        QStringLiteral("%1\u00b0").arg(number(std::abs(shadow.to_axis_deg), 1)));
}

void GroundPlan::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  paint_ring(painter);
  paint_feet(painter);
  switch (scene_.way) {
    case align::NorthWay::kMarks:
      paint_axis(painter);
      break;
    case align::NorthWay::kCompass:
      paint_axis(painter);
      paint_needle(painter);
      break;
    case align::NorthWay::kShadow:
      paint_coming(painter);
      paint_axis(painter);
      if (scene_.north.shadow) {
        paint_angle(painter, *scene_.north.shadow);
        paint_shadow(painter, *scene_.north.shadow);
      }
      break;
    case align::NorthWay::kHighest:
      paint_axis(painter);
      if (scene_.north.in_meridian) {
        paint_shadow(painter, *scene_.north.in_meridian);
      }
  }
  const Palette& c = Theme::colours();
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(c.sheet);
  painter.drawEllipse(centre(), 6, 6);
}

}  // namespace solarchon::app
