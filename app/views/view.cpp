// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/view.h"

namespace solarchon::app {

View::View(Document& document, Records& records, QWidget* parent)
    : QWidget(parent), document_(document), records_(records) {
  connect(&document_, &Document::changed, this, &View::follow_when_seen);
  connect(&records_, &Records::shownChanged, this, &View::follow_when_seen);
  connect(&records_, &Records::sessionsChanged, this, &View::follow_when_seen);
}

void View::follow_when_seen() {
  if (isVisible()) {
    follow();
  }
}

void View::showEvent(QShowEvent* event) {
  QWidget::showEvent(event);
  follow();
}

}  // namespace solarchon::app
