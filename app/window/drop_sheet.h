// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QScrollArea>
#include <QVBoxLayout>

namespace solarchon::app {

/// A sheet that drops from a chip on the strip: as tall as what is on it, as far as the window has
/// room; beyond that it scrolls.
class DropSheet : public QFrame {
  Q_OBJECT

 public:
  explicit DropSheet(QWidget* parent = nullptr);
  void drop_from(const QWidget& chip);

 protected:
  /// What is on it.
  [[nodiscard]] QVBoxLayout& column() const { return *column_; }
  /// Brings what is on it up to date, before it is shown.
  virtual void follow() = 0;
  bool eventFilter(QObject* watched, QEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void fit();

  QScrollArea* scroll_;
  QVBoxLayout* column_;
};

}  // namespace solarchon::app
