// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/view.h"

#include "app/shell/picture_with_panel.h"

namespace solarchon::app {

View::View(const Models& models, QWidget* parent) : QWidget(parent), models_(models) {
  connect(&document(), &Document::changed, this, &View::follow_when_seen);
  connect(&document(), &Document::clockMoved, this, [this] {
    if (tells_seconds()) {
      follow_when_seen();
    }
  });
  connect(&frame(), &CurrentFrame::shownChanged, this, &View::follow_when_seen);
  connect(&log(), &Log::sessionsChanged, this, &View::follow_when_seen);
}

int View::heightForWidth(int width) const { return least_height(*this, width); }

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
