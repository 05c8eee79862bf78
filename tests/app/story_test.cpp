// SPDX-License-Identifier: GPL-3.0-or-later
// The starter's first morning, walked with the keyboard alone.
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QTableView>

#include "app/shell/verdict_badge.h"
#include "app/views/light_path/findings_list.h"
#include "app/views/light_path/section.h"
#include "app/views/match/sensor_frame.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

class StoryTest : public testing::Test {
 protected:
  void open() {
    window = test::open_window(folder.path(), test::morning_workspace(test::starter_rig()));
  }
  void press(Qt::Key key, Qt::KeyboardModifiers modifiers = {}) {
    QTest::keyClick(
        QApplication::focusWidget() != nullptr ? QApplication::focusWidget() : window.get(), key,
        modifiers);
    QApplication::processEvents();
  }
  /// Tabs on until the focus is on what is wanted.
  template <typename Widget>
  Widget* tab_to(const QString& name) {
    for (int step = 0; step < 60; ++step) {
      auto* focused = dynamic_cast<Widget*>(QApplication::focusWidget());
      if (focused != nullptr && (name.isEmpty() || focused->objectName() == name)) {
        return focused;
      }
      press(Qt::Key_Tab);
    }
    return nullptr;
  }
  QString label(const QString& name) { return window->findChild<QLabel*>(name)->text(); }
  QString verdict() { return window->findChild<VerdictBadge*>()->text(); }

  test::TempFolder folder;
  std::unique_ptr<Window> window;
};

TEST_F(StoryTest, AMorningWithTheKeyboardAlone) {
  open();
  // She sees where the Sun stands now and what comes next.
  EXPECT_TRUE(label("sun-height").startsWith("38.5")) << label("sun-height").toStdString();
  EXPECT_TRUE(label("next-event").contains("14:28")) << label("next-event").toStdString();
  press(Qt::Key_2, Qt::ControlModifier);
  EXPECT_EQ(window->place(), "day");
  EXPECT_TRUE(label("usable").contains("09:07")) << label("usable").toStdString();

  // Her light path: no objection, and why.
  press(Qt::Key_1, Qt::ControlModifier);
  EXPECT_EQ(verdict(), "No objection found");
  auto* findings = window->findChild<FindingsList*>("findings");
  EXPECT_TRUE(findings->plain_text().contains("inspected today"));

  // The film comes off in the drawing, and the verdict stops her; it goes back on.
  auto* section = tab_to<Section>("section");
  ASSERT_NE(section, nullptr);
  press(Qt::Key_Space);
  EXPECT_EQ(verdict(), "Stop");
  EXPECT_TRUE(findings->plain_text().contains("blinds"));
  EXPECT_TRUE(findings->plain_text().contains("Next: Turn the tube away"));
  press(Qt::Key_4, Qt::ControlModifier);
  EXPECT_EQ(label("suggested-exposure"), "Stop");  // nobody is told how to expose this
  press(Qt::Key_5, Qt::ControlModifier);
  EXPECT_FALSE(window->findChild<QPushButton*>("take-frame")->isEnabled());
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(verdict(), "No objection found");

  // The framed Sun as her sensor will see it.
  press(Qt::Key_4, Qt::ControlModifier);
  ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  const QImage& image = window->findChild<SensorFrame*>()->image();
  ASSERT_FALSE(image.isNull());
  EXPECT_GT(qRed(image.pixel(image.width() / 2, image.height() / 2)), 180);
  EXPECT_LT(qRed(image.pixel(2, 2)), 60);
  EXPECT_TRUE(label("suggested-exposure").startsWith("0.17"));

  // She takes a frame; it is measured and filed.
  press(Qt::Key_5, Qt::ControlModifier);
  press(Qt::Key_F5);
  ASSERT_TRUE(test::wait_until([&] { return window->models().log.sessions().size() == 1; }));
  const auto shown = window->models().frame.shown();
  ASSERT_TRUE(shown && shown->measurement);
  EXPECT_NEAR(*shown->measurement->plate_scale_arcsec_px, 1.4825, 0.001);
  press(Qt::Key_7, Qt::ControlModifier);
  EXPECT_EQ(window->current_view().findChild<QTableView*>()->model()->rowCount(),
            static_cast<int>(shown->measurement->spots.size()));
  EXPECT_GT(shown->measurement->spots.size(), 3U);

  // She closes the program, opens it again, and everything is there.
  press(Qt::Key_8, Qt::ControlModifier);
  window->close();
  window.reset();
  open();
  EXPECT_EQ(window->place(), "log");
  ASSERT_TRUE(test::wait_until([&] { return window->models().frame.shown() != nullptr; }));
  EXPECT_EQ(window->findChild<QListWidget*>("sessions")->count(), 1);
  EXPECT_EQ(window->models().frame.shown()->frame.pixels, shown->frame.pixels);
  EXPECT_EQ(window->document().workspace(), test::morning_workspace(test::starter_rig()));
}

TEST_F(StoryTest, TheRibbonIsReachedByKeyAndMovesEverything) {
  open();
  press(Qt::Key_D, Qt::ControlModifier);
  press(Qt::Key_PageDown);
  EXPECT_TRUE(label("clock").startsWith("11:40")) << label("clock").toStdString();
  EXPECT_NEAR(window->document().answers().local.altitude_deg, 50.4, 0.5);
}

}  // namespace
}  // namespace solarchon::app
