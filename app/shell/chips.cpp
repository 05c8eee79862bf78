// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/chips.h"

#include <QPainter>

#include "app/shell/theme.h"

namespace solarchon::app {

Chip::Chip(const QString& caption, int width, QWidget* parent)
    : QToolButton(parent), caption_(caption), width_(width) {
  setCursor(Qt::PointingHandCursor);
  setPopupMode(QToolButton::InstantPopup);
  setFocusPolicy(Qt::StrongFocus);
  setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  setMinimumWidth(Theme::px(84));
}

void Chip::show_choice(const QString& choice) {
  setText(choice);
  setAccessibleName(caption_ + ": " + choice);
  setToolTip(choice);
  update();
}

void Chip::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  painter.setPen(hasFocus() || underMouse() ? Theme::line(c.accent, hasFocus() ? 2.0 : 1.0)
                                            : Theme::line(c.rule, 1.0));
  painter.setBrush(c.sheet);
  painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 3, 3);
  const QRect inner = rect().adjusted(Theme::px(10), Theme::px(4), -Theme::px(10), -Theme::px(4));
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::font(TextSize::kSmall));
  painter.drawText(inner, Qt::AlignTop | Qt::AlignLeft, caption_);
  painter.setPen(c.ink);
  painter.setFont(Theme::font(TextSize::kMedium, true));
  painter.drawText(inner, Qt::AlignBottom | Qt::AlignLeft,
                   painter.fontMetrics().elidedText(text(), Qt::ElideRight, inner.width()));
}

}  // namespace solarchon::app
