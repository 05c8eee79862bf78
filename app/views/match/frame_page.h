// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QPushButton>
#include <QTableWidget>
#include <QWidget>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/model/models.h"
#include "app/shell/number_field.h"
#include "app/views/match/ladder.h"
#include "app/views/match/sensor_frame.h"
#include "solarchon/match/ranking.h"

namespace solarchon::app {

/// The Sun on the sensor, what limits its detail, what can be tried out on the picture, and the
/// ways to set up for the target, best first.
class FramePage : public QWidget {
  Q_OBJECT

 public:
  FramePage(const Models& models, QWidget* parent);
  void follow();
  [[nodiscard]] bool settled() const;

 private:
  QWidget* build_side();
  QWidget* build_trials(QWidget* side);
  void try_out();
  void show_beside();
  void rank();
  [[nodiscard]] static QString way_of(const match::Setting& setting);
  void show_settings(std::vector<match::Setting> settings);
  void put_in();

  Document& document_;
  const Kit& kit_;
  SensorFrame* frame_;
  SensorFrame* other_;
  QLabel* other_name_;
  QWidget* other_box_;
  QCheckBox* beside_;
  /// What makes no sense where an eye looks.
  std::vector<QWidget*> of_cameras_;
  QLabel* exposure_;
  QLabel* note_;
  Ladder* ladder_;
  NumberField* seeing_;
  NumberField* tune_;
  NumberField* focus_;
  NumberField* cloud_;
  QCheckBox* air_;
  QPushButton* as_set_;
  QTableWidget* list_;
  QPushButton* put_in_;
  std::vector<match::Setting> settings_;
  LatestJob wishes_;
};

}  // namespace solarchon::app
