// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <map>
#include <optional>

#include "app/model/live_camera.h"
#include "app/shell/number_field.h"
#include "app/views/capture/run_plot.h"

namespace solarchon::app {

/// The focuser: a run that looks for the best place, and steps by hand with what was seen at each
/// place where it stood.
class FocusPage : public QWidget {
  Q_OBJECT

 public:
  FocusPage(LiveCamera& camera, QWidget* parent);
  void follow();
  /// Begins a run, or stops the one that goes on.
  void run_or_stop();

 private:
  void step(double depths);
  void see(const capture::Glance& glance);
  void follow_motor(const devices::FocuserState& focuser);
  /// What the run shows.
  [[nodiscard]] RunPlot::Picture picture_of(const capture::FocusRunState& run) const;
  /// What was seen by hand.
  [[nodiscard]] RunPlot::Picture picture_by_hand() const;
  [[nodiscard]] QString words_by_hand(double at_um) const;
  [[nodiscard]] QString words_of(const capture::FocusRunState& run) const;

  LiveCamera& camera_;
  RunPlot* plot_;
  QLabel* says_;
  QPushButton* inwards_;
  QPushButton* outwards_;
  NumberField* position_;
  QPushButton* run_;
  std::map<long, double> seen_;       ///< width of the edge (arcsec) where it stood (um)
  std::optional<double> found_at_c_;  ///< warmth of the tube when focus was found
};

}  // namespace solarchon::app
