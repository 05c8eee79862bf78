// SPDX-License-Identifier: GPL-3.0-or-later
// Match, driven by clicks and keys: framing, pointing, trying out, ways, exposures, panels.
#include <QCheckBox>
#include <QClipboard>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTableWidget>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

#include "app/shell/figures.h"
#include "app/shell/theme.h"
#include "app/views/match/dusk_picture.h"
#include "app/views/match/exposure_table.h"
#include "app/views/match/sensor_frame.h"
#include "app/views/match/ways_sheet.h"
#include "solarchon/optics/catalogue.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

class MatchTest : public testing::Test {
 protected:
  void open(const optics::Rig& rig, const char* place = "match") {
    window = test::open_window(folder.path(), test::morning_workspace(rig));
    window->show_place(place);
    settle();
  }
  void settle() {
    ASSERT_TRUE(test::wait_until([&] { return window->settled(); }));
  }
  SensorFrame& frame() { return *window->findChild<SensorFrame*>("sensor-frame"); }
  static QPoint pixels(const QPointF& units) {
    return {Theme::px(static_cast<int>(std::lround(units.x()))),
            Theme::px(static_cast<int>(std::lround(units.y())))};
  }
  void type(const char* name, const QString& words) {
    auto* edit = window->current_view().findChild<QLineEdit*>(name);
    ASSERT_NE(edit, nullptr) << name;
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, words);
    QTest::keyClick(edit, Qt::Key_Return);
    QApplication::processEvents();
  }
  /// Deviation of the picture's red over its mean, where it is not black.
  static double contrast(const QImage& image) {
    double sum = 0.0;
    double squares = 0.0;
    int count = 0;
    for (int y = image.height() / 3; y < 2 * image.height() / 3; ++y) {
      for (int x = image.width() / 3; x < 2 * image.width() / 3; ++x) {
        const double green = qGreen(image.pixel(x, y));
        sum += green;
        squares += green * green;
        ++count;
      }
    }
    const double mean = sum / count;
    return std::sqrt(std::max(0.0, squares / count - mean * mean)) / mean;
  }

  test::TempFolder folder;
  std::unique_ptr<Window> window;
};

/// A short hydrogen-alpha train whose whole disc lies on the sensor.
optics::Rig line_rig() {
  optics::Rig rig = test::usual_train(2);
  for (optics::Element& element : rig.elements) {
    if (auto* camera = std::get_if<optics::Camera>(&element.part)) {
      camera->pixel_um = 9.0;
      camera->width_px = 1000;
      camera->height_px = 900;
    }
  }
  return rig;
}

TEST_F(MatchTest, AHydrogenAlphaPathShowsTheChromosphere) {
  open(line_rig());
  EXPECT_TRUE(frame().problem().isEmpty()) << frame().problem().toStdString();
  ASSERT_FALSE(frame().image().isNull());
  const auto& things = frame().things();
  EXPECT_TRUE(std::any_of(things.begin(), things.end(), [](const workspace::Thing& thing) {
    return thing.kind == workspace::Target::kProminence;
  }));
}

TEST_F(MatchTest, AClickPointsAtAProminence) {
  open(line_rig());
  const auto& things = frame().things();
  const auto prominence =
      std::find_if(things.begin(), things.end(), [&](const workspace::Thing& thing) {
        const QPointF at = frame().point_of(thing.place);
        return thing.kind == workspace::Target::kProminence && thing.weight > 12000.0 &&
               frame().rect().adjusted(40, 40, -40, -40).contains(at.toPoint());
      });
  ASSERT_NE(prominence, things.end());
  const sky::DiscPlace place = prominence->place;
  QTest::mouseClick(&frame(), Qt::LeftButton, {}, pixels(frame().point_of(place)));
  const workspace::Workspace& space = window->document().workspace();
  ASSERT_TRUE(space.aim);
  EXPECT_EQ(space.target, workspace::Target::kProminence);
  EXPECT_NEAR(space.aim->west_arcsec, place.west_arcsec, 60.0);
  settle();
  // It stands in the middle now; undo brings the disc back.
  const QPointF middle = frame().point_of(*space.aim);
  EXPECT_NEAR(middle.x(), frame().rect().center().x(), 2.0);
  window->document().undo().undo();
  EXPECT_EQ(window->document().workspace().target, workspace::Target::kWholeDisc);
  EXPECT_FALSE(window->document().workspace().aim);
}

TEST_F(MatchTest, KeysLookCloserAndBack) {
  open(test::quick_rig());
  frame().setFocus();
  QTest::keyClick(&frame(), Qt::Key_Plus);
  QTest::keyClick(&frame(), Qt::Key_Plus);
  EXPECT_NEAR(frame().zoom(), 1.5625, 1e-9);
  settle();
  EXPECT_FALSE(frame().image().isNull());
  QTest::keyClick(&frame(), Qt::Key_Right);
  QTest::keyClick(&frame(), Qt::Key_0);
  EXPECT_EQ(frame().zoom(), 1.0);
  QTest::keyClick(&frame(), Qt::Key_Minus);
  EXPECT_EQ(frame().zoom(), 1.0);
}

TEST_F(MatchTest, TryingOutChangesThePictureAndNothingElse) {
  open(line_rig());
  const workspace::Workspace before = window->document().workspace();
  const double sharp = contrast(frame().image());
  type("match-focus", "2500");
  settle();
  EXPECT_LT(contrast(frame().image()), 0.9 * sharp);
  type("match-cloud", "2");
  settle();
  EXPECT_LT(qRed(frame().image().pixel(frame().image().width() / 2, frame().image().height() / 2)),
            150);
  type("match-cloud", "99");  // refused beside the field
  EXPECT_EQ(window->document().workspace(), before);
  auto* as_set = window->findChild<QPushButton*>("match-as-set");
  ASSERT_TRUE(as_set->isEnabled());
  QTest::mouseClick(as_set, Qt::LeftButton);
  settle();
  EXPECT_NEAR(contrast(frame().image()), sharp, 0.05 * sharp);
  EXPECT_FALSE(as_set->isEnabled());
}

TEST_F(MatchTest, AWayIsPutInAndTakenBack) {
  open(test::starter_rig());
  window->show_place("match");
  auto* ways = window->findChild<QTableWidget*>("match-ways");
  ASSERT_TRUE(test::wait_until([&] { return ways->rowCount() > 3; }));
  int row = 0;
  while (row < ways->rowCount() && ways->item(row, 0)->text().startsWith("as it is")) {
    ++row;
  }
  ASSERT_LT(row, ways->rowCount());
  ways->selectRow(row);
  const optics::Rig before = window->document().workspace().rig;
  QTest::mouseClick(window->findChild<QPushButton*>("match-put-in"), Qt::LeftButton);
  EXPECT_EQ(window->document().workspace().rig.elements.size(), before.elements.size() + 1);
  window->document().undo().undo();
  EXPECT_EQ(window->document().workspace().rig, before);
}

TEST_F(MatchTest, TheTableOfExposuresIsReadByKeys) {
  open(test::starter_rig(), "match-exposure");
  auto* table = window->findChild<ExposureTable*>("exposure-table");
  ASSERT_GT(table->cells().size(), 10U);
  table->setFocus();
  table->choose(0);
  QTest::keyClick(table, Qt::Key_Right);
  QTest::keyClick(table, Qt::Key_Down);
  ASSERT_TRUE(table->chosen());
  const light::ExposureCell& cell = table->cells()[*table->chosen()];
  EXPECT_EQ(cell.gain_db, 6.0);
  auto* chosen = window->findChild<QLabel*>("chosen-exposure");
  EXPECT_TRUE(chosen->text().startsWith(shutter_text(cell.shutter_s)));
  QTest::mouseClick(table, Qt::LeftButton, {}, pixels(table->box_of(0).center()));
  EXPECT_EQ(*table->chosen(), 0U);
}

TEST_F(MatchTest, WhatWasFoundRightCorrectsAndIsForgotten) {
  open(test::starter_rig(), "match-exposure");
  const double predicted = window->document().answers().exposure->wanted_ms;
  type("right-exposure", QLocale().toString(2.0 * predicted, 'f', 4));
  QTest::mouseClick(window->findChild<QPushButton*>("keep-exposure"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return window->models().log.right_exposures().size() == 1; }));
  EXPECT_NEAR(window->document().answers().exposure->wanted_ms / predicted, 2.0, 0.001);
  EXPECT_TRUE(window->findChild<QLabel*>("learned-exposure")->text().contains("+1.0"));
  // A second one is not counted on top of what is learned already.
  type("right-exposure", QLocale().toString(2.0 * predicted, 'f', 4));
  QTest::mouseClick(window->findChild<QPushButton*>("keep-exposure"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return window->models().log.right_exposures().size() == 2; }));
  EXPECT_NEAR(window->document().answers().exposure->wanted_ms / predicted, 2.0, 0.001);
  auto* list = window->findChild<QListWidget*>("right-exposures");
  ASSERT_EQ(list->count(), 2);
  for (const std::size_t left : {1U, 0U}) {
    list->setCurrentRow(0);
    QTest::mouseClick(window->findChild<QPushButton*>("forget-exposure"), Qt::LeftButton);
    ASSERT_TRUE(
        test::wait_until([&] { return window->models().log.right_exposures().size() == left; }));
  }
  EXPECT_NEAR(window->document().answers().exposure->wanted_ms, predicted, 1e-6);
}

TEST_F(MatchTest, PanelsAreLaidOverTheSun) {
  optics::Rig rig = test::usual_train(2);
  for (optics::Element& element : rig.elements) {
    if (auto* camera = std::get_if<optics::Camera>(&element.part)) {
      camera->width_px = 700;
      camera->height_px = 500;
    }
  }
  open(rig, "match-clip");
  const auto panels = [&] {
    const auto labels = window->current_view().findChildren<QLabel*>();
    const auto found = std::find_if(labels.begin(), labels.end(), [](const QLabel* label) {
      return label->text().contains(QStringLiteral(" \u00d7 ")) && label->text().contains('(');
    });
    return found == labels.end() ? 0 : (*found)->text().section(' ', 0, 0).toInt();
  };
  const int few = panels();
  EXPECT_GT(few, 3);
  type("mosaic-overlap", "50");
  EXPECT_GT(panels(), few);
  type("mosaic-margin", "300");
  EXPECT_GT(panels(), few);
  type("lapse-interval", "2");  // clips of 5 s do not fit in it
  EXPECT_FALSE(window->grab().isNull());
}

TEST_F(MatchTest, EachUsualWayShowsTheTargetAndOneIsLaidBeside) {
  open(test::quick_rig(), "match-ways");
  auto& sheet = *window->findChild<WaysSheet*>("ways-sheet");
  ASSERT_EQ(sheet.ways().size(), 6U);  // one's own and the five that ship
  for (const WaySeen& way : sheet.ways()) {
    EXPECT_FALSE(way.image.isNull()) << way.name.toStdString();
    EXPECT_TRUE(way.problem.isEmpty());
    EXPECT_FALSE(way.seen.isEmpty());
  }
  EXPECT_TRUE(sheet.ways()[0].name.contains(QLatin1String("Quick")) ||
              sheet.ways()[0].name.startsWith(QLatin1String("Yours")));
  EXPECT_TRUE(sheet.ways()[5].eye);
  EXPECT_FALSE(sheet.ways()[0].eye);
  auto* beside = window->findChild<QPushButton*>("ways-beside");
  auto* take = window->findChild<QPushButton*>("ways-take");
  EXPECT_FALSE(beside->isEnabled());
  sheet.setFocus();
  QTest::keyClick(&sheet, Qt::Key_Down);
  EXPECT_EQ(sheet.chosen(), 3U);
  EXPECT_TRUE(sheet.accessibleDescription().contains(QLatin1String("Hydrogen alpha")));
  EXPECT_TRUE(beside->isEnabled());
  QTest::mouseClick(beside, Qt::LeftButton);
  settle();
  ASSERT_TRUE(window->document().workspace().compared);
  const auto trains = optics::usual_trains().value();
  EXPECT_EQ(window->document().workspace().compared->elements.size(), trains[2].elements.size());
  window->document().undo().undo();
  settle();
  EXPECT_FALSE(window->document().workspace().compared);
  QTest::mouseClick(&sheet, Qt::LeftButton, {}, pixels(sheet.box_of(1).center()));
  EXPECT_EQ(sheet.chosen(), 1U);
  QTest::mouseClick(take, Qt::LeftButton);
  settle();
  EXPECT_TRUE(std::holds_alternative<optics::Phone>(
      window->document().workspace().rig.elements.back().part));
}

TEST_F(MatchTest, WhatTheRulesStopHasNoPictureButItsReason) {
  open(test::rig_of({"Doublet 80 mm f/6", "Eyepiece 20 mm"}), "match-ways");
  auto& sheet = *window->findChild<WaysSheet*>("ways-sheet");
  EXPECT_TRUE(sheet.ways()[0].image.isNull());
  EXPECT_FALSE(sheet.ways()[0].problem.isEmpty());
}

TEST_F(MatchTest, AnEyepieceIsARoundFieldAsAnEyeHasIt) {
  open(test::rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6", "Eyepiece 20 mm"}));
  EXPECT_TRUE(frame().problem().isEmpty());
  ASSERT_FALSE(frame().image().isNull());
  EXPECT_EQ(frame().image().width(), frame().image().height());
  EXPECT_EQ(qGreen(frame().image().pixel(2, 2)), 0);
  const int side = frame().image().width();
  EXPECT_GT(qGreen(frame().image().pixel(side / 2, side / 2)), 100);
  EXPECT_FALSE(frame().accessibleDescription().isEmpty());
  // No exposure, no ranking: nothing of cameras.
  EXPECT_FALSE(window->findChild<QTableWidget*>("match-ways")->isVisible());
  EXPECT_FALSE(window->findChild<QLabel*>("suggested-exposure")->isVisible());
  // The Sun spans its half degree of the field.
  const QPointF west = frame().point_of({944.0, 0.0});
  const QPointF east = frame().point_of({-944.0, 0.0});
  const double across = std::hypot(west.x() - east.x(), west.y() - east.y());
  const auto& look = *window->document().answers().train.look;
  EXPECT_NEAR(across / (2.0 * 944.0 / 3600.0) * look.true_field_deg, 0.98 * (frame().height() - 56),
              8.0);
  type("match-focus", QStringLiteral("2000"));
  settle();
  EXPECT_TRUE(frame().problem().isEmpty());
}

TEST_F(MatchTest, ARegionAndFewerBitsLiftTheFrameRate) {
  open(test::quick_rig(), "match-clip");
  const auto rate = [&] {
    for (const Figures* figures : window->current_view().findChildren<Figures*>()) {
      const QString value = figures->value_of(QStringLiteral("Frames a second"));
      if (!value.isEmpty()) {
        return QLocale().toDouble(value);
      }
    }
    return 0.0;
  };
  const double whole = rate();
  ASSERT_GT(whole, 1.0);
  type("clip-region", QStringLiteral("25"));
  const double quarter = rate();
  EXPECT_GT(quarter, 2.0 * whole);
  type("clip-region", QStringLiteral("100"));
  EXPECT_EQ(rate(), whole);
  auto* deep = window->findChild<QCheckBox*>("clip-deep");
  QTest::mouseClick(deep, Qt::LeftButton, {}, QPoint(8, deep->height() / 2));
  EXPECT_GE(rate(), whole);
  EXPECT_FALSE(deep->isChecked());
}

TEST_F(MatchTest, DuskFollowsTheLightAndIsCopied) {
  open(test::quick_rig(), "match-dusk");
  auto& picture = *window->findChild<DuskPicture*>("dusk-picture");
  ASSERT_EQ(picture.steps().size(), 81U);
  EXPECT_GT(picture.steps().front().altitude_deg, 5.0);
  EXPECT_LT(picture.steps().back().altitude_deg, -5.0);
  EXPECT_LT(picture.steps().front().step.shutter_s, picture.steps().back().step.shutter_s);
  type("dusk-longest", QStringLiteral("1"));
  EXPECT_EQ(picture.steps().back().step.shutter_s, 1.0);
  type("dusk-ratio", QStringLiteral("0"));  // no such lens: the last good one stays
  EXPECT_EQ(picture.steps().size(), 81U);
  QTest::mouseClick(window->findChild<QPushButton*>("dusk-copy"), Qt::LeftButton);
  const QStringList lines = QApplication::clipboard()->text().split(QLatin1Char('\n'));
  EXPECT_EQ(lines.size(), 18);
  EXPECT_EQ(lines.back().split(QLatin1Char('\t')).size(), 3);
  auto* which = window->findChild<QComboBox*>("dusk-which");
  which->setFocus();
  QTest::keyClick(which, Qt::Key_Down);
  EXPECT_LT(picture.steps().front().altitude_deg, picture.steps().back().altitude_deg);
}

TEST_F(MatchTest, TheAirMovesFromFrameToFrame) {
  open(test::quick_rig());
  const QImage still = frame().image();
  auto* air = window->findChild<QCheckBox*>("match-air");
  QTest::mouseClick(air, Qt::LeftButton, {}, QPoint(8, air->height() / 2));
  QImage last;
  int pictures = 0;
  QObject::connect(&frame(), &SensorFrame::pictureChanged, &frame(), [&] {
    pictures += frame().image() != last ? 1 : 0;
    last = frame().image();
  });
  EXPECT_TRUE(test::wait_until([&] { return pictures >= 5; }));
  QTest::mouseClick(air, Qt::LeftButton, {}, QPoint(8, air->height() / 2));
  settle();
}

TEST_F(MatchTest, SaysThatItsSunIsUncoveredWhileTheMoonIsInFront) {
  open(test::quick_rig());
  for (const char* place : {"match", "day", "capture"}) {
    window->models().document.look_at(test::morning());
    window->show_place(place);
    settle();
    auto* line = window->current_view().findChild<QLabel*>("uncovered");
    ASSERT_NE(line, nullptr) << place;
    EXPECT_FALSE(line->isVisible()) << place;
    window->models().document.look_at(*sky::parse_utc("2027-08-02T08:30:00Z", "time"));
    settle();
    EXPECT_TRUE(line->isVisible()) << place;
    EXPECT_TRUE(line->text().contains("The Moon covers")) << place;
    EXPECT_TRUE(line->text().contains("uncovered Sun")) << place;
  }
}

TEST_F(MatchTest, EnoughFramesFollowTheShareThatIsKept) {
  open(test::quick_rig(), "match-clip");
  const auto value_of = [&](const char* name) {
    for (const Figures* figures : window->current_view().findChildren<Figures*>()) {
      if (const QString value = figures->value_of(name); !value.isEmpty()) {
        return value;
      }
    }
    return QString();
  };
  const QString usual = value_of("Enough frames");
  EXPECT_FALSE(usual.isEmpty());
  EXPECT_FALSE(value_of("Longest clip").isEmpty());
  type("clip-kept", "80");
  const QString fewer = value_of("Enough frames");
  EXPECT_LT(QLocale().toInt(fewer), QLocale().toInt(usual));
  type("clip-kept", "0");
  EXPECT_EQ(value_of("Enough frames"), fewer) << "refused beside its field";
}

}  // namespace
}  // namespace solarchon::app
