// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QWidget>

#include "app/model/reduction.h"

namespace solarchon::app {

/// Makes the picture by its recipe, tells what came of it, and where it goes.
class OutPanel : public QWidget {
  Q_OBJECT

 public:
  OutPanel(Reduction& reduction, QWidget* parent);
  void follow();
  void make_or_stop();

 signals:
  void asksToSave();

 private:
  [[nodiscard]] QString made_words() const;
  [[nodiscard]] QString step_words(const reduce::Product& product) const;

  Reduction& reduction_;
  QPushButton* make_;
  QProgressBar* bar_;
  QLabel* made_;
  QPushButton* keep_;
  QPushButton* save_;
};

}  // namespace solarchon::app
