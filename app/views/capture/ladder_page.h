// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>
#include <memory>

#include "app/model/document.h"
#include "app/model/live_camera.h"
#include "app/model/log.h"
#include "solarchon/image/frame.h"

namespace solarchon::app {

/// A ladder of exposures: a frame at each, to be looked at one by one; the one that is right is
/// used from then on, and teaches the prediction.
class LadderPage : public QWidget {
  Q_OBJECT

 public:
  LadderPage(LiveCamera& camera, Document& document, Log& log, QWidget* parent);
  void follow();
  /// Another page is turned to: the live picture is shown again.
  void leave();
  /// Begins a run, or stops the one that goes on.
  void run_or_stop();

 signals:
  /// That frame is to be looked at; none: the live picture.
  void shows(const std::shared_ptr<const image::Frame>& frame);
  void chosen(double exposure_ms);

 private:
  void fill(const capture::ExposureRunState& run);
  void mark_nearest(const capture::ExposureRunState& run);
  void keep();
  [[nodiscard]] QString words_of(const capture::ExposureRunState& run) const;
  [[nodiscard]] const capture::ExposureRung* rung() const;

  LiveCamera& camera_;
  Document& document_;
  Log& log_;
  QLabel* says_;
  QListWidget* rungs_;
  QPushButton* right_;
  QPushButton* run_;
};

}  // namespace solarchon::app
