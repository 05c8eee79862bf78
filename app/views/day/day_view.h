// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>

#include "app/shell/figures.h"
#include "app/shell/number_field.h"
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

  /// Reads a horizon from a CSV file; what is refused is told line by line.
  void open_horizon_file(const QString& file);
  void save_horizon_file(const QString& file);

 protected:
  void follow() override;

 private:
  QWidget* build_tools();
  [[nodiscard]] QString usable_words() const;
  [[nodiscard]] QString mount_words() const;
  void set_mount(const plan::Mount& mount);
  void open_horizon();
  void save_horizon();
  void adopt_horizon(const QString& what, const sky::Horizon& horizon);

  QLabel* title_;
  QLabel* usable_;
  QLabel* mount_;
  QComboBox* mount_kind_ = nullptr;
  NumberField* past_meridian_ = nullptr;
  Figures* now_;
  Figures* disc_;
  WallChart* chart_;
};

}  // namespace solarchon::app
