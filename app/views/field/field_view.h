// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>

#include "app/shell/pages.h"
#include "app/views/field/drift_page.h"
#include "app/views/field/find_page.h"
#include "app/views/field/mount_page.h"
#include "app/views/field/north_page.h"
#include "app/views/field/prepare_page.h"
#include "app/views/field/steps_page.h"
#include "app/views/field/track_page.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The hour outside: steps in an order that cannot hurt, north, finding the Sun, and the mount.
class FieldView : public View {
  Q_OBJECT

 public:
  FieldView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  /// `field`, `field-prepare`, `field-north`, `field-find`, `field-drift`, `field-track` or
  /// `field-mount`.
  void show_page(const QString& id) override;
  [[nodiscard]] bool tells_seconds() const override { return true; }  // where the Sun is to be set
  [[nodiscard]] QString page() const override;
  void restyle() override;
  [[nodiscard]] bool settled() const override { return find_->settled() && mount_->settled(); }

 protected:
  void follow() override;

 private:
  QLabel* title_;
  StepsPage* steps_;
  PreparePage* prepare_;
  NorthPage* north_;
  FindPage* find_;
  DriftPage* drift_;
  TrackPage* track_;
  MountPage* mount_;
  Pages* pages_ = nullptr;
};

}  // namespace solarchon::app
