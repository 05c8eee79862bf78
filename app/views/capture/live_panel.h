// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/model/live_camera.h"
#include "app/shell/number_field.h"
#include "app/views/capture/meter_strips.h"

namespace solarchon::app {

/// Beside the live picture: what limits it and what to do next, the meters, and the recorder.
class LivePanel : public QWidget {
  Q_OBJECT

 public:
  LivePanel(LiveCamera& camera, QWidget* parent);
  void follow();
  /// Begins a recording as set here, or ends the one that goes on.
  void record_or_stop();

 private:
  [[nodiscard]] QString recorder_words() const;

  LiveCamera& camera_;
  QLabel* says_;
  QLabel* next_;
  MeterStrips* strips_;
  QPushButton* record_;
  QComboBox* which_;
  NumberField* seconds_;
  QLabel* recorder_;
  double wanted_s_ = 30.0;
};

}  // namespace solarchon::app
