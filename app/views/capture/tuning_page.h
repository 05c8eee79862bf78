// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/model/live_camera.h"
#include "app/shell/number_field.h"
#include "app/views/capture/run_plot.h"

namespace solarchon::app {

/// The etalon. A heated one: a run that looks for the step on the line, and steps by hand. One that
/// is turned by hand: mark by mark, and which was the best.
class TuningPage : public QWidget {
  Q_OBJECT

 public:
  TuningPage(LiveCamera& camera, QWidget* parent);
  void follow();
  /// Begins a run, or stops the one that goes on; of a tuner that is turned by hand, looks.
  void run_or_stop();

 private:
  void follow_heater(const devices::HeaterState& heater,
                     const std::optional<capture::TuningRunState>& run);
  [[nodiscard]] static QString words_of(const capture::TuningRunState& run,
                                        const devices::HeaterState& heater);
  void follow_hand(const std::optional<capture::TuningRunState>& run);
  [[nodiscard]] static QString words_by_hand(const capture::TuningRunState& run);

  LiveCamera& camera_;
  RunPlot* plot_;
  QLabel* says_;
  QPushButton* bluer_;
  QPushButton* redder_;
  NumberField* mark_;  ///< at which a tuner stands that is turned by hand
  QPushButton* run_;
  int at_mark_ = 0;
};

}  // namespace solarchon::app
