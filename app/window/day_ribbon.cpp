// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/day_ribbon.h"

#include <QDateTime>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kTallestDeg = 90.0;

}  // namespace

DayRibbon::DayRibbon(Document& document, QWidget* parent) : Drawing(parent), document_(document) {
  setObjectName(QStringLiteral("day-ribbon"));
  setFocusPolicy(Qt::StrongFocus);
  setFixedHeight(Theme::px(92));
  setCursor(Qt::SizeHorCursor);
  setAccessibleName(tr("Day ribbon"));
  setToolTip(
      tr("Drag to look at another time. Arrows move by a minute, Page keys by an hour, "
         "Ctrl with arrows by a day; Home follows the clock."));
  const auto follow = [this] {
    setAccessibleDescription(clock_at(document_.moment(), document_.zone()));
    update();
  };
  connect(&document_, &Document::changed, this, follow);
  connect(&document_, &Document::clockMoved, this, follow);
}

QRectF DayRibbon::strip() const { return QRectF(rect()).adjusted(16, 20, -16, -20); }

double DayRibbon::x_of(sky::UtcTime time) const {
  const sky::SunDay& day = document_.day();
  return strip().left() + strip().width() * sky::in_days(time - day.start);
}

sky::UtcTime DayRibbon::time_at(double x) const {
  const double share = std::clamp((x - strip().left()) / strip().width(), 0.0, 1.0);
  // Whole minutes, none of which belongs to the day before or after.
  const sky::UtcTime exact = document_.day().start + share * (sky::days(1.0) - sky::minutes(2.0));
  return {(exact.unix_ms + 59'999) / 60'000 * 60'000};
}

void DayRibbon::look_at_x(double x) { document_.look_at(time_at(x)); }

void DayRibbon::paint_sun_shape(QPainter& painter) {
  const Palette& c = Theme::colours();
  const QRectF area = strip();
  painter.fillRect(area, c.shade);
  QPainterPath shape;
  shape.moveTo(area.left(), area.bottom());
  for (const sky::ArcPoint& point : document_.day().arc) {
    const double height = std::clamp(point.altitude_deg, 0.0, kTallestDeg) / kTallestDeg;
    shape.lineTo(x_of(point.time), area.bottom() - height * area.height());
  }
  shape.lineTo(area.right(), area.bottom());
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.sun);
  painter.drawPath(shape);
  cut_out_obstructions(painter);
  if (const auto turn = plan::meridian_turn(document_.workspace().mount, document_.day())) {
    const double middle = x_of(turn->meridian);
    const double half = std::max(4.0, 0.5 * (x_of(turn->latest) - x_of(turn->earliest)));
    painter.setPen(Theme::line(c.ink, 1.5));
    painter.setBrush(c.sheet);
    painter.drawPolygon(QPolygonF{QPointF(middle - half, area.top()),
                                  QPointF(middle + half, area.top()),
                                  QPointF(middle, area.top() + 16.0)});
  }
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.drawLine(area.bottomLeft(), area.bottomRight());
}

void DayRibbon::cut_out_obstructions(QPainter& painter) {
  const sky::Horizon& horizon = document_.workspace().site.horizon;
  if (horizon.points.empty()) {
    return;
  }
  const bool in_leaf =
      sky::trees_in_leaf(document_.day().date, document_.workspace().site.latitude_deg);
  const QRectF area = strip();
  QPainterPath hidden;  // under the skyline and under the Sun's way
  hidden.moveTo(area.left(), area.bottom());
  for (const sky::ArcPoint& point : document_.day().arc) {
    const double skyline = horizon.height_deg(point.azimuth_deg, in_leaf);
    const double height =
        std::clamp(std::min(skyline, point.altitude_deg), 0.0, kTallestDeg) / kTallestDeg;
    hidden.lineTo(x_of(point.time), area.bottom() - height * area.height());
  }
  hidden.lineTo(area.right(), area.bottom());
  const Palette& c = Theme::colours();
  painter.setBrush(c.shade);
  painter.setPen(Theme::line(c.faint_ink, 1.0));
  painter.drawPath(hidden);
}

void DayRibbon::paint_hours(QPainter& painter) {
  const Palette& c = Theme::colours();
  const QRectF area = strip();
  const QTimeZone zone = document_.zone();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const sky::SunDay& day = document_.day();
  const std::int64_t hour_ms = 3'600'000;
  const QDateTime first = QDateTime::fromMSecsSinceEpoch(day.start.unix_ms, zone);
  std::int64_t start = day.start.unix_ms + (60 - first.time().minute()) % 60 * 60'000LL;
  start -= start % 60'000;
  for (std::int64_t ms = start; ms <= day.end.unix_ms; ms += hour_ms) {
    const int hour = QDateTime::fromMSecsSinceEpoch(ms, zone).time().hour();
    const double x = x_of({ms});
    const bool named = hour % 3 == 0;
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.drawLine(QPointF(x, area.bottom()), QPointF(x, area.bottom() + (named ? 6 : 3)));
    if (named && x > area.left() + 14 && x < area.right() - 14) {
      painter.setPen(c.faint_ink);
      painter.drawText(QRectF(x - 24, area.bottom() + 5, 48, 14), Qt::AlignCenter,
                       QString::number(hour));
    }
  }
  // Rise, highest and set are written where they happen.
  const std::pair<std::optional<sky::UtcTime>, QString> events[] = {
      {day.sunrise, tr("rise %1")}, {day.transit, tr("highest %1")}, {day.sunset, tr("set %1")}};
  for (const auto& [time, words] : events) {
    if (time) {
      const double x = x_of(*time);
      painter.setPen(Theme::line(c.ink, 1.0));
      painter.drawLine(QPointF(x, area.top() - 4), QPointF(x, area.bottom()));
      const double clash = std::abs(x - x_of(document_.moment()));
      if (clash > 110.0) {
        painter.setPen(c.faint_ink);
        painter.drawText(QRectF(x - 60, 2, 120, 14), Qt::AlignCenter,
                         words.arg(clock_at(*time, zone)));
      }
    }
  }
}

void DayRibbon::paint_plan(QPainter& painter) {
  const Palette& c = Theme::colours();
  const QRectF area = strip();
  const plan::DayPlan& plan = document_.plan();
  if (plan.countdown && plan.countdown->begin < plan.countdown->first_frame) {
    const double left = std::max(area.left(), x_of(plan.countdown->begin));
    const QRectF steps(left, area.bottom() - 6.0, x_of(plan.countdown->first_frame) - left, 6.0);
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.setBrush(c.sheet);
    painter.drawRect(steps);
  }
  for (const plan::PlannedRun& run : plan.runs) {
    const double left = x_of(run.window.start);
    const bool hit = std::any_of(plan.conflicts.begin(), plan.conflicts.end(),
                                 [&](const auto& found) { return found.run == run.index; });
    const QRectF block(left, area.bottom() - 13.0,
                       std::max(3.0, std::min(area.right(), x_of(run.window.end)) - left), 13.0);
    painter.setPen(Theme::line(hit ? c.stop : c.ink, hit ? 2.0 : 1.0));
    painter.setBrush(c.accent);
    painter.drawRect(block);
    if (hit) {
      painter.fillRect(block, QBrush(c.sheet, Qt::BDiagPattern));
    }
  }
}

void DayRibbon::paint_now(QPainter& painter) {
  const Palette& c = Theme::colours();
  const QRectF area = strip();
  const double x = x_of(document_.moment());
  painter.setPen(Theme::line(c.accent, 2.5));
  painter.drawLine(QPointF(x, area.top() - 2), QPointF(x, area.bottom() + 2));
  const QString words = tr("%1 %2 \u00b7 %3\u00b0")
                            .arg(document_.live() ? tr("now") : tr("at"),
                                 clock_at(document_.moment(), document_.zone()),
                                 number(document_.answers().local.altitude_deg, 0));
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  const double width = painter.fontMetrics().horizontalAdvance(words) + 16.0;
  const double left = std::clamp(x - width / 2, area.left(), area.right() - width);
  const QRectF flag(left, 1, width, 17);
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.accent);
  painter.drawRoundedRect(flag, 3, 3);
  painter.setPen(c.on_accent);
  painter.drawText(flag, Qt::AlignCenter, words);
}

void DayRibbon::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  paint_sun_shape(painter);
  paint_hours(painter);
  paint_plan(painter);
  paint_now(painter);
  if (hasFocus()) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(Theme::line(Theme::colours().accent, 2.0));
    painter.drawRect(strip().adjusted(-3, -1, 3, 1));
  }
}

void DayRibbon::mousePressEvent(QMouseEvent* event) {
  if (event->button() == Qt::LeftButton) {
    look_at_x(at(*event).x());
  }
}

void DayRibbon::mouseMoveEvent(QMouseEvent* event) {
  if (event->buttons() & Qt::LeftButton) {
    look_at_x(at(*event).x());
  }
}

void DayRibbon::keyPressEvent(QKeyEvent* event) {
  const bool control = event->modifiers() & Qt::ControlModifier;
  const bool shift = event->modifiers() & Qt::ShiftModifier;
  const sky::Duration step = control ? sky::days(1.0) : sky::minutes(shift ? 10.0 : 1.0);
  switch (event->key()) {
    case Qt::Key_Left:
      document_.look_at(document_.moment() + -step);
      break;
    case Qt::Key_Right:
      document_.look_at(document_.moment() + step);
      break;
    case Qt::Key_PageUp:
      document_.look_at(document_.moment() - sky::hours(1.0));
      break;
    case Qt::Key_PageDown:
      document_.look_at(document_.moment() + sky::hours(1.0));
      break;
    case Qt::Key_Home:
      document_.go_live();
      break;
    default:
      QWidget::keyPressEvent(event);
  }
}

}  // namespace solarchon::app
