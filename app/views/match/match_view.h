// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/match/ladder.h"
#include "app/views/match/sensor_frame.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The framed Sun on the sensor, what limits its detail, and how long to expose.
class MatchView : public View {
  Q_OBJECT

 public:
  MatchView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  [[nodiscard]] bool settled() const override { return frame_->settled(); }

 protected:
  void follow() override;

 private:
  QWidget* build_side();
  [[nodiscard]] QString exposure_words() const;

  SensorFrame* frame_;
  QLabel* exposure_;
  QLabel* exposure_note_;
  ExposureStrip* strip_;
  Ladder* ladder_;
  Figures* figures_;
  NumberField* seeing_;
  NumberField* level_;
};

}  // namespace solarchon::app
