// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>
#include <QButtonGroup>
#include <QLabel>
#include <QMenu>
#include <QToolButton>
#include <QWidget>
#include <map>

#include "app/shell/theme.h"
#include "app/views/view.h"

namespace solarchon::app {

/// One stage of the work in the rail: glyph, word, and how it stands.
class RailButton : public QAbstractButton {
  Q_OBJECT

 public:
  RailButton(const QString& name, const QString& glyph, int number, QWidget* parent);
  void show_readiness(const Readiness& readiness);
  [[nodiscard]] QSize sizeHint() const override { return Theme::px(QSize(104, 76)); }
  [[nodiscard]] QSize minimumSizeHint() const override { return Theme::px(QSize(104, 48)); }

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
  void add(const QString& id, const QString& name, const QString& glyph);
  void show_current(const QString& id);
  void focus_current();
  /// What a button at the foot of the rail opens.
  void set_menu(QMenu* menu);
  void show_readiness(const QString& id, const Readiness& readiness);
  /// What runs by itself and how long it still does, in sight whatever view is shown.
  void show_timers(const QStringList& lines);

 signals:
  void chosen(const QString& id);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  std::map<QString, RailButton*> buttons_;
  QButtonGroup* group_;
  QLabel* timers_;
  QToolButton* foot_;
};

}  // namespace solarchon::app
