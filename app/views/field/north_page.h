// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QWidget>
#include <vector>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/field/ground_plan.h"
#include "app/views/field/headed.h"

namespace solarchon::app {

/// North by day: the ways side by side, and the chosen one on the ground.
class NorthPage : public QWidget {
  Q_OBJECT

 public:
  NorthPage(const Models& models, QWidget* parent = nullptr);
  void follow();

 private:
  QWidget* build_side();
  [[nodiscard]] QString headline(const align::North& north) const;
  [[nodiscard]] QString reason(const align::North& north) const;
  void show_ways(const align::North& north);
  void choose(int row);
  void set_outside(const QString& what, double workspace::Outside::*length, double value_mm);

  Document& document_;
  align::NorthWay way_ = align::NorthWay::kShadow;
  std::vector<align::NorthWay> order_;  ///< of the rows
  Headed* head_;
  GroundPlan* plan_;
  QListWidget* ways_ = nullptr;
  NumberField* plumb_ = nullptr;
  NumberField* feet_ = nullptr;
  Figures* figures_ = nullptr;
  QLabel* knobs_ = nullptr;
};

}  // namespace solarchon::app
