// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/drop_sheet.h"

#include <QEvent>
#include <QKeyEvent>
#include <QScrollBar>
#include <algorithm>

#include "app/shell/theme.h"

namespace solarchon::app {

DropSheet::DropSheet(QWidget* parent)
    : QFrame(parent, Qt::Popup), scroll_(new QScrollArea(this)), column_(new QVBoxLayout) {
  setObjectName(QStringLiteral("ground"));
  setFrameShape(QFrame::Box);
  auto* sheet = new QWidget(scroll_);
  sheet->setLayout(column_);
  column_->setContentsMargins(Theme::px(16), Theme::px(12), Theme::px(16), Theme::px(16));
  column_->setSpacing(Theme::px(6));
  scroll_->setFrameShape(QFrame::NoFrame);
  scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll_->setFocusPolicy(Qt::NoFocus);
  scroll_->setWidgetResizable(true);
  scroll_->setWidget(sheet);
  sheet->installEventFilter(this);
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(1, 1, 1, 1);
  all->addWidget(scroll_);
}

void DropSheet::drop_from(const QWidget& chip) {
  follow();
  for (QWidget* part : findChildren<QWidget*>()) {
    part->ensurePolished();  // as large as the style makes them, before the first sight
  }
  move(chip.mapToGlobal(QPoint(0, chip.height() + 4)));
  fit();
  show();
}

void DropSheet::fit() {
  constexpr int kLeast = 120;
  constexpr int kAway = 8;  // from the window's lower edge
  const QWidget* within = parentWidget()->window();
  const int room = std::max(Theme::px(kLeast),
                            within->mapToGlobal(QPoint(0, within->height())).y() - kAway - y());
  const QMargins edge = layout()->contentsMargins();
  const int frame = 2 * frameWidth() + edge.left() + edge.right();
  column_->activate();
  const QSize wanted = column_->sizeHint();
  const bool scrolls = wanted.height() + frame > room;
  const int bar = scrolls ? scroll_->verticalScrollBar()->sizeHint().width() : 0;
  setFixedSize(wanted.width() + frame + bar, std::min(wanted.height() + frame, room));
}

void DropSheet::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape) {
    hide();
  } else {
    QFrame::keyPressEvent(event);
  }
}

bool DropSheet::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::LayoutRequest && isVisible()) {
    fit();  // a shelf became longer, or words stand beside a field
  }
  return QFrame::eventFilter(watched, event);
}

}  // namespace solarchon::app
