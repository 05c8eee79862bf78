// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPushButton>
#include <QWidget>
#include <array>

namespace solarchon::app {

/// Four arrows around a stop, held with the mouse or with the arrow keys: what is held moves, what
/// is let go stands.
class ArrowPad : public QWidget {
  Q_OBJECT

 public:
  explicit ArrowPad(QWidget* parent);
  /// What each arrow does: up, down, left, right.
  void show_names(const std::array<QString, 4>& names);
  void let_turn(bool may, const QString& why_not);

 signals:
  /// -1, 0 or 1 in both directions; 0 and 0 when the last was let go.
  void held(int right, int up);
  void stopAsked();
  void rateAsked(int rate);  ///< keys 1 to 4: 0 to 3

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void keyReleaseEvent(QKeyEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void hideEvent(QHideEvent* event) override;
  void paintEvent(QPaintEvent* event) override;

 private:
  void hold(int arrow, bool held);
  void let_go();

  std::array<QPushButton*, 4> arrows_{};
  std::array<bool, 4> held_{};
  bool may_turn_ = true;
};

}  // namespace solarchon::app
