// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/run_plot.h"

#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/disc_painting.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

/// A round number that goes two to four times into a length.
double round_step(double length) {
  const double power = std::pow(10.0, std::floor(std::log10(length)));
  for (const double step : {0.2, 0.25, 0.5, 1.0, 2.0, 2.5}) {
    if (length / (step * power) <= 4.0) {
      return step * power;
    }
  }
  return 5.0 * power;
}

}  // namespace

void RunPlot::show_picture(const Picture& picture) {
  picture_ = picture;
  update();
}

void RunPlot::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.setPen(c.faint_ink);
  painter.drawText(QRectF(0, 0, width(), 18), Qt::AlignLeft | Qt::AlignVCenter, picture_.up);
  const QRectF box = QRectF(rect()).adjusted(0, 20, 0, -20);
  painter.fillRect(box, c.shade);
  if (picture_.points.empty()) {
    paint_empty(painter, box, picture_.empty);
    return;
  }
  painter.drawText(QRectF(0, box.bottom() + 2, width(), 18), Qt::AlignLeft | Qt::AlignVCenter,
                   picture_.left);
  painter.drawText(QRectF(0, box.bottom() + 2, width(), 18), Qt::AlignRight | Qt::AlignVCenter,
                   picture_.right);
  double left = picture_.points.front().x();
  double right = left;
  double low = picture_.points.front().y();
  double high = low;
  const auto widen = [&](double x) {
    left = std::min(left, x);
    right = std::max(right, x);
  };
  for (const QPointF& point : picture_.points) {
    widen(point.x());
    low = std::min(low, point.y());
    high = std::max(high, point.y());
  }
  for (const auto& at : {picture_.best, picture_.now}) {
    if (at) {
      widen(*at);
    }
  }
  const double across = std::max(right - left, 1e-9);
  const double least = std::max({high - low, 0.02 * std::abs(high), 1e-9});
  constexpr double kRoom = 0.15;
  const double bottom = std::max(low >= 0.0 ? 0.0 : -1e300, low - kRoom * least);
  const double tall = least * (1.0 + kRoom) + (low - bottom);
  const double step = round_step(tall);
  constexpr double kRounding = 1e-9;
  const int decimals =
      std::clamp(-static_cast<int>(std::floor(std::log10(step) + kRounding)), 0, 3);
  const auto label = [&](double value) { return number(value, decimals) + picture_.unit; };
  const double room = 8.0 + std::max(painter.fontMetrics().horizontalAdvance(label(bottom)),
                                     painter.fontMetrics().horizontalAdvance(label(bottom + tall)));
  const QRectF inner = box.adjusted(room + 8.0, 6, -12, -6);
  const auto at = [&](double x, double y) {
    return QPointF(inner.left() + (x - left) / across * inner.width(),
                   inner.bottom() - (y - bottom) / tall * inner.height());
  };
  for (double value = step * std::ceil(bottom / step); value <= bottom + tall; value += step) {
    const double y = at(left, value).y();
    painter.setPen(Theme::line(c.rule, 1.0));
    painter.drawLine(QPointF(inner.left(), y), QPointF(inner.right(), y));
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(0, y - 9, room, 18), Qt::AlignRight | Qt::AlignVCenter, label(value));
  }
  painter.setClipRect(box);
  if (picture_.best) {
    painter.setPen(Theme::line(c.accent, 2.0));
    painter.drawLine(QPointF(at(*picture_.best, 0).x(), box.top()),
                     QPointF(at(*picture_.best, 0).x(), box.bottom()));
  }
  QPolygonF curve;
  for (const QPointF& point : picture_.curve) {
    curve << at(point.x(), point.y());
  }
  painter.setPen(Theme::line(c.ink, 1.5));
  painter.drawPolyline(curve);
  painter.setBrush(c.ink);
  painter.setPen(Theme::line(c.sheet, 1.0));
  for (const QPointF& point : picture_.points) {
    painter.drawEllipse(at(point.x(), point.y()), 4.0, 4.0);
  }
  if (picture_.now) {
    const QPointF foot(at(*picture_.now, 0).x(), box.bottom());
    painter.setPen(Qt::NoPen);
    painter.setBrush(c.accent);
    painter.drawPolygon(
        QPolygonF{foot, foot + QPointF(-7, 0), foot + QPointF(0, -9), foot + QPointF(7, 0)});
  }
  painter.setBrush(Qt::NoBrush);
}

}  // namespace solarchon::app
