// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAction>
#include <QToolButton>
#include <vector>

#include "solarchon/safety/safety.h"

namespace solarchon::app {

/// What the rules are told: whose figures for rear etalons, how often filters are looked at, who
/// comes, what is to be watched. A school other than the strict one shows on the button itself.
class RulesMenu : public QToolButton {
  Q_OBJECT

 public:
  explicit RulesMenu(QWidget* parent = nullptr);
  void show_practice(const safety::Practice& practice);

 signals:
  void changed(const QString& what, const safety::Practice& practice);

 private:
  void add_schools();
  void add_inspections();
  QAction* add_flag(const QString& words, bool safety::Practice::*flag);

  safety::Practice practice_;
  std::vector<QAction*> schools_;
  std::vector<QAction*> inspections_;
  QAction* guests_ = nullptr;
  QAction* totality_ = nullptr;
};

}  // namespace solarchon::app
