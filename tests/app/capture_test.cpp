// SPDX-License-Identifier: GPL-3.0-or-later
// The live picture, driven by keys and clicks.
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QStackedWidget>
#include <QTest>

#include "app/model/live_camera.h"
#include "app/views/capture/live_plate.h"
#include "solarchon/frames/clip.h"
#include "solarchon/frames/clip_reader.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::morning_workspace;
using test::TempFolder;

/// A light path whose camera gives frames at once.
workspace::Workspace small_space() {
  optics::Rig rig = test::quick_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 200;
  camera.height_px = 150;
  camera.pixel_um = 36.0;
  camera.full_well_e *= 6.0;
  return morning_workspace(rig);
}

class CaptureTest : public testing::Test {
 protected:
  CaptureTest() {
    window = test::open_window(folder.path(), small_space());
    window->show_place("capture");
  }
  void press(int key, Qt::KeyboardModifiers with = Qt::NoModifier) {
    QTest::keyClick(window.get(), static_cast<Qt::Key>(key), with);
  }
  template <typename Kind>
  Kind& find(const char* name) {
    auto* found = window->findChild<Kind*>(name);
    EXPECT_NE(found, nullptr) << name;
    return *found;
  }
  LiveCamera& camera() { return window->models().camera; }
  void look() {
    press(Qt::Key_F4);
    ASSERT_TRUE(test::wait_until([&] { return camera().glance().frame != nullptr; }));
  }
  std::vector<std::filesystem::path> clips() {
    std::vector<std::filesystem::path> found;
    std::error_code none;
    for (const auto& entry :
         std::filesystem::recursive_directory_iterator(folder / "clips", none)) {
      if (entry.path().extension() == ".fits") {
        found.push_back(entry.path());
      }
    }
    return found;
  }

  TempFolder folder;
  std::unique_ptr<Window> window;
};

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
  const auto clip = frames::ClipReader::open(clips()[0]).value();
  EXPECT_GT(clip.facts().frames, 1);
  EXPECT_EQ(clip.facts().frames, camera().glance().recording->written);
  const base::Json facts = base::Json::parse(test::read_text(clips()[0].string() + ".json"));
  EXPECT_EQ(facts.at("site").at("name"), "Punta Alcaravan");
  EXPECT_EQ(facts.at("ended"), true);
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
    EXPECT_GT(frames::ClipReader::open(file)->facts().frames, 1);
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
  std::vector<frames::Frame> frames;
  for (int i = 0; i < 12; ++i) {
    frames.push_back(test::drawn_disc(160, 120, {80.0, 60.0}, 50.0, test::morning()));
  }
  ASSERT_TRUE(frames::write_video(
      12, 30.0,
      [&](int number) -> base::Result<frames::Frame> {
        return frames[static_cast<std::size_t>(number)];
      },
      file));
  window->current_view().open_file(QString::fromStdString(file.string()));
  ASSERT_TRUE(test::wait_until([&] { return camera().glance().ended; }));
  EXPECT_EQ(camera().glance().readings.frames, 12);
  EXPECT_FALSE(find<QPushButton>("record").isEnabled());
  EXPECT_TRUE(find<QLabel>("live-limit").text().contains("end"));
  window->current_view().open_file("/nowhere/a.mkv");
  ASSERT_TRUE(test::wait_until([&] { return window->notice().isVisible(); }));
}

}  // namespace
}  // namespace solarchon::app
