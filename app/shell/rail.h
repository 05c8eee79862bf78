// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>
#include <QButtonGroup>
#include <QWidget>
#include <vector>

#include "app/views/view.h"

namespace solarchon::app {

/// One stage of the work in the rail: glyph, word, and how it stands.
class RailButton : public QAbstractButton {
  Q_OBJECT

 public:
  RailButton(const QString& name, const QString& glyph, int number, QWidget* parent);
  void show_readiness(const Readiness& readiness);
  [[nodiscard]] QSize sizeHint() const override { return {104, 76}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  QString glyph_;
  int number_;
  Readiness readiness_;
};

/// The work in its order, on the left.
class Rail : public QWidget {
  Q_OBJECT

 public:
  explicit Rail(QWidget* parent = nullptr);
  void add(const QString& name, const QString& glyph);
  void show_current(int index);
  void show_readiness(int index, const Readiness& readiness);

 signals:
  void chosen(int index);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  std::vector<RailButton*> buttons_;
  QButtonGroup* group_;
};

}  // namespace solarchon::app
