// SPDX-License-Identifier: GPL-3.0-or-later
// The live picture, driven by keys and clicks.
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QProcess>
#include <QPushButton>
#include <QRegularExpression>
#include <QStackedWidget>
#include <QTest>
#include <algorithm>
#include <csignal>

#include "app/model/live_camera.h"
#include "app/views/capture/live_plate.h"
#include "app/views/capture/run_plot.h"
#include "app/views/capture/series_belt.h"
#include "app/views/capture/source_box.h"
#include "solarchon/base/json.h"
#include "solarchon/devices/local_socket.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/frame_file.h"
#include "tests/app/capture_support.h"

namespace solarchon::app {
namespace {

TEST_F(CaptureTest, LooksSaysWhatLimitsAndLetsGo) {
  EXPECT_FALSE(find<QWidget>("live-plate").isVisible());
  look();
  EXPECT_TRUE(find<QWidget>("live-plate").isVisible());
  EXPECT_TRUE(find<QWidget>("meter-strips").isVisible());
  EXPECT_EQ(find<QPushButton>("look").text(), "Stop looking");
  ASSERT_TRUE(
      test::wait_until([&] { return camera().glance().judgement.limit != live::Limit::kNotYet; }));
  EXPECT_FALSE(find<QLabel>("live-limit").text().isEmpty());
  EXPECT_FALSE(find<QLabel>("live-next").text().isEmpty());
  EXPECT_TRUE(find<QWidget>("live-plate").accessibleDescription().contains("simulated"));
  press(Qt::Key_F4);
  EXPECT_FALSE(camera().looking());
  EXPECT_FALSE(find<QWidget>("live-plate").isVisible());
  EXPECT_EQ(find<QPushButton>("look").text(), "Look live");
}

TEST_F(CaptureTest, RecordsForSomeSecondsByKeyboardAlone) {
  look();
  auto& seconds = *find<QWidget>("record-seconds").findChild<QLineEdit*>();
  seconds.setFocus();
  seconds.selectAll();
  QTest::keyClicks(&seconds, "1");
  QTest::keyClick(&seconds, Qt::Key_Return);
  press(Qt::Key_F6);
  EXPECT_TRUE(camera().recording());
  EXPECT_EQ(find<QPushButton>("record").text(), "Stop recording");
  ASSERT_TRUE(test::wait_until([&] { return !camera().recording(); }));
  ASSERT_EQ(clips().size(), 1U);
  const auto clip = media::ClipReader::open(clips()[0]).value();
  EXPECT_GT(clip.facts().frames, 1);
  EXPECT_EQ(clip.facts().frames, camera().glance().recording->written);
  const base::Json facts = base::Json::parse(test::read_text(clips()[0].string() + ".json"));
  EXPECT_EQ(facts.at("site").at("name"), "Punta Alcaravan");
  EXPECT_EQ(facts.at("ended"), true);
  EXPECT_EQ(facts.at("simulated"), true);
  EXPECT_TRUE(clip.facts().info.simulated);
  EXPECT_TRUE(find<QLabel>("recorder").text().contains("frame"));
}

TEST_F(CaptureTest, StopsARecordingWhenAskedAndWhenTheWindowCloses) {
  look();
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until(
      [&] { return camera().glance().recording && camera().glance().recording->written > 1; }));
  QTest::mouseClick(&find<QPushButton>("record"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return !camera().recording(); }));
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until(
      [&] { return camera().recording() && camera().glance().recording->written > 1; }));
  window.reset();
  ASSERT_EQ(clips().size(), 2U);
  for (const auto& file : clips()) {
    EXPECT_GT(media::ClipReader::open(file)->facts().frames, 1);
    EXPECT_EQ(base::Json::parse(test::read_text(file.string() + ".json")).at("ended"), true);
  }
}

TEST_F(CaptureTest, RecordsTheSharpMoments) {
  look();
  find<QComboBox>("record-which").setCurrentIndex(1);
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until([&] {
    const auto& recording = camera().glance().recording;
    return recording && recording->written > 0 && recording->passed_over > 0;
  }));
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until([&] { return !camera().recording(); }));
  EXPECT_EQ(base::Json::parse(test::read_text(clips().at(0).string() + ".json")).at("above_share"),
            0.8);
}

TEST_F(CaptureTest, RecordsATimeLapseByKeyboardAlone) {
  look();
  window->show_place("capture-series");
  const auto type = [&](const char* field, const char* keys) {
    auto& edit = *find<QWidget>(field).findChild<QLineEdit*>();
    edit.setFocus();
    edit.selectAll();
    QTest::keyClicks(&edit, keys);
    QTest::keyClick(&edit, Qt::Key_Return);
  };
  type("series-clip", "0.3");
  type("series-every", "1.5");
  type("series-rounds", "3");
  EXPECT_TRUE(find<QLabel>("series-says").text().startsWith("Takes 3.3 s"));
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().hands.guider.has_value(); }));
  press(Qt::Key_F6, Qt::ShiftModifier);
  ASSERT_TRUE(camera().in_series());
  EXPECT_EQ(find<QPushButton>("series-run").text(), "Stop the series");
  EXPECT_FALSE(find<QWidget>("series-clip").isEnabled());
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().series->clips >= 1; }));
  EXPECT_TRUE(find<SeriesBelt>("series-belt").picture().now_s);
  ASSERT_TRUE(test::wait_until([&] { return !camera().in_series(); }));
  EXPECT_TRUE(find<QLabel>("series-says").text().startsWith("3 clips lie on the disk."));
  ASSERT_EQ(clips().size(), 3U);
  // The log agrees with the files.
  ASSERT_TRUE(test::wait_until([&] {
    const auto& sessions = window->models().log.sessions();
    return sessions.size() == 1 && sessions[0].clips == 3;
  }));
  const auto session = test::session_in_log(folder.path(), window->models().log.sessions()[0].id);
  for (const log::ClipEntry& clip : session.clips) {
    EXPECT_EQ(media::ClipReader::open(folder / clip.file)->facts().frames, clip.frames);
    EXPECT_FALSE(clip.series.empty());
  }
  // A clip is played from there.
  window->show_place("log");
  ASSERT_TRUE(test::wait_until([&] { return find<QListWidget>("session-frames").count() == 3; }));
  EXPECT_EQ(find<QPushButton>("open-entry").text(), "Play in Capture");
  QTest::mouseClick(&find<QPushButton>("open-entry"), Qt::LeftButton);
  EXPECT_EQ(window->place(), "capture");
  ASSERT_TRUE(test::wait_until([&] { return camera().looking() && !camera().simulated(); }));
}

TEST_F(CaptureTest, ASeriesEndsWhenAskedAndWithWhatStandsAgainstIt) {
  look();
  window->show_place("capture-series");
  auto& kind = find<QComboBox>("series-kind");
  kind.setCurrentIndex(1);
  emit kind.activated(1);
  EXPECT_TRUE(find<QLabel>("series-says").text().contains("hydrogen alpha"));
  EXPECT_FALSE(find<QPushButton>("series-run").isEnabled());
  kind.setCurrentIndex(0);
  emit kind.activated(0);
  QTest::mouseClick(&find<QPushButton>("series-run"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] {
    const auto& recording = camera().glance().recording;
    return recording && recording->written > 2;
  }));
  QTest::mouseClick(&find<QPushButton>("series-run"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return !camera().in_series() && !camera().recording(); }));
  EXPECT_EQ(find<QPushButton>("series-run").text(), "Begin the series");
  EXPECT_EQ(clips().size(), 1U);
}

TEST_F(CaptureTest, PlannedRunsBeginByThemselves) {
  auto space = window->document().workspace();
  plan::Run run;
  run.name = "Transit of a bird";
  run.start = test::morning() + sky::seconds(4.0);
  run.minutes = 0.1;
  space.wishes.runs = {run};
  window->document().edit("Plan", space);
  look();
  window->show_place("capture-series");
  QTest::mouseClick(&find<QPushButton>("series-plan"), Qt::LeftButton);
  EXPECT_TRUE(find<QLabel>("series-plan-says").text().startsWith("Transit of a bird"));
  ASSERT_TRUE(test::wait_until([&] { return camera().in_series(); }));
  ASSERT_TRUE(test::wait_until([&] { return !camera().in_series(); }));
  ASSERT_EQ(clips().size(), 1U);
  const base::Json facts = base::Json::parse(test::read_text(clips()[0].string() + ".json"));
  EXPECT_EQ(facts.at("run"), "Transit of a bird");
  // What is left of it when the picture gets there: a machine that is busy comes late.
  EXPECT_GT(facts.at("seconds").get<double>(), 1.0);
  EXPECT_LT(facts.at("seconds").get<double>(), 7.5);
  EXPECT_EQ(find<QLabel>("series-plan-says").text(), "The plan has no more runs today.");
}

TEST_F(CaptureTest, ACrossIsSetMovedAndTakenAwayAndAPartIsReadAboutIt) {
  look();
  auto& plate = find<LivePlate>("live-plate");
  QTest::mouseClick(&plate, Qt::LeftButton, {}, plate.QWidget::rect().center());
  ASSERT_TRUE(camera().cross());
  const QPointF at = *camera().cross();
  EXPECT_NEAR(at.x(), 100.0, 2.0);
  plate.setFocus();
  QTest::keyClick(&plate, Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_NEAR(camera().cross()->x(), at.x() + 1.0, 1e-9);
  auto& part = find<QComboBox>("record-part");
  part.setCurrentIndex(1);
  emit part.activated(1);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().frame->width == 96; }));
  EXPECT_EQ(camera().glance().frame->height, 72);
  // The cross stays where it was on the sensor.
  EXPECT_NEAR(camera().cross()->x(), at.x() + 1.0, 1e-9);
  press(Qt::Key_F3);
  EXPECT_EQ(plate.ways().zoom, 2);
  press(Qt::Key_F8);
  EXPECT_EQ(plate.ways().zoom, 1);
  press(Qt::Key_F8);
  part.setCurrentIndex(0);
  emit part.activated(0);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().frame->width == 200; }));
  QTest::keyClick(&plate, Qt::Key_Delete);
  EXPECT_FALSE(camera().cross());
}

TEST_F(CaptureTest, WhatAKilledProgramRecordedIsInTheLogAtTheNextStart) {
  look();
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until(
      [&] { return camera().glance().recording && camera().glance().recording->written > 2; }));
  // As a kill leaves it: the clip is there, its entry is not.
  std::filesystem::create_directories(folder / "another" / "clips" / "day");
  const auto clip = clips().at(0);
  std::filesystem::copy(clip, folder / "another" / "clips" / "day" / "a.fits");
  std::filesystem::copy(clip.string() + ".json",
                        folder / "another" / "clips" / "day" / "a.fits.json");
  reopen(test::quick_rig());
  ASSERT_TRUE(test::wait_until([&] {
    const auto& sessions = window->models().log.sessions();
    return sessions.size() == 1 && sessions[0].clips == 1;
  }));
  EXPECT_EQ(window->models().log.sessions()[0].rig, window->document().workspace().rig.name);
  // And what the window before recorded until it was closed is in its own.
  const auto log = log::LogBook::open_to_read(workspace::log_file(folder.path())).value();
  EXPECT_EQ(log.summaries().value().at(0).clips, 1);
}

TEST_F(CaptureTest, LooksThroughAStandardVideoDevice) {
  // Played by the library: a pattern at 20 frames a second.
  camera().choose({CameraChoice::Kind::kVideo, "testsrc2=size=320x240:rate=20,realtime,format=gray",
                   "A pattern"});
  look();
  EXPECT_EQ(camera().glance().frame->width, 320);
  EXPECT_EQ(camera().name(), "A pattern");
  EXPECT_FALSE(camera().simulated());
  EXPECT_TRUE(find<QWidget>("live-plate").accessibleDescription().contains("A pattern"));
  EXPECT_FALSE(find<QComboBox>("record-part").isEnabled());
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until(
      [&] { return camera().glance().recording && camera().glance().recording->written > 5; }));
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until([&] { return !camera().recording(); }));
  EXPECT_GT(media::ClipReader::open(clips().at(0))->facts().frames, 5);
  // F5 files what it shows, as seen.
  press(Qt::Key_F5);
  ASSERT_TRUE(test::wait_until([&] { return window->models().frame.shown() != nullptr; }));
  EXPECT_EQ(window->models().frame.shown()->frame.width, 320);
  const log::FrameEntry seen = filed_frame();
  EXPECT_FALSE(seen.simulated);
  EXPECT_EQ(media::read_frame(folder / seen.file)->width, 320);
  press(Qt::Key_F4);
  // One that is not there is said.
  camera().choose({CameraChoice::Kind::kVideo, "/dev/video-of-nobody", "Nobody"});
  press(Qt::Key_F4);
  ASSERT_TRUE(test::wait_until([&] { return window->notice().isVisible(); }));
  EXPECT_FALSE(camera().looking() || camera().opening());
}

TEST_F(CaptureTest, LooksThroughADeviceOfSomebodyElse) {
  // A telescope that another process serves at the usual place: here, one that is played.
  QProcess served;
  const auto file = folder / "path.json";
  ASSERT_TRUE(workspace::write_workspace(small_space(), file));
  const auto socket = folder / "telescope";
  served.start(SOLARCHON_STANDINS,
               {"telescope", "--workspace", QString::fromStdString(file.string()), "--time",
                "2027-07-17T08:40:00Z", "--socket", QString::fromStdString(socket.string())});
  ASSERT_TRUE(served.waitForReadyRead(60'000));
  camera().choose(
      {CameraChoice::Kind::kDevice, QString::fromStdString(socket.string()), "telescope"});
  look();
  EXPECT_EQ(camera().name(), "Stand-in telescope");
  EXPECT_TRUE(camera().simulated()) << "as it says itself, whoever started it";
  EXPECT_TRUE(camera().knows_path());
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().hands.focuser.has_value(); }));
  const double from_um = camera().glance().hands.focuser->position_um;
  camera().focus_to(from_um + 500.0);
  ASSERT_TRUE(test::wait_until(
      [&] { return camera().glance().hands.focuser->position_um == from_um + 500.0; }));
  served.terminate();
  served.waitForFinished();
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().ended; }));
}

TEST_F(CaptureTest, WhatAnotherProgramRecordsIsGradedAndFiled) {
  const auto recorded = folder / "another recorder";
  std::filesystem::create_directory(recorded);
  test::write_text(recorded / "old.fits", "there before");
  auto& watch = window->models().folder;
  watch.set_pace(std::chrono::milliseconds(50), std::chrono::milliseconds(150));
  find<SourceBox>("source-box").watch(QString::fromStdString(recorded.string()));
  EXPECT_TRUE(find<QLabel>("folder-says").text().contains("another recorder"));
  EXPECT_EQ(find<QListWidget>("folder-found").count(), 0);
  ASSERT_TRUE(media::write_video(
      8, 20.0,
      [](int) -> base::Result<image::Frame> {
        return test::drawn_disc(160, 120, {80.0, 60.0}, 50.0, test::morning());
      },
      recorded / "run.mkv"));
  ASSERT_TRUE(media::write_fits(test::drawn_disc(160, 120, {80.0, 60.0}, 50.0, test::morning()),
                                recorded / "single.fits"));
  test::write_text(recorded / "broken.tiff", "no picture");
  auto& list = find<QListWidget>("folder-found");
  ASSERT_TRUE(test::wait_until([&] { return list.count() == 3; }));
  QStringList lines;
  for (int i = 0; i < 3; ++i) {
    lines << list.item(i)->text();
  }
  EXPECT_EQ(lines.filter(QRegularExpression("^run.mkv . 8 frames")).size(), 1);
  EXPECT_EQ(lines.filter(QRegularExpression("^single.fits . 1 frame")).size(), 1);
  EXPECT_EQ(lines.filter(QRegularExpression("broken.tiff.+")).size(), 1);
  ASSERT_TRUE(test::wait_until([&] {
    const auto& sessions = window->models().log.sessions();
    return sessions.size() == 1 && sessions[0].clips == 1 && sessions[0].frames == 1;
  }));
  const auto session = test::session_in_log(folder.path(), window->models().log.sessions()[0].id);
  EXPECT_EQ(session.clips[0].file, "another recorder/run.mkv");
  EXPECT_TRUE(session.frames[0].measurement);
  // The folder goes: that is said, and nothing else happens.
  std::filesystem::remove_all(recorded);
  ASSERT_TRUE(test::wait_until([&] { return watch.folder().isEmpty(); }));
  EXPECT_TRUE(window->notice().isVisible());
  EXPECT_FALSE(list.isVisible());
}

TEST_F(CaptureTest, HoldsLiftsAndShowsPixelByPixel) {
  look();
  auto& plate = find<LivePlate>("live-plate");
  press(Qt::Key_F7);
  EXPECT_TRUE(plate.ways().frozen);
  const QImage held = plate.grab().toImage();
  const auto number = camera().glance().number;
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().number > number + 3; }));
  EXPECT_EQ(plate.grab().toImage(), held) << "frames go on behind it";
  press(Qt::Key_F9);
  EXPECT_NE(plate.grab().toImage(), held);
  press(Qt::Key_F9);
  press(Qt::Key_F8);
  EXPECT_NE(plate.grab().toImage(), held);
  press(Qt::Key_F8);
  press(Qt::Key_F10);
  EXPECT_FALSE(plate.ways().marks);
  press(Qt::Key_F7);
  EXPECT_FALSE(plate.ways().frozen);
}

TEST_F(CaptureTest, AnotherExposureTakesEffectAtOnce) {
  look();
  const auto level = [&] { return camera().glance().readings.level.bright; };
  ASSERT_TRUE(test::wait_until([&] { return level() > 0.5; }));
  auto* exposure = window->current_view().findChild<QLineEdit*>();
  ASSERT_NE(exposure, nullptr);
  const double suggested = window->document().answers().exposure->exposure_ms;
  exposure->setFocus();
  exposure->selectAll();
  QTest::keyClicks(exposure, QString::number(suggested / 4.0, 'f', 5));
  QTest::keyClick(exposure, Qt::Key_Return);
  ASSERT_TRUE(test::wait_until([&] { return level() < 0.3; }));
  // What the camera cannot do is said.
  exposure->selectAll();
  QTest::keyClicks(exposure, "100000");
  QTest::keyClick(exposure, Qt::Key_Return);
  EXPECT_TRUE(window->notice().isVisible());
  EXPECT_LT(level(), 0.3);
}

TEST_F(CaptureTest, LetsGoWhereTheLightPathMustStop) {
  look();
  auto space = window->document().workspace();
  std::erase_if(space.rig.elements, [](const optics::Element& element) {
    return std::holds_alternative<optics::FrontFilm>(element.part);
  });
  window->document().edit("Film off", space);
  ASSERT_EQ(window->document().answers().safety.verdict, safety::Severity::kStop);
  EXPECT_FALSE(camera().looking());
  press(Qt::Key_F4);
  EXPECT_FALSE(camera().looking() || camera().opening());
}

TEST_F(CaptureTest, FollowsTheTarget) {
  look();
  auto space = window->document().workspace();
  space.target = workspace::Target::kLimb;
  window->document().edit("Target", space);
  ASSERT_TRUE(test::wait_until([&] {
    const auto& limb = camera().glance().readings.limb;
    return limb && limb->seen_share < 0.95;
  }));
}

TEST_F(CaptureTest, PlaysAClipThatIsDropped) {
  const auto file = folder / "run.mkv";
  std::vector<image::Frame> frames;
  for (int i = 0; i < 12; ++i) {
    frames.push_back(test::drawn_disc(160, 120, {80.0, 60.0}, 50.0, test::morning()));
  }
  ASSERT_TRUE(media::write_video(
      12, 30.0,
      [&](int number) -> base::Result<image::Frame> {
        return frames[static_cast<std::size_t>(number)];
      },
      file));
  window->current_view().open_file(QString::fromStdString(file.string()));
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().ended; }));
  EXPECT_FALSE(find<QPushButton>("take-frame").isEnabled()) << "its frames are in the clip";
  EXPECT_EQ(camera().glance().readings.frames, 12);
  EXPECT_FALSE(find<QPushButton>("record").isEnabled());
  EXPECT_TRUE(find<QLabel>("live-limit").text().contains("end"));
  window->current_view().open_file("/nowhere/a.mkv");
  ASSERT_TRUE(test::wait_until([&] { return window->notice().isVisible(); }));
}

TEST_F(CaptureTest, AFrameIsThatOfTheCameraThatIsLookedThrough) {
  look();
  camera().read_part(0.5);
  ASSERT_TRUE(test::wait_until(
      [&] { return camera().glance().frame->width <= camera().sensor_px().width() / 2; }));
  const int width = camera().glance().frame->width;
  press(Qt::Key_F5);
  ASSERT_TRUE(test::wait_until([&] { return window->models().frame.shown() != nullptr; }));
  EXPECT_EQ(window->models().frame.shown()->frame.width, width) << "not one simulated anew";
  const log::FrameEntry rehearsed = filed_frame();
  EXPECT_TRUE(rehearsed.simulated);
  EXPECT_TRUE(window->models().log.sessions().front().simulated);
  // It is filed under the day that it shows.
  EXPECT_EQ(rehearsed.file.substr(0, 18), "frames/2027-07-17/");
  EXPECT_TRUE(media::read_frame(folder / rehearsed.file)->info.simulated);
}

TEST_F(CaptureTest, FindsTheFocusWithItsMotorByKeyboardAlone) {
  reopen(test::quick_rig());
  camera().hurry(1.0, 0.5);
  look();
  ASSERT_TRUE(test::wait_until([&] {
    return camera().glance().judgement.limit == live::Limit::kFocus &&
           camera().glance().hands.focuser.has_value();
  }));
  EXPECT_TRUE(find<QLabel>("live-next").text().contains("F11"));
  press(Qt::Key_F11);
  EXPECT_TRUE(find<QWidget>("focus-plot").isVisible());
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().focusing.has_value(); }));
  EXPECT_EQ(find<QPushButton>("focus-run").text(), "Stop");
  EXPECT_FALSE(find<QPushButton>("focus-in").isEnabled());
  ASSERT_TRUE(
      test::wait_until([&] { return capture::over(camera().glance().focusing->stage); }, 110'000));
  ASSERT_EQ(camera().glance().focusing->stage, capture::RunStage::kDone);
  EXPECT_TRUE(find<QLabel>("focus-says").text().startsWith("In focus at"));
  EXPECT_TRUE(find<RunPlot>("focus-plot").picture().best);
  EXPECT_GT(find<RunPlot>("focus-plot").picture().points.size(), 5U);
  ASSERT_TRUE(
      test::wait_until([&] { return camera().glance().judgement.limit != live::Limit::kFocus; }));
}

TEST_F(CaptureTest, TurnsTheFocuserByHandAndStopsARun) {
  look();
  QTest::mouseClick(&find<QPushButton>("page-focus"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().hands.focuser.has_value(); }));
  const double from_um = camera().glance().hands.focuser->position_um;
  QTest::mouseClick(&find<QPushButton>("focus-out"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] {
    const auto& focuser = *camera().glance().hands.focuser;
    return !focuser.moving && focuser.position_um > from_um;
  }));
  EXPECT_NEAR(camera().glance().hands.focuser->position_um, from_um + camera().focus_depth_um(),
              0.1);
  // What was seen at each place where it stood is kept, and the narrowest of it named.
  auto& plot = find<RunPlot>("focus-plot");
  const auto places = [&] { return plot.picture().points.size(); };
  ASSERT_TRUE(test::wait_until([&] { return places() >= 1; }));
  const auto before = places();
  auto& position = *find<QWidget>("focus-position").findChild<QLineEdit*>();
  position.setFocus();
  position.selectAll();
  QTest::keyClicks(&position, "39.5");
  QTest::keyClick(&position, Qt::Key_Return);
  ASSERT_TRUE(
      test::wait_until([&] { return camera().glance().hands.focuser->position_um == 39'500.0; }));
  ASSERT_TRUE(test::wait_until([&] { return places() > before; }));
  EXPECT_TRUE(find<QLabel>("focus-says").text().startsWith("Narrowest so far"));
  QTest::mouseClick(&find<QPushButton>("focus-run"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().focusing.has_value(); }));
  QTest::mouseClick(&find<QPushButton>("focus-run"), Qt::LeftButton);
  ASSERT_TRUE(test::wait_until([&] { return !camera().glance().focusing.has_value(); }));
  EXPECT_EQ(find<QPushButton>("focus-run").text(), "Find the focus");
  // Nothing in white light can be tuned.
  press(Qt::Key_F12);
  EXPECT_TRUE(find<QWidget>("tuning-plot").isVisible());
  EXPECT_FALSE(find<QPushButton>("tuning-run").isEnabled());
}

TEST_F(CaptureTest, TheSameLightPathStandsAsItWasLeft) {
  look();
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().hands.focuser.has_value(); }));
  camera().focus_to(33'000.0);
  ASSERT_TRUE(test::wait_until([&] {
    const auto& focuser = *camera().glance().hands.focuser;
    return !focuser.moving && focuser.position_um == 33'000.0;
  }));
  press(Qt::Key_F4);
  press(Qt::Key_F4);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().hands.focuser.has_value(); }));
  EXPECT_EQ(camera().glance().hands.focuser->position_um, 33'000.0);
}

TEST_F(CaptureTest, AProcessThatDiesIsSaidAndWhatWasRecordedStays) {
  look();
  press(Qt::Key_F6);
  ASSERT_TRUE(test::wait_until(
      [&] { return camera().glance().recording && camera().glance().recording->written > 3; }));
  ASSERT_NE(test::player("telescope"), 0);
  kill(test::player("telescope"), SIGKILL);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().ended; }));
  ASSERT_TRUE(test::wait_until([&] { return !camera().recording(); }));
  const auto clip = media::ClipReader::open(clips().at(0)).value();
  EXPECT_EQ(clip.facts().frames, camera().glance().recording->written);
  EXPECT_EQ(base::Json::parse(test::read_text(clips()[0].string() + ".json")).at("ended"), true);
  EXPECT_TRUE(window->notice().message().contains("closed the connection"));
  // The process could not take its ring of frames with it.
  EXPECT_TRUE(test::wait_until([] {
    const std::string name = "telescope-" + std::to_string(getpid()) + "-";
    const auto left = std::filesystem::directory_iterator(devices::socket_folder().value());
    return std::none_of(begin(left), end(left), [&](const auto& entry) {
      return entry.path().filename().string().starts_with(name);
    });
  }));
  press(Qt::Key_F4);
  press(Qt::Key_F4);
  EXPECT_TRUE(
      test::wait_until([&] { return camera().glance().frame && !camera().glance().ended; }));
}

TEST_F(CaptureTest, WhatTheTunerFindsIsNotedOfTheEtalon) {
  optics::Rig rig = test::usual_train(2);
  auto& sensor = std::get<optics::Camera>(rig.elements.back().part);
  sensor.width_px = 320;
  sensor.height_px = 240;
  reopen(rig);
  camera().hurry(900.0, 0.5);
  look();
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().hands.heater.has_value(); }));
  press(Qt::Key_F12);
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().tuning.has_value(); }));
  ASSERT_TRUE(
      test::wait_until([&] { return capture::over(camera().glance().tuning->stage); }, 110'000));
  ASSERT_EQ(camera().glance().tuning->stage, capture::RunStage::kDone);
  EXPECT_TRUE(find<QLabel>("tuning-says").text().startsWith("On the line at step"));
  const auto& elements = window->document().workspace().rig.elements;
  const auto etalon = *optics::find_fitted<optics::RearEtalon>(window->document().workspace().rig);
  ASSERT_EQ(elements[etalon].care.tuning.size(), 1U);
  EXPECT_NEAR(elements[etalon].care.tuning[0].setting_angstrom,
              0.1 * camera().glance().tuning->fit->step, 1e-9);
  EXPECT_TRUE(camera().looking()) << "a note is no other light path";
  EXPECT_EQ(camera().glance().hands.heater->step, camera().glance().tuning->fit->step);
}

}  // namespace
}  // namespace solarchon::app
