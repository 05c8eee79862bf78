// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QLabel>

namespace solarchon::app {

/// A line above the middle that tells of a problem and can wait: nothing stops for it.
class Notice : public QFrame {
  Q_OBJECT

 public:
  explicit Notice(QWidget* parent = nullptr);
  void tell(const QString& message);
  [[nodiscard]] QString message() const { return label_->text(); }

 private:
  QLabel* label_;
};

}  // namespace solarchon::app
