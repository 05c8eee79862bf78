// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QButtonGroup>
#include <QCheckBox>
#include <QPushButton>
#include <QWidget>
#include <array>

#include "app/model/reduction.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// What is done with a picture so that people see what is in it.
class FinishPanel : public QWidget {
  Q_OBJECT

 public:
  FinishPanel(Reduction& reduction, QWidget* parent);
  void follow();

 signals:
  void asksForPicture();
  void asksForProminences();

 private:
  QWidget* build_detail();
  QWidget* build_way_up();
  QWidget* build_colours();
  template <typename Set>
  void change(RecipeStep step, const QString& what, Set set) {
    reduce::FinishWishes wishes = reduction_.finish();
    set(wishes);
    reduction_.set_finish(step, wishes, what);
  }

  Reduction& reduction_;
  std::array<NumberField*, 4> layers_{};
  NumberField* gate_;
  QCheckBox* flatten_;
  QCheckBox* north_;
  QCheckBox* caption_;
  NumberField* radius_;
  QPushButton* prominences_;
  QButtonGroup* tints_;
};

}  // namespace solarchon::app
