// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/headed.h"

#include <QStyle>

#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

Headed::Headed(const QString& name, QWidget* parent)
    : QWidget(parent),
      headline_(new PlainLabel(this)),
      reason_(new PlainLabel(this)),
      column_(new QVBoxLayout(this)) {
  headline_->setObjectName(name + QStringLiteral("-headline"));
  headline_->setFont(Theme::font(TextSize::kLarge, true));
  headline_->setWordWrap(true);
  reason_->setObjectName(name + QStringLiteral("-reason"));
  reason_->setWordWrap(true);
  column_->setContentsMargins(0, 0, 0, 0);
  column_->setSpacing(4);
  column_->addWidget(headline_);
  column_->addWidget(reason_);
}

void Headed::put(QWidget* picture, QWidget* below) {
  column_->addWidget(picture, 1);
  if (below != nullptr) {
    column_->addWidget(below);
  }
}

void Headed::say(const QString& headline, const QString& reason, Tone tone) {
  headline_->setText(headline);
  reason_->setText(reason);
  if (tone != tone_) {
    tone_ = tone;
    headline_->setProperty("role", tone == Tone::kStop ? "error" : "");
    headline_->style()->unpolish(headline_);
    headline_->style()->polish(headline_);
  }
}

}  // namespace solarchon::app
