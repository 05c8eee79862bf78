// SPDX-License-Identifier: GPL-3.0-or-later
// The day and its horizon, edited by hand.
#include <QLabel>
#include <QPushButton>
#include <QSignalSpy>

#include "app/views/day/day_view.h"
#include "app/views/day/wall_chart.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

class DayTest : public testing::Test {
 protected:
  void SetUp() override {
    window = test::open_window(folder.path(), test::morning_workspace(test::starter_rig()));
    window->show_place("day");
    QApplication::processEvents();
    chart = window->findChild<WallChart*>();
    view = window->findChild<DayView*>();
  }
  const sky::Horizon& horizon() { return window->document().workspace().site.horizon; }
  QString usable() { return window->findChild<QLabel*>("usable")->text(); }
  void edit() {
    QTest::mouseClick(window->findChild<QPushButton*>("edit-horizon"), Qt::LeftButton);
    QApplication::processEvents();
  }
  void drag(QPointF from, QPointF to) {
    QTest::mousePress(chart, Qt::LeftButton, {}, from.toPoint());
    QTest::mouseMove(chart, (0.5 * (from + to)).toPoint());
    QTest::mouseMove(chart, to.toPoint());
    QTest::mouseRelease(chart, Qt::LeftButton, {}, to.toPoint());
  }

  test::TempFolder folder;
  std::unique_ptr<Window> window;
  WallChart* chart = nullptr;
  DayView* view = nullptr;
};

TEST_F(DayTest, NothingIsEditedUntilItIsAskedFor) {
  QTest::mouseClick(chart, Qt::LeftButton, {}, chart->place(120.0, 30.0).toPoint());
  EXPECT_TRUE(horizon().points.empty());
}

TEST_F(DayTest, AWallIsBuiltDraggedAndUndoneWithTheMouse) {
  edit();
  for (const auto& [azimuth, height] : {std::pair{62.0, 2.0}, {75.0, 60.0}, {90.0, 2.0}}) {
    QTest::mouseClick(chart, Qt::LeftButton, {}, chart->place(azimuth, height).toPoint());
  }
  ASSERT_EQ(horizon().points.size(), 3U);
  EXPECT_NEAR(horizon().points[1].azimuth_deg, 75.0, 0.5);
  EXPECT_NEAR(horizon().points[1].height_deg, 60.0, 0.5);
  EXPECT_FALSE(usable().contains("09:07")) << usable().toStdString();  // the wall hides the rise
  drag(chart->place(75.0, horizon().points[1].height_deg), chart->place(78.0, 10.0));
  EXPECT_NEAR(horizon().points[1].azimuth_deg, 78.0, 0.5);
  EXPECT_NEAR(horizon().points[1].height_deg, 10.0, 0.6);
  EXPECT_TRUE(usable().contains("09:07")) << usable().toStdString();
  QTest::mouseClick(
      chart, Qt::RightButton, {},
      chart->place(horizon().points[1].azimuth_deg, horizon().points[1].height_deg).toPoint());
  EXPECT_EQ(horizon().points.size(), 2U);
  for (int step = 0; step < 5; ++step) {
    QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  }
  EXPECT_TRUE(horizon().points.empty());
}

TEST_F(DayTest, TheHorizonIsEditedWithTheKeyboardAlone) {
  auto* button = window->findChild<QPushButton*>("edit-horizon");
  button->setFocus();
  QTest::keyClick(button, Qt::Key_Space);
  ASSERT_TRUE(chart->hasFocus());
  QTest::keyClick(chart, Qt::Key_Insert);
  ASSERT_EQ(horizon().points.size(), 1U);
  EXPECT_EQ(chart->chosen(), 0);
  QTest::keyClick(chart, Qt::Key_Up, Qt::ShiftModifier);
  EXPECT_DOUBLE_EQ(horizon().points[0].height_deg, 10.0);
  QTest::keyClick(chart, Qt::Key_Down);
  EXPECT_DOUBLE_EQ(horizon().points[0].height_deg, 9.5);
  QTest::keyClick(chart, Qt::Key_Right, Qt::ControlModifier);
  EXPECT_DOUBLE_EQ(horizon().points[0].azimuth_deg, 181.0);
  QTest::keyClick(chart, Qt::Key_T);
  EXPECT_TRUE(horizon().points[0].trees);
  QTest::keyClick(chart, Qt::Key_Insert);
  ASSERT_EQ(horizon().points.size(), 2U);
  QTest::keyClick(chart, Qt::Key_Left);
  EXPECT_TRUE(chart->accessibleDescription().startsWith("Corner 1 of 2"))
      << chart->accessibleDescription().toStdString();
  QTest::keyClick(chart, Qt::Key_Delete);
  EXPECT_EQ(horizon().points.size(), 1U);
  QTest::keyClick(chart, Qt::Key_Delete);
  QTest::keyClick(chart, Qt::Key_Delete);  // nothing is left to take out
  EXPECT_TRUE(horizon().points.empty());
}

TEST_F(DayTest, AHorizonFileIsReadLineByLineAndKept) {
  const QSignalSpy told(&window->models().trouble, &ErrorReporter::told);
  test::write_text(folder / "h.csv", "0,2\n95,50,yes\n115,bad\n140,3\n");
  view->sky_page().open_horizon_file(QString::fromStdString((folder / "h.csv").string()));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_EQ(horizon().points.size(), 3U);
  ASSERT_EQ(told.count(), 1);
  EXPECT_TRUE(told[0][0].toString().contains("line 3")) << told[0][0].toString().toStdString();
  view->sky_page().save_horizon_file(QString::fromStdString((folder / "copy.csv").string()));
  EXPECT_EQ(sky::horizon_from_csv(test::read_text(folder / "copy.csv"))->horizon, horizon());
  view->sky_page().open_horizon_file(QString::fromStdString((folder / "none.csv").string()));
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  EXPECT_EQ(told.count(), 2);
  EXPECT_EQ(horizon().points.size(), 3U);
  const sky::Horizon kept = horizon();
  window->close();
  window.reset();
  SetUp();
  EXPECT_EQ(horizon(), kept);
  EXPECT_FALSE(chart->grab().isNull());
}

TEST_F(DayTest, TheMountSaysWhenItTurnsOver) {
  auto* kind = window->findChild<QComboBox*>("mount-kind");
  auto* words = window->findChild<QLabel*>("mount-today");
  EXPECT_FALSE(words->isVisible());
  kind->setFocus();
  QTest::keyClick(kind, Qt::Key_Down);
  EXPECT_EQ(window->document().workspace().mount.kind, plan::MountKind::kEquatorialTurns);
  EXPECT_TRUE(words->text().contains("from 14:08") && words->text().contains("by 14:48"))
      << words->text().toStdString();
  for (auto* field : view->findChildren<NumberField*>()) {
    field->edit().selectAll();
    QTest::keyClicks(&field->edit(), "10");
    QTest::keyClick(&field->edit(), Qt::Key_Return);
  }
  EXPECT_TRUE(words->text().contains("by 15:08")) << words->text().toStdString();
  QTest::keyClick(kind, Qt::Key_End);
  EXPECT_TRUE(words->text().contains("field turns", Qt::CaseInsensitive))
      << words->text().toStdString();
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(words->text().contains("by 15:08"));
  EXPECT_FALSE(chart->grab().isNull());
}

}  // namespace
}  // namespace solarchon::app
