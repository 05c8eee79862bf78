// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/notice.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace solarchon::app {

Notice::Notice(QWidget* parent) : QFrame(parent), label_(new QLabel(this)) {
  setObjectName(QStringLiteral("notice"));
  setAccessibleName(tr("Problem"));
  label_->setWordWrap(true);
  label_->setTextInteractionFlags(Qt::TextSelectableByMouse);
  label_->setProperty("role", "error");
  auto* close = new QPushButton(tr("Dismiss"), this);
  connect(close, &QPushButton::clicked, this, &QWidget::hide);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(12, 4, 12, 4);
  row->addWidget(label_, 1);
  row->addWidget(close);
  hide();
}

void Notice::tell(const QString& message) {
  label_->setText(message);
  show();
}

}  // namespace solarchon::app
