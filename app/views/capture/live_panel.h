// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QWidget>
#include <optional>

#include "app/model/live_camera.h"
#include "app/model/models.h"
#include "app/shell/pages.h"
#include "app/views/capture/focus_page.h"
#include "app/views/capture/ladder_page.h"
#include "app/views/capture/meter_strips.h"
#include "app/views/capture/record_box.h"
#include "app/views/capture/series_page.h"
#include "app/views/capture/tuning_page.h"

namespace solarchon::app {

/// Beside the live picture: what limits it and what to do next, the meters, and the recorder.
class LivePanel : public QWidget {
  Q_OBJECT

 public:
  LivePanel(const Models& models, QWidget* parent);
  void follow();
  /// Begins a recording as set here, or ends the one that goes on.
  void record_or_stop() { recorder_->record_or_stop(); }
  /// Turns to the page and begins its run, or stops the one that goes on.
  void focus_or_stop();
  void tune_or_stop();
  void series_or_stop();
  void climb_or_stop();
  /// Shows `now`, `focus`, `tuning`, `ladder` or `series`.
  void turn_to(const QString& id) { pages_->turn_to(id); }

  [[nodiscard]] LadderPage& ladder() { return *ladder_; }

 private:
  /// By which the picture is brighter than it was to be; none where that is not known.
  [[nodiscard]] std::optional<double> off_aim_stops() const;
  /// What to do next, with the hands that there are.
  [[nodiscard]] QString next_step(const QString& by_hand) const;

  LiveCamera& camera_;
  QLabel* says_;
  QLabel* next_;
  MeterStrips* strips_;
  FocusPage* focus_;
  TuningPage* tuning_;
  LadderPage* ladder_;
  SeriesPage* series_;
  Pages* pages_ = nullptr;
  RecordBox* recorder_;
};

}  // namespace solarchon::app
