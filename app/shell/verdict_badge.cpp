// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/verdict_badge.h"

#include <QPainter>
#include <QPolygonF>
#include <cmath>
#include <numbers>

#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

QColor sign_colour(safety::Severity severity) {
  const Palette& c = Theme::colours();
  return severity == safety::Severity::kStop    ? c.stop
         : severity == safety::Severity::kCheck ? c.check
                                                : c.accent;
}

void paint_sign(QPainter& painter, const QRectF& box, safety::Severity severity) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  const QColor colour = sign_colour(severity);
  const QPointF middle = box.center();
  const double radius = box.width() / 2.0;
  const auto corner = [&](double turn) {
    const double angle = turn * 2.0 * std::numbers::pi;
    return middle + QPointF(radius * std::sin(angle), -radius * std::cos(angle));
  };
  if (severity == safety::Severity::kNoObjection) {
    painter.setPen(Theme::line(colour, radius * 0.3));
    painter.setBrush(Qt::NoBrush);
    painter.drawEllipse(middle, radius * 0.8, radius * 0.8);
    painter.restore();
    return;
  }
  const bool stop = severity == safety::Severity::kStop;
  QPolygonF shape;
  const int corners = stop ? 8 : 3;
  for (int i = 0; i < corners; ++i) {
    shape << corner((i + (stop ? 0.5 : 0.0)) / corners);
  }
  painter.setPen(Qt::NoPen);
  painter.setBrush(colour);
  painter.drawPolygon(shape);
  painter.setPen(Theme::line(Theme::colours().sheet, radius * 0.26));
  if (stop) {
    painter.drawLine(middle - QPointF(radius * 0.55, 0), middle + QPointF(radius * 0.55, 0));
  } else {
    painter.drawLine(middle - QPointF(0, radius * 0.4), middle + QPointF(0, radius * 0.12));
    painter.drawPoint(middle + QPointF(0, radius * 0.36));
  }
  painter.restore();
}

VerdictBadge::VerdictBadge(QWidget* parent) : QAbstractButton(parent) {
  setObjectName(QStringLiteral("verdict"));
  setCursor(Qt::PointingHandCursor);
  setFont(Theme::font(TextSize::kMedium, true));
}

void VerdictBadge::show_verdict(safety::Severity severity, const QString& reason) {
  severity_ = severity;
  setText(name_of(severity));
  setAccessibleName(tr("Safety: %1").arg(text()));
  setAccessibleDescription(reason);
  setToolTip(reason);
  updateGeometry();
  update();
}

QSize VerdictBadge::sizeHint() const {
  return {fontMetrics().horizontalAdvance(tr("No objection found")) + Theme::px(52), Theme::px(44)};
}

void VerdictBadge::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const QColor colour = sign_colour(severity_);
  painter.setPen(Theme::line(colour, hasFocus() ? 3.0 : 1.5));
  painter.setBrush(Theme::colours().sheet);
  painter.drawRoundedRect(QRectF(rect()).adjusted(2, 2, -2, -2), 3, 3);
  const int side = Theme::px(22);
  paint_sign(painter, QRectF(Theme::px(12), (height() - side) / 2.0, side, side), severity_);
  painter.setPen(colour);
  painter.drawText(rect().adjusted(Theme::px(42), 0, -Theme::px(8), 0),
                   Qt::AlignVCenter | Qt::AlignLeft, text());
}

}  // namespace solarchon::app
