// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>

#include "solarchon/safety/safety.h"

namespace solarchon::app {

/// Draws the sign of a severity: a barred octagon, a triangle, an open ring.
void paint_sign(QPainter& painter, const QRectF& box, safety::Severity severity);
[[nodiscard]] QColor sign_colour(safety::Severity severity);

/// The verdict of the safety rules, always on screen, in shape and words.
class VerdictBadge : public QAbstractButton {
  Q_OBJECT

 public:
  explicit VerdictBadge(QWidget* parent = nullptr);
  void show_verdict(safety::Severity severity, const QString& reason);
  [[nodiscard]] QSize sizeHint() const override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  safety::Severity severity_ = safety::Severity::kNoObjection;
};

}  // namespace solarchon::app
