// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/year_chart.h"

#include <QDateTime>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_tips.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kLeft = 64.0;
constexpr double kRight = 12.0;
constexpr double kMostTilt = 28.0;  ///< P stays within 26.4 degrees

QDate as_date(const sky::CivilDate& date) { return {date.year, date.month, date.day}; }

}  // namespace

YearChart::YearChart(Document& document, QWidget* parent) : Drawing(parent), document_(document) {
  setObjectName(QStringLiteral("year-chart"));
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("The year: heights of the Sun, clear hours, tilt of the disc, rotations"));
  connect(&document_, &Document::changed, this, qOverload<>(&QWidget::update));
}

void YearChart::show_year(std::shared_ptr<const plan::YearAhead> year) {
  year_ = std::move(year);
  update();
}

YearChart::Bands YearChart::bands() const {
  constexpr double kTop = 22.0;
  constexpr double kGap = 10.0;
  constexpr double kBelow = 18.0;
  const double free = height() - kTop - kBelow - 2.0 * kGap;
  const double wide = width() - kLeft - kRight;
  const QRectF heights(kLeft, kTop, wide, 0.2 * free);
  const QRectF light(kLeft, heights.bottom() + kGap, wide, 0.52 * free);
  return {heights, light, {kLeft, light.bottom() + kGap, wide, 0.28 * free}};
}

double YearChart::x_of(double day) const {
  const double days = year_ ? static_cast<double>(year_->days.size()) : 365.0;
  return kLeft + day / days * (width() - kLeft - kRight);
}

std::optional<int> YearChart::day_at(double x) const {
  if (!year_ || x < kLeft || x >= width() - kRight) {
    return std::nullopt;
  }
  const auto count = static_cast<double>(year_->days.size());
  return static_cast<int>((x - kLeft) / (width() - kLeft - kRight) * count);
}

int YearChart::shown_day() const {
  const sky::CivilDate& date = document_.day().date;
  return QDate(date.year, 1, 1).daysTo(as_date(date));
}

double YearChart::clock_hour(sky::UtcTime time, const sky::CivilDate& date) const {
  const QDateTime local = QDateTime::fromMSecsSinceEpoch(time.unix_ms, document_.zone());
  return 24.0 * static_cast<double>(as_date(date).daysTo(local.date())) +
         QTime(0, 0).secsTo(local.time()) / 3600.0;
}

void YearChart::look_at_day(int day) {
  const double days = day - shown_day();
  document_.look_at(document_.moment() + sky::days(days));
}

void YearChart::mousePressEvent(QMouseEvent* event) {
  if (const auto day = day_at(at(*event).x()); day && event->button() == Qt::LeftButton) {
    look_at_day(*day);
  }
}

void YearChart::keyPressEvent(QKeyEvent* event) {
  const int step = event->modifiers() & Qt::ShiftModifier ? 7 : 1;
  constexpr int kMonth = 30;
  switch (event->key()) {
    case Qt::Key_Left:
      look_at_day(shown_day() - step);
      break;
    case Qt::Key_Right:
      look_at_day(shown_day() + step);
      break;
    case Qt::Key_PageUp:
      look_at_day(shown_day() - kMonth);
      break;
    case Qt::Key_PageDown:
      look_at_day(shown_day() + kMonth);
      break;
    default:
      QWidget::keyPressEvent(event);
  }
}

bool YearChart::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip && year_) {
    const auto* help = static_cast<QHelpEvent*>(event);
    if (const auto day = day_at(in_units(help->pos()).x())) {
      const plan::YearDay& shown = year_->days[static_cast<std::size_t>(*day)];
      show_plain_tip(
          help->globalPos(),
          tr("%1\nhighest %2\u00b0, clear %3 h\nP %4\u00b0, B\u2080 %5\u00b0")
              .arg(QLocale().toString(as_date(shown.date), QStringLiteral("d MMMM")),
                   number(shown.culmination_altitude_deg, 1), number(shown.clear_hours, 1),
                   number(shown.p_deg, 1), number(shown.b0_deg, 1)),
          this);
    }
    return true;
  }
  return QWidget::event(event);
}

void YearChart::paint_months(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const Bands all = bands();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (int month = 1; month <= 12; ++month) {
    const QDate first(year_->year, month, 1);
    const double left = x_of(first.dayOfYear() - 1);
    const double right = x_of(first.dayOfYear() - 1 + first.daysInMonth());
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawLine(QPointF(left, all.height.top()), QPointF(left, all.tilt.bottom()));
    painter.setPen(c.ink);
    painter.drawText(QRectF(left, 2, right - left, 16), Qt::AlignCenter,
                     QLocale().standaloneMonthName(month, QLocale::ShortFormat));
  }
}

void YearChart::paint_heights(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF band = bands().height;
  const auto y_of = [&](double altitude) {
    return band.bottom() - std::clamp(altitude, 0.0, 90.0) / 90.0 * band.height();
  };
  QPolygonF line;
  for (std::size_t day = 0; day < year_->days.size(); ++day) {
    line << QPointF(x_of(static_cast<double>(day) + 0.5),
                    y_of(year_->days[day].culmination_altitude_deg));
  }
  QPolygonF filled = line;
  filled << QPointF(line.back().x(), band.bottom()) << QPointF(line.front().x(), band.bottom());
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.sun);
  painter.drawPolygon(filled);
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.drawPolyline(line);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (const int degrees : {0, 30, 60, 90}) {
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawLine(QPointF(band.left(), y_of(degrees)), QPointF(band.right(), y_of(degrees)));
    if (degrees > 0) {
      painter.setPen(c.faint_ink);
      painter.drawText(QRectF(34, y_of(degrees) - 8, kLeft - 38, 16),
                       Qt::AlignRight | Qt::AlignVCenter, tr("%1\u00b0").arg(degrees));
    }
  }
}

void YearChart::paint_light(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF band = bands().light;
  const auto y_of = [&](double hour) { return band.top() + hour / 24.0 * band.height(); };
  painter.fillRect(band, c.sky);
  painter.save();
  painter.setClipRect(band);
  painter.setRenderHint(QPainter::Antialiasing, false);
  for (std::size_t i = 0; i < year_->days.size(); ++i) {
    const plan::YearDay& day = year_->days[i];
    // Whole pixels, so that neighbours neither overlap nor leave a gap.
    const double left = std::floor(x_of(static_cast<double>(i)));
    const double wide = std::floor(x_of(static_cast<double>(i) + 1.0)) - left;
    // A stretch that reaches over midnight by the clock comes in again on the other side.
    const auto fill = [&](double from, double to, const QColor& colour) {
      for (const double shift : {-24.0, 0.0, 24.0}) {
        painter.fillRect(
            QRectF(QPointF(left, y_of(from + shift)), QPointF(left + wide, y_of(to + shift))),
            colour);
      }
    };
    if (day.polar == sky::PolarState::kMidnightSun) {
      painter.fillRect(QRectF(left, band.top(), wide, band.height()), c.shade);
    } else if (day.sunrise && day.sunset) {
      fill(clock_hour(*day.sunrise, day.date), clock_hour(*day.sunset, day.date), c.shade);
    }
    for (const sky::Window& window : day.clear) {
      fill(clock_hour(window.start, day.date), clock_hour(window.end, day.date), c.sun);
    }
  }
  painter.setRenderHint(QPainter::Antialiasing);
  // Runs that are planned stand as marks on their day.
  for (const plan::Run& run : document_.workspace().wishes.runs) {
    const QDate date = QDateTime::fromMSecsSinceEpoch(run.start.unix_ms, document_.zone()).date();
    if (date.year() == year_->year) {
      const double x = x_of(date.dayOfYear() - 0.5);
      const double y = y_of(clock_hour(run.start, {date.year(), date.month(), date.day()}));
      painter.setPen(Theme::line(c.sheet, 1.0));
      painter.setBrush(c.accent);
      painter.drawEllipse(QPointF(x, y), 4.0, 4.0);
    }
  }
  painter.restore();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (int hour = 0; hour <= 24; hour += 6) {
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawLine(QPointF(band.left() - 4, y_of(hour)), QPointF(band.left(), y_of(hour)));
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(30, y_of(hour) - 8, kLeft - 36, 16), Qt::AlignRight | Qt::AlignVCenter,
                     tr("%1 h").arg(hour));
  }
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(band);
}

void YearChart::paint_tilt(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF band = bands().tilt;
  const auto y_of = [&](double degrees) {
    return band.center().y() - degrees / kMostTilt * 0.5 * band.height();
  };
  QPolygonF p;
  QPolygonF b0;
  for (std::size_t i = 0; i < year_->days.size(); ++i) {
    const double x = x_of(static_cast<double>(i) + 0.5);
    p << QPointF(x, y_of(year_->days[i].p_deg));
    b0 << QPointF(x, y_of(year_->days[i].b0_deg));
  }
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (const int degrees : {-20, 0, 20}) {
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawLine(QPointF(band.left(), y_of(degrees)), QPointF(band.right(), y_of(degrees)));
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(24, y_of(degrees) - 8, kLeft - 28, 16),
                     Qt::AlignRight | Qt::AlignVCenter, tr("%1\u00b0").arg(degrees));
  }
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.drawPolyline(b0);
  QPen dashed = Theme::line(c.ink, 1.5);
  dashed.setDashPattern({5.0, 3.0});
  painter.setPen(dashed);
  painter.drawPolyline(p);
  painter.setPen(c.ink);
  const auto name_at = [&](const QPolygonF& line, double share, const QString& name) {
    const QPointF at = line[static_cast<int>(share * (static_cast<double>(line.size()) - 1.0))];
    const QRectF box(at.x() - 12, at.y() - 9, 24, 16);
    painter.fillRect(box, c.ground);
    painter.drawText(box, Qt::AlignCenter, name);
  };
  name_at(p, 0.28, QStringLiteral("P"));
  name_at(b0, 0.68, QStringLiteral("B\u2080"));
}

void YearChart::paint_rotations(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF band = bands().tilt;
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.faint_ink);
  painter.drawText(QRectF(0, band.bottom() + 3, kLeft - 4, 14), Qt::AlignRight, tr("rotation"));
  double free_from = kLeft;
  for (const plan::RotationStart& start : year_->rotations) {
    const double day = sky::in_days(start.time - sky::start_of({year_->year, 1, 1}));
    const double x = x_of(day);
    painter.setPen(Theme::line(c.ink, 1.5));
    painter.drawLine(QPointF(x, band.bottom() - 6), QPointF(x, band.bottom() + 3));
    painter.setPen(c.faint_ink);
    if (x - 16 > free_from) {
      painter.drawText(QRectF(x - 20, band.bottom() + 3, 40, 14), Qt::AlignCenter,
                       QString::number(start.rotation));
      free_from = x + 18;
    }
  }
}

void YearChart::paint_today(QPainter& painter) const {
  if (document_.day().date.year != year_->year) {
    return;
  }
  const Palette& c = Theme::colours();
  const Bands all = bands();
  const double x = x_of(shown_day() + 0.5);
  painter.setPen(Theme::line(c.accent, 2.0));
  painter.drawLine(QPointF(x, 18), QPointF(x, all.tilt.bottom()));
  const double hour = clock_hour(document_.moment(), document_.day().date);
  painter.setBrush(c.accent);
  painter.drawEllipse(
      QPointF(x, all.light.top() + std::fmod(hour + 24.0, 24.0) / 24.0 * all.light.height()), 3.0,
      3.0);
}

void YearChart::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  if (!year_) {
    painter.setPen(Theme::colours().faint_ink);
    painter.drawText(rect(), Qt::AlignCenter, tr("The year is being worked out\u2026"));
    return;
  }
  painter.setPen(Theme::colours().faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const Bands all = bands();
  const auto name = [&](const QRectF& band, const QString& words) {
    painter.save();
    painter.translate(10, band.center().y());
    painter.rotate(-90);
    painter.drawText(QRectF(-100, -9, 200, 18), Qt::AlignCenter, words);
    painter.restore();
  };
  name(all.height, tr("Height"));
  name(all.light, tr("Clear hours by the clock"));
  name(all.tilt, tr("Tilt"));
  paint_heights(painter);
  paint_light(painter);
  paint_months(painter);
  paint_tilt(painter);
  paint_rotations(painter);
  paint_today(painter);
  if (hasFocus()) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(Theme::line(Theme::colours().accent, 1.5));
    painter.drawRect(QRectF(rect()).adjusted(1, 1, -1, -1));
  }
}

}  // namespace solarchon::app
