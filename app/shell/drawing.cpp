// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/drawing.h"

#include <cmath>

#include "app/shell/theme.h"

namespace solarchon::app {

QRect Drawing::rect() const {
  const double scale = Theme::scale();
  return {0, 0, static_cast<int>(std::floor(QWidget::width() / scale)),
          static_cast<int>(std::floor(QWidget::height() / scale))};
}

QSize Drawing::sizeHint() const { return Theme::px(usual_size()); }
QSize Drawing::minimumSizeHint() const { return Theme::px(least_size()); }

QPointF Drawing::in_units(const QPointF& pixels) { return pixels / Theme::scale(); }

void Drawing::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.scale(Theme::scale(), Theme::scale());
  painter.setFont(Theme::drawn_font(TextSize::kMedium));
  draw(painter);
}

}  // namespace solarchon::app
