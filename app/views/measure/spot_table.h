// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractTableModel>
#include <QString>
#include <vector>

#include "solarchon/measure/disc.h"

namespace solarchon::app {

/// Measured spots as a table, largest first.
class SpotTable : public QAbstractTableModel {
  Q_OBJECT

 public:
  using QAbstractTableModel::QAbstractTableModel;
  void show_spots(std::vector<measure::SpotMeasurement> spots);

  [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
  [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
  [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
  [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation,
                                    int role) const override;
  /// The whole table as comma-separated values with units in the header, in the C locale.
  [[nodiscard]] QString csv() const;

 private:
  std::vector<measure::SpotMeasurement> spots_;
};

}  // namespace solarchon::app
