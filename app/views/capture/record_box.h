// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <array>

#include "app/model/live_camera.h"
#include "app/shell/number_field.h"

namespace solarchon::app {

/// The recorder: which frames, until when, and what was written.
class RecordBox : public QWidget {
  Q_OBJECT

 public:
  RecordBox(LiveCamera& camera, QWidget* parent);
  /// @param offers    a recording may be begun from here
  /// @param chooses   what of it is shown
  void follow(bool offers, bool chooses);
  /// Begins a recording as set here, or ends the one that goes on.
  void record_or_stop();

 private:
  [[nodiscard]] QString words() const;

  LiveCamera& camera_;
  QPushButton* record_;
  QWidget* how_;  ///< it is recorded: those below
  QComboBox* which_;
  QComboBox* until_;
  std::array<NumberField*, 3> limits_;  ///< seconds, frames, megabytes
  std::array<double, 3> wanted_{30.0, 1000.0, 2000.0};
  QLabel* says_;
};

}  // namespace solarchon::app
