// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>

namespace solarchon::app {

/// A button whose words wrap: it grows in height instead of cutting them.
class WrapButton : public QAbstractButton {
  Q_OBJECT

 public:
  explicit WrapButton(const QString& words, QWidget* parent = nullptr);
  [[nodiscard]] QSize sizeHint() const override;
  [[nodiscard]] bool hasHeightForWidth() const override { return true; }
  [[nodiscard]] int heightForWidth(int width) const override;

 protected:
  void paintEvent(QPaintEvent* event) override;
};

}  // namespace solarchon::app
