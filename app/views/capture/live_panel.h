// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/model/live_camera.h"
#include "app/shell/number_field.h"
#include "app/shell/pages.h"
#include "app/views/capture/focus_page.h"
#include "app/views/capture/meter_strips.h"
#include "app/views/capture/series_page.h"
#include "app/views/capture/tuning_page.h"

namespace solarchon::app {

/// Beside the live picture: what limits it and what to do next, the meters, and the recorder.
class LivePanel : public QWidget {
  Q_OBJECT

 public:
  LivePanel(LiveCamera& camera, SeriesDesk& desk, QWidget* parent);
  void follow();
  /// Begins a recording as set here, or ends the one that goes on.
  void record_or_stop();
  /// Turns to the page and begins its run, or stops the one that goes on.
  void focus_or_stop();
  void tune_or_stop();
  void series_or_stop();
  /// Shows `now`, `focus`, `tuning` or `series`.
  void turn_to(const QString& id) { pages_->turn_to(id); }

 private:
  [[nodiscard]] QString recorder_words() const;
  /// What to do next, with the hands that there are.
  [[nodiscard]] QString next_step(const QString& by_hand) const;

  LiveCamera& camera_;
  QLabel* says_;
  QLabel* next_;
  MeterStrips* strips_;
  FocusPage* focus_;
  TuningPage* tuning_;
  SeriesPage* series_;
  Pages* pages_ = nullptr;
  QPushButton* record_;
  QWidget* how_;  ///< it is recorded: the two below
  QComboBox* which_;
  NumberField* seconds_;
  QLabel* recorder_;
  double wanted_s_ = 30.0;
};

}  // namespace solarchon::app
