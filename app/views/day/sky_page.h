// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QWidget>

#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/day/hanging_disc.h"
#include "app/views/day/wall_chart.h"

namespace solarchon::app {

/// The Sun's day at the site, and how its disc hangs.
class SkyPage : public QWidget {
  Q_OBJECT

 public:
  SkyPage(const Models& models, QWidget* parent = nullptr);
  void follow();

  /// Reads a horizon from a CSV file; what is refused is told line by line.
  void open_horizon_file(const QString& file);
  void save_horizon_file(const QString& file);

 private:
  QWidget* build_tools();
  [[nodiscard]] QString usable_words() const;
  [[nodiscard]] QString mount_words() const;
  void set_mount(const plan::Mount& mount);
  void open_horizon();
  void save_horizon();
  void adopt_horizon(const QString& what, const sky::Horizon& horizon);

  [[nodiscard]] Document& document() const { return models_.document; }
  [[nodiscard]] ErrorReporter& trouble() const { return models_.trouble; }

  Models models_;
  QLabel* usable_;
  QLabel* mount_;
  QComboBox* mount_kind_ = nullptr;
  NumberField* past_meridian_ = nullptr;
  Figures* now_;
  Figures* disc_;
  WallChart* chart_;
};

}  // namespace solarchon::app
