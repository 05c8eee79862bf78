// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/figures.h"

#include <QGridLayout>

#include "app/shell/elided_label.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

Figures::Figures(int columns, QWidget* parent) : QWidget(parent), columns_(columns) {
  setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(Theme::px(16));
  grid->setVerticalSpacing(0);
}

void Figures::wrap() {
  wraps_ = true;
  QSizePolicy policy = sizePolicy();
  policy.setHeightForWidth(true);
  setSizePolicy(policy);
  for (int column = 0; column < columns_; ++column) {
    dynamic_cast<QGridLayout*>(layout())->setColumnStretch(column, 1);
  }
}

QLabel* Figures::new_label(Qt::Alignment down) {
  if (!wraps_) {
    return new ElidedLabel(this);
  }
  auto* label = new PlainLabel(this);
  label->setWordWrap(true);
  label->setAlignment(Qt::AlignLeft | down);
  return label;
}

void Figures::show_rows(const std::vector<Row>& rows) {
  auto* grid = dynamic_cast<QGridLayout*>(layout());
  while (names_.size() < rows.size()) {
    const int index = static_cast<int>(names_.size());
    QLabel* name = new_label(Qt::AlignBottom);
    name->setProperty("role", "faint");
    name->setFont(Theme::font(TextSize::kSmall));
    QLabel* value = new_label(Qt::AlignTop);
    value->setFont(Theme::font(TextSize::kMedium, true));
    value->setTextInteractionFlags(Qt::TextSelectableByMouse);
    value->setContentsMargins(0, 0, 0, Theme::px(8));
    const int row = 2 * (index / columns_);
    grid->addWidget(name, row, index % columns_);
    grid->addWidget(value, row + 1, index % columns_);
    names_.push_back(name);
    values_.push_back(value);
  }
  for (std::size_t i = 0; i < names_.size(); ++i) {
    const bool used = i < rows.size();
    names_[i]->setVisible(used);
    values_[i]->setVisible(used);
    if (used) {
      names_[i]->setText(rows[i].name);
      values_[i]->setText(rows[i].value);
      values_[i]->setToolTip(rows[i].reason);
      values_[i]->setAccessibleName(rows[i].name);
    }
  }
}

QString Figures::value_of(const QString& name) const {
  for (std::size_t i = 0; i < names_.size(); ++i) {
    if (names_[i]->text() == name && !names_[i]->isHidden()) {
      return values_[i]->text();
    }
  }
  return {};
}

}  // namespace solarchon::app
