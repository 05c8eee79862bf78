// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QTableView>

#include "app/shell/figures.h"
#include "app/views/measure/disc_chart.h"
#include "app/views/measure/spot_table.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The frame in hand, measured: limb, scale and spots.
class MeasureView : public View {
  Q_OBJECT

 public:
  MeasureView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  [[nodiscard]] bool settled() const override { return !frame().worker().busy(); }
  /// Opens a picture and measures it.
  void open_file(const QString& file) override;
  /// Writes what is shown: spots as .csv, everything as .json, the picture as .png or .tiff.
  void export_to(const QString& file);

 protected:
  void follow() override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  QWidget* build_side();
  void ask_open();
  void ask_export();
  void copy() const;
  /// What the shown disc says of the telescope in use.
  [[nodiscard]] std::optional<double> focal_length_mm() const;
  void show_focal_length();
  void adopt_focal_length();

  DiscChart* chart_;
  SpotTable* model_;
  QTableView* table_;
  QLabel* empty_;
  Figures* figures_;
  QPushButton* export_;
  QPushButton* copy_;
  QPushButton* adopt_;
};

}  // namespace solarchon::app
