// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QVBoxLayout>
#include <QWidget>

namespace solarchon::app {

/// A picture under what it comes to: a headline, and the reason.
class Headed : public QWidget {
  Q_OBJECT

 public:
  /// @param name  its labels are called NAME-headline and NAME-reason
  Headed(const QString& name, QWidget* parent);
  /// Made with this as their parent.
  void put(QWidget* picture, QWidget* below = nullptr);
  enum class Tone { kPlain, kStop };
  void say(const QString& headline, const QString& reason, Tone tone = Tone::kPlain);
  [[nodiscard]] QString headline() const { return headline_->text(); }

 private:
  QLabel* headline_;
  QLabel* reason_;
  QVBoxLayout* column_;
  Tone tone_ = Tone::kPlain;
};

}  // namespace solarchon::app
