// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLineEdit>

namespace solarchon::app {

/// A line to edit whose words end in dots where they do not fit, as long as nobody edits them.
class ElidedEdit : public QLineEdit {
  Q_OBJECT

 public:
  using QLineEdit::QLineEdit;

 protected:
  void paintEvent(QPaintEvent* event) override;
};

}  // namespace solarchon::app
