// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/model/live_camera.h"
#include "app/views/capture/run_plot.h"

namespace solarchon::app {

/// The heated etalon: a run that looks for the step on the line, and steps by hand.
class TuningPage : public QWidget {
  Q_OBJECT

 public:
  TuningPage(LiveCamera& camera, QWidget* parent);
  void follow();
  /// Begins a run, or stops the one that goes on.
  void run_or_stop();

 private:
  void follow_heater(const devices::HeaterState& heater,
                     const std::optional<capture::TuningRunState>& run);
  [[nodiscard]] static QString words_of(const capture::TuningRunState& run,
                                        const devices::HeaterState& heater);

  LiveCamera& camera_;
  RunPlot* plot_;
  QLabel* says_;
  QPushButton* bluer_;
  QPushButton* redder_;
  QPushButton* run_;
};

}  // namespace solarchon::app
