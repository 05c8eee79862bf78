// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>
#include <array>
#include <optional>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/model/mount.h"
#include "app/model/runbook.h"
#include "app/model/worker.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/field/headed.h"
#include "app/views/field/pole_picture.h"

namespace solarchon::app {

/// The axis by the drift of the Sun: runs entered by hand or measured on frames, what they say of
/// the pole, and the way to turn.
class DriftPage : public QWidget {
  Q_OBJECT

 public:
  DriftPage(const Models& models, QWidget* parent = nullptr);
  void follow();
  /// Measures frames of one run off the interface thread and adds it.
  void measure_frames(const QStringList& files);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  QWidget* build_side();
  QWidget* build_form(QWidget* side);
  void choose_frame();
  /// Begins a run by the clock; told again, ends it.
  void time_run();
  /// What a simulated camera saw of the run goes into the form.
  void enter_seen(double west_arcsec, double north_arcsec);
  void set_rate(align::Rate rate);
  void add_run();
  void choose_files();  ///< while frames are measured: stops that
  void keep_run(const align::DriftRun& run);
  void complain(const QString& what);
  /// The knobs were turned: the runs speak of another axis. Those of a stand-in are turned.
  void begin_anew();
  void remove_run();
  void edit(const QString& what, const workspace::Outside& outside,
            const std::string& subject = {});
  void show_fit(const align::PoleFit& fit);
  void show_left(const align::PoleFit& fit);
  void show_runs();

  Document& document_;
  Runbook& runbook_;
  Mount& mount_;
  Headed* head_;
  PolePicture* picture_;
  Figures* left_;
  QComboBox* rate_ = nullptr;
  QComboBox* frame_ = nullptr;
  QComboBox* unit_ = nullptr;
  NumberField* minutes_ = nullptr;
  NumberField* right_ = nullptr;
  NumberField* up_ = nullptr;
  NumberField* west_ = nullptr;
  NumberField* north_ = nullptr;
  QPushButton* watch_ = nullptr;
  QPushButton* frames_ = nullptr;
  QPushButton* add_ = nullptr;
  QLabel* problem_ = nullptr;
  QListWidget* list_ = nullptr;
  QPushButton* turned_ = nullptr;
  NumberField* altitude_knob_ = nullptr;
  NumberField* azimuth_knob_ = nullptr;
  std::array<std::optional<double>, 4> entered_;  ///< right, up, west, north
  double run_minutes_ = 5.0;
  std::optional<sky::UtcTime> begun_;         ///< of the run that is being timed, by the computer
  std::optional<sky::UtcTime> begun_moment_;  ///< the same as the document sees it
  std::optional<sky::DiscPlace> begun_at_;    ///< where a simulated camera saw the Sun then
  Worker worker_;                             ///< measures frames; last, it ends first
};

}  // namespace solarchon::app
