// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/notice.h"

#include "app/shell/plain_label.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QStyle>

namespace solarchon::app {

Notice::Notice(QWidget* parent) : QFrame(parent), label_(new PlainLabel(this)) {
  setObjectName(QStringLiteral("notice"));
  setAccessibleName(tr("Notice"));
  label_->setWordWrap(true);
  label_->setTextInteractionFlags(Qt::TextSelectableByMouse);
  auto* close = new QPushButton(tr("Dismiss"), this);
  connect(close, &QPushButton::clicked, this, &QWidget::hide);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(12, 4, 12, 4);
  row->addWidget(label_, 1);
  row->addWidget(close);
  hide();
}

void Notice::tell(const QString& message) { show_line(message, "error"); }

void Notice::hint(const QString& message) { show_line(message, "plain"); }

void Notice::show_line(const QString& message, const char* role) {
  label_->setProperty("role", role);
  label_->style()->polish(label_);
  label_->setText(message);
  show();
}

}  // namespace solarchon::app
