// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <deque>
#include <optional>

#include "app/model/live_camera.h"
#include "app/shell/number_field.h"
#include "app/views/capture/run_plot.h"

namespace solarchon::app {

/// The focuser: a run that looks for the best place, and steps by hand. Without a motor, how narrow
/// the edge is drawn while somebody turns the knob, and the narrowest so far.
class FocusPage : public QWidget {
  Q_OBJECT

 public:
  FocusPage(LiveCamera& camera, QWidget* parent);
  void follow();
  /// Begins a run, or stops the one that goes on; without a motor, forgets what was seen.
  void run_or_stop();

 private:
  struct Seen {
    double seconds;
    double edge_arcsec;
  };
  void step(double depths);
  void watch_the_hand(const capture::Glance& glance);
  void follow_motor(const devices::FocuserState& focuser,
                    const std::optional<capture::FocusRunState>& run);
  [[nodiscard]] QString words_of(const capture::FocusRunState& run) const;

  LiveCamera& camera_;
  RunPlot* plot_;
  QLabel* says_;
  QPushButton* inwards_;
  QPushButton* outwards_;
  NumberField* position_;
  QPushButton* run_;
  std::deque<Seen> seen_;
  std::optional<double> found_at_c_;  ///< warmth of the tube when focus was found
};

}  // namespace solarchon::app
