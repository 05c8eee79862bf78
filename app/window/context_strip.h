// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QWidget>

#include "app/model/document.h"
#include "app/model/in_hand.h"
#include "app/model/kit.h"
#include "app/shell/chips.h"
#include "app/shell/verdict_badge.h"
#include "app/window/path_sheet.h"
#include "app/window/site_sheet.h"

namespace solarchon::app {

/// On top: the three choices, the clock, the Sun now, the verdict.
class ContextStrip : public QWidget {
  Q_OBJECT

 public:
  ContextStrip(Document& document, Kit& kit, QWidget* parent = nullptr);
  /// Drops the sheet of sites.
  void show_sites() { site_sheet_->drop_from(*site_); }

 signals:
  void verdictAsked();
  /// Something is worth a word, in the window.
  void hinted(const QString& words);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void follow();
  void build_target_menu();
  /// Lets a sheet drop from a chip.
  void drop_from(Chip& chip, DropSheet& sheet);

  Document& document_;
  Chip* site_;
  Chip* rig_;
  Chip* target_;
  SiteInHand site_in_hand_;
  PathInHand path_in_hand_;
  SiteSheet* site_sheet_;
  PathSheet* path_sheet_;
  QLabel* clock_;
  QLabel* zone_;
  QLabel* height_;
  QLabel* event_;
  VerdictBadge* verdict_;
};

}  // namespace solarchon::app
