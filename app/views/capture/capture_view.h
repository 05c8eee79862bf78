// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <optional>

#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/capture/plate.h"
#include "app/views/view.h"

namespace solarchon::app {

/// Takes simulated frames with the light path and the moment in force; each is measured and filed.
class CaptureView : public View {
  Q_OBJECT

 public:
  CaptureView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  [[nodiscard]] bool settled() const override { return !frame().worker().busy(); }
  void take();
  /// The clock; the date too where it is not the day that is looked at.
  [[nodiscard]] QString taken_words(sky::UtcTime time) const;

 protected:
  void follow() override;

 private:
  QWidget* build_side();

  Plate* plate_;
  QPushButton* take_;
  QPushButton* cancel_;
  QProgressBar* progress_;
  QLabel* hint_;
  NumberField* exposure_;
  Figures* figures_;
};

}  // namespace solarchon::app
