// SPDX-License-Identifier: GPL-3.0-or-later
#include <QSignalSpy>

#include "app/shell/frame_image.h"
#include "app/shell/number_field.h"
#include "app/shell/theme.h"
#include "app/window/day_ribbon.h"
#include "app/window/site_sheet.h"
#include "solarchon/image/frame.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::morning;
using test::morning_workspace;
using test::starter_rig;

/// Relative luminance of a colour (WCAG 2.1).
double luminance(const QColor& colour) {
  const auto channel = [](double value) {
    return value <= 0.03928 ? value / 12.92 : std::pow((value + 0.055) / 1.055, 2.4);
  };
  return 0.2126 * channel(colour.redF()) + 0.7152 * channel(colour.greenF()) +
         0.0722 * channel(colour.blueF());
}

double contrast(const QColor& first, const QColor& second) {
  const double a = luminance(first);
  const double b = luminance(second);
  return (std::max(a, b) + 0.05) / (std::min(a, b) + 0.05);
}

TEST(Theme, EveryInkHasSevenToOneOnEveryGround) {
  for (const Look look : {Look::kNoon, Look::kIndoors}) {
    Theme::apply(look);
    const Palette& c = Theme::colours();
    for (const QColor& ground : {c.ground, c.sheet}) {
      for (const QColor& ink : {c.ink, c.faint_ink, c.accent, c.stop, c.check}) {
        EXPECT_GE(contrast(ink, ground), 7.0)
            << ink.name().toStdString() << " on " << ground.name().toStdString();
      }
    }
    EXPECT_GE(contrast(c.on_accent, c.accent), 7.0);
  }
  Theme::apply(Look::kNoon);
}

TEST(Theme, TheShippedFontHasTabularFigures) {
  const QFontMetrics metrics(Theme::font(TextSize::kLarge));
  EXPECT_EQ(QFontInfo(Theme::font(TextSize::kLarge)).family(), "Solarchon Sans");
  for (const char digit : {'0', '2', '7', '9'}) {
    EXPECT_EQ(metrics.horizontalAdvance(QLatin1Char(digit)), metrics.horizontalAdvance('1'));
  }
}

class NumberFieldTest : public testing::Test {
 protected:
  NumberFieldTest() : field("Aperture", "mm", {1.0, 1500.0}, false) {
    field.show_value(80.0);
    field.show();
  }
  void type(const QString& text) {
    field.edit().selectAll();
    QTest::keyClicks(&field.edit(), text);
    QTest::keyClick(&field.edit(), Qt::Key_Return);
  }
  NumberField field;
};

TEST_F(NumberFieldTest, GivesAGoodValueOnce) {
  const QSignalSpy spy(&field, &NumberField::entered);
  type("102.5");
  ASSERT_EQ(spy.count(), 1);
  EXPECT_DOUBLE_EQ(spy.at(0).at(0).toDouble(), 102.5);
  EXPECT_TRUE(field.problem().isEmpty());
}

TEST_F(NumberFieldTest, AnswersBadInputBesideItselfAndKeepsWhatWasTyped) {
  const QSignalSpy spy(&field, &NumberField::entered);
  type("-5");
  EXPECT_EQ(spy.count(), 0);
  EXPECT_TRUE(field.problem().contains("1 to 1500")) << field.problem().toStdString();
  EXPECT_EQ(field.edit().text(), "-5");
  type("wide");
  EXPECT_EQ(field.problem(), "needs a number");
  type("");
  EXPECT_EQ(field.problem(), "needs a number");
  type("nan");
  EXPECT_FALSE(field.problem().isEmpty());
  EXPECT_EQ(spy.count(), 0);
  type("90");
  EXPECT_TRUE(field.problem().isEmpty());
  EXPECT_EQ(spy.count(), 1);
}

TEST_F(NumberFieldTest, HasAnAccessibleNameWithItsUnit) {
  EXPECT_EQ(field.edit().accessibleName(), "Aperture in mm");
}

TEST(NumberField, WholeNumbersOnlyWhereAsked) {
  NumberField field("Depth", "bit", {8, 16}, true);
  field.show();
  const QSignalSpy spy(&field, &NumberField::entered);
  QTest::keyClicks(&field.edit(), "12.5");
  QTest::keyClick(&field.edit(), Qt::Key_Return);
  EXPECT_EQ(field.problem(), "needs a whole number");
  EXPECT_EQ(spy.count(), 0);
}

TEST(NumberField, EmptyMeansSomethingWhereAllowed) {
  NumberField field("Exposure", "ms", {0.001, 100.0}, false);
  field.allow_empty("suggested");
  field.show();
  const QSignalSpy spy(&field, &NumberField::emptied);
  QTest::keyClicks(&field.edit(), "5");
  QTest::keyClick(&field.edit(), Qt::Key_Return);
  field.edit().selectAll();
  QTest::keyClick(&field.edit(), Qt::Key_Delete);
  QTest::keyClick(&field.edit(), Qt::Key_Return);
  EXPECT_EQ(spy.count(), 1);
}

class RibbonTest : public testing::Test {
 protected:
  RibbonTest() : document(morning_workspace(starter_rig()), morning(), false), ribbon(document) {
    ribbon.resize(1200, 92);
    ribbon.show();
  }
  Document document;
  DayRibbon ribbon;
};

TEST_F(RibbonTest, DraggingLooksAtTheTimeUnderTheHand) {
  const sky::UtcTime wanted = test::utc("2027-07-17T13:20:00Z");
  const int y = ribbon.height() / 2;
  QTest::mousePress(&ribbon, Qt::LeftButton, {},
                    QPoint(static_cast<int>(ribbon.x_of(document.moment())), y));
  QTest::mouseMove(&ribbon, QPoint(static_cast<int>(ribbon.x_of(wanted)), y));
  QMouseEvent move(QEvent::MouseMove, QPointF(ribbon.x_of(wanted), y),
                   ribbon.mapToGlobal(QPointF(ribbon.x_of(wanted), y)), Qt::NoButton,
                   Qt::LeftButton, {});
  QApplication::sendEvent(&ribbon, &move);
  EXPECT_NEAR(sky::in_seconds(document.moment() - wanted), 0.0, 61.0);
}

TEST_F(RibbonTest, StaysWithinItsDayAtBothEnds) {
  const auto date = document.day().date;
  for (const double x : {-500.0, 0.0, 1200.0, 5000.0}) {
    document.look_at(ribbon.time_at(x));
    EXPECT_EQ(document.day().date, date) << x;
  }
}

TEST_F(RibbonTest, KeysMoveByMinutesHoursAndDays) {
  const auto moved = [&](Qt::Key key, Qt::KeyboardModifiers modifiers = {}) {
    const sky::UtcTime before = document.moment();
    QTest::keyClick(&ribbon, key, modifiers);
    return sky::in_seconds(document.moment() - before);
  };
  EXPECT_DOUBLE_EQ(moved(Qt::Key_Right), 60.0);
  EXPECT_DOUBLE_EQ(moved(Qt::Key_Left), -60.0);
  EXPECT_DOUBLE_EQ(moved(Qt::Key_Right, Qt::ShiftModifier), 600.0);
  EXPECT_DOUBLE_EQ(moved(Qt::Key_PageDown), 3600.0);
  EXPECT_DOUBLE_EQ(moved(Qt::Key_PageUp), -3600.0);
  EXPECT_DOUBLE_EQ(moved(Qt::Key_Left, Qt::ControlModifier), -86400.0);
  QTest::keyClick(&ribbon, Qt::Key_Home);
  EXPECT_TRUE(document.live());
}

TEST(SiteSheet, ChangesThePlaceByKeyboardAndAnswersBadInput) {
  Document document(morning_workspace(starter_rig()), morning(), false);
  const test::TempFolder folder;
  ErrorReporter trouble;
  LogQueue queue(workspace::log_file(folder.path()), trouble);
  OutsideFiles files(trouble);
  Kit kit(queue, files, document.undo(), trouble);
  SiteInHand sites(document, kit.sites());
  QWidget window;
  window.resize(800, 900);
  const QPushButton chip("Site", &window);
  window.show();
  SiteSheet sheet(document, sites, &window);
  sheet.drop_from(chip);
  ASSERT_TRUE(QTest::qWaitForWindowExposed(&sheet));
  const auto field = [&](const QString& name) -> QLineEdit* {
    for (auto* edit : sheet.findChildren<QLineEdit*>()) {
      if (edit->accessibleName().startsWith(name)) {
        return edit;
      }
    }
    return nullptr;
  };
  const auto type = [&](const QString& name, const QString& text) {
    QLineEdit* edit = field(name);
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, text);
    QTest::keyClick(edit, Qt::Key_Return);
  };
  EXPECT_EQ(field("Name")->text(), "Punta Alcaravan");
  type("Latitude", "-41.3");
  type("Longitude", "174.8");
  type("Name", "The south");
  type("Time zone", "Pacific/Auckland");
  EXPECT_DOUBLE_EQ(document.workspace().site.latitude_deg, -41.3);
  EXPECT_EQ(document.workspace().site.name, "The south");
  EXPECT_EQ(document.zone().id(), "Pacific/Auckland");
  type("Latitude", "95");
  type("Time zone", "Nowhere/Land");
  EXPECT_DOUBLE_EQ(document.workspace().site.latitude_deg, -41.3);
  EXPECT_EQ(document.zone().id(), "Pacific/Auckland");
  QStringList problems;
  for (const auto* label : sheet.findChildren<QLabel*>()) {
    if (label->property("role") == "error" && label->isVisible()) {
      problems << label->text();
    }
  }
  EXPECT_EQ(problems.size(), 2);
  while (document.undo().canUndo()) {
    document.undo().undo();
  }
  EXPECT_EQ(document.workspace(), morning_workspace(starter_rig()));
}

TEST(FrameImage, KeepsShapeAndShowsFullPixelsBrightest) {
  image::Frame frame;
  frame.width = 40;
  frame.height = 20;
  frame.saturation = 1000;
  frame.pixels.assign(800, 0);
  frame.pixels[0] = 1000;
  const QImage image = frame_image(frame, 40);
  EXPECT_EQ(image.size(), QSize(40, 20));
  EXPECT_GT(qRed(image.pixel(0, 0)), 250);
  EXPECT_EQ(qRed(image.pixel(20, 10)), 0);
  EXPECT_EQ(frame_image(frame, 10).size(), QSize(10, 5));
}

}  // namespace
}  // namespace solarchon::app
