// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/model/series_controller.h"
#include "app/shell/number_field.h"
#include "app/views/capture/series_belt.h"

namespace solarchon::app {

/// Clips that go by themselves: what for, how long and how often, and where it is.
class SeriesPage : public QWidget {
  Q_OBJECT

 public:
  SeriesPage(SeriesController& desk, LiveCamera& camera, QWidget* parent);
  void follow();
  /// Begins as set here, or stops what goes on.
  void run_or_stop();

 private:
  QPushButton* add_switch(const QString& name, const QString& words, const QString& reason);
  void order();
  void show_order();
  [[nodiscard]] QString words_of(const capture::SeriesState& series) const;
  [[nodiscard]] QString words_before() const;
  [[nodiscard]] QString words_of_plan() const;
  [[nodiscard]] static SeriesBelt::Picture belt_of(const capture::SeriesState& series);
  [[nodiscard]] SeriesBelt::Picture belt_before(const match::TimeLapseNeeds& needs) const;

  SeriesController& desk_;
  LiveCamera& camera_;
  QComboBox* kind_;
  NumberField* clip_;
  NumberField* every_;
  NumberField* rounds_;
  QPushButton* hold_;
  QPushButton* light_;
  QPushButton* plan_;
  SeriesBelt* belt_;
  QLabel* says_;
  QLabel* plan_says_;
  QPushButton* run_;
  workspace::SeriesOrder wanted_;
};

}  // namespace solarchon::app
