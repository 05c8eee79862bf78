// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QButtonGroup>
#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/model/reduction.h"
#include "app/shell/elided_label.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// The recipe of a clip as a short list of steps: grade, keep, stack, restore.
class RecipePanel : public QWidget {
  Q_OBJECT

 public:
  RecipePanel(Reduction& reduction, QWidget* parent);
  void follow();

 signals:
  void asksForDark();
  void asksForFlat();

 private:
  QWidget* build_keep();
  QWidget* build_stack();
  QWidget* build_restore();
  QLabel* heading(const QString& words);
  void enter_number(double value);
  void show_number();
  [[nodiscard]] QString grading_words() const;
  [[nodiscard]] QString keep_words() const;

  Reduction& reduction_;
  QLabel* graded_;
  QButtonGroup* rules_;
  QPushButton* proposed_;
  NumberField* share_;
  NumberField* level_;
  QLabel* keeps_;
  QCheckBox* local_;
  QCheckBox* rejecting_;
  QCheckBox* finer_;
  QCheckBox* red_;
  QPushButton* dark_;
  QPushButton* flat_;
  QCheckBox* restores_;
  NumberField* air_;
};

}  // namespace solarchon::app
