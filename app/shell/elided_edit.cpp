// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/elided_edit.h"

#include <QPainter>
#include <QStyleOptionFrame>

namespace solarchon::app {

void ElidedEdit::paintEvent(QPaintEvent* event) {
  QStyleOptionFrame option;
  initStyleOption(&option);
  constexpr int kInset = 2;  // as the line itself keeps from its frame
  const QRect room = style()
                         ->subElementRect(QStyle::SE_LineEditContents, &option, this)
                         .adjusted(kInset, 0, -kInset, 0);
  if (hasFocus() || fontMetrics().horizontalAdvance(text()) <= room.width()) {
    QLineEdit::paintEvent(event);
    return;
  }
  QPainter painter(this);
  style()->drawPrimitive(QStyle::PE_PanelLineEdit, &option, &painter, this);
  painter.setPen(palette().color(QPalette::Text));
  painter.drawText(room, Qt::AlignVCenter | Qt::AlignLeft,
                   fontMetrics().elidedText(text(), Qt::ElideRight, room.width()));
}

}  // namespace solarchon::app
