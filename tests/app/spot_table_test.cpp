// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/measure/spot_table.h"

#include <gtest/gtest.h>

#include <QAbstractItemModelTester>

namespace solarchon::app {
namespace {

std::vector<measure::SpotMeasurement> two_spots() {
  return {{600.5, 700.25, 120.4, 18.0, 33.04, 0.25, -12.54, 88.75},
          {610.5, 690.25, 20.0, 0.0, 34.0, 0.6, std::nullopt, std::nullopt}};
}

TEST(SpotTable, KeepsTheRulesOfModels) {
  SpotTable table;
  const QAbstractItemModelTester tester(&table,
                                        QAbstractItemModelTester::FailureReportingMode::Fatal);
  table.show_spots(two_spots());
  EXPECT_EQ(table.rowCount(), 2);
  table.show_spots({});
  EXPECT_EQ(table.rowCount(), 0);
  EXPECT_EQ(table.rowCount(table.index(0, 0)), 0);
}

TEST(SpotTable, ShowsPlacesWithUnitsAndADashForTheUnknown) {
  SpotTable table;
  table.show_spots(two_spots());
  const auto cell = [&](int row, int column) {
    return table.data(table.index(row, column), Qt::DisplayRole).toString();
  };
  EXPECT_EQ(cell(0, 0), "1");
  EXPECT_EQ(cell(0, 1), QString::fromUtf8("\u221212.5\u00b0"));
  EXPECT_EQ(cell(0, 3), "120");
  EXPECT_EQ(cell(1, 1), QString::fromUtf8("\u2013"));
}

TEST(SpotTable, EveryColumnHasANameAndAReason) {
  const SpotTable table;
  for (int column = 0; column < table.columnCount(); ++column) {
    EXPECT_FALSE(table.headerData(column, Qt::Horizontal, Qt::DisplayRole).toString().isEmpty());
    EXPECT_FALSE(table.headerData(column, Qt::Horizontal, Qt::ToolTipRole).toString().isEmpty());
  }
}

TEST(SpotTable, CsvHasUnitsInItsHeaderAndEmptyCellsForTheUnknown) {
  SpotTable table;
  table.show_spots(two_spots());
  EXPECT_EQ(table.csv().toStdString(),
            "number,latitude_deg,carrington_longitude_deg,area_muh,umbra_muh,from_centre_deg\n"
            "1,-12.540,88.750,120.400,18.000,33.040\n"
            "2,,,20.000,0.000,34.000\n");
}

}  // namespace
}  // namespace solarchon::app
