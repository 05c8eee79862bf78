// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QToolButton>

#include "app/shell/theme.h"

namespace solarchon::app {

/// One of the three choices: a small caption over what is chosen.
class Chip : public QToolButton {
  Q_OBJECT

 public:
  Chip(const QString& caption, int width, QWidget* parent = nullptr);
  void show_choice(const QString& choice);
  [[nodiscard]] QSize sizeHint() const override { return Theme::px(QSize(width_, 44)); }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  QString caption_;
  int width_;
};

}  // namespace solarchon::app
