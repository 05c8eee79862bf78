// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/path_sheet.h"

#include "app/shell/theme.h"

namespace solarchon::app {

PathSheet::PathSheet(AnyInHand& paths, QWidget* parent)
    : DropSheet(parent), shelf_(new ShelfList(paths, tr("Light paths"), this)) {
  constexpr int kWide = 288;
  shelf_->setFixedWidth(Theme::px(kWide));
  column().addWidget(shelf_);
  connect(shelf_, &ShelfList::taken, this, &QWidget::hide);
  connect(shelf_, &ShelfList::dialogueComes, this, &QWidget::hide);
  connect(shelf_, &ShelfList::hinted, this, &PathSheet::hinted);
}

void PathSheet::showEvent(QShowEvent* event) {
  DropSheet::showEvent(event);
  shelf_->list().setFocus();
}

}  // namespace solarchon::app
