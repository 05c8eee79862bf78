// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QButtonGroup>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QWidget>

#include "app/model/reduction.h"
#include "app/shell/elided_label.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// The recipe as a short list of steps: grade, keep, stack; and what to do with the picture.
class RecipePanel : public QWidget {
  Q_OBJECT

 public:
  RecipePanel(Reduction& reduction, QWidget* parent);
  void follow();
  void make_or_stop();

 signals:
  void asksForDark();
  void asksForFlat();
  void asksToSave();

 private:
  QWidget* build_keep();
  QWidget* build_stack();
  QWidget* build_restore();
  QWidget* build_out();
  QLabel* heading(const QString& words);
  void enter_number(double value);
  void show_number();
  [[nodiscard]] QString grading_words() const;
  [[nodiscard]] QString keep_words() const;
  [[nodiscard]] QString made_words() const;

  Reduction& reduction_;
  QLabel* graded_;
  QButtonGroup* rules_;
  QPushButton* proposed_;
  NumberField* share_;
  NumberField* level_;
  QLabel* keeps_;
  QPushButton* local_;
  QPushButton* rejecting_;
  QPushButton* finer_;
  QPushButton* dark_;
  QPushButton* flat_;
  QPushButton* restores_;
  NumberField* air_;
  QPushButton* make_;
  QProgressBar* bar_;
  QLabel* made_;
  QPushButton* keep_;
  QPushButton* save_;
};

}  // namespace solarchon::app
