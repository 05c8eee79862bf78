// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QLabel>

namespace solarchon::app {

/// A line above the middle that tells of a problem, or hints; nothing stops for it.
class Notice : public QFrame {
  Q_OBJECT

 public:
  explicit Notice(QWidget* parent = nullptr);
  void tell(const QString& message);
  /// The same for a hint that is no problem.
  void hint(const QString& message);
  [[nodiscard]] QString message() const { return label_->text(); }

 private:
  void show_line(const QString& message, const char* role);
  QLabel* label_;
};

}  // namespace solarchon::app
