// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/elided_label.h"

#include <QHelpEvent>
#include <QPainter>
#include <algorithm>

#include "app/shell/plain_tips.h"
#include "app/shell/theme.h"

namespace solarchon::app {

ElidedLabel::ElidedLabel(QWidget* parent) : PlainLabel(parent) {}

QSize ElidedLabel::minimumSizeHint() const {
  constexpr int kLeast = 56;  // pixels: a word and its dots
  const QSize whole = PlainLabel::minimumSizeHint();
  return {std::min(whole.width(), Theme::px(kLeast)), whole.height()};
}

bool ElidedLabel::is_elided() const {
  if (measured_ != text()) {
    measured_ = text();
    wide_ = fontMetrics().horizontalAdvance(measured_);
  }
  return wide_ > contentsRect().width();
}

void ElidedLabel::changeEvent(QEvent* event) {
  measured_.clear();  // another font, or style
  wide_ = 0;
  PlainLabel::changeEvent(event);
}

void ElidedLabel::paintEvent(QPaintEvent* event) {
  if (!is_elided()) {
    PlainLabel::paintEvent(event);
    return;
  }
  QPainter painter(this);
  painter.setPen(palette().color(foregroundRole()));
  painter.drawText(contentsRect(), static_cast<int>(alignment()) | Qt::TextSingleLine,
                   fontMetrics().elidedText(text(), Qt::ElideRight, contentsRect().width()));
}

bool ElidedLabel::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip && toolTip().isEmpty() && is_elided()) {
    show_plain_tip(static_cast<QHelpEvent*>(event)->globalPos(), text(), this);
    return true;
  }
  return PlainLabel::event(event);
}

}  // namespace solarchon::app
