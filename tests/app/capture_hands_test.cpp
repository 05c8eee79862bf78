// SPDX-License-Identifier: GPL-3.0-or-later
// What is done by hand beside the live picture: exposures that are tried, marks of a tuner, limits
// of a recording, and how the picture is turned for the eye.
#include <QComboBox>
#include <QImage>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <cmath>

#include "app/model/log.h"
#include "app/views/capture/live_plate.h"
#include "app/views/capture/run_plot.h"
#include "app/views/capture/turned.h"
#include "solarchon/media/clip_reader.h"
#include "tests/app/capture_support.h"

namespace solarchon::app {
namespace {

TEST_F(CaptureTest, TriesExposuresAndTheRightOneTeaches) {
  look();
  const double suggested_ms = window->document().answers().exposure->exposure_ms;
  press(Qt::Key_F5, Qt::ShiftModifier);
  ASSERT_TRUE(test::wait_until([&] {
    return camera().glance().exposing && capture::over(camera().glance().exposing->stage);
  }));
  auto& rungs = find<QListWidget>("ladder-rungs");
  ASSERT_TRUE(test::wait_until([&] { return rungs.count() == 7; }));
  auto& right = find<QPushButton>("ladder-right");
  EXPECT_FALSE(right.isEnabled()) << "none is chosen yet";
  EXPECT_TRUE(find<QLabel>("ladder-says").text().contains("nearest"));
  EXPECT_TRUE(rungs.item(3)->font().bold());
  // By the keyboard alone, to the rung that is a stop shorter.
  auto& plate = find<LivePlate>("live-plate");
  rungs.setFocus();
  rungs.setCurrentRow(3);
  QTest::keyClick(&rungs, Qt::Key_Up);
  EXPECT_EQ(rungs.currentRow(), 2);
  EXPECT_TRUE(plate.accessibleDescription().contains("exposed"))
      << plate.accessibleDescription().toStdString();
  // Another page shows the live picture again.
  QTest::mouseClick(&find<QPushButton>("page-focus"), Qt::LeftButton);
  EXPECT_FALSE(plate.accessibleDescription().contains("exposed"));
  QTest::mouseClick(&find<QPushButton>("page-ladder"), Qt::LeftButton);
  press(Qt::Key_F7);  // held or not
  rungs.setCurrentRow(2);
  EXPECT_TRUE(plate.accessibleDescription().contains("exposed"));
  press(Qt::Key_F7);
  ASSERT_TRUE(right.isEnabled());
  QTest::keyClick(&right, Qt::Key_Space);
  EXPECT_FALSE(plate.accessibleDescription().contains("exposed")) << "the live picture again";
  const double right_ms = 0.5 * suggested_ms;
  EXPECT_TRUE(test::wait_until([&] {
    return std::abs(camera().glance().frame->info.exposure_ms.value() - right_ms) < 0.01 * right_ms;
  }));
  EXPECT_NEAR(*camera().exposure_ms(), right_ms, 0.01 * right_ms);
  ASSERT_TRUE(test::wait_until([&] { return window->models().log.right_exposures().size() == 1; }));
  const log::RightExposure& taught = window->models().log.right_exposures().front();
  EXPECT_NEAR(taught.predicted_ms / taught.right_ms, 2.0, 0.02);
  // A rehearsal teaches nothing unasked; asked, what was learned is what is suggested from now on.
  EXPECT_TRUE(taught.simulated);
  EXPECT_NEAR(window->document().answers().exposure->exposure_ms, suggested_ms,
              0.02 * suggested_ms);
  workspace::Workspace asked = window->document().workspace();
  asked.wishes.learn_from_simulated = true;
  window->document().edit("Learn from rehearsals", asked);
  EXPECT_TRUE(test::wait_until([&] {
    return std::abs(window->document().answers().exposure->exposure_ms - right_ms) <
           0.01 * right_ms;
  }));
}

TEST_F(CaptureTest, ALadderThatIsStoppedLeavesTheExposure) {
  look();
  const auto before = camera().glance().frame->info.exposure_ms;
  press(Qt::Key_F5, Qt::ShiftModifier);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().exposing.has_value(); }));
  QTest::mouseClick(&find<QPushButton>("ladder-run"), Qt::LeftButton);
  EXPECT_TRUE(test::wait_until([&] {
    return !camera().glance().exposing && camera().glance().frame->info.exposure_ms == before;
  }));
  EXPECT_FALSE(find<QListWidget>("ladder-rungs").isVisible());
}

TEST_F(CaptureTest, ARecordingEndsAtItsFramesOrItsSize) {
  look();
  const auto limited = [&](int kind, const char* field, const char* value) {
    auto& until = find<QComboBox>("record-until");
    until.setFocus();
    QTest::keyClick(&until, Qt::Key_Home);
    for (int i = 0; i < kind; ++i) {
      QTest::keyClick(&until, Qt::Key_Down);
    }
    auto* edit = find<QWidget>(field).findChild<QLineEdit*>();
    EXPECT_TRUE(edit->isVisible());
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, value);
    QTest::keyClick(edit, Qt::Key_Return);
    const auto before = clips().size();
    press(Qt::Key_F6);
    EXPECT_TRUE(
        test::wait_until([&] { return clips().size() == before + 1 && !camera().recording(); }));
    return media::ClipReader::open(camera().clip().toStdString())->facts().frames;
  };
  EXPECT_EQ(limited(1, "record-frames", "5"), 5);
  // 200 x 150 pixels of two bytes: a million bytes are 16 of them and a part.
  const int by_size = limited(2, "record-size", "1");
  EXPECT_GE(by_size, 15);
  EXPECT_LE(by_size, 18);
  auto* edit = find<QWidget>("record-size").findChild<QLineEdit*>();
  edit->selectAll();
  QTest::keyClicks(edit, "0");
  QTest::keyClick(edit, Qt::Key_Return);
  EXPECT_FALSE(edit->property("bad").toString().isEmpty());
}

TEST_F(CaptureTest, ATunerThatIsTurnedByHandIsLookedAtMarkByMark) {
  window.reset();
  optics::Rig rig = small_space().rig;
  optics::Element etalon;
  etalon.id = "etalon";
  etalon.name = "Front etalon";
  optics::FrontEtalon front;
  front.clear_aperture_mm = 90.0;  // nothing of the telescope's opening is left free
  etalon.part = front;
  optics::Element blocker;
  blocker.id = "blocker";
  blocker.name = "Blocking filter";
  blocker.part = optics::BlockingFilter{};
  rig.elements.front() = etalon;
  rig.elements.insert(rig.elements.end() - 1, blocker);
  reopen(rig);
  ASSERT_NE(window->document().answers().safety.verdict, safety::Severity::kStop)
      << window->document().answers().safety.findings.front().rule;
  camera().hurry(1000.0, 0.4);
  look();
  ASSERT_TRUE(test::wait_until([&] { return camera().tuned_by_hand(); }));
  auto& mark = find<QWidget>("tuning-mark");
  auto* edit = mark.findChild<QLineEdit*>();
  for (const int at : {0, 1, 2}) {
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, QString::number(at));
    QTest::keyClick(edit, Qt::Key_Return);
    press(Qt::Key_F12);
    // Three looks at each.
    ASSERT_TRUE(test::wait_until([&] {
      const auto& run = camera().glance().tuning;
      return run && run->stage == capture::RunStage::kDone && run->step == at &&
             run->points.size() == 3U * static_cast<std::size_t>(at + 1);
    })) << at;
  }
  EXPECT_TRUE(mark.isVisible());
  EXPECT_FALSE(find<QPushButton>("tuning-bluer").isVisible());
  EXPECT_FALSE(find<QLabel>("tuning-says").text().isEmpty());
}

TEST_F(CaptureTest, ThePictureIsTurnedForTheEyeAlone) {
  look();
  auto& plate = find<LivePlate>("live-plate");
  auto& turn = find<QPushButton>("picture-way");
  press(Qt::Key_F7);  // held, so that nothing else changes it
  find<QPushButton>("marks").setChecked(false);
  const QImage before = plate.grab().toImage();
  const auto choose = [&](int way) { turn.menu()->actions().at(way)->trigger(); };
  choose(2);
  const QImage half = plate.grab().toImage();
  EXPECT_NE(half, before);
  EXPECT_EQ(plate.ways().way, LivePlate::Way::kHalfTurn);
  choose(0);
  EXPECT_EQ(plate.grab().toImage(), before);
  press(Qt::Key_F7);
  // A click points at what is seen there: the same place of the screen is another pixel.
  const QPoint at(plate.width() / 2 + 40, plate.height() / 2 - 30);
  QTest::mouseClick(&plate, Qt::LeftButton, {}, at);
  ASSERT_TRUE(camera().cross());
  const QPointF plain = *camera().cross();
  choose(2);
  QTest::mouseClick(&plate, Qt::LeftButton, {}, at);
  const QPointF turned = *camera().cross();
  EXPECT_NEAR(plain.x() + turned.x(), 200.0, 0.5);
  EXPECT_NEAR(plain.y() + turned.y(), 150.0, 0.5);
  // And keys go as the eye sees it.
  plate.setFocus();
  QTest::keyClick(&plate, Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_NEAR(camera().cross()->x(), turned.x() + 1.0, 1e-6);
}

TEST(Turned, NorthGoesUpAndEastLeft) {
  for (const bool mirrored : {false, true}) {
    for (const double north_deg : {0.0, 10.0, 80.0, 100.0, 185.0, 268.0, 350.0}) {
      const sky::PictureOrientation lies{north_deg, mirrored};
      const Turned turned = Turned::north_up(lies);
      const sky::PictureOrientation now = turned.lies(lies);
      EXPECT_FALSE(now.mirrored);
      EXPECT_LE(std::abs(std::remainder(now.north_deg, 360.0)), 45.0) << north_deg;
    }
  }
}

TEST(Turned, PlacesGoWhereThePictureGoes) {
  QImage picture(5, 3, QImage::Format_RGB32);
  picture.fill(Qt::black);
  picture.setPixel(3, 0, 0xffffffff);
  for (const bool mirrored : {false, true}) {
    for (int quarters = 0; quarters < 4; ++quarters) {
      const Turned turned{mirrored, quarters};
      const QImage image = turned.image(picture);
      ASSERT_EQ(QSizeF(image.size()), turned.size_of(QSizeF(picture.size())));
      const QPointF at = turned.of(QSizeF(picture.size())).map(QPointF(3.5, 0.5));
      const QPoint pixel(static_cast<int>(std::floor(at.x())),
                         static_cast<int>(std::floor(at.y())));
      EXPECT_EQ(image.pixel(pixel), 0xffffffff) << mirrored << quarters;
      // North by its own picture: a way up there is the way that it says.
      const sky::PictureOrientation lies = turned.lies({0.0, false});
      const QPointF up = turned.of({}).map(QPointF(0.0, -1.0)) - turned.of({}).map(QPointF());
      const double angle = lies.north_deg * 3.14159265358979 / 180.0;
      EXPECT_NEAR(up.x(), std::sin(angle), 1e-9);
      EXPECT_NEAR(up.y(), -std::cos(angle), 1e-9);
    }
  }
}

}  // namespace
}  // namespace solarchon::app
