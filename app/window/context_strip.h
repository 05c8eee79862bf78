// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QWidget>

#include "app/model/document.h"
#include "app/shell/chips.h"
#include "app/shell/verdict_badge.h"
#include "app/window/site_sheet.h"

namespace solarchon::app {

/// On top: the three choices, the clock, the Sun now, the verdict.
class ContextStrip : public QWidget {
  Q_OBJECT

 public:
  explicit ContextStrip(Document& document, QWidget* parent = nullptr);

 signals:
  void verdictAsked();
  void openRigAsked();
  void saveRigAsked();

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void follow();
  void build_menus();

  Document& document_;
  Chip* site_;
  Chip* rig_;
  Chip* target_;
  SiteSheet* site_sheet_;
  QLabel* clock_;
  QLabel* zone_;
  QLabel* height_;
  QLabel* event_;
  VerdictBadge* verdict_;
};

}  // namespace solarchon::app
