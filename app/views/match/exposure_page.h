// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/model/document.h"
#include "app/model/log.h"
#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/match/exposure_table.h"
#include "app/views/match/ladder.h"
#include "app/views/match/moves_picture.h"

namespace solarchon::app {

/// How long to expose for what, the table round it, and what was found right before.
class ExposurePage : public QWidget {
  Q_OBJECT

 public:
  ExposurePage(const Models& models, QWidget* parent);
  void follow();

 private:
  QWidget* build_side();
  [[nodiscard]] QString exposure_words() const;
  [[nodiscard]] std::optional<light::ExposureMoves> moves_of(
      const light::LightConditions& conditions) const;
  void show_chosen();
  void show_learned();
  void keep_as_right();
  void forget();

  Document& document_;
  Log& log_;
  QLabel* exposure_;
  QLabel* note_;
  ExposureStrip* strip_;
  Figures* figures_;
  ExposureTable* table_;
  MovesPicture* moves_;
  QLabel* chosen_;
  NumberField* level_;
  NumberField* cloud_;
  NumberField* right_;
  QPushButton* keep_;
  QLabel* learned_;
  QListWidget* list_;
  QPushButton* forget_;
  double right_ms_ = 0.0;
};

}  // namespace solarchon::app
