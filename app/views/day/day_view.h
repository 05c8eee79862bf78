// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/shell/figures.h"
#include "app/views/day/hanging_disc.h"
#include "app/views/day/wall_chart.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The Sun's day at the site, and how its disc hangs.
class DayView : public View {
  Q_OBJECT

 public:
  DayView(Document& document, Records& records, QWidget* parent = nullptr);
  [[nodiscard]] QString name() const override { return tr("Day"); }
  [[nodiscard]] QString glyph() const override { return QStringLiteral("day"); }
  [[nodiscard]] Readiness readiness() const override;

 protected:
  void follow() override;

 private:
  QLabel* title_;
  QLabel* usable_;
  Figures* now_;
  Figures* disc_;
};

}  // namespace solarchon::app
