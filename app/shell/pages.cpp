// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/pages.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <algorithm>

#include "app/shell/theme.h"

namespace solarchon::app {

Pages::Pages(std::vector<Page> pages, QBoxLayout& column, QWidget* parent)
    : QWidget(parent), pages_(std::move(pages)), buttons_(new QButtonGroup(this)) {
  constexpr std::size_t kMany = 4;
  const bool many = pages_.size() > kMany;
  const int least_wide = many ? 56 : 76;
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  for (std::size_t i = 0; i < pages_.size(); ++i) {
    const Page& page = pages_[i];
    page.widget->hide();  // what is hidden asks for no room
    column.addWidget(page.widget, 1);
    auto* button = new QPushButton(page.name, this);
    button->setObjectName("page-" + page.id);
    button->setCheckable(true);
    button->setProperty("switch", true);
    button->setProperty("first", i == 0);  // the others share their left edges
    button->setProperty("narrow", many);
    button->setToolTip(page.reason);
    button->setMinimumWidth(Theme::px(least_wide));
    buttons_->addButton(button, static_cast<int>(i));
    row->addWidget(button);
  }
  show_only(0);
  connect(buttons_, &QButtonGroup::idClicked, this, [this](int page) {
    show_only(static_cast<std::size_t>(page));
    emit turned();
  });
}

void Pages::turn_to(const QString& id) {
  const auto found =
      std::find_if(pages_.begin(), pages_.end(), [&](const Page& page) { return page.id == id; });
  if (found != pages_.end()) {
    show_only(static_cast<std::size_t>(found - pages_.begin()));
    emit turned();
  }
}

void Pages::show_only(std::size_t page) {
  buttons_->button(static_cast<int>(page))->setChecked(true);
  shown()->hide();
  shown_ = page;
  shown()->show();
}

}  // namespace solarchon::app
