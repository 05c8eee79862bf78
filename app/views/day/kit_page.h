// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QProgressBar>
#include <QPushButton>
#include <QStringList>
#include <QTableWidget>
#include <QWidget>
#include <array>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/number_field.h"
#include "app/views/day/need_bars.h"
#include "solarchon/plan/readiness.h"

namespace solarchon::app {

/// What must be ready for the day: power and disk against the plan's runs, and the list of what is
/// to be ordered, looked over, charged and rehearsed.
class KitPage : public QWidget {
  Q_OBJECT

 public:
  KitPage(const Models& models, QWidget* parent = nullptr);
  void follow();

 private:
  QWidget* build_fields();
  QWidget* build_supply(std::size_t supply);
  QWidget* build_consumer(plan::Consumer consumer);
  void edit_power(const QString& what, const plan::Power& power);
  [[nodiscard]] plan::Stock stock() const;
  [[nodiscard]] std::vector<NeedBars::Bar> bars(const plan::Stock& stock) const;
  void show_list(const std::vector<plan::ReadyItem>& items);

  Models models_;
  Document& document_;
  NeedBars* bars_;
  QLabel* no_runs_;
  QTableWidget* list_;
  QPushButton* measure_;
  QProgressBar* progress_;
  struct SupplyFields {
    QLineEdit* name = nullptr;
    NumberField* watt_hours = nullptr;
    NumberField* spare = nullptr;
  };
  std::array<SupplyFields, 2> supplies_;
  struct ConsumerFields {
    NumberField* watts = nullptr;
    QComboBox* supply = nullptr;
  };
  std::array<ConsumerFields, plan::kConsumers> consumers_;
  QStringList shown_;  ///< words of the list as it stands
};

}  // namespace solarchon::app
