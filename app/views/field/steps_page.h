// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/model/models.h"
#include "app/model/runbook.h"
#include "app/views/field/instrument.h"
#include "app/views/field/order_strip.h"

namespace solarchon::app {

/// One step of the runbook, huge, with the instrument of that step; beside it the whole list. Space
/// ticks.
class StepsPage : public QWidget {
  Q_OBJECT

 public:
  StepsPage(const Models& models, QWidget* parent = nullptr);
  void follow();

 signals:
  /// Asks for the page that shows how a step is done.
  void howAsked(const QString& place);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  QWidget* build_card();
  QWidget* build_side(const Models& models);
  void choose(int row);
  /// Ticks the step that is shown, or takes its tick back.
  void act();
  void leave_the_order();
  void show_list(const std::vector<plan::StepStanding>& standing);
  void show_card(const std::vector<plan::StepStanding>& standing);
  /// Beside the step, where there is room; else the button leads to its page.
  void show_instrument(std::string_view step);
  void show_time(const plan::StepStanding& one, const plan::RunbookStep& step);
  /// The step to show: the chosen one, or the next that can be done.
  [[nodiscard]] std::size_t shown(const std::vector<plan::StepStanding>& standing) const;
  [[nodiscard]] QString what_of(std::string_view step) const;

  Runbook& runbook_;
  std::string chosen_;   ///< id of a step that was picked from the list; empty: the next
  bool asking_ = false;  ///< whether the order is to be left
  QWidget* side_ = nullptr;
  Instrument* instrument_ = nullptr;
  QLabel* place_ = nullptr;
  QLabel* what_ = nullptr;
  QLabel* time_ = nullptr;
  QLabel* why_ = nullptr;
  QLabel* check_ = nullptr;
  QLabel* before_ = nullptr;
  OrderStrip* strip_ = nullptr;
  QPushButton* done_ = nullptr;
  QPushButton* anyway_ = nullptr;
  QPushButton* how_ = nullptr;
  QComboBox* occasion_ = nullptr;
  QListWidget* list_ = nullptr;
};

}  // namespace solarchon::app
