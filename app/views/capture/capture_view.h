// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QStackedWidget>
#include <optional>

#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/capture/live_panel.h"
#include "app/views/capture/live_plate.h"
#include "app/views/capture/plate.h"
#include "app/views/capture/source_box.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The live picture with its meters and recorder, and single frames, each of which is measured and
/// filed, with the light path and the moment in force.
class CaptureView : public View {
  Q_OBJECT

 public:
  CaptureView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  [[nodiscard]] bool settled() const override;
  [[nodiscard]] bool complete() const override;
  /// `capture-live` looks through the camera at once, `capture-focus` finds the focus then,
  /// `capture-tuning` turns to the tuner, `capture-ladder` tries exposures, `capture-series` to
  /// series of clips.
  void show_page(const QString& id) override;
  [[nodiscard]] QString page() const override { return QStringLiteral("capture"); }
  void open_file(const QString& file) override;
  void take();
  /// Looks through the camera, or stops looking.
  void look_or_stop();
  /// The clock; the date too where it is not the day that is looked at.
  [[nodiscard]] QString taken_words(sky::UtcTime time) const;

 protected:
  void follow() override;

 private:
  QWidget* build_side();
  QWidget* build_picture();
  void build_turn();
  void follow_live();
  void draw_so();

  Plate* plate_;
  LivePlate* live_plate_;
  QStackedWidget* pictures_;
  QStackedWidget* panels_;
  LivePanel* live_panel_;
  void (LivePanel::*begins_)() = nullptr;  ///< as soon as its hands are known
  QPushButton* look_;
  QPushButton* freeze_;
  QPushButton* full_size_;
  QPushButton* twice_;
  QPushButton* faint_;
  QPushButton* marks_;
  QComboBox* part_;
  QPushButton* turn_;
  LivePlate::Way way_ = LivePlate::Way::kAsItComes;
  QWidget* ways_ = nullptr;
  QPushButton* take_;
  bool may_take_ = false;  ///< as far as the light path goes
  QPushButton* cancel_;
  QProgressBar* progress_;
  QLabel* hint_;
  NumberField* exposure_;
  SourceBox* source_;
  Figures* figures_;
};

}  // namespace solarchon::app
