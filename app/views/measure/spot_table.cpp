// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/measure/spot_table.h"

#include <utility>

#include "app/model/phrases.h"

namespace solarchon::app {

namespace {

enum Column { kNumber, kLatitude, kLongitude, kArea, kFromCentre, kColumns };

QString degrees(const std::optional<double>& value) {
  return value ? QStringLiteral("%1\u00b0").arg(number(*value, 1)) : QStringLiteral("\u2013");
}

}  // namespace

void SpotTable::show_spots(std::vector<measure::SpotMeasurement> spots) {
  beginResetModel();
  spots_ = std::move(spots);
  endResetModel();
}

int SpotTable::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(spots_.size());
}

int SpotTable::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(kColumns);
}

QVariant SpotTable::data(const QModelIndex& index, int role) const {
  if (role == Qt::TextAlignmentRole) {
    return static_cast<int>(Qt::AlignRight | Qt::AlignVCenter);
  }
  if (role != Qt::DisplayRole || !index.isValid()) {
    return {};
  }
  const measure::SpotMeasurement& spot = spots_.at(static_cast<std::size_t>(index.row()));
  switch (index.column()) {
    case kNumber:
      return index.row() + 1;
    case kLatitude:
      return degrees(spot.latitude_deg);
    case kLongitude:
      return degrees(spot.carrington_longitude_deg);
    case kArea:
      return number(spot.area_muh, 0);
    case kFromCentre:
      return degrees(spot.from_centre_deg);
    default:
      return {};
  }
}

QVariant SpotTable::headerData(int section, Qt::Orientation orientation, int role) const {
  if (orientation != Qt::Horizontal) {
    return {};
  }
  if (role == Qt::ToolTipRole) {
    const QString tips[] = {tr("Number on the chart"), tr("Heliographic latitude, north positive"),
                            tr("Carrington longitude"),
                            tr("Area in millionths of the solar hemisphere"),
                            tr("Angle from the middle of the disc")};
    return tips[section];
  }
  if (role != Qt::DisplayRole) {
    return {};
  }
  const QString names[] = {tr("No."), tr("Latitude"), tr("Longitude"), tr("Area, \u00b5hem"),
                           tr("Off centre")};
  return names[section];
}

QString SpotTable::csv() const {
  QString out = QStringLiteral(
      "number,latitude_deg,carrington_longitude_deg,area_muh,umbra_muh,from_centre_deg\n");
  const auto cell = [](const std::optional<double>& value) {
    return value ? QString::number(*value, 'f', 3) : QString();
  };
  for (std::size_t i = 0; i < spots_.size(); ++i) {
    const measure::SpotMeasurement& spot = spots_[i];
    out +=
        QStringList{
            QString::number(i + 1), cell(spot.latitude_deg), cell(spot.carrington_longitude_deg),
            cell(spot.area_muh),    cell(spot.umbra_muh),    cell(spot.from_centre_deg)}
            .join(',') +
        '\n';
  }
  return out;
}

}  // namespace solarchon::app
