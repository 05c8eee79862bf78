// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QWidget>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/match/sensor_frame.h"
#include "solarchon/match/clip.h"

namespace solarchon::app {

/// How long a clip may last and what it weighs, a time-lapse, and panels over the Sun.
class ClipPage : public QWidget {
  Q_OBJECT

 public:
  ClipPage(const Models& models, QWidget* parent);
  void follow();
  [[nodiscard]] bool settled() const { return frame_->settled(); }

 private:
  QWidget* build_side();
  void show_clip();
  void show_lapse();
  void show_mosaic();

  Document& document_;
  SensorFrame* frame_;
  Figures* clip_;
  NumberField* region_;
  QCheckBox* deep_;
  NumberField* kept_;
  double region_share_ = 1.0;
  double kept_share_ = 0.2;
  QLabel* why_;
  NumberField* interval_;
  NumberField* count_;
  NumberField* clip_s_;
  Figures* lapse_;
  NumberField* overlap_;
  NumberField* margin_;
  Figures* mosaic_;
  match::FrameRate rate_;
  match::TimeLapse wanted_;
  double overlap_share_ = 0.25;
  double margin_arcsec_ = 100.0;
};

}  // namespace solarchon::app
