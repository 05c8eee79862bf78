// SPDX-License-Identifier: GPL-3.0-or-later
// How the sheet of the day is drawn.
#include <QDateTime>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "app/views/day/day_sheet.h"
#include "app/views/day/plan_words.h"

namespace solarchon::app {

namespace {

constexpr double kMostSeeing = 4.0;
constexpr double kRunName = 16.0;  ///< high

}  // namespace

void DaySheet::paint_name(QPainter& painter, const QRectF& row, const QString& name) const {
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(Theme::colours().faint_ink);
  const double wide = names_wide() - 8.0;
  const bool one_line = row.height() < 2.0 * painter.fontMetrics().height();
  painter.drawText(
      QRectF(0, row.top(), wide, row.height()),
      Qt::AlignRight | Qt::AlignVCenter | Qt::TextWordWrap,
      one_line ? painter.fontMetrics().elidedText(name, Qt::ElideRight, static_cast<int>(wide))
               : name);
}

void DaySheet::paint_hours(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const sky::Window across = span();
  const Rows all = rows();
  const QTimeZone zone = document_.zone();
  const double hour_wide = x_of(across.start + sky::hours(1.0)) - x_of(across.start);
  const int every = hour_wide > 34.0 ? 1 : hour_wide > 17.0 ? 2 : 3;
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  constexpr std::int64_t kQuarterMs = 900'000;
  // Quarters of an hour, since some zones are off by them.
  std::int64_t ms = (across.start.unix_ms + kQuarterMs - 1) / kQuarterMs * kQuarterMs;
  for (; ms <= across.end.unix_ms; ms += kQuarterMs) {
    const QTime local = QDateTime::fromMSecsSinceEpoch(ms, zone).time();
    if (local.minute() != 0 || local.hour() % every != 0) {
      continue;
    }
    const double x = x_of({ms});
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawLine(QPointF(x, all.sun.top() - 4), QPointF(x, all.runs.bottom()));
    painter.setPen(c.ink);
    painter.drawText(QRectF(x - 20, 0, 40, 16), Qt::AlignCenter, QString::number(local.hour()));
  }
  paint_name(painter, QRectF(0, 0, 10, 16), tr("hour"));
}

void DaySheet::paint_sun(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF row = rows().sun;
  const double top_deg = std::max(30.0, document_.day().culmination_altitude_deg + 4.0);
  const auto y_of = [&](double altitude) {
    return row.bottom() - std::clamp(altitude, 0.0, top_deg) / top_deg * row.height();
  };
  QPainterPath shape;
  shape.moveTo(x_of(document_.day().start), row.bottom());
  for (const sky::ArcPoint& point : document_.day().arc) {
    shape.lineTo(x_of(point.time), y_of(point.altitude_deg));
  }
  shape.lineTo(x_of(document_.day().end), row.bottom());
  painter.save();
  painter.setClipRect(row);
  // All of the day pale, what can be used of it in the Sun's colour.
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.shade);
  painter.drawPath(shape);
  for (const sky::Window& window : document_.skyline().clear) {
    QPainterPath usable;
    usable.addRect(
        QRectF(QPointF(x_of(window.start), row.top()), QPointF(x_of(window.end), row.bottom())));
    painter.setBrush(c.sun);
    painter.drawPath(shape.intersected(usable));
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.drawPath(shape);
  painter.restore();
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.drawLine(row.bottomLeft(), row.bottomRight());
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const QString highest = tr("%1\u00b0").arg(number(document_.day().culmination_altitude_deg, 0));
  const double x = x_of(document_.day().culmination);
  const double y = y_of(document_.day().culmination_altitude_deg);
  painter.setPen(c.ink);
  if (document_.day().culmination_altitude_deg > 0.0) {
    // Over the peak where there is room below the hours, else within the shape beneath it.
    const bool over = y - 15.0 > row.top() + 1.0;
    const double label_top = over ? y - 15.0 : y + 4.0;
    const QColor on_the_sun(20, 24, 28);  // in either theme
    painter.setPen(over ? c.ink : on_the_sun);
    painter.drawText(QRectF(x + 6, label_top, 44, 14), Qt::AlignLeft | Qt::AlignVCenter, highest);
  }
  paint_name(painter, row, tr("Sun, clear\nover %1\u00b0").arg(plan::kWindowDeg));
}

void DaySheet::paint_air(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF row = rows().air;
  const auto y_of = [&](double arcsec) {
    return row.bottom() - std::clamp(arcsec, 0.0, kMostSeeing) / kMostSeeing * row.height();
  };
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (const double line : {1.0, 2.0, 3.0}) {
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawLine(QPointF(row.left(), y_of(line)), QPointF(row.right(), y_of(line)));
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(row.left() + 2, y_of(line) - 13, 30, 12), Qt::AlignLeft,
                     tr("%1\u2033").arg(line));
  }
  // The band that two days in three stay in, and the line of the middle.
  const auto& wishes = document_.workspace().wishes;
  QPolygonF low;
  QPolygonF high;
  QPolygonF middle;
  double share = 0.0;
  int points = 0;
  for (const sky::ArcPoint& point : document_.day().arc) {
    constexpr double kLeastDeg = 5.0;
    const double x = x_of(point.time);
    if (point.altitude_deg < kLeastDeg || x < row.left() || x > row.right()) {
      continue;
    }
    const auto hour = wishes.forecast ? plan::forecast_at(*wishes.forecast, point.time)
                                      : std::optional<plan::ForecastHour>();
    const auto guess = plan::expected_seeing(
        document_.day(), point.time, wishes.surroundings, document_.experience().seeing,
        hour ? std::optional<double>(hour->wind_m_s) : std::nullopt);
    low << QPointF(x, y_of(guess.low_arcsec));
    high.prepend(QPointF(x, y_of(guess.high_arcsec)));
    middle << QPointF(x, y_of(guess.arcsec));
    share += guess.measured_share;
    ++points;
  }
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.shade);
  painter.drawPolygon(low + high);
  painter.setBrush(Qt::NoBrush);
  // Drawn through where the log speaks, broken where it is a rule of thumb.
  QPen pen = Theme::line(c.ink, 2.0);
  if (points == 0 || share / points < 0.3) {
    pen.setDashPattern({4.0, 3.0});
  }
  painter.setPen(pen);
  painter.drawPolyline(middle);
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.drawLine(row.bottomLeft(), row.bottomRight());
  const int percent = points > 0 ? static_cast<int>(std::lround(100.0 * share / points)) : 0;
  paint_name(painter, row,
             percent > 0 ? tr("Seeing\nexpected,\n%1 % by log").arg(percent)
                         : tr("Seeing\nexpected,\na rule of\nthumb"));
}

void DaySheet::paint_clouds(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF row = rows().cloud;
  const auto& forecast = document_.workspace().wishes.forecast;
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  paint_name(painter, row, tr("Forecast"));
  painter.setPen(Theme::line(c.rule, 1.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(row);
  bool any = false;
  if (forecast) {
    const sky::Window across = span();
    constexpr sky::Duration kStep = sky::minutes(10.0);
    sky::UtcTime begun = across.start;
    std::optional<plan::SkyState> state;
    for (sky::UtcTime time = across.start; time < across.end + kStep; time = time + kStep) {
      const auto hour = time < across.end ? plan::forecast_at(*forecast, time)
                                          : std::optional<plan::ForecastHour>();
      const auto next = hour ? std::optional(plan::state_of(*hour)) : std::nullopt;
      if (next == state) {
        continue;
      }
      if (state) {
        any = true;
        paint_sky_state(painter, *state,
                        QRectF(QPointF(std::max(row.left(), x_of(begun)), row.top()),
                               QPointF(std::min(row.right(), x_of(time)), row.bottom())));
      }
      begun = time;
      state = next;
    }
  }
  if (!any) {
    painter.setPen(c.faint_ink);
    painter.drawText(row, Qt::AlignCenter, tr("no forecast for this day"));
  }
}

void DaySheet::paint_sky_state(QPainter& painter, plan::SkyState state, const QRectF& cell) const {
  // The more cloud, the more ink; the word stands on a clear ground.
  const Palette& c = Theme::colours();
  constexpr Qt::BrushStyle kInk[] = {Qt::NoBrush, Qt::Dense7Pattern, Qt::Dense5Pattern,
                                     Qt::Dense3Pattern};
  painter.fillRect(cell, QBrush(c.faint_ink, kInk[static_cast<std::size_t>(state)]));
  painter.setPen(Theme::line(c.rule, 1.0));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(cell);
  const QString words = name_of(state);
  const double wide = painter.fontMetrics().horizontalAdvance(words) + 10.0;
  if (wide < cell.width()) {
    const QRectF label(cell.center().x() - wide / 2.0, cell.top() + 3.0, wide, cell.height() - 6.0);
    painter.fillRect(label, c.ground);
    painter.setPen(c.ink);
    painter.drawText(label, Qt::AlignCenter, words);
  }
}

void DaySheet::paint_turn(QPainter& painter) const {
  if (!plan().turn) {
    return;
  }
  const Palette& c = Theme::colours();
  const Rows all = rows();
  const double left = x_of(plan().turn->earliest);
  const double right = x_of(plan().turn->latest);
  const double middle = x_of(plan().turn->meridian);
  const QRectF band(QPointF(left, all.cloud.bottom() + 2), QPointF(right, all.runs.bottom()));
  painter.fillRect(band, QBrush(c.rule, Qt::BDiagPattern));
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.drawLine(QPointF(right, band.top()), QPointF(right, band.bottom()));
  painter.setBrush(c.sheet);
  painter.drawPolygon(QPolygonF{QPointF(left, all.sun.bottom()), QPointF(right, all.sun.bottom()),
                                QPointF(middle, all.sun.bottom() - 14.0)});
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(
      QRectF(right + 4, band.top(), 260, 16), Qt::AlignLeft,
      tr("the mount must turn by %1").arg(clock_at(plan().turn->latest, document_.zone())));
}

void DaySheet::paint_steps(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF row = rows().steps;
  if (!plan().countdown) {
    painter.setFont(Theme::drawn_font(TextSize::kMedium));
    painter.setPen(c.faint_ink);
    painter.drawText(row.adjusted(0, 0, 0, 8), Qt::AlignCenter,
                     tr("No run on this day. Add one, and what must start when is counted back "
                        "from it."));
    return;
  }
  const auto& steps = plan().countdown->steps;
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const plan::Step& step = steps[i];
    const QRectF block = block_of_step(step.kind);
    const bool now = step.start <= document_.moment() && document_.moment() < step.end;
    const bool waits = step.slack_min >= 1.0;
    if (waits) {
      painter.setPen(Theme::line(c.faint_ink, 1.0));
      const double y = block.center().y();
      const double end = x_of(step.end + sky::minutes(step.slack_min));
      painter.drawLine(QPointF(block.right(), y), QPointF(end, y));
      painter.drawLine(QPointF(end, y - 4), QPointF(end, y + 4));
    }
    painter.setPen(Theme::line(choice_.step == step.kind ? c.accent : c.ink,
                               choice_.step == step.kind ? 3.0 : 1.0));
    painter.setBrush(now ? c.accent : waits ? c.sheet : c.shade);
    painter.drawRoundedRect(block, 2, 2);
    const QRectF line(0, row.top() + static_cast<double>(i) * kStepHigh, 10, kStepHigh);
    painter.setFont(Theme::drawn_font(TextSize::kSmall));
    painter.setPen(c.ink);
    const QString words = tr("%1, %2 min")
                              .arg(clock_at(step.start, document_.zone()))
                              .arg(number(step.time.minutes, 0));
    const double wide = painter.fontMetrics().horizontalAdvance(words);
    // In the free space on the left, or else on the right of the block.
    const double after = waits ? x_of(step.end + sky::minutes(step.slack_min)) : block.right();
    const bool left = block.left() - wide - 8.0 > row.left();
    painter.drawText(
        QRectF(left ? block.left() - wide - 6.0 : after + 6.0, line.top(), wide + 2.0, kStepHigh),
        Qt::AlignVCenter, words);
    paint_name(painter, line, name_of(step.kind));
  }
}

void DaySheet::paint_runs(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF row = rows().runs;
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.drawLine(row.bottomLeft(), row.bottomRight());
  paint_name(painter, row, tr("Runs"));
  for (const plan::PlannedRun& planned : plan().runs) {
    const plan::Run run = shown_run(planned.index);
    const QRectF block = block_of_run(planned.index);
    const bool is_chosen = choice_.run == planned.index;
    painter.setPen(Theme::line(is_chosen ? c.ink : c.accent, is_chosen ? 3.0 : 1.0));
    painter.setBrush(c.accent);
    painter.drawRoundedRect(block, 3, 3);
    for (const plan::Conflict& conflict : plan().conflicts) {
      if (conflict.run != planned.index || conflict.kind == plan::ConflictKind::kDarkStep) {
        continue;
      }
      // What is hit is struck through, with a mark that stands out without its colour.
      const double left = std::max(block.left(), x_of(conflict.when.start));
      const double right = std::min(block.right(), x_of(conflict.when.end));
      const QRectF hit(left, block.top(), std::max(4.0, right - left), block.height());
      painter.fillRect(hit, c.sheet);
      painter.fillRect(hit, QBrush(c.stop, Qt::BDiagPattern));
      painter.setPen(Theme::line(c.stop, 2.0));
      painter.setBrush(Qt::NoBrush);
      painter.drawRect(hit);
    }
    paint_run_name(painter, planned, block);
  }
}

void DaySheet::paint_run_name(QPainter& painter, const plan::PlannedRun& planned,
                              const QRectF& block) const {
  const plan::Run run = shown_run(planned.index);
  QString words = (run.fixed ? QStringLiteral("\u25c6 ") : QString()) + text(run.name);
  if (dragged_ && choice_.run == planned.index) {
    words = tr("%1, %2").arg(span_words(plan::window_of(run), document_.zone()), words);
  }
  // Over the block, as far as the next one leaves room.
  double room = rows().runs.right() - block.left();
  for (const plan::PlannedRun& other : plan().runs) {
    const double next = block_of_run(other.index).left();
    if (next > block.left() + 1.0) {
      room = std::min(room, next - block.left() - 6.0);
    }
  }
  constexpr double kLeastRoom = 30.0;
  if (room < kLeastRoom) {
    return;  // the tooltip and the fields name it
  }
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  painter.setPen(Theme::colours().ink);
  painter.drawText(QRectF(block.left(), rows().runs.top(), room, kRunName),
                   Qt::AlignLeft | Qt::AlignVCenter,
                   painter.fontMetrics().elidedText(words, Qt::ElideRight, static_cast<int>(room)));
}

void DaySheet::paint_now(QPainter& painter) const {
  const sky::Window across = span();
  if (document_.moment() < across.start || document_.moment() > across.end) {
    return;
  }
  const double x = x_of(document_.moment());
  painter.setPen(Theme::line(Theme::colours().accent, 2.0));
  painter.drawLine(QPointF(x, 16), QPointF(x, rows().runs.bottom()));
}

void DaySheet::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  paint_hours(painter);
  paint_sun(painter);
  paint_air(painter);
  paint_clouds(painter);
  paint_turn(painter);
  paint_now(painter);
  paint_steps(painter);
  paint_runs(painter);
  if (hasFocus()) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(Theme::line(Theme::colours().accent, 1.5));
    painter.drawRect(QRectF(rect()).adjusted(1, 1, -1, -1));
  }
}

}  // namespace solarchon::app
