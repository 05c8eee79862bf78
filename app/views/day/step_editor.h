// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// How long one step is planned to take, and how long it really took.
class StepEditor : public QWidget {
  Q_OBJECT

 public:
  StepEditor(const Models& models, QWidget* parent = nullptr);
  void show_step(plan::StepKind kind);

 private:
  /// Notes when the step begins, and at the second press how long it took.
  void press_watch();
  void show_watch();
  void plan_minutes(std::optional<double> minutes);

  Models models_;
  Document& document_;
  plan::StepKind kind_ = plan::StepKind::kDrive;
  QLabel* name_;
  QLabel* learned_;
  NumberField* planned_;
  NumberField* took_;
  QPushButton* watch_;
  QPushButton* take_back_;
};

}  // namespace solarchon::app
