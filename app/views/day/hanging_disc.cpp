// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/hanging_disc.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/shell/disc_painting.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

HangingDisc::HangingDisc(Document& document, QWidget* parent)
    : Drawing(parent), document_(document) {
  setAccessibleName(tr("The disc as it hangs in the picture"));
  connect(&document_, &Document::changed, this, qOverload<>(&QWidget::update));
}

void HangingDisc::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  const workspace::Answers& answers = document_.answers();
  const QPointF centre(width() / 2.0, height() / 2.0);
  const double radius = std::min(width(), height()) / 2.0 - 40.0;
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(c.sun);
  painter.drawEllipse(centre, radius, radius);
  painter.setPen(Theme::line(QColor(0x14181c), 0.8));
  paint_grid(painter, centre, radius, answers.disc, answers.solar);

  const double hand = answers.celestial.mirrored ? 1.0 : -1.0;
  const double north = answers.celestial.north_deg;
  painter.setPen(Theme::line(c.ink, 2.0));
  paint_mark(painter, centre, radius, north, tr("N"), true);
  paint_mark(painter, centre, radius, north + hand * 90.0, tr("E"), true);
  paint_mark(painter, centre, radius, north + 180.0, tr("S"), false);
  paint_mark(painter, centre, radius, north - hand * 90.0, tr("W"), false);
  // The solar axis, through both poles.
  const double solar = answers.solar.north_deg * base::kRadPerDeg;
  const QPointF way(std::sin(solar), -std::cos(solar));
  QPen axis = Theme::line(c.accent, 2.5);
  painter.setPen(axis);
  painter.drawLine(centre + way * radius, centre + way * (radius + 10));
  painter.drawLine(centre - way * radius, centre - way * (radius + 10));
  painter.setBrush(c.accent);
  painter.drawEllipse(centre + way * (radius + 12), 4, 4);
}

}  // namespace solarchon::app
