// SPDX-License-Identifier: GPL-3.0-or-later
// The hour outside: steps ticked, north and the Sun found, by keyboard.
#include <QClipboard>
#include <QComboBox>
#include <QDropEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMimeData>
#include <QPushButton>
#include <QRegularExpression>
#include <QTableWidget>
#include <QUrl>

#include "app/model/phrases.h"
#include "app/views/field/aim_picture.h"
#include "app/views/field/ground_plan.h"
#include "app/views/field/pole_picture.h"
#include "solarchon/align/seen_drift.h"
#include "solarchon/base/angle.h"
#include "solarchon/media/frame_file.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

class FieldTest : public testing::Test {
 protected:
  void SetUp() override { open(test::morning_workspace(test::starter_rig())); }
  void open(const workspace::Workspace& space) {
    window.reset();
    window = test::open_window(folder.path(), space);
    window->runbook().set_clock([this] { return clock; });
  }
  void show(const QString& page) {
    window->show_place(page);
    QApplication::processEvents();
  }
  void press(Qt::Key key) {
    QTest::keyClick(QApplication::focusWidget(), key);
    QApplication::processEvents();
  }
  template <typename Widget>
  Widget* find(const char* name) {
    return window->findChild<Widget*>(QString::fromLatin1(name));
  }
  QString words(const char* label) { return find<QLabel>(label)->text(); }
  [[nodiscard]] std::size_t ticks() { return window->runbook().progress().ticks.size(); }
  workspace::Workspace with_mount(plan::MountKind kind, const optics::Rig& rig) {
    auto space = test::morning_workspace(rig);
    space.mount.kind = kind;
    return space;
  }

  sky::UtcTime clock = test::morning();
  test::TempFolder folder;
  std::unique_ptr<Window> window;
};

TEST_F(FieldTest, AWholeSetUpOfEachMountKindIsWalkedByKeyboard) {
  for (const plan::MountKind kind :
       {plan::MountKind::kUnknown, plan::MountKind::kEquatorialTurns,
        plan::MountKind::kEquatorialFree, plan::MountKind::kAltAzimuth}) {
    window->document().edit("Mount", with_mount(kind, test::usual_train(2)));
    window->runbook().start_over();
    show("field");
    find<QListWidget>("step-list")->setFocus();
    const std::size_t steps = window->runbook().steps().size();
    ASSERT_GT(steps, 15U);
    for (std::size_t i = 0; i < steps; ++i) {
      EXPECT_EQ(ticks(), i);
      clock = clock + sky::minutes(1.0);
      press(Qt::Key_Space);
    }
    EXPECT_EQ(ticks(), steps);
    EXPECT_EQ(words("step-place"), "All done");
    for (const plan::Tick& tick : window->runbook().progress().ticks) {
      EXPECT_FALSE(tick.early) << tick.step;
    }
  }
  // The countdown learned from each of them.
  EXPECT_TRUE(
      test::wait_until([&] { return window->document().experience().steps.size() >= 4U * 5U; }));
}

TEST_F(FieldTest, TheSunIsLockedOutUntilTheOrderIsLeftKnowingly) {
  show("field");
  auto* list = find<QListWidget>("step-list");
  list->setFocus();
  const auto& steps = window->runbook().steps();
  int turn = 0;
  while (steps.at(static_cast<std::size_t>(turn)).step.id != "turn-to-sun") {
    ++turn;
    press(Qt::Key_Down);
  }
  list->setCurrentRow(turn);
  EXPECT_TRUE(words("step-before").startsWith("First: ")) << words("step-before").toStdString();
  // Space does not tick it: it shows what comes first.
  press(Qt::Key_Space);
  EXPECT_EQ(ticks(), 0U);
  EXPECT_NE(list->currentRow(), turn);
  list->setCurrentRow(turn);
  auto* anyway = find<QPushButton>("step-anyway");
  QTest::mouseClick(anyway, Qt::LeftButton);
  EXPECT_EQ(ticks(), 0U);
  EXPECT_TRUE(words("step-before").contains("burnt")) << words("step-before").toStdString();
  QTest::mouseClick(anyway, Qt::LeftButton);
  ASSERT_EQ(ticks(), 1U);
  EXPECT_TRUE(window->runbook().progress().ticks.front().early);
  // What follows stays locked.
  EXPECT_EQ(window->runbook().standing().at(static_cast<std::size_t>(turn) + 1).state,
            plan::StepState::kLocked);
}

TEST_F(FieldTest, ATickIsTakenBackWithTheSameKey) {
  show("field");
  auto* list = find<QListWidget>("step-list");
  list->setFocus();
  press(Qt::Key_Space);
  ASSERT_EQ(ticks(), 1U);
  list->setCurrentRow(0);
  EXPECT_EQ(find<QPushButton>("step-done")->text(), "Not done after all");
  press(Qt::Key_Space);
  EXPECT_EQ(ticks(), 0U);
}

TEST_F(FieldTest, WarmUpRunsAsATimer) {
  open(with_mount(plan::MountKind::kEquatorialTurns, test::usual_train(2)));
  window->document().edit("Rig",
                          with_mount(plan::MountKind::kEquatorialTurns, test::usual_train(2)));
  show("field");
  find<QListWidget>("step-list")->setFocus();
  const auto step = [&](const char* id) {
    const auto& steps = window->runbook().steps();
    const auto found = std::find_if(steps.begin(), steps.end(), [&](const plan::RunbookStep& one) {
      return one.step.id == id;
    });
    return static_cast<int>(found - steps.begin());
  };
  while (window->runbook().standing().at(static_cast<std::size_t>(step("warm-up"))).state !=
         plan::StepState::kRunning) {
    press(Qt::Key_Space);
  }
  find<QListWidget>("step-list")->setCurrentRow(step("warm-up"));
  const double minutes =
      window->runbook().steps().at(static_cast<std::size_t>(step("warm-up"))).step.minutes;
  EXPECT_EQ(words("step-time"), time_left(sky::minutes(minutes)));
  EXPECT_FALSE(find<QLabel>("timers")->text().isEmpty());
  clock = clock + sky::minutes(minutes - 1.0);
  show("day");  // in sight in every view
  EXPECT_TRUE(test::wait_until([&] { return find<QLabel>("timers")->text().contains("1:00"); }))
      << words("timers").toStdString();
  clock = clock + sky::minutes(2.0);
  EXPECT_TRUE(test::wait_until([&] { return find<QLabel>("timers")->text().contains("over"); }))
      << words("timers").toStdString();
}

TEST_F(FieldTest, WhatWasTickedOutlivesTheProgramButNotTheDay) {
  show("field");
  find<QListWidget>("step-list")->setFocus();
  const sky::UtcTime now{QDateTime::currentMSecsSinceEpoch()};
  clock = now;
  press(Qt::Key_Space);
  press(Qt::Key_Space);
  open(test::morning_workspace(test::starter_rig()));
  EXPECT_EQ(ticks(), 2U);
  clock = now - sky::hours(20.0);
  window->runbook().start_over();
  show("field");
  find<QListWidget>("step-list")->setFocus();
  press(Qt::Key_Space);
  open(test::morning_workspace(test::starter_rig()));
  EXPECT_EQ(ticks(), 0U);
}

TEST_F(FieldTest, OccasionsAreChosenAndBegunAnew) {
  show("field");
  auto* occasion = find<QComboBox>("occasion");
  occasion->setFocus();
  press(Qt::Key_Down);
  EXPECT_EQ(window->runbook().occasion(), safety::Occasion::kChange);
  find<QListWidget>("step-list")->setFocus();
  press(Qt::Key_Space);
  EXPECT_EQ(ticks(), 1U);
  QTest::mouseClick(find<QPushButton>("steps-anew"), Qt::LeftButton);
  EXPECT_EQ(ticks(), 0U);
}

TEST_F(FieldTest, NorthSaysWhatTheCoreSays) {
  show("field-north");
  const workspace::Workspace& space = window->document().workspace();
  const auto shadow =
      align::plumb_shadow(window->document().answers().sun, workspace::observer_of(space),
                          window->document().moment(), space.outside.plumb_mm);
  ASSERT_TRUE(shadow);
  EXPECT_TRUE(words("north-headline").contains(number(shadow->direction_deg, 1)))
      << words("north-headline").toStdString();
  EXPECT_TRUE(words("north-headline").contains("to its right"));
  auto* ways = find<QListWidget>("north-ways");
  ways->setFocus();
  // Best first: each row is as near to the pole as it says, the next one less.
  double before = 0.0;
  QString seen;
  for (int row = 0; row < ways->count(); ++row) {
    static const QRegularExpression kWithin("within ([0-9.]+)");
    const double within = kWithin.match(ways->item(row)->text()).captured(1).toDouble();
    EXPECT_GE(within, before) << ways->item(row)->text().toStdString();
    before = within;
    ways->setCurrentRow(row);
    seen += words("north-headline");
  }
  for (const char* way : {"the shadow lies at", "along the axis", "marks", "compass"}) {
    EXPECT_TRUE(seen.contains(way)) << way;
  }
  EXPECT_FALSE(find<GroundPlan>("ground-plan")->accessibleDescription().isEmpty());
}

TEST_F(FieldTest, LengthsAreTypedKeptAndUndone) {
  show("field-north");
  auto& edit = find<NumberField>("plumb-height")->edit();
  edit.setFocus();
  edit.selectAll();
  QTest::keyClicks(&edit, "500");
  press(Qt::Key_Return);
  EXPECT_DOUBLE_EQ(window->document().workspace().outside.plumb_mm, 500.0);
  edit.selectAll();
  QTest::keyClicks(&edit, "9");
  press(Qt::Key_Return);
  EXPECT_FALSE(find<NumberField>("plumb-height")->problem().isEmpty());
  EXPECT_DOUBLE_EQ(window->document().workspace().outside.plumb_mm, 500.0);
  window->document().undo().undo();
  EXPECT_DOUBLE_EQ(window->document().workspace().outside.plumb_mm, 1000.0);
  show("field-find");
  auto& tube = find<NumberField>("tube-length")->edit();
  tube.setFocus();
  QTest::keyClicks(&tube, "300");
  press(Qt::Key_Return);
  EXPECT_EQ(window->document().workspace().outside.tube_mm, 300.0);
  EXPECT_TRUE(words("find-reason").contains("23")) << words("find-reason").toStdString();
  tube.clear();
  press(Qt::Key_Return);
  EXPECT_FALSE(window->document().workspace().outside.tube_mm);
}

TEST_F(FieldTest, CoordinatesAreCopiedWithOneKey) {
  show("field-find");
  find<QPushButton>("copy-coordinates")->setFocus();
  press(Qt::Key_C);
  const QString copied = QApplication::clipboard()->text();
  EXPECT_TRUE(copied.contains(in_hours(window->document().answers().sun.right_ascension_deg)))
      << copied.toStdString();
  EXPECT_TRUE(copied.contains("J2000")) << copied.toStdString();
}

TEST_F(FieldTest, ARefusedLightPathIsNotToBeTurnedToTheSun) {
  auto space = test::morning_workspace(test::starter_rig());
  std::erase_if(space.rig.elements, [](const optics::Element& element) {
    return std::holds_alternative<optics::FrontFilm>(element.part);
  });
  window->document().edit("Film off", space);
  show("field-find");
  EXPECT_TRUE(words("find-headline").startsWith("Stop")) << words("find-headline").toStdString();
}

TEST_F(FieldTest, AnAxisTwoDegreesOffIsAlignedByDriftWithTheKeyboard) {
  // The mount that is aligned: its axis stands off; turning the knobs as the page says moves it.
  align::PoleError axis{1.2, -1.9};
  base::Random noise({4});
  const auto type = [&](const char* field, double value) {
    auto& edit = find<NumberField>(field)->edit();
    edit.setFocus();
    edit.selectAll();
    QTest::keyClicks(&edit, QString::number(value, 'f', 1));
    press(Qt::Key_Return);
  };
  auto space = window->document().workspace();
  const sky::Observer observer = workspace::observer_of(space);
  for (int round = 0; round < 3; ++round) {
    for (const char* time :
         {"2027-07-17T09:00:00Z", "2027-07-17T12:30:00Z", "2027-07-17T16:00:00Z"}) {
      window->document().look_at(test::utc(time));
      show("field-drift");
      find<QComboBox>("drift-frame")->setFocus();
      press(Qt::Key_End);
      find<QComboBox>("drift-unit")->setFocus();
      press(Qt::Key_Home);
      const sky::UtcTime start = test::utc(time) - sky::minutes(5.0);
      align::DriftRun run = align::run_seen(observer, start, 300.0,
                                            {false, 0.0, 0.0, align::DriftUnit::kArcseconds}, {})
                                .value();
      const align::Drift drift = align::drift_of(axis, space.site.latitude_deg, run,
                                                 align::Rate::kSolar, observer.weather);
      const double level = std::cos(run.declination_deg * base::kRadPerDeg);
      type("drift-west", drift.hour_angle_arcsec * level + 2.0 * noise.normal());
      type("drift-north", drift.declination_arcsec + 2.0 * noise.normal());
      find<QPushButton>("drift-add")->setFocus();
      press(Qt::Key_Space);
    }
    const workspace::Outside& outside = window->document().workspace().outside;
    ASSERT_EQ(outside.runs.size(), 3U) << words("drift-problem").toStdString();
    const align::PoleFit fit = workspace::axis_of(window->document().workspace());
    ASSERT_TRUE(fit.solvable());
    if (round == 0) {
      EXPECT_TRUE(words("drift-headline").contains("Lower"))
          << words("drift-headline").toStdString();
      EXPECT_TRUE(words("drift-headline").contains("to the east"));
    }
    axis.altitude_deg -= fit.error.altitude_deg;
    axis.azimuth_deg -= fit.error.azimuth_deg;
    auto* list = find<QListWidget>("drift-runs");
    while (list->count() > 0) {
      list->setFocus();
      list->setCurrentRow(0);
      press(Qt::Key_Delete);
    }
  }
  EXPECT_LT(std::hypot(axis.altitude_deg,
                       axis.azimuth_deg * std::cos(space.site.latitude_deg * base::kRadPerDeg)) *
                60.0,
            3.0);
}

TEST_F(FieldTest, ARunThatTellsNothingIsAnsweredBesideIt) {
  show("field-drift");
  QTest::mouseClick(find<QPushButton>("drift-add"), Qt::LeftButton);
  EXPECT_FALSE(words("drift-problem").isEmpty());
  EXPECT_TRUE(window->document().workspace().outside.runs.empty());
}

TEST_F(FieldTest, ARunIsMeasuredOnFramesThatAreDroppedThere) {
  show("field-drift");
  const auto celestial = window->document().answers().celestial;
  QMimeData files;
  QList<QUrl> urls;
  for (int i = 0; i < 4; ++i) {
    // 6 px west and 3 px north a minute, wherever those lie in this light path's picture.
    const sky::PictureOffset moved = sky::to_picture({6.0 * i, 3.0 * i}, celestial);
    const auto file = folder / ("drift" + std::to_string(i) + ".fits");
    ASSERT_TRUE(
        media::write_fits(test::drawn_disc(640, 512, {320.0 + moved.right, 256.0 - moved.up}, 200.0,
                                           test::morning() + sky::minutes(i)),
                          file));
    urls << QUrl::fromLocalFile(QString::fromStdString(file.string()));
  }
  files.setUrls(urls);
  auto* page = find<QPushButton>("drift-frames")->parentWidget();
  while (!page->acceptDrops()) {
    page = page->parentWidget();
    ASSERT_NE(page, nullptr);
  }
  const auto drop = [&] {
    QDragEnterEvent enter(QPoint(5, 5), Qt::CopyAction, &files, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(page, &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent event(QPointF(5, 5), Qt::CopyAction, &files, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(page, &event);
  };
  drop();
  ASSERT_TRUE(test::wait_until([&] {
    return !window->document().workspace().outside.runs.empty();
  })) << words("drift-problem").toStdString();
  const align::DriftRun& run = window->document().workspace().outside.runs[0];
  const double scale = window->document().answers().sun.semidiameter_arcsec() / 200.0;
  EXPECT_EQ(run.start, test::morning());
  EXPECT_DOUBLE_EQ(run.duration_s, 180.0);
  EXPECT_NEAR(*run.declination_drift_arcsec, 9.0 * scale, 0.5);
  EXPECT_NEAR(*run.hour_angle_drift_arcsec * std::cos(run.declination_deg * base::kRadPerDeg),
              18.0 * scale, 0.5);
  EXPECT_EQ(words("drift-problem"), QString());
  // What is no frame is said, and nothing is added.
  urls[1] = QUrl::fromLocalFile("/nowhere/there.fits");
  files.setUrls(urls);
  drop();
  ASSERT_TRUE(test::wait_until([&] { return !words("drift-problem").isEmpty(); }));
  EXPECT_EQ(window->document().workspace().outside.runs.size(), 1U);
}

TEST_F(FieldTest, TheInstrumentOfAStepStandsBesideItWhereThereIsRoom) {
  show("field");
  auto* list = find<QListWidget>("step-list");
  auto* instrument = find<QWidget>("step-instrument");
  const auto& steps = window->runbook().steps();
  const auto turn_to = [&](std::string_view id) {
    for (int row = 0; row < list->count(); ++row) {
      if (steps.at(static_cast<std::size_t>(row)).step.id == id) {
        list->setCurrentRow(row);
      }
    }
    QApplication::processEvents();
  };
  window->resize(1280, 800);
  turn_to("inspect");
  EXPECT_FALSE(instrument->isVisible());
  turn_to("axis");
  EXPECT_TRUE(instrument->isVisible());
  EXPECT_TRUE(find<GroundPlan>("step-ground-plan")->isVisible());
  turn_to("turn-to-sun");
  EXPECT_TRUE(find<AimPicture>("step-aim-picture")->isVisible());
  turn_to("refine-axis");
  EXPECT_TRUE(find<PolePicture>("step-pole-picture")->isVisible());
  EXPECT_TRUE(find<QPushButton>("step-how")->isVisible());
  window->resize(1024, 700);
  QApplication::processEvents();
  EXPECT_FALSE(instrument->isVisible());
  EXPECT_TRUE(find<QPushButton>("step-how")->isVisible());
}

TEST_F(FieldTest, TicksAreFiledWithTheSessionThatFollowsThem) {
  show("field");
  find<QListWidget>("step-list")->setFocus();
  press(Qt::Key_Space);
  clock = clock + sky::minutes(1.0);
  press(Qt::Key_Space);
  ASSERT_EQ(ticks(), 2U);
  const auto take = [&](std::size_t frames) {
    window->models().frame.take(window->document().workspace(), window->document().answers(), {});
    ASSERT_TRUE(test::wait_until([&] {
      const auto& sessions = window->models().log.sessions();
      return !sessions.empty() && sessions.front().frames == static_cast<int>(frames);
    }));
  };
  take(1);
  const std::int64_t session = window->models().log.sessions().front().id;
  const auto filed = [&] { return test::session_in_log(folder.path(), session).ticks; };
  ASSERT_TRUE(test::wait_until([&] { return filed().size() == 2U; }));
  EXPECT_EQ(filed()[0].tick, window->runbook().progress().ticks[0]);
  // What follows goes there at once; what is taken back leaves it.
  press(Qt::Key_Space);
  ASSERT_TRUE(test::wait_until([&] { return filed().size() == 3U; }));
  window->runbook().untick(filed()[2].tick.step);
  ASSERT_TRUE(test::wait_until([&] { return filed().size() == 2U; }));
  // The page of the session shows them with their times.
  show("log");
  auto* table = find<QTableWidget>("session-steps");
  ASSERT_TRUE(test::wait_until([&] { return table->isVisible(); }));
  ASSERT_EQ(table->rowCount(), 2);
  EXPECT_EQ(table->item(0, 0)->text(), "10:40");
  EXPECT_FALSE(table->item(0, 1)->text().isEmpty());
  // The next start of the program knows where they are filed.
  const auto kept = folder / "runbook.json";
  ASSERT_TRUE(test::wait_until([&] {
    return std::filesystem::exists(kept) &&
           test::read_text(kept).find("\"session\"") != std::string::npos;
  }));
  Runbook again(window->document(), window->models().log);
  again.set_clock([this] { return clock; });
  ASSERT_TRUE(again.keep_in(kept));
  ASSERT_EQ(again.progress().ticks.size(), 2U);
  again.untick(again.progress().ticks[1].step);
  EXPECT_TRUE(test::wait_until([&] { return filed().size() == 1U; }));
}

TEST_F(FieldTest, ARunIsTimedByTheClockAndUndone) {
  show("field-drift");
  auto* watch = find<QPushButton>("drift-watch");
  QTest::mouseClick(watch, Qt::LeftButton);
  EXPECT_EQ(watch->text(), "End the run");
  clock = clock + sky::minutes(3.0);
  QTest::mouseClick(watch, Qt::LeftButton);
  for (const char* field : {"drift-right", "drift-up"}) {
    auto& edit = find<NumberField>(field)->edit();
    edit.setFocus();
    QTest::keyClicks(&edit, "4");
    press(Qt::Key_Return);
  }
  QTest::mouseClick(find<QPushButton>("drift-add"), Qt::LeftButton);
  ASSERT_EQ(window->document().workspace().outside.runs.size(), 1U)
      << words("drift-problem").toStdString();
  EXPECT_DOUBLE_EQ(window->document().workspace().outside.runs[0].duration_s, 180.0);
  EXPECT_EQ(window->document().workspace().outside.runs[0].start, window->document().moment());
  window->document().undo().undo();
  EXPECT_TRUE(window->document().workspace().outside.runs.empty());
}

TEST_F(FieldTest, ByNightAndAtThePolesEveryPageStands) {
  for (const double latitude_deg : {90.0, -90.0, 0.0, 69.0}) {
    auto space = test::morning_workspace(test::starter_rig());
    space.site.latitude_deg = latitude_deg;
    window->document().edit("Site", space);
    for (const char* time : {"2027-12-21T00:00:00Z", "2035-06-21T12:00:00Z"}) {
      window->document().look_at(test::utc(time));
      for (const char* page : {"field", "field-prepare", "field-north", "field-find", "field-drift",
                               "field-track", "field-mount"}) {
        show(page);
        for (const QLabel* label : window->findChildren<QLabel*>()) {
          EXPECT_FALSE(label->isVisible() && label->text().contains("nan"))
              << label->text().toStdString();
        }
      }
    }
  }
}

}  // namespace
}  // namespace solarchon::app
